import { KIND_WORDS, OWNER, WATCHED_KINDS, type WatchedKind } from '@toplens/core/alerts';
import { lines, numberBetween, numberOf, required, set, type Section } from './section';

const TIME = /^([01]\d|2[0-3]):[0-5]\d$/;

/** "22:00 to 06:00 Europe/Dublin"; `undefined` for what is neither. */
export function readQuiet(text: string): { from: string; to: string; zone: string } | undefined {
  const [, from = '', to = '', zone = ''] = /^(\S+)\s+(?:to|-|–)\s+(\S+)\s+(\S+)$/.exec(text.trim()) ?? [];
  return TIME.test(from) && TIME.test(to) && zone !== '' ? { from, to, zone } : undefined;
}

const yes = (text = '') => /^(yes|y|true)$/i.test(text.trim());
const yesOrNothing = (text: string) =>
  text.trim() === '' || yes(text) ? undefined : 'Write “yes”, or leave it empty.';

/** Who is told of trouble, by what ways. */
export const RECEIVERS: Section = {
  key: 'receivers',
  title: 'Receivers of alerts',
  about:
    'Who is told of trouble. A receiver that is called like a team is told of what that team has, or should get. A rota names the receiver on duty.',
  unit: 'receiver',
  isOrdered: false,
  columns: [
    { name: 'name', label: 'Name', check: required('Name the receiver.') },
    {
      name: 'mail',
      label: 'Mail address',
      check: (text) => (text.trim() === '' || /^\S+@\S+$/.test(text.trim()) ? undefined : 'A mail address.'),
    },
    { name: 'phone', label: 'Telephone for short messages', hint: 'As +353 1 555 0100.' },
    { name: 'webhook', label: 'Webhook', hint: 'Takes CloudEvents by POST: https://…' },
    {
      name: 'quiet',
      label: 'Quiet hours',
      hint: 'As “22:00 to 06:00 Europe/Dublin”: then nothing but what is broken.',
      check: (text) =>
        text.trim() === '' || readQuiet(text) ? undefined : 'Two times and a zone, as “22:00 to 06:00 Europe/Dublin”.',
    },
    {
      name: 'takesHandoffs',
      label: 'Handoffs by mail',
      hint: '“yes”: not to the desk; the team answers by a link.',
      check: yesOrNothing,
    },
    {
      name: 'rota',
      label: 'Rota',
      hint: 'A calendar (iCalendar) whose events are called like the receiver on duty.',
      isMultiline: true,
    },
  ],
  words: ({ name, mail, phone, webhook, rota }) =>
    [name || '…', mail, phone, webhook && 'webhook', rota && 'rota'].filter(Boolean).join(' · '),
  entriesOf: ({ receivers }) =>
    receivers.map(({ name, mail = '', phone = '', webhook = '', quiet, rota = '', takesHandoffs = false }) => ({
      name,
      mail,
      phone,
      webhook,
      quiet: quiet ? `${quiet.from} to ${quiet.to} ${quiet.zone}` : '',
      takesHandoffs: takesHandoffs ? 'yes' : '',
      rota,
    })),
  valueOf: (entries) =>
    entries.map(({ name = '', mail, phone, webhook, quiet = '', takesHandoffs, rota }) => ({
      name: name.trim(),
      ...set('mail', mail?.trim()),
      ...set('phone', phone?.trim()),
      ...set('webhook', webhook?.trim()),
      ...set('quiet', readQuiet(quiet)),
      ...set('rota', rota?.trim() === '' ? undefined : rota),
      ...(yes(takesHandoffs) && { takesHandoffs: true }),
    })),
};

const isKind = (text: string): text is WatchedKind => (WATCHED_KINDS as readonly string[]).includes(text);
const amount = numberBetween(0, 1e9, 'A number, at least 0.');

/** Of what they are told. */
export const ALERT_RULES: Section = {
  key: 'alertRules',
  title: 'Rules of alerts',
  about:
    'Who is told of what. All conditions of a rule must hold; an empty one holds always. Each trouble is told once to each receiver, again when it is worse, handed over, or over.',
  unit: 'rule',
  isOrdered: false,
  columns: [
    { name: 'name', label: 'Name', check: required('Name the rule.') },
    {
      name: 'watches',
      label: 'What it watches',
      hint: WATCHED_KINDS.map((kind) => `${kind}: ${KIND_WORDS[kind]}`).join('; '),
      check: (text) => (isKind(text.trim()) ? undefined : `One of ${WATCHED_KINDS.join(', ')}.`),
    },
    { name: 'application', label: 'Application', hint: 'Empty: any.' },
    { name: 'points', label: 'Harm points an hour, at least', check: amount },
    { name: 'people', label: 'People hurt, at least', check: amount },
    {
      name: 'isBroken',
      label: 'Only what is broken',
      hint: '“yes”: most attempts fail, or nothing comes.',
      check: yesOrNothing,
    },
    {
      name: 'notAccepted',
      label: 'Accepted by nobody for so many minutes',
      check: numberBetween(1, 10_080, 'Whole minutes, 1 to 10,080.'),
    },
    {
      name: 'chance',
      label: 'Chance that the promise breaks, %, at least',
      check: numberBetween(0, 100, 'From 0 to 100.'),
    },
    {
      name: 'to',
      label: 'Who is told',
      hint: `Names of receivers, a line each; “${OWNER}” for whoever has it or should get it.`,
      isMultiline: true,
      check: (text) => (lines(text).length === 0 ? 'At least one receiver, a line each.' : undefined),
    },
  ],
  words: ({ name, to }) => `${name || '…'} → ${lines(to).join(', ')}`,
  entriesOf: ({ alertRules }) =>
    alertRules.map((rule) => ({
      name: rule.name,
      watches: rule.watches,
      application: rule.application ?? '',
      points: textOf(rule.points),
      people: textOf(rule.people),
      isBroken: rule.isBroken ? 'yes' : '',
      notAccepted: textOf(rule.notAcceptedMinutes),
      chance: rule.chance === undefined ? '' : String(Number((rule.chance * 100).toFixed(6))),
      to: rule.to.join('\n'),
    })),
  valueOf: (entries) =>
    entries.map((entry) => {
      const chance = numberOf(entry.chance);
      return {
        name: (entry.name ?? '').trim(),
        watches: (entry.watches ?? '').trim(),
        ...set('application', entry.application?.trim()),
        ...set('points', numberOf(entry.points)),
        ...set('people', numberOf(entry.people)),
        ...(yes(entry.isBroken) && { isBroken: true }),
        ...set('notAcceptedMinutes', numberOf(entry.notAccepted)),
        ...set('chance', chance === undefined ? undefined : chance / 100),
        to: lines(entry.to),
      };
    }),
};

const textOf = (value: number | undefined): string => (value === undefined ? '' : String(value));
