import { parseDecimal } from '@/frame/decimal';
import { count, counted } from '@/look/format';
import { ALERT_RULES, RECEIVERS } from './alert-sections';
import { PROBES } from './probe-section';
import { PROMISES } from './promise-section';
import { lines, numberBetween, numberOf, required, set, type Entry, type File, type Section } from './section';

const OWNERS: Section = {
  key: 'ownership',
  title: 'Owners and teams',
  about: 'Who gets what: the first rule that matches names the team. A field left empty matches everything.',
  unit: 'rule',
  isOrdered: true,
  columns: [
    { name: 'component', label: 'Component', hint: 'Service or store, as its spans name it; * for any text.' },
    { name: 'flow', label: 'Flow', hint: 'By the name that people see; * for any text.' },
    { name: 'application', label: 'Application' },
    { name: 'team', label: 'Team', check: required('Name the team.') },
  ],
  words: ({ component, flow, application, team }) =>
    `${[component, flow, application].filter(Boolean).join(', ') || 'All else'} → ${team || '…'}`,
  entriesOf: ({ ownership }) =>
    ownership.map(({ component = '', flow = '', application = '', team }) => ({ component, flow, application, team })),
  valueOf: (entries) =>
    entries.map(({ component, flow, application, team = '' }) => ({
      ...set('component', component?.trim()),
      ...set('flow', flow?.trim()),
      ...set('application', application?.trim()),
      team: team.trim(),
    })),
};

/** Milliseconds by name, of lines as "North: 2.5". */
const limitsIn = (text = '') =>
  Object.fromEntries(
    lines(text).map((line) => {
      const colon = line.lastIndexOf(':');
      return [line.slice(0, colon).trim(), Math.round(parseDecimal(line.slice(colon + 1)) * 1000)];
    }),
  );

/** The same the other way round. */
const linesOf = (limits: unknown): string =>
  Object.entries((limits ?? {}) as Record<string, number>)
    .map(([name, ms]) => `${name}: ${ms / 1000}`)
    .join('\n');

const FLOWS: Section = {
  key: 'flows',
  title: 'Names, limits and promises of flows',
  about:
    'The first rule that matches a flow says what it is called and how it is judged. What a flow was given on its own page goes before.',
  unit: 'rule',
  isOrdered: true,
  columns: [
    {
      name: 'technicalName',
      label: 'Technical name',
      hint: 'Method and route, screen, or name of the span; * for any text.',
      check: required('Name the flows that it is about.'),
    },
    { name: 'application', label: 'Application', hint: 'Empty: any.' },
    { name: 'name', label: 'Business name' },
    {
      name: 'limit',
      label: 'Limit in seconds',
      check: numberBetween(0.001, 86_400, 'Seconds, more than 0 and at most a day.'),
    },
    {
      name: 'siteLimits',
      label: 'Limits of single sites',
      hint: 'A line each, as “North: 2.5”.',
      isMultiline: true,
      check: (text) =>
        Object.entries(limitsIn(text)).every(([site, ms]) => site !== '' && ms > 0 && ms <= 86_400_000)
          ? undefined
          : 'A line each: the site, a colon and seconds.',
    },
    {
      name: 'stepLimits',
      label: 'Limits of steps inside it',
      hint: 'A line each: component and operation, as “payments POST /authorise: 0.8”.',
      isMultiline: true,
      check: (text) =>
        Object.entries(limitsIn(text)).every(([step, ms]) => step !== '' && ms > 0 && ms <= 86_400_000)
          ? undefined
          : 'A line each: component and operation, a colon and seconds.',
    },
    {
      name: 'importance',
      label: 'Importance',
      hint: 'Multiplies its harm; 1 is as any other.',
      check: numberBetween(0, 1000, 'A number, at least 0.'),
    },
    {
      name: 'target',
      label: 'Promised share in time, %',
      hint: 'Empty: nothing is promised.',
      check: numberBetween(50, 99.999, 'Between 50 and 99.999.'),
    },
    { name: 'days', label: 'Days of the period', check: numberBetween(1, 366, 'Whole days, 1 to 366.') },
    { name: 'penalty', label: 'Penalty when it is broken', check: numberBetween(0, 1e12, 'An amount, at least 0.') },
  ],
  words: ({ technicalName, name, target, days }) =>
    [
      name ? `${technicalName} → “${name}”` : technicalName || '…',
      target && `promised ${target} % over ${counted(numberOf(days) ?? 30, 'day')}`,
    ]
      .filter(Boolean)
      .join(' · '),
  entriesOf: ({ flows }) =>
    flows.map((rule) => {
      const { technicalName, application = '', name = '', limitMs, importance, agreement } = rule;
      return {
        technicalName,
        application,
        name,
        limit: limitMs === undefined ? '' : String(limitMs / 1000),
        siteLimits: linesOf(rule.siteLimitsMs),
        stepLimits: linesOf(rule.stepLimitsMs),
        importance: importance === undefined ? '' : String(importance),
        target: agreement ? String(Number((agreement.target * 100).toFixed(6))) : '',
        days: agreement ? String(agreement.days) : '',
        penalty: agreement ? String(agreement.penalty) : '',
      };
    }),
  valueOf: (entries) =>
    entries.map((entry) => {
      const limit = numberOf(entry.limit);
      const target = numberOf(entry.target);
      return {
        technicalName: (entry.technicalName ?? '').trim(),
        ...set('application', entry.application?.trim()),
        ...set('name', entry.name?.trim()),
        ...set('limitMs', limit === undefined ? undefined : Math.round(limit * 1000)),
        ...(lines(entry.siteLimits).length > 0 && { siteLimitsMs: limitsIn(entry.siteLimits) }),
        ...(lines(entry.stepLimits).length > 0 && { stepLimitsMs: limitsIn(entry.stepLimits) }),
        ...set('importance', numberOf(entry.importance)),
        ...(target !== undefined && {
          agreement: {
            target: target / 100,
            days: Math.round(numberOf(entry.days) ?? 30),
            penalty: numberOf(entry.penalty) ?? 0,
          },
        }),
      };
    }),
};

