import { StyleSheet, View } from 'react-native';
import { OUTCOME_WORDS } from '@/charts/patterns';
import type { Schemas } from '@/data/client';
import { Door } from '@/frame/door';
import { clock, clockSeconds, count, durationWords } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';

type Person = Schemas['Person'];
type Attempt = Person['attempts'][number];
type PageView = Person['views'][number];
/** What happened in a session: on a server, or in the browser. */
export type Happening = { atMs: number; session: number } & ({ attempt: Attempt } | { view: PageView });

/** Sessions of one person, newest first; in each everything in order. */
export function SessionList({ found }: { found: Person }) {
  const palette = usePalette();
  const sessions = sessionsOf(happenings(found));
  return (
    <View style={styles.box} testID="sessions">
      <Words kind="section" level={2}>
        {found.person}
      </Words>
      <Words>{foundWords(found, sessions.length)}</Words>
      {sessions.map((session) => (
        <View key={session[0]?.atMs} style={styles.session}>
          <Words kind="strong">{sessionWords(session, found.window.toMs)}</Words>
          <View role="list">
            {session.map((one, i) => (
              <View
                role="listitem"
                key={`${one.atMs}-${i}`}
                style={[styles.line, { borderBottomColor: palette.hairline }]}
              >
                <HappeningLine happening={one} todayMs={found.window.toMs} />
              </View>
            ))}
          </View>
        </View>
      ))}
    </View>
  );
}

function HappeningLine({ happening, todayMs }: { happening: Happening; todayMs: number }) {
  const time = clockSeconds(happening.atMs, todayMs).replace(/\.\d+$/, '');
  if ('view' in happening) {
    const { view, page, errors, missing } = happening.view;
    return (
      <Line
        path={`/page-load/${view}`}
        words={`${time}  page ${page}`}
        small={viewWords(happening.view)}
        isBad={errors > 0 || missing > 0}
      />
    );
  }
  const { attempt } = happening;
  if (attempt.kind === 'businessEvent')
    return (
      <Line
        path={undefined}
        words={`${time}  ${attempt.name}`}
        small={attempt.value === null ? 'event' : `event, worth ${attempt.value.toFixed(2)}`}
        isBad={false}
      />
    );
  const path = attempt.traceId === '' ? undefined : `/attempt/${attempt.traceId}/${attempt.spanId}`;
  return (
    <Line
      path={path}
      words={`${time}  ${attempt.name}`}
      small={attemptWords(attempt)}
      isBad={attempt.outcome !== 'onTime'}
    />
  );
}

/** One line, which leads on where there is something to lead to. */
function Line({
  path,
  words,
  small,
  isBad,
}: {
  path: string | undefined;
  words: string;
  small: string;
  isBad: boolean;
}) {
  const palette = usePalette();
  const lines = (
    <>
      <Words kind={isBad ? 'strong' : 'body'} style={{ color: path === undefined ? palette.ink : palette.action }}>
        {words}
      </Words>
      <Words kind="small">{small}</Words>
    </>
  );
  if (path === undefined) return lines;
  return (
    <Door path={path} style={styles.door}>
      {lines}
    </Door>
  );
}

/** "load 1.2 s · largest shown 1.4 s · 3 did not come" */
export function viewWords({ loadMs, lcpMs, missing, errors }: PageView): string {
  return [
    loadMs === null ? 'drawn without a load' : `load ${durationWords(loadMs)}`,
    lcpMs !== null && `LCP ${durationWords(lcpMs)}`,
    missing > 0 && `${count(missing)} did not come`,
    errors > 0 && `${count(errors)} script ${errors === 1 ? 'error' : 'errors'}`,
  ]
    .filter(Boolean)
    .join(' · ');
}

/** Attempts and pages on one clock. */
export const happenings = ({ attempts, views }: Pick<Person, 'attempts' | 'views'>): Happening[] =>
  [
    ...attempts.map((attempt) => ({ atMs: attempt.atMs, session: attempt.session, attempt })),
    ...views.map((view) => ({ atMs: view.atMs, session: view.session, view })),
  ].sort((a, b) => a.atMs - b.atMs);

