import type { Static } from '@sinclair/typebox';
import { number as numberInput, object, string } from 'yup';
import { get, incidentId, ok, path, post, type Paths } from './paths';
import { windowQuery } from './queries';
import { HANDOFF_STATES } from '@toplens/core/handoffs';
import { POINTS, anything, integer, list, number, oneOf, record, ref, resource, text, EPOCH_MS } from './words';

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
  fromMs: numberInput()
    .integer()
    .required()
    .meta({ description: 'begin of the window that the brief tells of', unit: EPOCH_MS, example: 1772442000000 }),
  toMs: numberInput().integer().required().meta({ description: 'its end', unit: EPOCH_MS, example: 1772445600000 }),
});

export const deskAnswer = object({
  answer: string()
    .oneOf(['taken', 'returned', 'fixReported'])
    .required()
    .meta({ description: 'what the team says', example: 'taken' }),
  reason: string()
    .trim()
    .max(2_000)
    .default('')
    .when('answer', { is: 'returned', then: (reason) => reason.min(1, 'reason: say why it is returned') })
    .meta({ description: 'why; needed when it is returned', example: 'not ours: the gateway is' }),
  by: string().max(200).default('').meta({ description: 'who answers', example: 'Kim' }),
});

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
  '/api/handoffs/{id}/again': {
    post: post('Tries again to deliver a handoff that was kept or could not be delivered', {
      path: [handoffId],
      answers: { '200': ok(Handoff, 'as it is now') },
    }),
  },
  '/api/handoffs/{id}/answer': {
    post: post('Answer of the desk: it takes a handoff, returns it with a reason, or reports a fix', {
      path: [handoffId],
      body: deskAnswer,
      answers: { '200': ok(Handoff, 'as it is now') },
      security: [{ deskToken: [] }],
    }),
  },
};
