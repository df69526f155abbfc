import { maskText } from '@toplens/core/masking';
import { errorGroup } from '@toplens/core/pages';
import { DAY_MS, type Window } from '@toplens/core/time';
import type { ScriptErrorGroupShape, ScriptErrorsShape } from '../contract/pages';
import type { Database } from '../store/database';
import { conditionOf, countViews, errorsWithin, numberOf, type PageFocus, type StoredError } from '../store/pages';
import { StackReader, type ReadStack } from './read-stack';

export interface ErrorsQuestion {
  window: Window;
  focus: PageFocus;
}

const MOST_ERRORS = 5_000;
const MOST_GROUPS = 60;
/** An error may come long after its view was opened. */
const LONGEST_VIEW_MS = DAY_MS;

/** Script errors of a window in groups, by people met; stacks readable where their source maps were uploaded. */
export async function scriptErrors(database: Database, { window, focus }: ErrorsQuestion): Promise<ScriptErrorsShape> {
  const where = await conditionOf(database, window, focus);
  const errors = await errorsWithin(database, window, await errorsCondition(database, window, focus), MOST_ERRORS);
  const views = where === undefined ? 0 : await countViews(database, where);
  const stacks = new StackReader(database);
  const groups = new Map<string, ReadStack & { errors: StoredError[] }>();
  const readings = new Map<string, ReadStack>();
  for (const error of errors) {
    // Thousands of errors have a few dozen stacks.
    const readingKey = [error.component, error.version, error.stack].join('\u001f');
    const reading = readings.get(readingKey) ?? (await stacks.read(error));
    readings.set(readingKey, reading);
    const key = errorGroup(error.type, error.message, reading.frames);
    const group = groups.get(key);
    if (group) group.errors.push(error);
    else groups.set(key, { errors: [error], ...reading });
  }
  const shapes = [...groups.values()]
    .map(groupShape)
    .sort((a, b) => b.people - a.people || b.views - a.views || b.errors - a.errors);
  return { window, views, isCut: errors.length === MOST_ERRORS, groups: shapes.slice(0, MOST_GROUPS) };
}

/** An error tells its page itself; where and in what it happened, its view does. */
async function errorsCondition(database: Database, window: Window, { page, ...ofView }: PageFocus): Promise<string> {
  const conditions: string[] = [];
  if (page !== undefined) conditions.push(`page = ${(await numberOf(database, 'page', page)) ?? NEVER_SEEN}`);
  if (Object.values(ofView).some((value) => value !== undefined)) {
    const views = await conditionOf(database, { fromMs: window.fromMs - LONGEST_VIEW_MS, toMs: window.toMs }, ofView);
    conditions.push(views === undefined ? 'false' : `view IN (SELECT view FROM page_view WHERE ${views})`);
  }
  return conditions.map((condition) => ` AND ${condition}`).join('');
}

/** No page has this number. */
const NEVER_SEEN = -1;

function groupShape({ errors, frames, isMapped }: ReadStack & { errors: StoredError[] }): ScriptErrorGroupShape {
  const newest = errors[0] as StoredError;
  const people = new Set(errors.map(({ person }) => person).filter((person) => person !== 0));
  const distinct = (of: (error: StoredError) => string) => [...new Set(errors.map(of))].filter(Boolean).slice(0, 6);
  return {
    type: newest.type,
    message: maskText(newest.message),
    errors: errors.length,
    views: new Set(errors.map(({ view }) => view)).size,
    people: people.size,
    firstMs: Math.min(...errors.map(({ atMs }) => atMs)),
    lastMs: newest.atMs,
    pages: distinct(({ page }) => page),
    versions: distinct(({ version }) => version),
    browsers: distinct(({ browser }) => browser),
    component: newest.component,
    frames,
    isMapped,
    sampleView: newest.view,
  };
}