/** A section of plain names. */
const names = (
  section: Pick<Section, 'key' | 'title' | 'about' | 'unit'>,
  { label, hint, of }: { label: string; hint: string; of: (file: File) => readonly string[] },
): Section => ({
  ...section,
  isOrdered: false,
  columns: [{ name: 'name', label, hint, check: required('Write a name, or remove the line.') }],
  words: ({ name }) => name || '…',
  entriesOf: (file) => of(file).map((name) => ({ name })),
  valueOf: (entries) => entries.map(({ name = '' }) => name.trim()),
});

const ENTRY_SERVICES = names(
  {
    key: 'entryServices',
    title: 'Where attempts begin',
    about:
      'A server span without a parent begins an attempt. Those of these services do so although they have one: a browser, a phone or a gateway called them. They are found by themselves within a minute; what you say of one holds.',
    unit: 'service',
  },
  { label: 'Service', hint: 'service.name, as it sends it.', of: ({ entryServices }) => entryServices },
);

const IGNORED = names(
  {
    key: 'ignored',
    title: 'What is ignored',
    about:
      'Entries that are nobody’s business and become no flow: checks of health, figures, files of pages. * stands for any text. What a service does not have (404 without a route) is one flow, “unknown addresses”.',
    unit: 'pattern',
  },
  { label: 'Technical name', hint: 'As * /health or GET /internal/*.', of: ({ ignored }) => ignored },
);

const KEY_TIERS = names(
  {
    key: 'keyTiers',
    title: 'Key customers',
    about: 'Harm to people of these tiers counts again, by the rate below.',
    unit: 'tier',
  },
  { label: 'Tier', hint: 'toplens.tier, as it is sent.', of: ({ rates }) => rates.keyTiers },
);

const JOURNEYS: Section = {
  key: 'journeys',
  title: 'Named journeys',
  about: 'Ways that people walk are found by themselves; those that are named here stay in the list.',
  unit: 'journey',
  isOrdered: false,
  columns: [
    { name: 'name', label: 'Name', check: required('Name the journey.') },
    { name: 'application', label: 'Application', check: required('Name the application.') },
    {
      name: 'steps',
      label: 'Steps',
      hint: 'Technical names of flows, a line each, first step first.',
      isMultiline: true,
      check: (text) => (lines(text).length < 2 ? 'At least two steps, a line each.' : undefined),
    },
  ],
  words: ({ name, steps }) => `${name || '…'} · ${counted(lines(steps).length, 'step')}`,
  entriesOf: ({ journeys }) => journeys.map(({ steps, ...rest }) => ({ ...rest, steps: steps.join('\n') })),
  valueOf: (entries) =>
    entries.map(({ name = '', application = '', steps }) => ({
      name: name.trim(),
      application: application.trim(),
      steps: lines(steps),
    })),
};

