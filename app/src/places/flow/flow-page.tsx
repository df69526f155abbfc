import { rateWords } from '@toplens/core/words';
import { pageOfFlow } from '@toplens/core/pages';
import { Pressable, StyleSheet, useWindowDimensions, View } from 'react-native';
import { SharedMoment } from '@/charts/moment';
import { OutcomeColumns } from '@/charts/outcome-columns';
import type { FlowPage as Page } from '@/data/client';
import { useFlow, type Region } from '@/data/flows';
import { Door } from '@/frame/door';
import { InnerPage } from '@/frame/inner-page';
import { useView } from '@/frame/view';
import { clock, count, durationWords, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TWO_COLUMNS_FROM } from '@/look/tokens';
import { Charts, timeAxisOf } from '../incident/against-normal';
import { SampleList } from '../incident/sample-list';
import { Bands } from './bands';
import { EventPart } from './event-part';
import { brushedTo, FieldPart } from './field-part';
import { Limits } from './limits';
import { PathPart } from './path-part';
import { Sides } from './sides';
import { Statements } from './statements';
import { StepsPart } from './steps-part';

/** One flow: what became of its attempts, against what, for whom, and its slowest ones. */
export function FlowPage({ id }: { id: number }) {
  const { width } = useWindowDimensions();
  const { view } = useView();
  const { data: page, error, refetch } = useFlow(id, view);
  const palette = usePalette();
  const isInColumns = width >= TWO_COLUMNS_FROM;
  const isEvent = page?.row.kind === 'businessEvent';
  return (
    <InnerPage title={page?.row.name} error={error} hasData={page !== undefined} onRetry={() => void refetch()}>
      {page && (
        <View style={styles.page}>
          <Head page={page} />
          <SharedMoment axis={timeAxisOf(page)} marks={page.marks}>
            <View style={isInColumns ? styles.columns : styles.stack}>
              <View style={isInColumns ? styles.column : styles.stack}>
                {isEvent ? <EventPart page={page} /> : <AttemptsPart page={page} />}
                {isEvent ? null : page.row.kind === 'page' ? (
                  <Door
                    path="/people"
                    narrowed={{ page: pageOfFlow(page.row.technicalName) }}
                    style={styles.incident}
                    testID="page-loads"
                  >
                    <Words style={{ color: palette.action }}>
                      Its page loads: parts, vitals, countries, what is missing
                    </Words>
                  </Door>
                ) : (
                  <>
                    <PathPart flow={page.row.id} />
                    <Statements page={page} />
                  </>
                )}
              </View>
              <View style={isInColumns ? styles.column : styles.stack}>
                <Words kind="section" level={2}>
                  Compared with normal
                </Words>
                <Charts
                  charts={isEvent ? page.charts.filter(({ name }) => name === 'attempts') : page.charts}
                  window={page.window}
                  marks={page.marks}
                />
                {!isEvent && <Sides page={page} />}
                {!isEvent && page.row.kind !== 'page' && <StepsPart flow={page.row.id} />}
              </View>
            </View>
          </SharedMoment>
        </View>
      )}
    </InnerPage>
  );
}

function AttemptsPart({ page }: { page: Page }) {
  return (
    <>
      <Outcomes page={page} />
      <FieldPart flow={page.row.id} />
      <Bands page={page} />
      <Limits page={page} />
      <Slowest page={page} />
    </>
  );
}

/** What pressing a figure does, for screen readers beside it. */
const FIGURE_DOORS = 'figure-doors';

function Head({ page }: { page: Page }) {
  const { row, team, incidents, isCut, window } = page;
  const palette = usePalette();
  return (
    <View style={styles.head}>
      <Words kind="title" level={1}>
        {row.name}
      </Words>
      <Words kind="muted">{[row.application, kindWords(row), ...(team ? [team.team] : [])].join(' · ')}</Words>
      {isCut && (
        <Words kind="muted">{`The window is long: its last day is shown, from ${clock(window.fromMs)}.`}</Words>
      )}
      {row.kind === 'businessEvent' ? (
        <View style={styles.figures}>
          <Figure value={count(row.attempts)} unit={row.attempts === 1 ? 'time' : 'times'} />
          <Figure value={rateWords(row.perMinute)} unit="a minute" />
          {row.people !== null && <Figure value={count(row.people)} unit={row.people === 1 ? 'person' : 'people'} />}
        </View>
      ) : (
        <Figures page={page} />
      )}
      {incidents.map((incident) => (
        <Door key={incident.id} path={`/incident/${incident.id}`} style={styles.incident}>
          <Words style={{ color: palette.action }}>
            {`Incident ${clock(incident.onsetMs, window.toMs)} to ${incident.inTroubleNow ? 'now' : clock(incident.endMs, window.toMs)}: open it`}
          </Words>
        </Door>
      ))}
    </View>
  );
}

