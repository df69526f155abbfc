import type { Static } from '@sinclair/typebox';
import { CHANNELS, STAGES_TOLD } from '@toplens/core/alerts';
import { mixed, object, string } from 'yup';
import { get, ok, path, post, type Paths } from './paths';
import { EPOCH_MS, flag, integer, list, number, oneOf, orNull, record, resource, text, texts } from './words';

export const Alerts = resource('Alerts', 'Who is told of what, and what was sent', {
  ways: list(
    record({
      channel: oneOf(CHANNELS, 'mail, short message, webhook'),
      trouble: text("what is not set up; '' when messages can go out", 'no mail server is set up (TOPLENS_SMTP_URL)'),
    }),
    'by what ways messages go out',
  ),
  rules: list(
    record({
      name: text('name', 'People are being hurt'),
      words: text('what it watches, in words', 'an incident that hurts people, from 60 harm points an hour on'),
      to: texts('who is told', ['the team that should get it']),
      trouble: text("why nobody may be told by it; '' when all its receivers are known", 'Night Desk is no receiver'),
    }),
    'rules, in the order of the settings',
  ),
  receivers: list(
    record({
      name: text('name', 'Slots Team'),
      words: text('by what ways, in words', 'mail to slots@toplens.example, quiet from 22:00 to 06:00'),
      onDuty: orNull(text("who is on duty now; '' for nobody; null without a rota", 'Noor')),
      holes: list(
        record({ fromMs: number('begin', EPOCH_MS, 1772442000000), toMs: number('end', EPOCH_MS, 1772445600000) }),
        'times of the next week in which nobody is on duty',
      ),
    }),
    'receivers',
  ),
  teamsWithout: texts('teams that own something and are no receiver', ['Routing Team']),
  messages: list(
    record({
      id: text('identity (UUID)', '9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01'),
      stage: oneOf([...STAGES_TOLD, 'test', 'handoff', 'account'], 'what it tells'),
      title: text('its headline', 'Takes 6.5× as long as usual: Pick a slot'),
      receiver: text('who was told', 'Slots Team'),
      person: text("who of them was on duty; '' without a rota", 'Noor'),
      channel: oneOf(CHANNELS, 'by what way'),
      path: text('where it is seen in the interface', '/incident/7'),
      madeMs: number('when it was written', EPOCH_MS, 1772442840000),
      deliveredMs: orNull(number('when it was delivered; null when it was not so far', EPOCH_MS, 1772442844000)),
      nextTryMs: orNull(number('when it is tried again; null when it is not', EPOCH_MS, 1772442900000)),
      tries: integer('tries so far', 'tries', 1),
      trouble: text("why the last try failed; '' when none did", 'the mail server said: greeting never received'),
      isGivenUp: flag('it is not tried again by itself'),
    }),
    'what was sent, newest first',
  ),
});
export type AlertsShape = Static<typeof Alerts>;

export const TriedRule = resource('TriedRule', 'How often a rule would have spoken', {
  days: integer('of the last so many days', 'days', 14),
  times: orNull(integer('so often; null where the past does not tell', 'times', 6)),
  rightly: integer('of these, about what hurt 50 people or more', 'times', 5),
  missed: integer('incidents that hurt 50 people or more, of which it would not have spoken', 'incidents', 1),
  examples: texts('the newest, in words', ['Takes 6.5× as long as usual: Pick a slot']),
  words: text(
    'all of it in a sentence',
    'would have spoken 6 times in 14 days, 5 of them about what hurt 50 people or more; …',
  ),
});
export const tryingRule = object({
  rule: mixed()
    .required()
    .meta({
      description: 'the rule, as the settings hold it',
      example: { name: 'Hurt', watches: 'incident', to: ['Desk'] },
    }),
});

export const testing = object({
  receiver: string().required().max(200).meta({ description: 'who gets a test message', example: 'Slots Team' }),
});

const messageId = path('id', 'identity of the message (UUID)', '9c2e7a52-6d3d-4b8e-8f1e-2f6f3d1c9a01');

export const alertPaths: Paths = {
  '/api/alerts': { get: get('Who is told of what, and what was sent', Alerts) },
  '/api/alerts/try': {
    post: post('Trial of a rule: how often it would have spoken; nothing is sent', {
      body: tryingRule,
      answers: { '200': ok(TriedRule, 'how often, and how often rightly') },
    }),
  },
  '/api/alerts/test': {
    post: post('A test message to a receiver, by all its ways', {
      body: testing,
      answers: { '200': ok(Alerts, 'as it is now: the message stands first') },
    }),
  },
  '/api/alerts/messages/{id}/again': {
    post: post('Tries again to deliver a message', {
      path: [messageId],
      answers: { '200': ok(Alerts, 'as it is now') },
    }),
  },
};

/** So many days back a rule is tried. */
export const TRIED_DAYS = 14;
