import { changeCsv, changeReport, comparedWords } from './change-report';
import type { SiteChange } from './sites-words';

const at = (day: number, hour: number) => new Date(2026, 10, day, hour).getTime();
const CHANGE: SiteChange = {
  by: 'site',
  atMs: at(10, 9),
  untilMs: at(10, 9),
  strata: 'hourOfWeek',
  drawing: { startMs: at(3, 0), stepMs: 86_400_000, changed: [1, 2], unchanged: [1, 1] },
  before: { fromMs: at(3, 9), toMs: at(10, 9) },
  after: { fromMs: at(10, 9), toMs: at(17, 9) },
  verdict: 'better',
  factor: { estimate: 0.8, low: 0.75, high: 0.86 },
  groups: [
    {
      group: 'Brack|water',
      isChanged: true,
      before: 420,
      after: 410,
      factor: 0.79,
      failed: { estimate: -0.02, low: -0.03, high: -0.01 },
    },
    { group: 'Ostrel', isChanged: false, before: 10, after: 9, factor: null, failed: null },
  ],
};

test('what was compared is said, with what was left out', () => {
  expect(comparedWords(CHANGE)).toBe(
    '7 d before Tue 10 Nov 09:00 and 7 d after Tue 10 Nov 09:00 are compared, each hour of the week with the same hour of the other time.',
  );
  expect(comparedWords({ ...CHANGE, untilMs: at(11, 9), strata: 'none' })).toContain(
    'It took from Tue 10 Nov 09:00 to Wed 11 Nov 09:00: that is drawn, and not compared.',
  );
});

test('the report has the verdict and a line each; a bar in a name does not break its table', () => {
  const report = changeReport(CHANGE);
  expect(report).toContain('Better: at 1 site things take 0.80× (0.75× to 0.86×)');
  expect(report).toContain('| Brack\\|water | changed · 0.79× as long as before · 2.0 of 100 fewer fail');
});

test('the CSV has empty cells for what is not known', () => {
  expect(changeCsv(CHANGE).split('\r\n')[2]).toBe('Ostrel,no,10,9,,,,');
});
