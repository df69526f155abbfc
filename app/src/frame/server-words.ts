import type { Schemas } from '@/data/client';
import { clock, count, counted, lengthWords } from '@/look/format';

type ServerState = Schemas['ServerState'];
export type PartName = keyof ServerState['parts'];

/** What people call the parts of the server. */
export const PART_WORDS: Readonly<Record<PartName, string>> = {
  intake: 'Intake',
  journal: 'Journal',
  database: 'Database',
  engine: 'Judging',
  search: 'Search',
  disk: 'Disk',
  backup: 'Backup',
};

/** Kinds of names in the plural, as they stand on other screens. */
const NAMES: Readonly<Record<string, string>> = {
  flow: 'flows',
  component: 'components',
  person: 'people',
  site: 'sites',
  version: 'versions',
  region: 'regions',
  tier: 'customer tiers',
  promotion: 'promotions',
  host: 'hosts',
  failure: 'error types',
  span: 'operations',
  peer: 'hosts that are called',
  statement: 'statements',
  series: 'metric series',
  device: 'devices',
  ranOn: 'kinds of device with their systems',
  carrier: 'carriers',
  department: 'departments',
  role: 'roles',
  station: 'stations',
  server: 'servers',
  item: 'items',
  application: 'applications',
  page: 'pages',
  call: 'background calls',
  country: 'countries',
  area: 'parts of countries',
  browser: 'browsers',
  system: 'systems',
  connection: 'kinds of connection',
};

export const namesWords = ({ kind, names }: ServerState['gatheredNames'][number]): string =>
  `${count(names)} ${names === 1 ? 'time a new name was' : 'times a new name was'} put under “other” among ${NAMES[kind] ?? kind}: there are more new ones than are kept apart.`;

export function clockWords(
  { component, host, aheadMs, refused, sinceMs }: ServerState['clocks'][number],
  nowMs: number,
): string {
  const where = host === '' ? component : `${component} on ${host}`;
  return `The clock of ${where} is ${lengthWords(aheadMs)} ahead: ${count(refused)} ${refused === 1 ? 'record' : 'records'} refused since ${clock(sinceMs, nowMs)}. Set that clock right.`;
}

/** Values that no bill counts are told: money is not less because of them. */
export function currencyWords(currencies: ServerState['currencies']): string {
  const shown = currencies.slice(0, 3).map(({ currency }) => currency);
  const more = currencies.length - shown.length;
  const names = new Intl.ListFormat('en-GB').format(
    more > 0 ? [...shown, counted(more, 'other currency', 'other currencies')] : shown,
  );
  const values = currencies.reduce((sum, one) => sum + one.values, 0);
  return `Money leaves out ${counted(values, 'value')} in ${names}: no exchange rate is set. Add it in Settings, under Currencies.`;
}

/**
 * What everybody must know of the server, in sentences, the worst first; empty when all is well. What only who runs it
 * must know stands in Settings.
 */
export function serverWords(state: ServerState): string[] {
  const { parts, nowMs, judgedAgainFromMs, judgedMs, clocks } = state;
  const words: string[] = [];
  const { disk } = parts;
  if (disk.state === 'down') words.push(`${disk.words} No data has been taken since ${clock(disk.sinceMs, nowMs)}.`);
  for (const name of ['database', 'engine', 'search'] as const) {
    const part = parts[name];
    if (part.state === 'down') words.push(`${PART_WORDS[name]}: ${part.words} Since ${clock(part.sinceMs, nowMs)}.`);
  }
  if (parts.journal.state === 'degraded' && parts.journal.words !== '') words.push(parts.journal.words);
  if (parts.engine.state === 'degraded') words.push(parts.engine.words);
  if (judgedAgainFromMs !== null && judgedMs !== null)
    words.push(
      `Late data came in: ${clock(judgedAgainFromMs, nowMs)} to ${clock(judgedMs, nowMs)} is being judged again.`,
    );
  for (const source of clocks.slice(0, 2)) words.push(clockWords(source, nowMs));
  if (state.currencies.length > 0) words.push(currencyWords(state.currencies));
  return words;
}