const BUSINESS_EVENTS: Section = {
  key: 'businessEvents',
  title: 'Business events in logs',
  about: 'Lines of logs that tell of an order, a booking, a payment: counted, and added up as money.',
  unit: 'pattern',
  isOrdered: true,
  columns: [
    { name: 'name', label: 'Name of the event', check: required('Name the event.') },
    { name: 'component', label: 'Component', hint: 'Whose lines; empty: everybody’s.' },
    {
      name: 'pattern',
      label: 'Pattern of the whole line',
      hint: '* for any text; {amount}, {currency}, {person}, {session}, {tier}, {region}, {site}, {promotion} for what is read.',
      check: required('Write the line, with * and places.'),
    },
  ],
  words: ({ name, pattern }) => `${name || '…'} · ${pattern}`,
  entriesOf: ({ businessEvents }) =>
    businessEvents.map(({ name, component = '', pattern }) => ({ name, component, pattern })),
  valueOf: (entries) =>
    entries.map(({ name = '', component, pattern = '' }) => ({
      name: name.trim(),
      ...set('component', component?.trim()),
      pattern,
    })),
};

const EXCHANGE: Section = {
  key: 'exchangeRates',
  title: 'Currencies',
  about:
    'Values in other currencies are converted by these rates; without a rate they are left out, and the screen says so.',
  unit: 'rate',
  isOrdered: false,
  columns: [
    {
      name: 'currency',
      label: 'Currency',
      hint: 'ISO 4217, as JPY.',
      check: (text) => (/^[A-Z]{3}$/.test(text.trim()) ? undefined : 'Three capitals, as JPY.'),
    },
    {
      name: 'rate',
      label: 'One unit of it in the bills’ currency',
      check: (text) => (parseDecimal(text) > 0 && text.trim() !== '' ? undefined : 'A number, more than 0.'),
    },
    {
      name: 'asOf',
      label: 'As of',
      hint: 'The day of that rate: 2026-11-02.',
      check: (text) => (/^\d{4}-\d\d-\d\d$/.test(text.trim()) ? undefined : 'A day, as 2026-11-02.'),
    },
  ],
  words: ({ currency, rate, asOf }) => `1 ${currency || '…'} = ${rate} · ${asOf}`,
  entriesOf: ({ exchangeRates }) => exchangeRates.map(({ rate, ...rest }) => ({ ...rest, rate: String(rate) })),
  valueOf: (entries) =>
    entries.map(({ currency = '', rate = '', asOf = '' }) => ({
      currency: currency.trim(),
      rate: parseDecimal(rate),
      asOf: asOf.trim(),
    })),
};

export const SECTIONS: readonly Section[] = [
  OWNERS,
  FLOWS,
  PROMISES,
  PROBES,
  RECEIVERS,
  ALERT_RULES,
  JOURNEYS,
  ENTRY_SERVICES,
  IGNORED,
  BUSINESS_EVENTS,
  KEY_TIERS,
  EXCHANGE,
];

/** "18 rules", "none" */
export function sectionWords(section: Section, file: File): string {
  const { length } = section.entriesOf(file);
  return length === 0 ? 'none' : counted(length, section.unit);
}

/** What is wrong in a list of entries, by place and column; nothing when all can be saved. */
export const wrongIn = (section: Section, entries: readonly Entry[]): { at: number; column: string; words: string }[] =>
  entries.flatMap((entry, at) =>
    section.columns.flatMap(({ name, check }) => {
      const words = check?.(entry[name] ?? '');
      return words === undefined ? [] : [{ at, column: name, words }];
    }),
  );

/** "3 fields are not right yet: the first is in rule 2." */
export const wrongWords = (section: Section, wrong: ReturnType<typeof wrongIn>): string =>
  `${wrong.length === 1 ? 'One field is' : `${count(wrong.length)} fields are`} not right yet, ${wrong.length === 1 ? '' : 'the first '}in ${section.unit} ${(wrong[0]?.at ?? 0) + 1}.`;
