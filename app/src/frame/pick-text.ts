/** Larger files are no text that somebody would look at here. */
const LARGEST_BYTES = 8 * 1024 * 1024;

/**
 * Lets a person choose a text file, by the browser's own dialogue.
 *
 * @param accept as of an HTML file input: `.json,application/json`
 * @returns its text; `undefined` when none was chosen
 * @throws RangeError when the file is too large
 */
export function pickText(accept: string): Promise<string | undefined> {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = accept;
  return new Promise((resolve, reject) => {
    input.addEventListener('cancel', () => resolve(undefined));
    input.addEventListener('change', () => {
      const file = input.files?.[0];
      if (file && file.size > LARGEST_BYTES)
        reject(new RangeError(`${file.name} is larger than ${LARGEST_BYTES / 1024 / 1024} MB`));
      else resolve(file?.text());
    });
    input.click();
  });
}
