import type { Static } from '@sinclair/typebox';
import { object, string } from 'yup';
import { numberInput } from './number-input';
import { get, incidentId, ok, path, post, problem, type Paths } from './paths';
import { windowQuery } from './queries';
import { BOARD_LINK_KINDS } from '@toplens/core/boards';
import { HANDOFF_STATES, LINK_KINDS, PURPOSES, VERDICTS } from '@toplens/core/handoffs';
import { PRIORITIES } from '@toplens/core/incidents';
import { SIGNALS } from '@toplens/core/normal';
import {
  anything,
  CURRENCY,
  EPOCH_MS,
  flag,
  integer,
  list,
  MS,
  number,
  oneOf,
  orNull,
  POINTS,
  record,
  ref,
  resource,
  SHARE,
  text,
  texts,
} from './words';

export const HandoffMark = resource('HandoffMark', 'The newest handoff of an incident', {
  id: text('identity of the handoff (UUID)', '9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01'),
  team: text('name of the team', 'Slots Team'),
  state: oneOf(HANDOFF_STATES, 'state'),
});
export type HandoffMarkShape = Static<typeof HandoffMark>;

export const BriefPage = resource('BriefPage', 'The brief as it would be sent', {
  brief: anything('the brief for machines', { title: 'Pay fails', people: 120 }),
  markdown: text('the brief as Markdown', ''),
});
export type BriefPageShape = Static<typeof BriefPage>;

const share = (description: string, example: number) => orNull(number(description, SHARE, example));

export const LeftOver = resource(
  'LeftOver',
  'How much of the harm goes on, as a share of what went on before the fix',
  {
    share: share('likeliest; null while nothing tells', 0.04),
    low: share('lower end of a range that stays true however often it is asked', 0.01),
    high: share('its upper end', 0.08),
  },
);

export const FixProof = resource('FixProof', 'What the figures of an incident say after a reported fix', {
  incident: integer('number of the incident', '1', 7),
  onsetMs: number('when the trouble began', EPOCH_MS, 1772442840000),
  fixMs: number('when the fix was reported', EPOCH_MS, 1772445600000),
  fromMs: number('from when on figures count', EPOCH_MS, 1772445900000),
  toMs: number('up to when they came', EPOCH_MS, 1772447400000),
  stepMs: number('so often it is told anew', MS, 300000),
  isEffective: flag('the time is over that a fix has to reach everybody'),
  verdict: oneOf(VERDICTS, 'what they say'),
  remaining: ref(LeftOver, 'of the whole incident'),
  course: list(ref(LeftOver), 'the same as it was told after each step'),
  parts: list(
    record({
      flowId: integer('number of the flow', '1', 3),
      flow: text('name of the flow', 'Book a pick-up'),
      signal: oneOf(SIGNALS, 'what was wrong'),
      before: share('share of the attempts gone wrong before the fix; of what is missing, that came', 0.24),
      since: share('the same since the fix', 0.005),
      usual: share('the same as usual', 0.004),
      attempts: integer('attempts since the fix', 'attempts', 310),
      remaining: ref(LeftOver, 'of this part by itself'),
      isStillThere: flag('beyond chance it goes on'),
    }),
    'its flows, and what was wrong with each',
  ),
  waitsMs: orNull(number('with traffic like this it can be told so much later; null when it is told', MS, 1800000)),
  isCut: flag('a day has passed: what cannot be told by then is not told'),
  behind: orNull(
    record(
      {
        component: text('name of the component', 'slots'),
        words: text('what speaks for it', 'most of the time is lost in it'),
        isAnother: flag('it is not the one that the incident was thought to come from'),
        team: text("team that owns it; '' when no rule says", 'Slots Team'),
        reason: text('why, in words', 'owns component slots (rule 3)'),
      },
      'where what goes on comes from; null where nothing goes on, or no trace tells',
    ),
  ),
});
export type ProofShape = Static<typeof FixProof>;

