import {
  CHANNELS,
  holesIn,
  messageWithLink,
  onDutyAt,
  OWNER,
  ruleWords,
  tryRule,
  type AlertRule,
  type Receiver,
} from '@toplens/core/alerts';
import { Router } from 'express';
import { object } from 'yup';
import { testing, TRIED_DAYS, tryingRule, type AlertsShape } from '../contract/alerts';
import type { Engine } from '../engine/engine';
import { Problem } from '../errors';
import { addressesOf } from '../outbound/alerter';
import type { Channels } from '../outbound/channels';
import { readRota } from '../outbound/rota';
import { alertRulesSchema } from '../settings/alerts';
import type { Settings } from '../settings/settings';
import type { Database } from '../store/database';
import { newCode, newestMessages, putInOutbox, tryMessageAgain } from '../store/outbox';
import { readBook } from '../store/settings';
import { readInput } from './query';
import { isUuid } from './uuid';

const DAY_MS = 86_400_000;
const MOST_MESSAGES = 100;

/** Who is told of what; trials before a rule is saved; test messages; what could not be delivered. */
export function alertRoutes({
  database,
  engine,
  channels,
  settings,
  publicUrl,
}: {
  database: Database;
  engine: Engine;
  channels: Pick<Channels, 'missing'>;
  settings: Settings;
  publicUrl: string;
}): Router {
  const router = Router();
  const now = async () => (await readBook(database, settings)).at();
  const whole = async (): Promise<AlertsShape> => {
    const { receivers, alertRules, teams } = await now();
    const names = new Set(receivers.map(({ name }) => name));
    return {
      ways: CHANNELS.map((channel) => ({ channel, trouble: channels.missing(channel) })),
      rules: alertRules.map((rule) => ({
        name: rule.name,
        words: ruleWords(rule),
        to: [...rule.to],
        trouble: rule.to
          .filter((name) => name !== OWNER && !names.has(name))
          .map((name) => `${name} is no receiver`)
          .join(', '),
      })),
      receivers: receivers.map((receiver) => receiverShape(receiver, Date.now())),
      teamsWithout: teams.filter((team) => !names.has(team)),
      messages: (await newestMessages(database, MOST_MESSAGES)).map((row) => ({
        id: row.id,
        stage: row.stage,
        title: row.message.subject,
        receiver: row.receiver,
        person: row.person,
        channel: row.channel,
        path: row.path,
        madeMs: row.madeMs,
        deliveredMs: row.deliveredMs,
        nextTryMs: row.nextTryMs,
        tries: row.tries,
        trouble: row.givenUp ?? row.trouble,
        isGivenUp: row.givenUp !== null,
      })),
    };
  };

  router.get('/alerts', async (_request, response) => {
    response.json(await whole());
  });

  router.post('/alerts/try', async (request, response) => {
    const { rule } = readInput(tryingRule, request.body);
    const { rules } = readInput(object({ rules: alertRulesSchema }), { rules: [rule] });
    const past = await engine.ask('pastIncidents', { days: TRIED_DAYS });
    response.json({ days: TRIED_DAYS, ...tryRule(rules[0] as AlertRule, past, TRIED_DAYS) });
  });

  router.post('/alerts/test', async (request, response) => {
    const { receiver: name } = readInput(testing, request.body);
    const receiver = (await now()).receivers.find((one) => one.name === name);
    if (!receiver) throw new Problem('notFound', `There is no receiver called ${name}.`, { field: 'receiver' });
    const addresses = addressesOf(receiver);
    if (addresses.length === 0)
      throw new Problem('conflict', `${name} has a rota alone: test those who are on it.`, { field: 'receiver' });
    await database.transaction(
      addresses.map(([channel, address]) => {
        const code = newCode();
        const message = messageWithLink(
          {
            subject: 'A test message of Top Lens',
            paragraphs: [`If you read this, messages for ${name} arrive.`],
            door: 'Open it',
            short: 'Top Lens: a test message.',
          },
          `${publicUrl}/m/${code}`,
        );
        const more = { conversation: null, stage: 'test', receiver: name, person: '', path: '/settings' } as const;
        return putInOutbox({ ...more, code, channel, address, message }, Date.now());
      }),
    );
    response.json(await whole());
  });

  router.post('/alerts/messages/:id/again', async (request, response) => {
    const { id } = request.params;
    if (!isUuid(id) || !(await tryMessageAgain(database, id, Date.now())))
      throw new Problem('notFound', 'There is no such message that waits for its delivery.', { field: 'id' });
    response.json(await whole());
  });

  return router;
}

function receiverShape(receiver: Receiver, nowMs: number): AlertsShape['receivers'][number] {
  const { name, mail, phone, webhook, quiet, rota, takesHandoffs } = receiver;
  const duties = rota ? readRota(rota, nowMs) : undefined;
  return {
    name,
    words: [
      mail && `mail to ${mail}`,
      phone && `short messages to ${phone}`,
      webhook && 'a webhook',
      rota && 'whoever is on duty',
      takesHandoffs && 'handoffs by mail',
      quiet && `quiet from ${quiet.from} to ${quiet.to} (${quiet.zone})`,
    ]
      .filter(Boolean)
      .join(', '),
    onDuty: duties ? (onDutyAt(duties, nowMs) ?? '') : null,
    holes: duties ? holesIn(duties, { fromMs: nowMs, toMs: nowMs + 7 * DAY_MS }) : [],
  };
}
