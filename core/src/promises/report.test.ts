import { parse } from 'csv-parse/sync';
import { reportCsv, reportHtml, reportMarkdown, type PeriodReport } from './report';

const report: PeriodReport = {
  title: 'Labels <for> partners',
  facts: [
    ['Kept', '99.31 % of 99.5 %'],
    ['Rule', 'a | b & c'],
  ],
  tables: [
    {
      title: 'Incidents',
      heads: ['began', 'bad attempts'],
      rows: [
        ['1 Nov | "late"', 42],
        ['=SUM(A1)', null],
      ],
    },
    { title: 'Sites', heads: ['site'], rows: [] },
  ],
};

test('as Markdown: facts, tables that have rows, and no cell that breaks its row', () => {
  expect(reportMarkdown([report])).toBe(
    [
      '## Labels <for> partners',
      '',
      '- **Kept**: 99.31 % of 99.5 %',
      '- **Rule**: a | b & c',
      '',
      '### Incidents',
      '',
      '| began | bad attempts |',
      '| --- | --- |',
      '| 1 Nov \\| "late" | 42 |',
      '| =SUM(A1) |  |',
      '',
    ].join('\n'),
  );
});

test('as CSV: read by another program, every row says of what it is; a formula is none', () => {
  const rows: string[][] = parse(reportCsv([report]), { relax_column_count: true });
  expect(rows).toEqual([
    ['Labels <for> partners', 'facts', 'Kept', '99.31 % of 99.5 %'],
    ['Labels <for> partners', 'facts', 'Rule', 'a | b & c'],
    ['Labels <for> partners', 'Incidents', 'began', 'bad attempts'],
    ['Labels <for> partners', 'Incidents', '1 Nov | "late"', '42'],
    ['Labels <for> partners', 'Incidents', "'=SUM(A1)", ''],
  ]);
});

test('as a page: nothing that was typed becomes markup', () => {
  const html = reportHtml('Promises', [report]);
  expect(html).toContain('<h2>Labels &lt;for&gt; partners</h2>');
  expect(html).toContain('<td>1 Nov | &quot;late&quot;</td><td class="n">42</td>');
  expect(html).not.toContain('Sites');
  expect(html).not.toMatch(/<for>|<script/);
});
