import {
  DEFAULT_MOST,
  DEFAULT_TILE_MINUTES,
  titleOf,
  type BoardFigure,
  type Tile,
  type TileKind,
} from '@toplens/core/boards';
import { wilson, type Interval } from '@toplens/core/stats';
import { MINUTE_MS } from '@toplens/core/time';
import { counted } from '@toplens/core/words';
import type { BoardTileShape } from '../contract/settings';
import type { TileViewShape } from '../contract/boards';
import type { WorstFirstShape } from '../contract/incidents';
import type { Engine } from '../engine/engine';
import type { Focus } from '../engine/state/questions';
import type { Search } from '../search/search';
import type { Database } from '../store/database';
import { newestOfPages } from '../store/pages';
import { newestCrash } from '../store/phones';
import { liveWindowOf } from './live-window';
import { readHappened } from './read-happened';

export interface TileSources {
  database: Database;
  engine: Engine;
  search: Search;
}

/** A tile that is read. */
interface Asked extends TileSources {
  tile: Tile;
  question: { lengthMs: number };
  focus: Focus;
  /** the ranked list over its window and filter */
  worst: () => Promise<WorstFirstShape>;
}

type Content = Partial<TileViewShape> & Pick<TileViewShape, 'path' | 'window'>;

const EMPTY = {
  nothing: '',
  headline: '',
  rows: null,
  figure: null,
  curve: null,
  promise: null,
  journey: null,
  feed: null,
  pages: null,
} as const;

const FRESH_MS = 5_000;
/** What is read of many stored rows is read anew when so much of its window is new: of a day every five minutes. */
const NEW_PART = 1 / 288;

/** A window of stored rows, and the version that stands for it until it is read anew. */
async function storedWindow({ engine, question }: Asked, newest: () => Promise<number>) {
  const { lengthMs } = question;
  const { toMs: latestMs } = await liveWindowOf(question, engine, newest);
  const step = Math.max(FRESH_MS, lengthMs * NEW_PART);
  const toMs = Math.ceil(latestMs / step) * step;
  return { window: { fromMs: toMs - lengthMs, toMs }, version: toMs };
}

/** What a tile shows now. What it names and is not there is said in it: the others are shown all the same. */
export async function readTile(sources: TileSources, tile: Tile): Promise<TileViewShape> {
  const question = { lengthMs: (tile.minutes ?? DEFAULT_TILE_MINUTES) * MINUTE_MS };
  const focus: Focus = {
    ...(tile.application !== undefined && { application: tile.application }),
    ...(tile.team !== undefined && { team: tile.team }),
    values: { ...tile.where },
  };
  const worst = () =>
    sources.engine.worstFirst({ window: question, ranking: 'harm', rates: 'then', against: 'nothing', focus });
  const content = await READERS[tile.shows]({ ...sources, tile, question, focus, worst });
  // Only what is set stands in it.
  const set = JSON.parse(JSON.stringify(tile)) as BoardTileShape;
  return { ...EMPTY, tile: set, title: titleOf(tile), ...content };
}

const READERS: Readonly<Record<TileKind, (asked: Asked) => Promise<Content>>> = {
  list: async ({ tile, worst }) => {
    const { window, headline, rows } = await worst();
    return { path: '/', window, headline, rows: rows.slice(0, tile.most ?? DEFAULT_MOST) };
  },
  figure: (asked) => FIGURES[asked.tile.figure ?? 'people'](asked),
  curve,
  promise: async ({ engine, tile, question }) => {
    const { promises, nowMs } = await engine.ask('promises', { window: question });
    const window = { fromMs: nowMs - question.lengthMs, toMs: nowMs };
    const [worst] = [...promises].sort(
      (a, b) =>
        (b.forecast?.expectedPenalty ?? 0) - (a.forecast?.expectedPenalty ?? 0) ||
        (a.budget.leftShare ?? 1) - (b.budget.leftShare ?? 1),
    );
    const promise = tile.of === undefined ? worst : promises.find(({ name }) => name === tile.of);
    if (!promise)
      return { path: '/promises', window, nothing: missing(tile, 'nothing that was promised', 'Nothing is promised.') };
    return {
      path: `/promises/${encodeURIComponent(promise.name)}`,
      window,
      promise,
      title: tile.title ?? promise.name,
    };
  },
  journey: async ({ engine, tile, question, focus }) => {
    const { window, journeys } = await engine.ask('journeys', { window: question, focus });
    const [worst] = [...journeys].sort((a, b) => b.beyondUsual - a.beyondUsual || b.setOut - a.setOut);
    const journey = tile.of === undefined ? worst : journeys.find(({ name }) => name === tile.of);
    if (!journey)
      return { path: '/flows', window, nothing: missing(tile, 'no journey', 'Nobody was on a journey in this time.') };
    return { path: `/journey/${journey.id}`, window, journey, title: tile.title ?? journey.name };
  },
  feed: async ({ engine, search, tile, question, focus }) => {
    const happened = await readHappened({ engine, search }, { window: question, focus, kind: tile.kind });
    const { window, happenings } = happened;
    const shown = happenings.slice(0, tile.most ?? DEFAULT_MOST);
    const isCut = happened.isCut || shown.length < happenings.length;
    return { path: '/happened', window, feed: { window, isCut, happenings: shown } };
  },
  map: async (tileAsked) => {
    const { database, search, tile, focus } = tileAsked;
    const { window, version } = await storedWindow(tileAsked, () => newestOfPages(database));
    const narrowed = tile.application === undefined ? {} : { application: tile.application };
    const values = focus.values.version === undefined ? {} : { version: focus.values.version };
    const asked = { window, by: 'country' as const, focus: { ...narrowed, ...values } };
    const pages = await search.ask('pageLoads', asked, version);
    const nothing = pages.all === null ? 'No browser told of a page in this time.' : '';
    // Single views are for the page that lists them.
    return { path: '/people', window, nothing, pages: { ...pages, worst: [], calls: [], hosts: [], frames: [] } };
  },
  text: async ({ engine, question }) => {
    const toMs = engine.figures?.watermarkMs ?? Date.now();
    return Promise.resolve({ path: '', window: { fromMs: toMs - question.lengthMs, toMs } });
  },
};

