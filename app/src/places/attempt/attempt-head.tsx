import { StyleSheet, View } from 'react-native';
import Svg, { Rect } from 'react-native-svg';
import { OUTCOME_WORDS } from '@/charts/patterns';
import type { Schemas } from '@/data/client';
import { useAttemptPerson } from '@/data/attempts';
import { usePageLoadOf } from '@/data/pages';
import { Door } from '@/frame/door';
import { clock, counted, durationWords, formatMoney, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { ByName, type Props as ByNameProps } from './by-name';
import { spanWords } from './rows';
import { Failure } from './span-sheet';

type Page = Schemas['AttemptPage'];

const DIMENSION_WORDS = {
  site: 'from',
  version: 'version',
  region: 'country',
  tier: 'tier',
  promotion: 'promotion',
  host: 'on host',
  device: 'device',
  browser: 'browser',
  system: 'system',
  carrier: 'carrier',
  department: 'department',
  role: 'role',
  station: 'station',
  server: 'by server',
} as const;
const MOST_COMPONENTS = 8;

const LIMIT_WORDS: Record<Page['limitBy'], string> = {
  owner: 'the owner’s',
  learned: 'learned',
  published: 'what people wait at most, until more is learned',
  none: 'set by nobody',
};

/** In one sentence, where the attempt's time went. */
export function heldWords({ components, usual }: Page): string | undefined {
  const [first] = components;
  if (!first || components.length < 2) return undefined;
  const before = usual && first.usualUs !== null ? `; usually ${spanWords(first.usualUs)}` : '';
  return `${first.component} holds ${percent(first.share)} of the time, ${spanWords(first.shareUs)}${before}.`;
}

export function AttemptHead({ page, onUnmasked }: ByNameProps) {
  const palette = usePalette();
  const { data: onPage } = usePageLoadOf(page.traceId);
  const held = heldWords(page);
  const [failure] = page.failures;
  const limit =
    page.limitMs === null
      ? 'no limit is known yet'
      : `limit ${durationWords(page.limitMs)}, ${LIMIT_WORDS[page.limitBy]}`;
  // What it ran on says the same once more.
  const isToldApart = page.values.some(({ dimension }) => dimension === 'browser' || dimension === 'device');
  const facts = page.values.map(({ dimension, value }) => `${DIMENSION_WORDS[dimension]} ${value}`);
  return (
    <View style={styles.head}>
      <Words kind="title" level={1}>
        {`An attempt of ${durationWords(page.durationMs)}, ${OUTCOME_WORDS[page.outcome]}`}
      </Words>
      <Door path={`/flow/${page.flow.id}`} style={styles.door}>
        <Words style={{ color: palette.action }}>{`${page.flow.name} · ${page.flow.application}`}</Words>
      </Door>
      <Words kind="muted">
        {`${clock(page.atMs)}:${new Date(page.atMs).toISOString().slice(17, 23)} · ${limit}${page.expectedMs === null ? '' : ` · usually ${durationWords(page.expectedMs)}`}`}
      </Words>
      <Words kind="muted">
        {[
          page.isUnmasked ? `person ${page.person}` : page.person || 'person not known',
          !isToldApart && page.ranOn && `on ${page.ranOn}`,
          ...facts,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Words>
      <PersonStanding page={page} />
      <ByName page={page} onUnmasked={onUnmasked} />
      {onPage?.view && (
        <Door path={`/page-load/${onPage.view}`} style={styles.door} testID="on-page">
          <Words style={{ color: palette.action }}>The page view on which it was made</Words>
        </Door>
      )}
      {page.phoneSession && (
        <Door path={`/session/${page.phoneSession}`} style={styles.door} testID="phone-session">
          <Words style={{ color: palette.action }}>The session on the phone</Words>
        </Door>
      )}
      {page.wholeMs > page.durationMs + 1 && (
        <Words kind="muted">{`${spanWords(page.wholeMs * 1000)} with what came before and after it on the person’s side`}</Words>
      )}
      {page.value !== null && <Words kind="muted">{`Value ${page.value.toFixed(2)} ${page.currency}`}</Words>}
      {(failure ?? held) && (
        <View style={[styles.box, { borderColor: palette.hairline, backgroundColor: palette.surface }]}>
          {failure && <Failure failure={failure} />}
          {!failure && held && <Words testID="held">{held}</Words>}
        </View>
      )}
    </View>
  );
}

/** How much the person matters: known since when, what they tried and completed in the day before. */
function PersonStanding({ page }: { page: Page }) {
  const { data } = useAttemptPerson(page.traceId, page.spanId, page.person !== '');
  if (!data) return null;
  return (
    <Words kind="muted" testID="person-standing">
      {standingWords(data)}
    </Words>
  );
}

export function standingWords(person: Schemas['AttemptPerson']): string {
  const { sinceMs, attempts, wentWrong, value, valued, currency } = person;
  const since = sinceMs === null ? '' : `This person was first seen ${clock(sinceMs)}. `;
  if (attempts === 0) return `${since}No attempt of this person in the 24 h before this one.`;
  const wrong = wentWrong === 0 ? 'all on time' : `${wentWrong} of them late, hung or failed`;
  const worth = valued === 0 ? 'nothing of value completed' : `${formatMoney(value, currency)} completed`;
  return `${since}In the 24 h before, this person made ${counted(attempts, 'attempt')}, ${wrong}; ${worth}.`;
}

/** Each component's part of this attempt, filled, over its part of a usual one, outlined. */
export function Components({ page }: { page: Page }) {
  const palette = usePalette();
  const most = Math.max(1, ...page.components.flatMap(({ shareUs, usualUs }) => [shareUs, usualUs ?? 0]));
  const width = 120;
  return (
    <View style={styles.gap}>
      <Words kind="section" level={2}>
        Where the time went
      </Words>
      <View role="table" aria-label="Where the time went">
        {page.components.slice(0, MOST_COMPONENTS).map(({ component, shareUs, share, usualUs, failed }, i) => (
          <View role="row" key={component} style={styles.row}>
            <View role="cell" style={styles.name}>
              <Words
                kind={i === 0 ? 'strong' : 'body'}
                numberOfLines={2}
              >{`${component}${failed > 0 ? ' · failed' : ''}`}</Words>
            </View>
            <View aria-hidden>
              <Svg width={width} height={18}>
                {usualUs !== null && (
                  <Rect
                    x={0.5}
                    y={0.5}
                    width={Math.max(1, (usualUs / most) * (width - 1))}
                    height={7}
                    fill={palette.surface}
                    stroke={palette.muted}
                    strokeWidth={0.8}
                  />
                )}
                <Rect
                  x={0.5}
                  y={9.5}
                  width={Math.max(1, (shareUs / most) * (width - 1))}
                  height={8}
                  fill={i === 0 ? palette.harm[2] : palette.muted}
                />
              </Svg>
            </View>
            <View role="cell" style={styles.figure}>
              <Words>{spanWords(shareUs)}</Words>
              <Words kind="small">
                {usualUs === null ? percent(share) : `${percent(share)}; usually ${spanWords(usualUs)}`}
              </Words>
            </View>
          </View>
        ))}
      </View>
      {page.usual ? (
        <Door path={`/attempt/${page.usual.traceId}/${page.usual.spanId}`} style={styles.door} testID="usual-attempt">
          <Words
            style={{ color: palette.action }}
          >{`Outlined: a usual attempt, ${durationWords(page.usual.durationMs)} at ${clock(page.usual.atMs)}. Open it.`}</Words>
        </Door>
      ) : (
        <Words kind="muted">No usual attempt with its inner spans was found in the six hours before.</Words>
      )}
    </View>
  );
}

/** What is not as it should be in the data itself. */
export function DataNotes({ page }: { page: Page }) {
  const notes = page.clocks.map(
    ({ host, offsetUs }) =>
      `The clock of ${host} is ${spanWords(Math.abs(offsetUs))} ${offsetUs < 0 ? 'ahead' : 'behind'}: its spans were moved so that no call ends before its answer.`,
  );
  if (page.missing > 0)
    notes.push(
      `${page.missing === 1 ? 'One span' : `${page.missing} spans`} that others name as their parent never came; dashed below.`,
    );
  if (page.rows.length === 1)
    notes.push('Only the first span of this attempt is kept: what happened inside is not known.');
  return notes.length === 0 ? null : (
    <View style={styles.notes}>
      {notes.map((note) => (
        <Words key={note} kind="muted">
          {note}
        </Words>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  head: { gap: SPACE.xs },
  door: { minHeight: 44, justifyContent: 'center' },
  box: { borderWidth: 1, borderRadius: 4, padding: SPACE.m, marginTop: SPACE.s },
  gap: { gap: SPACE.s },
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m, minHeight: 46 },
  name: { flex: 1, minWidth: 0 },
  figure: { width: 132, alignItems: 'flex-end' },
  notes: { gap: SPACE.xs },
});
