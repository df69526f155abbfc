/** Saves a text, or what is no text, as a file of the person who looks. */
export function saveFile(content: string | Blob, name: string, type: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([content], { type }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