export const Outcome = resource('Outcome', 'What became of a handoff after the newest reported fix', {
  proof: ref(FixProof, 'what the figures said when it was told'),
  total: orNull(
    record(
      {
        harm: number('harm', POINTS, 5120),
        money: number('money not earned', CURRENCY, 1840),
        currency: text('currency, ISO 4217', 'EUR'),
        people: number('persons, each counted once', 'people', 412),
        promises: texts('promises whose budget it spent, a sentence each', ['Labels for partners: 3 % of its budget']),
        fromMs: number('onset', EPOCH_MS, 1772442000000),
        toMs: number('up to when it is counted', EPOCH_MS, 1772447400000),
      },
      'all that it cost; null where it cannot be told',
    ),
  ),
});
export type OutcomeShape = Static<typeof Outcome>;

const stage = (description: string) => orNull(number(`${description}; null when it has not come so far`, MS, 420000));
const STAGES = {
  detect: stage('from the onset until it was known'),
  send: stage('until it was sent'),
  accept: stage('until it was accepted'),
  fix: stage('until a fix was reported'),
  prove: stage('until it was proven'),
};

const groupsOf = (description: string) =>
  list(
    record({
      name: text('name of the group', 'Slots Team'),
      handoffs: integer('handoffs', 'handoffs', 12),
      returned: integer('of them returned', 'handoffs', 1),
      proven: integer('of them proven', 'handoffs', 9),
      ...STAGES,
    }),
    description,
  );

export const HandoffTimes = resource('HandoffTimes', 'How long handoffs took, as medians', {
  months: integer('of the last so many months', 'months', 6),
  byTeam: groupsOf('by team'),
  byFlow: groupsOf('by the first flow of the incident'),
  byMonth: groupsOf('by month, as YYYY-MM'),
});

export const SharedLink = resource('SharedLink', 'A page that opens without a login until it ends', {
  id: text('identity (UUID)', '9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01'),
  kind: oneOf(
    [...LINK_KINDS, ...BOARD_LINK_KINDS],
    'brief: to read; answer: its team may answer there as well; board: all its tiles; tile: one of them',
  ),
  about: text("of a tile: its title; '' else", 'People hurt'),
  madeAt: text('when it was made, as ISO 8601 in UTC', '2026-03-02T09:20:00.000Z'),
  endsAt: text('when it ends', '2026-03-09T09:20:00.000Z'),
  revokedAt: orNull(text('when it was revoked; null when it was not', '2026-03-03T09:20:00.000Z')),
  uses: integer('so often it was opened', 'times', 3),
  url: orNull(text('the link; null after it was made: its secret is not kept', 'https://toplens.example/shared/4f…')),
});
export type SharedLinkShape = Static<typeof SharedLink>;

export const HandoffSummary = resource('HandoffSummary', 'A handoff', {
  id: text('identity of the handoff (UUID)', '9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01'),
  incident: integer('number of the incident', '1', 7),
  team: text('name of the team', 'Slots Team'),
  state: oneOf(HANDOFF_STATES, 'state'),
  note: text('what the sender adds', 'please look at the gateway first'),
  createdAt: text('when it was sent, as ISO 8601 in UTC', '2026-03-02T09:20:00.000Z'),
  title: text('headline of the incident', 'Fails for 24 %, usually 0.4 %: Book a pick-up'),
  harmPoints: number('harm when it was sent', POINTS, 410),
  people: number('persons, each counted once', 'people', 128),
  window: record(
    {
      from: text('begin, as ISO 8601 in UTC', '2026-03-02T09:00:00.000Z'),
      to: text('end, as ISO 8601 in UTC', '2026-03-02T10:00:00.000Z'),
    },
    'what was looked at',
  ),
  purpose: oneOf(PURPOSES, 'what the team is asked for: to end the cause, or to work around it'),
  priority: orNull(oneOf(PRIORITIES, 'of the incident when it was sent; null when that was not kept')),
  flow: text('name of its first flow', 'Book a pick-up'),
  stateAt: text('since when it is in its state, as ISO 8601 in UTC', '2026-03-02T09:24:00.000Z'),
  waits: orNull(
    record(
      {
        for: oneOf(['accept', 'fix'], 'what it waits for'),
        dueMs: number('when that was due', EPOCH_MS, 1772446500000),
        isLate: flag('it waits longer than it may'),
      },
      'for what it waits; null when it waits for no team',
    ),
  ),
  outcome: orNull(ref(Outcome, 'what the figures said after the newest reported fix; null before')),
});
export type HandoffSummaryShape = Static<typeof HandoffSummary>;

