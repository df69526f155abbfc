export interface Label {
  text: string;
  /** middle of its foot, pixels */
  x: number;
  y: number;
}

const LETTER = 9;
const LINE = 13;

/** Labels that find room, those that come first before others: a label over a label cannot be read. */
export function freeLabels<One extends Label>(labels: readonly One[]): One[] {
  const placed: One[] = [];
  for (const label of labels) {
    const isFree = placed.every(
      ({ text, x, y }) =>
        Math.abs(x - label.x) >= ((text.length + label.text.length) * LETTER) / 2 || Math.abs(y - label.y) >= LINE,
    );
    if (isFree) placed.push(label);
  }
  return placed;
}
