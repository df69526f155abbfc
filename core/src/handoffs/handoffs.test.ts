import { briefMarkdown, canBecome, proposeTeam, type Brief } from './index';

describe('ownership', () => {
  const rules = [
    { component: 'parcels-db', team: 'Data Stores' },
    { application: 'Sender Portal', flow: 'Track*', team: 'Labels & Tracking' },
    { application: 'Sender Portal', team: 'Portal' },
  ];
  test('the first rule that matches speaks, and says why', () => {
    expect(proposeTeam(rules, { application: 'Sender Portal', flow: 'Pay', component: 'parcels-db' })).toEqual({
      team: 'Data Stores',
      reason: 'owns component parcels-db (rule 1)',
    });
    expect(proposeTeam(rules, { application: 'Sender Portal', flow: 'Track a parcel' })?.team).toBe(
      'Labels & Tracking',
    );
    expect(proposeTeam(rules, { application: 'Sender Portal' })).toEqual({
      team: 'Portal',
      reason: 'owns application Sender Portal (rule 3)',
    });
    expect(proposeTeam(rules, { application: 'Round', flow: 'Scan' })).toBeUndefined();
    expect(proposeTeam([{ team: 'Portal' }], { application: 'Round' })?.reason).toBe(
      'takes what nobody else owns (rule 1)',
    );
  });
});

test('a handoff goes forward only', () => {
  expect(canBecome('sent', 'taken')).toBe(true);
  expect(canBecome('taken', 'fixReported')).toBe(true);
  expect(canBecome('returned', 'taken')).toBe(false);
  expect(canBecome('draft', 'taken')).toBe(false);
});

const BRIEF: Brief = {
  incident: 3,
  title: 'Print labels fails for promotion SPRING10',
  sentence: '30 people met a failure.',
  level: 'hurting',
  since: '2026-03-10T10:05:00.000Z',
  until: null,
  window: { from: '2026-03-10T10:00:00.000Z', to: '2026-03-10T11:00:00.000Z' },
  application: 'Sender Portal',
  flows: [{ name: 'Print labels', technicalName: 'POST /labels/{parcel}' }],
  people: { estimate: 30.2, low: 28, high: 33, key: 6 },
  bill: [
    {
      name: 'waiting',
      words: 'Waited longer than usual',
      quantity: 41,
      unit: 'min',
      rate: 1,
      importance: 1,
      harm: 41,
      low: 38,
      high: 45,
    },
    {
      name: 'failed',
      words: 'Failed or hung',
      quantity: 44,
      unit: 'attempt',
      rate: 5,
      importance: 1,
      harm: 220,
      low: 154,
      high: 286,
    },
    {
      name: 'missing',
      words: 'Never came',
      quantity: 0,
      unit: 'attempt',
      rate: 5,
      importance: 1,
      harm: 0,
      low: 0,
      high: 0,
    },
  ],
  harmPoints: 220,
  currency: 'EUR',
  mostHit: [{ dimension: 'promotion', value: 'SPRING10', words: 'promotion SPRING10: 96 % of what went wrong' }],
  component: { name: 'labels', words: 'holds 100 % of the failures' },
  reproduce: 'Repeat POST /labels with promotion SPRING10: 70 of 80 attempts (88 %) went wrong.',
  journeys: [
    'Step 3 of 5 of Send a parcel: 194 left because of trouble; 24 are lost further down until that is fixed too',
  ],
  promises: ['“Labels”: 42 attempts outside it, 12 % of all that may be; adds €120 to the penalty expected'],
  crashes: ['PhotoStore.keep: Lost: the picture was closed. 64 crashes for 39 people'],
  around: ['CPU, mid-2: 30 % usually, 97 % now', 'log, error, 50 lines, never before: no surcharge for band ‹…›'],
  samples: [
    {
      at: '2026-03-10T10:20:31.000Z',
      durationMs: 90,
      outcome: 'failed',
      failure: 'SurchargeNotFound',
      traceId: 'abc',
      person: 'send…',
      component: 'portal-web',
      link: 'http://x/attempt/abc/def',
    },
  ],
  team: 'Labels & Tracking',
  teamReason: 'owns component labels (rule 4)',
  link: 'http://x/incident/3?from=a&to=b',
  note: 'Seen since ten.\n# <script>alert(1)</script> [x](y)',
};

test('the brief says what, since when, who, how much, where, whose, and shows attempts', () => {
  const markdown = briefMarkdown(BRIEF);
  for (const wanted of [
    '# Print labels fails',
    '2026-03-10 10:05 UTC, still going on',
    '30 (28 to 33), 6 of them key',
    '41 min × 1 | 41',
    '44 attempts × 5 | 220',
    'holds 100 % of the failures',
    'SurchargeNotFound',
    'trace `abc`',
    '[all its spans](http://x/attempt/abc/def)',
    '**Likely origin** labels',
    '(http://x/incident/3?from=a&to=b)',
    '- **To reproduce** Repeat POST /labels',
    '- **Journey** Step 3 of 5 of Send a parcel',
    '- **Promise** “Labels”: 42 attempts outside it, 12 % of all that may be; adds €120',
  ])
    expect(markdown).toContain(wanted);
  expect(markdown).not.toContain('Never came');
});

test('nothing that was typed or sent becomes markup', () => {
  const markdown = briefMarkdown(BRIEF);
  expect(markdown).not.toContain('<script>');
  expect(markdown).not.toContain('[x](y)');
  expect(markdown).toContain('> \\# \\<script\\>');
});