export const Handoff = resource('Handoff', 'A handoff with what was told and what happened to it', {
  ...HandoffSummary.properties,
  brief: anything('the brief for machines', { title: 'Pay fails', people: 120 }),
  markdown: text('the brief as Markdown', ''),
  trail: list(
    record({
      at: text('when, as ISO 8601 in UTC', '2026-03-02T09:14:00.000Z'),
      what: text('what it was', ''),
      detail: text('more, for people', ''),
    }),
    'what happened to it, in order of time',
  ),
  times: record(STAGES, 'how long each stage took'),
  next: orNull(
    record(
      {
        team: text('name of the team', 'Routing Team'),
        reason: text('why, in words', 'owns component routing, the next likely origin'),
      },
      'of one that came back: who should get it next; null when nobody is left, or it did not come back',
    ),
  ),
  links: list(ref(SharedLink), 'pages of it that open without a login, newest first'),
});
export type HandoffShape = Static<typeof Handoff>;

export const Handoffs = resource('Handoffs', 'Handoffs, newest first', {
  handoffs: list(ref(HandoffSummary), 'handoffs, newest first'),
});
export type HandoffsShape = Static<typeof Handoffs>;

export const briefQuery = object({
  team: string()
    .max(200)
    .default('')
    .meta({ description: 'to whom; left out: the proposed team', example: 'Slots Team' }),
  note: string()
    .max(10_000)
    .default('')
    .meta({ description: 'what the sender adds', example: 'please look at the gateway first' }),
});

export const newHandoff = object({
  incident: numberInput().integer().positive().required().meta({ description: 'number of the incident', example: 7 }),
  team: string().trim().min(1).max(200).required().meta({ description: 'to whom it is sent', example: 'Slots Team' }),
  note: string()
    .max(10_000)
    .default('')
    .meta({ description: 'what the sender adds', example: 'please look at the gateway first' }),
  purpose: string()
    .oneOf(PURPOSES)
    .default('cause')
    .meta({ description: 'what the team is asked for', example: 'cause' }),
  fromMs: numberInput()
    .integer()
    .required()
    .meta({ description: 'begin of the window that the brief tells of', unit: EPOCH_MS, example: 1772442000000 }),
  toMs: numberInput().integer().required().meta({ description: 'its end', unit: EPOCH_MS, example: 1772445600000 }),
});

export const deskAnswer = object({
  answer: string()
    .oneOf(['taken', 'returned', 'moved', 'merged', 'fixReported'])
    .required()
    .meta({ description: 'what the team says', example: 'taken' }),
  reason: string()
    .trim()
    .max(2_000)
    .default('')
    .when('answer', { is: 'returned', then: (reason) => reason.min(1, 'reason: say why it is returned') })
    .meta({ description: 'why; needed when it is returned', example: 'not ours: the gateway is' }),
  team: string()
    .trim()
    .max(200)
    .default('')
    .when('answer', { is: 'moved', then: (team) => team.min(1, 'team: say which team has it now') })
    .meta({ description: 'with moved: the team that has it now', example: 'Routing Team' }),
  into: string()
    .trim()
    .max(200)
    .default('')
    .when('answer', { is: 'merged', then: (into) => into.min(1, 'into: say what it was merged into') })
    .meta({ description: 'with merged: the other handoff, or the ticket of the desk', example: 'INC-4711' }),
  fixedAt: string()
    .default('')
    .test(
      'time',
      'fixedAt: expected a time as 2026-03-02T10:20:00Z',
      (text) => !text || !Number.isNaN(Date.parse(text)),
    )
    .meta({
      description: 'with fixReported: since when the fix is in, ISO 8601; left out: since now',
      example: '2026-03-02T10:20:00Z',
    }),
  by: string().max(200).default('').meta({ description: 'who answers', example: 'Kim' }),
});