/** What happened in a session together, the newest session first; what belongs to none stands alone by half hours. */
export function sessionsOf(all: readonly Happening[]): Happening[][] {
  const sessions = new Map<string, Happening[]>();
  for (const one of all) {
    const key = one.session === 0 ? `none-${Math.floor(one.atMs / 1_800_000)}` : String(one.session);
    const own = sessions.get(key);
    if (own) own.push(one);
    else sessions.set(key, [one]);
  }
  return [...sessions.values()].sort((a, b) => (b[0]?.atMs ?? 0) - (a[0]?.atMs ?? 0));
}

const endOf = (one: Happening): number =>
  one.atMs + ('attempt' in one ? one.attempt.durationMs : (one.view.loadMs ?? 0));

/** "From 11:02, 4 min · Sender Portal · 2 of 5 went wrong · from Ostrel · Anchor · Firefox 143, Windows desktop" */
export function sessionWords(session: readonly Happening[], todayMs: number): string {
  const [first] = session;
  if (!first) return '';
  const attempts = session.flatMap((one) =>
    'attempt' in one && one.attempt.kind !== 'businessEvent' ? [one.attempt] : [],
  );
  const views = session.flatMap((one) => ('view' in one ? [one.view] : []));
  const [attempt, view] = [attempts[0], views[0]];
  const minutes = Math.round((Math.max(...session.map(endOf)) - first.atMs) / 60_000);
  const wrong = attempts.filter(({ outcome }) => outcome !== 'onTime').length;
  return [
    `From ${clock(first.atMs, todayMs)}, ${minutes < 1 ? 'under a minute' : `${minutes} min`}`,
    [...new Set(attempts.map(({ application }) => application))].join(', '),
    attempts.length > 0 && (wrong === 0 ? 'all went well' : `${count(wrong)} of ${count(attempts.length)} went wrong`),
    attempt?.site && `from ${attempt.site}`,
    attempt?.tier,
    attempt?.version && `version ${attempt.version}`,
    view && [view.browser, view.system].filter(Boolean).join(', '),
  ]
    .filter(Boolean)
    .join(' · ');
}

/** "failed, SurchargeNotFound · 720 ms, usually 690 ms" */
export function attemptWords({ outcome, failure, durationMs, expectedMs, value, isProbe }: Attempt): string {
  return [
    `${OUTCOME_WORDS[outcome]}${failure ? `, ${failure}` : ''}`,
    `${durationWords(durationMs)}${expectedMs === null ? '' : `, usually ${durationWords(expectedMs)}`}`,
    value !== null && `value ${value.toFixed(2)}`,
    isProbe && 'nobody waits for it',
  ]
    .filter(Boolean)
    .join(' · ');
}

function foundWords({ attempts, views, window }: Person, sessions: number): string {
  if (attempts.length + views.length === 0)
    return `Nothing between ${clock(window.fromMs)} and ${clock(window.toMs, window.fromMs)}: choose another time above.`;
  const events = attempts.filter(({ kind }) => kind === 'businessEvent').length;
  const some = (n: number, one: string, many: string) => (n > 0 ? [`${count(n)} ${n === 1 ? one : many}`] : []);
  const what = [
    ...some(attempts.length - events, 'attempt', 'attempts'),
    ...some(views.length, 'page view', 'page views'),
    ...some(events, 'event', 'events'),
  ];
  return `${what.join(' and ')} in ${count(sessions)} ${sessions === 1 ? 'session' : 'sessions'} since ${clock(window.fromMs)}.`;
}

const styles = StyleSheet.create({
  box: { gap: SPACE.s, paddingTop: SPACE.m },
  session: { gap: SPACE.xs, paddingTop: SPACE.s },
  line: { borderBottomWidth: 1 },
  door: { minHeight: TOUCH, justifyContent: 'center', paddingVertical: SPACE.xs },
});
