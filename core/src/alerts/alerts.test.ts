import fc from 'fast-check';
import {
  alertMessage,
  decide,
  gsmCut,
  gsmLength,
  gsmText,
  holesIn,
  isQuietAt,
  LONGEST_MESSAGE,
  onDutyAt,
  OWNER,
  receiversOf,
  ruleWords,
  speaks,
  type AlertRule,
  type Conversation,
  type Subject,
} from './index';

const MINUTE = 60_000;
const NOW = Date.UTC(2026, 2, 2, 10);

const subject = (more: Partial<Subject> = {}): Subject => ({
  kind: 'incident',
  id: 'incident-7',
  title: 'Takes 6.5× as long as usual: Pick a slot',
  application: 'Shop',
  team: 'Slots',
  path: '/incident/7',
  sinceMs: NOW - 20 * MINUTE,
  goesOn: true,
  points: 100,
  people: 40,
  level: 'hurting',
  priority: 'P1',
  chance: 0,
  withTeam: '',
  isAccepted: false,
  ...more,
});
const RULE: AlertRule = { name: 'Hurt', watches: 'incident', points: 60, people: 20, to: [OWNER] };
const always = () => true;

describe('a rule', () => {
  test.each<[Partial<Subject>, Partial<AlertRule>, boolean]>([
    [{}, {}, true],
    [{ points: 59 }, {}, false],
    [{ people: 19 }, {}, false],
    [{ goesOn: false }, {}, false],
    [{ kind: 'early' }, {}, false],
    [{}, { application: 'Round' }, false],
    [{}, { isBroken: true }, false],
    [{ level: 'broken' }, { isBroken: true }, true],
    [{}, { notAcceptedMinutes: 20 }, true],
    [{}, { notAcceptedMinutes: 21 }, false],
    [{ isAccepted: true }, { notAcceptedMinutes: 20 }, false],
    [{ chance: 0.4 }, { chance: 0.5 }, false],
  ])('of %j with %j: %s', (more, rule, expected) => {
    expect(speaks({ ...RULE, ...rule }, subject(more), NOW)).toBe(expected);
  });

  test('goes to who has it, before who should get it', () => {
    expect(receiversOf(RULE, subject())).toEqual(['Slots']);
    expect(receiversOf({ ...RULE, to: [OWNER, 'Desk', 'Slots'] }, subject({ withTeam: 'Data' }))).toEqual([
      'Data',
      'Desk',
      'Slots',
    ]);
    expect(receiversOf(RULE, subject({ team: '' }))).toEqual([]);
    expect(ruleWords(RULE)).toBe('an incident that hurts people, from 60 harm points an hour and 20 people on');
  });
});

describe('a conversation', () => {
  /** What is said over a course of moments, a minute apart, each told what was kept. */
  function said(moments: readonly (readonly Subject[])[], rules = [RULE]): string[][] {
    let open: Conversation[] = [];
    return moments.map((subjects, i) => {
      const { utterances, kept, ended } = decide(rules, subjects, { nowMs: NOW + i * MINUTE, open, wants: always });
      const key = (one: Conversation) => `${one.receiver} ${one.subject}`;
      const gone = new Set([...kept, ...ended].map(key));
      open = [...open.filter((one) => !gone.has(key(one))), ...kept];
      return utterances.map(({ stage, receiver, subjects: about }) => `${receiver} ${stage} ${about.length}`);
    });
  }

  test('opens, grows worse, is handed over and ends, and says no fact twice', () => {
    expect(
      said([
        [subject()],
        [subject({ points: 150 })],
        [subject({ points: 210 })],
        [subject({ points: 210, level: 'broken' })],
        [subject({ points: 230, level: 'broken', withTeam: 'Data' })],
        [subject({ points: 10, level: 'broken', withTeam: 'Data' })],
        [subject({ goesOn: false })],
        [subject({ goesOn: false })],
      ]),
    ).toEqual([
      ['Slots opened 1'],
      [],
      ['Slots worse 1'],
      ['Slots worse 1'],
      // Whoever has it is told from the beginning.
      ['Slots handedOver 1', 'Data opened 1'],
      [],
      ['Slots over 1', 'Data over 1'],
      [],
    ]);
  });

  test('is opened once by several rules to the same receiver', () => {
    expect(said([[subject()]], [RULE, { ...RULE, name: 'Other', to: ['Slots', 'Desk'] }])).toEqual([
      ['Slots opened 1', 'Desk opened 1'],
    ]);
  });

  test('many at once are one digest', () => {
    const many = Array.from({ length: 6 }, (_, i) => subject({ id: `incident-${i}`, points: 100 + i }));
    expect(said([many, many])).toEqual([['Slots digest 6'], []]);
    // One that follows alone is told by itself.
    expect(said([many.slice(0, 3), many.slice(0, 4)])).toEqual([
      ['Slots opened 1', 'Slots opened 1', 'Slots opened 1'],
      ['Slots opened 1'],
    ]);
  });

  test('is opened as soon as it is wanted', () => {
    const state = { nowMs: NOW, open: [], wants: (_receiver: string, { level }: Subject) => level === 'broken' };
    expect(decide([RULE], [subject()], state)).toMatchObject({ utterances: [], kept: [] });
    expect(decide([RULE], [subject({ level: 'broken' })], state).utterances).toHaveLength(1);
    expect(decide([RULE], [subject()], { ...state, wants: always }).utterances).toHaveLength(1);
  });

  test('what is gone from sight ends without a word; deciding twice gives the same', () => {
    const open = [
      {
        subject: 'incident-9',
        receiver: 'Slots',
        openedMs: NOW,
        told: { atMs: NOW, points: 1, level: 'hurting', withTeam: '' },
      },
    ] as Conversation[];
    const once = decide([RULE], [subject()], { nowMs: NOW, open, wants: always });
    expect(once.ended).toHaveLength(1);
    expect(once.utterances.map(({ stage }) => stage)).toEqual(['opened']);
    expect(decide([RULE], [subject()], { nowMs: NOW, open, wants: always })).toEqual(once);
  });

  test('no course of points ever says the same fact twice in a row', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 60, max: 5_000 }), { minLength: 1, maxLength: 40 }), (points) => {
        const all = said(points.map((one) => [subject({ points: one })])).flat();
        expect(all.filter((one) => one.includes('opened'))).toHaveLength(1);
        // Each time it is worse by twice at least: from 60 to 5,000 not seven times.
        expect(all.length).toBeLessThanOrEqual(1 + Math.log2(5_000 / 60));
      }),
    );
  });
});