/** How long a link opens. */
export const daysOpen = numberInput()
  .integer()
  .min(1)
  .max(90, 'days: a link ends after 90 days at most')
  .default(7)
  .meta({ description: 'it ends after so many days', unit: 'days', example: 7 });

/** Somebody of the team accepts a handoff here, and not at the desk. */
export const accepting = object({
  who: string()
    .trim()
    .min(1, 'who: say who accepts it')
    .max(100)
    .required()
    .meta({ description: 'who accepts it', example: 'Noor' }),
});

export const newLink = object({
  kind: string()
    .oneOf(LINK_KINDS)
    .default('brief')
    .meta({ description: 'brief: to read; answer: its team may answer there as well', example: 'brief' }),
  days: daysOpen,
});

export const timesQuery = object({
  months: numberInput()
    .integer()
    .min(1)
    .max(36)
    .default(6)
    .meta({ description: 'of the last so many months', unit: 'months', example: 6 }),
});

export const reportQuery = object({
  as: string().oneOf(['markdown', 'csv']).default('markdown').meta({ description: 'format', example: 'markdown' }),
});

export const linkId = path('link', 'identity of the link (UUID)', '9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01');

const handoffId = path('id', 'identity of the handoff (UUID)', '9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01');

export const handoffPaths: Paths = {
  '/api/incidents/{id}/brief': {
    get: get('The brief as it would be sent', BriefPage, { path: [incidentId], query: [windowQuery, briefQuery] }),
  },
  '/api/handoffs': {
    get: get('Handoffs, newest first', Handoffs),
    post: post('Handoff of an incident to a team', {
      body: newHandoff,
      answers: { '201': ok(Handoff, 'made'), '200': ok(Handoff, 'was made before with this key') },
      headers: [
        {
          name: 'idempotency-key',
          in: 'header',
          required: true,
          description: 'the same key never sends twice',
          schema: { type: 'string', minLength: 1, maxLength: 200, examples: ['9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01'] },
        },
      ],
    }),
  },
  '/api/handoffs/{id}': { get: get('One handoff with its trail', Handoff, { path: [handoffId] }) },
  '/api/handoffs/{id}/proof': {
    get: get('What the figures say since the newest reported fix, now', FixProof, { path: [handoffId] }),
  },
  '/api/handoffs/{id}/report': {
    get: {
      ...get('Before and after the fix, as a page or a table', Outcome, { path: [handoffId], query: [reportQuery] }),
      responses: {
        '200': {
          description: 'Markdown, or CSV with a header',
          content: { 'text/markdown': { schema: { type: 'string' } }, 'text/csv': { schema: { type: 'string' } } },
        },
        '4XX': problem,
        '5XX': problem,
      },
    },
  },
  '/api/handoffs/{id}/links': {
    post: post('A page of it that opens without a login, until it ends', {
      path: [handoffId],
      body: newLink,
      answers: { '201': ok(SharedLink, 'the only time that the link itself is told') },
    }),
  },
  '/api/handoffs/{id}/links/{link}': {
    delete: {
      summary: 'Revokes a link: it opens nothing any more',
      parameters: [handoffId, linkId],
      responses: { '204': { description: 'it is revoked' }, '4XX': problem, '5XX': problem },
    },
  },
  '/api/handoff-times': {
    get: get('How long handoffs took, by team, flow and month', HandoffTimes, { query: [timesQuery] }),
  },
  '/api/handoffs/{id}/again': {
    post: post('Tries again to deliver a handoff that was kept or could not be delivered', {
      path: [handoffId],
      answers: { '200': ok(Handoff, 'as it is now') },
    }),
  },
  '/api/handoffs/{id}/accept': {
    post: post('Acceptance of a handoff by somebody of the team, here and not at the desk', {
      path: [handoffId],
      body: accepting,
      answers: { '200': ok(Handoff, 'as it is now') },
    }),
  },
  '/api/handoffs/{id}/answer': {
    post: post(
      'Answer of the desk: it takes a handoff, returns it with a reason, moves or merges it, or reports a fix',
      {
        path: [handoffId],
        body: deskAnswer,
        answers: { '200': ok(Handoff, 'as it is now') },
        security: [{ deskToken: [] }],
      },
    ),
  },
};
