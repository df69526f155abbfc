import { SENDER_KINDS } from '@toplens/core/access';
import type { Static } from '@sinclair/typebox';
import { array, object, string } from 'yup';
import { numberInput } from './number-input';
import { get, ok, path, post, problem, type Paths } from './paths';
import { EPOCH_MS, flag, integer, list, number, oneOf, orNull, record, ref, resource, text, texts } from './words';

export const SenderKey = resource('SenderKey', 'A key of what sends telemetry', {
  id: integer('number', '1', 3),
  kind: oneOf(SENDER_KINDS, 'what sends with it'),
  name: text('of services the source; of pages and phones the component that alone they may tell of', 'portal-browser'),
  origins: texts('of pages: where they come from', ['https://portal.pellwick.example']),
  madeMs: number('when it was made', EPOCH_MS, 1772442480000),
  madeBy: text('who made it', 'Ines Moor'),
  isRevoked: flag('nothing is taken with it any more'),
  usedMs: orNull(number('when it was used last; null: never', EPOCH_MS, 1772446480000)),
  secrets: list(
    record({
      madeMs: number('when it was made', EPOCH_MS, 1772442480000),
      endsMs: orNull(number('until when it is taken; null: until another replaces it', EPOCH_MS, 1772528880000)),
      usedMs: orNull(number('when it was used last; null: never', EPOCH_MS, 1772446480000)),
    }),
    'its secrets that are still taken, the newest first: two while one replaces the other',
  ),
});
export type SenderKeyShape = Static<typeof SenderKey>;

export const SenderKeyList = resource('SenderKeyList', 'Keys of what sends telemetry, made here', {
  keys: list(ref(SenderKey), 'those that are revoked last'),
});

export const NewSecret = resource('NewSecret', 'A secret of a key', {
  id: integer('number of the key', '1', 3),
  secret: text('the only time that it is told', 'x7Qm…'),
});

const MOST_ORIGINS = 20;
const LONGEST_OVERLAP_HOURS = 720;

export const newSenderKey = object({
  kind: string()
    .oneOf(SENDER_KINDS)
    .required('kind: choose one')
    .meta({ description: 'what sends with it', example: 'page' }),
  name: string()
    .trim()
    .min(1, 'name: say what sends with it')
    .max(100, 'name: at most 100 characters')
    .required('name: say what sends with it')
    .meta({ description: 'of services the source; of pages and phones their component', example: 'portal-browser' }),
  origins: array(
    string()
      .required()
      .test('origin', 'origins: expected addresses as https://portal.pellwick.example', (given) =>
        URL.canParse(given) ? new URL(given).origin === given : false,
      ),
  )
    .max(MOST_ORIGINS)
    .default([])
    .when('kind', ([kind], schema) =>
      kind === 'page'
        ? schema.min(1, 'origins: say where the pages come from')
        : schema.max(0, 'origins: only keys of pages have them'),
    )
    .meta({ description: 'of pages: where they come from', example: ['https://portal.pellwick.example'] }),
});

export const replacingSecret = object({
  overlapHours: numberInput()
    .min(0)
    .max(LONGEST_OVERLAP_HOURS)
    .default(24)
    .meta({ description: 'so long the secret that it has is taken as well', unit: 'h', example: 24 }),
});

const keyId = path('id', 'number of the key', 3);

export const senderKeyPaths: Paths = {
  '/api/keys': {
    get: get('Keys of what sends telemetry, made here', SenderKeyList),
    post: post('Makes a key', { body: newSenderKey, answers: { '201': ok(NewSecret, 'its secret') } }),
  },
  '/api/keys/{id}': {
    delete: {
      summary: 'Revokes a key: nothing is taken with it any more',
      parameters: [keyId],
      responses: { '204': { description: 'it is revoked' }, '4XX': problem, '5XX': problem },
    },
  },
  '/api/keys/{id}/secret': {
    post: post('Another secret for a key; the one that it has is taken for a while as well', {
      path: [keyId],
      body: replacingSecret,
      answers: { '201': ok(NewSecret, 'the new secret') },
    }),
  },
};
