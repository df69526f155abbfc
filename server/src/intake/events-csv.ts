import { parse } from 'csv-parse/sync';
import { Problem } from '../errors';
import { shortHash } from '../names/short-hash';

const NEEDED = ['time', 'name'] as const;
const OTHERS = [
  'id',
  'amount',
  'currency',
  'application',
  'component',
  'person',
  'session',
  'tier',
  'region',
  'site',
  'promotion',
  'item',
  'version',
] as const;
const COLUMNS: readonly string[] = [...NEEDED, ...OTHERS];

/**
 * Business events of a CSV file (RFC 4180, its first row names the columns) as CloudEvents, as they are kept. All of
 * the file is read, or nothing: whoever mends a cell sends all of it again, and nothing counts twice, since rows alike
 * are told apart by their id, or by how often they stand in the file.
 *
 * @throws Problem 'badRequest' naming the row and the column
 */
export function eventsOfCsv(body: Uint8Array): Buffer {
  const [names = [], ...rows] = readCsv(body);
  const unknown = names.find((name) => !COLUMNS.includes(name));
  if (unknown !== undefined)
    throw bad(`row 1, column ${unknown || '(empty)'}`, `not known; expected some of ${COLUMNS.join(', ')}`);
  const doubled = names.find((name, i) => names.indexOf(name) !== i);
  if (doubled !== undefined) throw bad(`row 1, column ${doubled}`, 'is there twice');
  for (const name of NEEDED) if (!names.includes(name)) throw bad(`row 1, column ${name}`, 'missing');
  const seen = new Map<string, number>();
  const events = rows.map((cells, i) => {
    const cell = (name: string) => cells[names.indexOf(name)] ?? '';
    const at = (name: string) => `row ${i + 2}, column ${name}`;
    const time = new Date(cell('time'));
    if (!HAS_ZONE.test(cell('time')) || Number.isNaN(time.getTime()))
      throw bad(at('time'), 'expected a time with its zone, as 2026-11-18T14:20:00Z');
    if (cell('name') === '') throw bad(at('name'), 'missing: what happened?');
    if (!/^(?:[+-]?\d+(?:\.\d+)?)?$/.test(cell('amount')))
      throw bad(at('amount'), `expected a decimal number, as 12.50, got: ${cell('amount')}`);
    const told = cells.join('\u001f');
    const repeat = seen.get(told) ?? 0;
    seen.set(told, repeat + 1);
    const data = Object.fromEntries(
      names.filter((name) => name !== 'time' && name !== 'id').map((name) => [name, cell(name)]),
    );
    const id = cell('id') || shortHash(`${told}\u001f${repeat}`);
    return {
      specversion: '1.0',
      id,
      source: cell('application') || 'upload',
      type: 'toplens.business_event',
      time: time.toISOString(),
      data,
    };
  });
  return Buffer.from(JSON.stringify(events));
}

const HAS_ZONE = /^\d{4}-\d\d-\d\d[T ]\d\d:\d\d.*(?:Z|[+-]\d\d:?\d\d)$/i;

const bad = (field: string, words: string) =>
  new Problem('badRequest', `${field}: ${words}; nothing of the file was taken`, { field });

function readCsv(body: Uint8Array): string[][] {
  try {
    return parse(Buffer.from(body), { bom: true, trim: true, skip_empty_lines: true });
  } catch (error) {
    throw bad('file', (error as Error).message);
  }
}
