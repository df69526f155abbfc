import { csvText, type Cell } from '../csv';

export interface ReportTable {
  title: string;
  heads: readonly string[];
  rows: readonly (readonly Cell[])[];
}

/** What a promise’s period came to, as facts and tables: the same on paper, as text and as figures. */
export interface PeriodReport {
  title: string;
  /** name of a fact, and what it is */
  facts: readonly (readonly [name: string, words: string])[];
  tables: readonly ReportTable[];
}

const cellWords = (cell: Cell): string => (cell === null ? '' : String(cell));

/** Markdown (CommonMark, with the tables of GitHub's): pipes and line ends in cells would break their rows. */
export function reportMarkdown(reports: readonly PeriodReport[]): string {
  const cell = (one: Cell) =>
    cellWords(one)
      .replace(/\|/g, '\\|')
      .replace(/\s*\n\s*/g, ' ');
  const line = (cells: readonly Cell[]) => `| ${cells.map(cell).join(' | ')} |`;
  const table = ({ title, heads, rows }: ReportTable) =>
    [`### ${title}`, '', line(heads), line(heads.map(() => '---')), ...rows.map(line), ''].join('\n');
  return reports
    .map(({ title, facts, tables }) =>
      [
        `## ${title}`,
        '',
        ...facts.map(([name, words]) => `- **${name}**: ${words}`),
        '',
        ...tables.filter(({ rows }) => rows.length > 0).map(table),
      ].join('\n'),
    )
    .join('\n');
}

/** One table of figures for all: promise, part of the report, then what its rows hold. */
export const reportCsv = (reports: readonly PeriodReport[]): string =>
  csvText(
    reports.flatMap(({ title, facts, tables }) => [
      ...facts.map(([name, words]): Cell[] => [title, 'facts', name, words]),
      ...tables.flatMap(({ title: part, heads, rows }): Cell[][] =>
        rows.length === 0 ? [] : [[title, part, ...heads], ...rows.map((row): Cell[] => [title, part, ...row])],
      ),
    ]),
  );

const ESCAPES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escaped = (text: string) => text.replace(/[&<>"]/g, (sign) => ESCAPES[sign] ?? sign);

const STYLE = `body{font:16px/1.45 "Source Sans 3",sans-serif;color:#1E2329;background:#fff;max-width:52rem;margin:2rem auto;padding:0 1rem}
h1,h2,h3{font-family:"Source Serif 4",serif;line-height:1.2}h2{margin-top:2.5rem;break-after:avoid}h3{break-after:avoid}
dl{display:grid;grid-template-columns:max-content 1fr;gap:.25rem 1rem}dt{color:#5C636B}dd{margin:0}
table{border-collapse:collapse;width:100%;break-inside:avoid}th,td{text-align:left;border-top:1px solid #E2DCD2;padding:.25rem .5rem}
td.n{text-align:right;font-variant-numeric:tabular-nums}section+section{break-before:page}
@media print{body{margin:0;max-width:none}}`;

/** A clean page for reading and for paper, with nothing to press. @param heading of the page */
export function reportHtml(heading: string, reports: readonly PeriodReport[]): string {
  const cell = (one: Cell) => `<td${typeof one === 'number' ? ' class="n"' : ''}>${escaped(cellWords(one))}</td>`;
  const table = ({ title, heads, rows }: ReportTable) =>
    `<h3>${escaped(title)}</h3><table><thead><tr>${heads.map((head) => `<th scope="col">${escaped(head)}</th>`).join('')}</tr></thead><tbody>${rows.map((row) => `<tr>${row.map(cell).join('')}</tr>`).join('')}</tbody></table>`;
  const section = ({ title, facts, tables }: PeriodReport) =>
    `<section><h2>${escaped(title)}</h2><dl>${facts.map(([name, words]) => `<dt>${escaped(name)}</dt><dd>${escaped(words)}</dd>`).join('')}</dl>${tables
      .filter(({ rows }) => rows.length > 0)
      .map(table)
      .join('')}</section>`;
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1"><title>${escaped(heading)}</title><style>${STYLE}</style></head><body><main><h1>${escaped(heading)}</h1>${reports.map(section).join('')}</main></body></html>`;
}