/** What it is, where its name alone does not say it. */
function kindWords({ kind, technicalName }: Page['row']): string {
  if (kind === 'page') return 'loads of a page, until the load event';
  return kind === 'businessEvent' ? 'business event: it happens, and lasts no time' : technicalName;
}

/** The figures of a flow, each a door to the attempts that it is made of. */
function Figures({ page: { row, window } }: { page: Page }) {
  const { view, setView } = useView();
  /** Lists the attempts that took so long or longer; those alone that failed, or were bad. */
  const from = (fromDurationMs: number, only?: Region['only']) => () =>
    setView(brushedTo(view, { ...window, fromDurationMs, toDurationMs: null, ...(only && { only }) }));
  return (
    <>
      <View style={styles.figures}>
        <Figure value={row.level === 'noData' ? 'no data' : row.level} unit="level" />
        <Figure value={rateWords(row.perMinute)} unit="a minute" {...(row.attempts > 0 && { onOpen: from(0) })} />
        {row.meanMs !== null && <Figure value={durationWords(row.meanMs)} unit="average" onOpen={from(row.meanMs)} />}
        {row.medianMs !== null && (
          <Figure value={durationWords(row.medianMs)} unit="median" onOpen={from(row.medianMs)} />
        )}
        {row.p95Ms !== null && <Figure value={durationWords(row.p95Ms)} unit="95th" onOpen={from(row.p95Ms)} />}
        {row.maxMs !== null && (
          <Figure value={durationWords(row.maxMs)} unit="longest" onOpen={from(0.999 * row.maxMs)} />
        )}
        {row.failedShare !== null && (
          <Figure
            value={percent(row.failedShare)}
            unit="failed"
            {...(row.failedShare > 0 && { onOpen: from(0, 'failed') })}
          />
        )}
        <Figure
          value={row.apdexWords ?? 'no score'}
          unit="Apdex [T]"
          {...(row.apdexWords !== null && { onOpen: from(0, 'bad') })}
        />
        {row.hurt !== null && row.people !== null && (
          <Figure
            value={`${count(row.hurt)} of ${count(row.people)}`}
            unit="people hurt"
            {...(row.hurt > 0 && { onOpen: from(0, 'bad') })}
          />
        )}
        {row.shareOfTime !== null && <Figure value={percent(row.shareOfTime)} unit="of all time" />}
      </View>
      {row.attempts > 0 && (
        <Words kind="small" id={FIGURE_DOORS}>
          A figure in colour lists its attempts: a duration those that took so long or longer, Apdex and people hurt
          those that were late, hung or failed.
        </Words>
      )}
    </>
  );
}

function Figure({ value, unit, onOpen }: { value: string; unit: string; onOpen?: () => void }) {
  const palette = usePalette();
  const words = (
    <>
      <Words kind="section" style={onOpen && { color: palette.action }}>
        {value}
      </Words>
      <Words kind="small">{unit}</Words>
    </>
  );
  return onOpen ? (
    <Pressable role="button" aria-describedby={FIGURE_DOORS} onPress={onOpen}>
      {words}
    </Pressable>
  ) : (
    <View>{words}</View>
  );
}

function Outcomes({ page }: { page: Page }) {
  const { view, setView } = useView();
  const { startMs, stepMs } = page.outcomes;
  const list = (step: number) =>
    setView(
      brushedTo(view, {
        fromMs: startMs + step * stepMs,
        toMs: startMs + (step + 1) * stepMs,
        fromDurationMs: 0,
        toDurationMs: null,
      }),
    );
  return (
    <View>
      <Words kind="section" level={2}>
        What became of the attempts
      </Words>
      {page.row.attempts === 0 ? (
        <Words kind="muted">No attempt in this window: no data.</Words>
      ) : (
        <OutcomeColumns {...page.outcomes} counts={page.outcomes} onOpen={list} />
      )}
    </View>
  );
}

function Slowest({ page }: { page: Page }) {
  if (page.slowest.length === 0) return null;
  return (
    <View style={styles.gap}>
      <Words kind="section" level={2}>
        Slowest attempts, and failed ones
      </Words>
      <SampleList samples={page.slowest} nowMs={page.window.toMs} />
    </View>
  );
}

const styles = StyleSheet.create({
  page: { paddingHorizontal: SPACE.l, gap: SPACE.l },
  head: { gap: SPACE.xs },
  figures: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.xl, rowGap: SPACE.s, paddingTop: SPACE.s },
  incident: { minHeight: 44, justifyContent: 'center' },
  columns: { flexDirection: 'row', gap: SPACE.xl },
  stack: { gap: SPACE.l },
  column: { flex: 1, minWidth: 0, gap: SPACE.l },
  gap: { gap: SPACE.s },
});