test('quiet hours go by the clock of their zone, over midnight and over a clock change', () => {
  const night = { from: '22:00', to: '06:00', zone: 'Europe/Dublin' };
  expect(isQuietAt(night, Date.UTC(2026, 0, 5, 21, 59))).toBe(false);
  expect(isQuietAt(night, Date.UTC(2026, 0, 5, 22))).toBe(true);
  expect(isQuietAt(night, Date.UTC(2026, 0, 6, 5, 59))).toBe(true);
  expect(isQuietAt(night, Date.UTC(2026, 0, 6, 6))).toBe(false);
  // In summer Dublin is an hour ahead of UTC.
  expect(isQuietAt(night, Date.UTC(2026, 6, 5, 21))).toBe(true);
  expect(isQuietAt(undefined, 0)).toBe(false);
});

test('a rota tells who is on duty, and its holes', () => {
  const hour = (h: number) => NOW + h * 60 * MINUTE;
  const rota = [
    { fromMs: hour(0), toMs: hour(8), who: 'Ada' },
    { fromMs: hour(4), toMs: hour(6), who: 'Kim' },
    { fromMs: hour(9), toMs: hour(20), who: 'Noor' },
  ];
  expect([1, 5, 7, 8.5, 9].map((h) => onDutyAt(rota, hour(h)))).toEqual(['Ada', 'Kim', 'Ada', undefined, 'Noor']);
  expect(holesIn(rota, { fromMs: hour(-1), toMs: hour(24) })).toEqual([
    { fromMs: hour(-1), toMs: hour(0) },
    { fromMs: hour(8), toMs: hour(9) },
    { fromMs: hour(20), toMs: hour(24) },
  ]);
  expect(holesIn([], { fromMs: hour(0), toMs: hour(1) })).toEqual([{ fromMs: hour(0), toMs: hour(1) }]);
});

describe('short messages', () => {
  test('are of the alphabet, whose brackets take two places', () => {
    expect(gsmText('6.5× “Łódź” – 5 €')).toBe('6.5x "?ódz" - 5 €'.replace('ó', 'o'));
    expect(gsmLength('[€]')).toBe(6);
    expect(gsmCut('abcdefghij', 8)).toBe('abcde...');
  });
  test('fit 160 places whatever the names are, with the whole link', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), fc.nat(), (title, points) => {
        const link = 'https://toplens.example/m/AbCd1234';
        const { short } = alertMessage(
          { receiver: 'Slots', stage: 'opened', subjects: [subject({ title, points })], rule: 'Hurt' },
          link,
        );
        expect(gsmLength(short)).toBeLessThanOrEqual(LONGEST_MESSAGE);
        expect(gsmText(short)).toBe(short);
        expect(short.endsWith(` ${link}`)).toBe(true);
      }),
    );
  });
});

test('a message says what, how much, since when and why one gets it; text of telemetry is no markup', () => {
  const {
    subject: head,
    text,
    html,
  } = alertMessage(
    { receiver: 'Slots', stage: 'worse', subjects: [subject({ title: '<b>Pay</b> fails' })], rule: 'Hurt' },
    'https://toplens.example/m/x',
  );
  expect(head).toBe('Worse: <b>Pay</b> fails');
  expect(text).toBe(
    '100 harm points an hour, 40 people hurt, P1, Shop, since 09:40 UTC\n\nOpen it: https://toplens.example/m/x\n\nYou get this by the rule “Hurt”.',
  );
  expect(html).toContain('&#60;b&#62;Pay');
  expect(html).not.toContain('<b>Pay');
});
