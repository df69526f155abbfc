import { pino } from 'pino';
import { Problem } from '../errors';
import { insertSourceMapAndError } from '../fixtures/heavy-map';
import { openTestDatabase } from '../fixtures/test-database';
import type { Database } from '../store/database';
import { Search } from './search';

let database: Database;
let remove: () => Promise<void>;
beforeAll(async () => {
  ({ database, remove } = await openTestDatabase());
}, 60_000);
afterAll(() => remove());

const secret = Buffer.alloc(32);
const log = pino({ level: 'silent' });
const window = { fromMs: Date.now() - 3_600_000, toMs: Date.now() + 60_000 };

test('a question that needs more memory than the search may use is refused with a word; the search starts again and answers others', async () => {
  await insertSourceMapAndError(database, 6_000_000);
  const search = Search.start(database, { secret, log, heap: { maxOldGenerationSizeMb: 48 } });
  try {
    const refusal = await search.ask('scriptErrors', { window, focus: {} }, 1).then(
      () => undefined,
      (error: unknown) => error,
    );
    expect(refusal).toBeInstanceOf(Problem);
    expect((refusal as Problem).code).toBe('tooHeavy');
    expect((refusal as Problem).detail).toContain('shorter time range');
    const end = Date.now() + 20_000;
    while (!search.isUp && Date.now() < end) await new Promise((resolve) => setTimeout(resolve, 50));
    expect(search.deaths).toBe(1);
    expect(await search.ask('pageLoads', { window, by: 'page', focus: {} }, 2)).toMatchObject({ groups: [] });
  } finally {
    await search.stop();
  }
}, 60_000);

test('with the memory that it has by itself the same question is answered', async () => {
  const search = Search.start(database, { secret, log });
  try {
    const { groups } = await search.ask('scriptErrors', { window, focus: {} }, 3);
    expect(groups).toHaveLength(1);
  } finally {
    await search.stop();
  }
}, 60_000);