const missing = ({ of }: Tile, what: string, none: string) =>
  of === undefined ? none : `${what[0]?.toUpperCase()}${what.slice(1)} is called “${of}”.`;

async function together({ worst }: Asked, name: keyof WorstFirstShape['together']): Promise<Content> {
  const { window, together: all, headline, freshness } = await worst();
  // Nothing judged is not nobody hurt.
  if (freshness.judgedMs === null) return { path: '/', window, nothing: headline };
  return { path: '/', window, figure: { range: all[name], of: '' } };
}

const FIGURES: Readonly<Record<BoardFigure, (asked: Asked) => Promise<Content>>> = {
  people: (asked) => together(asked, 'people'),
  harm: (asked) => together(asked, 'harmPerHour'),
  money: (asked) => together(asked, 'money'),
  failed: async ({ engine, tile, question, focus }) => {
    const table = await engine.ask('flows', { window: question, focus, against: 'nothing' });
    const rows = table.rows.filter(({ name }) => tile.of === undefined || tile.of === name);
    const attempts = rows.reduce((sum, row) => sum + row.attempts, 0);
    const failed = rows.reduce((sum, row) => sum + Math.round(row.attempts * (row.failedShare ?? 0)), 0);
    const none = rows.length === 0 ? missing(tile, 'no flow', '') : '';
    return {
      path: '/flows',
      window: table.window,
      ...shareOf(failed, attempts, { one: 'attempt', many: 'attempts' }, none),
    };
  },
  crashes: async (tileAsked) => {
    const { database, search, tile } = tileAsked;
    const { window, version } = await storedWindow(tileAsked, () => newestCrash(database));
    const asked = { window, application: tile.application, values: {} };
    const { applications } = await search.ask('phone', asked, version);
    const launches = applications.reduce((sum, one) => sum + one.launches, 0);
    const crashes = applications.reduce((sum, one) => sum + Math.min(one.crashes, one.launches), 0);
    return { path: '/people/phone', window, ...shareOf(crashes, launches, { one: 'launch', many: 'launches' }) };
  },
};

interface Unit {
  one: string;
  many: string;
}

/** A share of what was counted, with its Wilson interval. */
function shareOf(count: number, of: number, unit: Unit, none = ''): Pick<Content, 'figure' | 'nothing'> {
  const range: Interval | undefined = wilson(count, of);
  if (!range) return { figure: null, nothing: none || `Not one ${unit.one} came in this time.` };
  return { figure: { range, of: `of ${counted(of, unit.one, unit.many)}` } };
}

const MEASURES = { slow: 'duration', failing: 'failures', missing: 'attempts' } as const;

/** A flow over its usual range: the one that is named, the worst hit, or the busiest while nothing is wrong. */
async function curve({ engine, tile, question, focus, worst }: Asked): Promise<Content> {
  const list = await worst();
  const { window, rows, flows } = list;
  const isMeant = ({ name, application }: (typeof flows)[number]) =>
    name === tile.of && (tile.application === undefined || application === tile.application);
  const [first] = rows;
  const hit =
    first && flows.find(({ name, application }) => name === first.flows[0] && application === first.application);
  const flow = tile.of === undefined ? (hit ?? (await busiest(engine, question, focus))) : flows.find(isMeant);
  const page = flow && (await engine.ask('flow', { id: flow.id, window: question, focus, against: 'nothing' }));
  if (!flow || !page)
    return { path: '/flows', window, nothing: missing(tile, 'no flow', 'Nobody used anything in this time.') };
  const row = rows.find(({ flows: [name], application }) => name === flow.name && application === flow.application);
  const measure = tile.measure ?? (row ? MEASURES[row.signal] : undefined) ?? 'duration';
  const chart = page.charts.find(({ name }) => name === measure) ?? page.charts[0];
  const title = tile.title ?? flow.name;
  if (!chart) return { path: `/flow/${flow.id}`, window, title, nothing: 'Nothing of it can be drawn.' };
  return {
    path: `/flow/${flow.id}`,
    window: page.window,
    title,
    curve: { chart, onsetMs: row?.onsetMs ?? null, marks: page.marks },
  };
}

async function busiest(engine: Engine, window: { lengthMs: number }, focus: Focus) {
  const { rows } = await engine.ask('flows', { window, focus, against: 'nothing' });
  return [...rows].sort((a, b) => b.attempts - a.attempts).find(({ kind }) => kind === 'work' || kind === 'page');
}
