import { GUTTER } from './chart-sizes';

/** A mark of an axis: what it says, and where, points from the begin of the drawing. */
export interface AxisMark {
  at: number;
  words: string;
}

export interface ChartDrawing {
  title: string;
  /** the drawing itself as SVG, without its axes */
  svg: string;
  width: number;
  height: number;
  values: readonly AxisMark[];
  times: readonly AxisMark[];
  ink: string;
  paper: string;
}

const TITLE = 28;
const TIMES = 22;
const RIGHT = 24;

const escaped = (text: string) =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c] as string);

/** A chart with its title and axes as an SVG of its own, that any program can open. */
export function chartSvg({ title, svg, width, height, values, times, ink, paper }: ChartDrawing): string {
  const [w, h] = [GUTTER + width + RIGHT, TITLE + height + TIMES];
  const label = (x: number, y: number, anchor: string, words: string) =>
    `<text x="${x.toFixed(1)}" y="${y.toFixed(1)}" text-anchor="${anchor}" font-size="12" fill="${ink}">${escaped(words)}</text>`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="0 0 ${w} ${h}" font-family="sans-serif">`,
    `<rect width="${w}" height="${h}" fill="${paper}"/>`,
    `<text x="8" y="18" font-size="14" fill="${ink}">${escaped(title)}</text>`,
    ...values.map(({ at, words }) => label(GUTTER - 6, TITLE + at + 4, 'end', words)),
    `<g transform="translate(${GUTTER} ${TITLE})">${svg}</g>`,
    ...times.map(({ at, words }) => label(GUTTER + at, TITLE + height + 16, 'middle', words)),
    '</svg>',
  ].join('');
}

const PIXELS_A_POINT = 2;

/** The same as a picture of points, twice as fine as on the screen. */
export async function chartPng(svg: string): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = image.width * PIXELS_A_POINT;
  canvas.height = image.height * PIXELS_A_POINT;
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be made.'))), 'image/png'),
  );
}
