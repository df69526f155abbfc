import { counted, formatMoney, inWords, lengthWords, nth, percent, times } from '../words';
import { hurtSentence, incidentTitle, outageOrigin, windowSentence, type IncidentFacts } from '.';

const FIGURES = [0, 0.4, 1, 1.6, 2, 1_000_000];
const SHARES = [0, 0.0001, 0.5, 0.9999, 1];
const NAMES = ['Pay', 'x'.repeat(200), '\u0627\u062f\u0641\u0639', 'Book a pick-up', '<b>&"'];
const BAD = /NaN|undefined|null|Infinity|-\d|\b1 (people|attempts|points|flows)\b|\d\.0 min|\b0 %|\s{2}/;

const titles = (['slow', 'failing', 'missing'] as const).flatMap((signal) =>
  NAMES.flatMap((flow) =>
    SHARES.flatMap((share) =>
      FIGURES.flatMap((figure) =>
        [false, true].map((isOver): IncidentFacts => ({
          signal,
          flow,
          application: 'Shop',
          wholeApplication: isOver,
          slowness: figure,
          badShare: share,
          usualShare: 0.004,
          volumeShare: share,
          isOver,
          lengthMs: figure * 60_000,
        })),
      ),
    ),
  ),
);

test('no title says a figure that is none, or a plural of one', () => {
  for (const facts of titles) {
    const title = incidentTitle(facts);
    expect(title.replaceAll(facts.flow, '')).not.toMatch(
      facts.badShare === 0 ? /NaN|undefined|null|Infinity|-\d/ : BAD,
    );
    // What happens comes first: cutting a title off loses whom it happens to, not what.
    expect(title).toMatch(/^[A-Z0-9u]/);
  }
});

test('neither does a sentence of a window or an incident', () => {
  for (const figure of FIGURES)
    for (const isPast of [false, true]) {
      const window = {
        people: figure,
        harmPerHour: figure,
        flows: Math.round(figure),
        money: figure,
        currency: 'EUR',
        withoutTeam: 1,
        incidents: Math.max(1, Math.round(figure)),
        isPast,
        hasData: true,
        isJudged: true,
        learning: isPast ? null : { flows: Math.round(figure), of: Math.round(figure) + 1 },
      };
      const { headline, detail } = windowSentence(window);
      for (const text of [headline, detail]) expect(text).not.toMatch(BAD);
      const hurt = hurtSentence({
        people: figure,
        keyPeople: figure,
        gaveUp: figure,
        left: figure,
        missing: figure,
        signal: 'slow',
      });
      expect(hurt).not.toMatch(BAD);
      expect(hurt).toMatch(/\.$/);
    }
  expect(
    windowSentence({
      people: 2,
      harmPerHour: 2,
      flows: 1,
      money: 0,
      currency: 'XTS',
      withoutTeam: 0,
      incidents: 1,
      isPast: false,
      hasData: true,
      isJudged: true,
      learning: null,
    }).detail,
  ).toBe('It is with a team.');
});

test('an outage says rates as they are, also none', () => {
  for (const usualPerMinute of FIGURES)
    for (const nowPerMinute of FIGURES)
      for (const words of outageOrigin([{ component: 'gateway', depth: 0, usualPerMinute, nowPerMinute, hosts: [] }])
        .words)
        expect(words).not.toMatch(/NaN|undefined|Infinity/);
});

test('figures in words: singular and plural, places, lengths, money of any code', () => {
  expect([0, 1, 1.2, 2].map((n) => counted(n, 'person', 'people'))).toEqual([
    '0 people',
    '1 person',
    '1 person',
    '2 people',
  ]);
  expect([1, 2, 3, 4, 11, 12, 13, 21, 22, 102, 111].map(nth)).toEqual([
    '1st',
    '2nd',
    '3rd',
    '4th',
    '11th',
    '12th',
    '13th',
    '21st',
    '22nd',
    '102nd',
    '111th',
  ]);
  expect([0, 1, 9, 10].map(inWords)).toEqual(['no', 'one', 'nine', '10']);
  expect([0, 59_000, 3_600_000, 48 * 3_600_000].map(lengthWords)).toEqual(['0 min', '1 min', '60 min', '2 d']);
  expect([0.04, 4.13, 12.4, 7_883].map(times)).toEqual(['0.0×', '4.1×', '12×', '7,883×']);
  expect(percent(0.00004)).toBe('under 0.1 %');
  expect([formatMoney(1_427.4, 'GBP'), formatMoney(3, 'JPY'), formatMoney(12, 'points')]).toEqual([
    '£1,427',
    'JP¥3',
    '12 points',
  ]);
});
