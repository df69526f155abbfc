import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { useProbe } from '@/data/probes';
import { useSettings } from '@/data/settings';
import { Door } from '@/frame/door';
import { Fold } from '@/frame/fold';
import { InnerPage } from '@/frame/inner-page';
import { Strip } from '@/frame/strip';
import { figureColumn, textColumn, timeColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { useView } from '@/frame/view';
import { clock, clockWithSeconds, count, counted, durationWords, lengthWords } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { LimitSheet } from './limit-sheet';
import { ProbeAtSite } from './probe-line';
import { limitWords, scriptWords, stepWords, type ProbePage as Page, type Run, type StepLine } from './probe-words';

const ALL = 'all sites';

/** One probe: from which sites, step by step, by which limits, and its runs. */
export function ProbePage({ name }: { name: string }) {
  const { view, setView } = useView();
  const { data, error, refetch } = useProbe(name, view);
  const choose = (site: string) => {
    const { site: _site, ...rest } = view;
    setView(site === ALL ? rest : { ...rest, site });
  };
  return (
    <InnerPage title={name} error={error} hasData={data !== undefined} onRetry={() => void refetch()}>
      {data && (
        <View style={styles.page}>
          <Words kind="title" level={1}>
            {data.name}
          </Words>
          <Words kind="muted">
            {`Checks ${data.application} every ${lengthWords(data.everyMs)} from ${counted(data.sites.length, 'site')}. ${clock(data.window.fromMs)} to ${clock(data.window.toMs)}.`}
          </Words>
          <Strip
            label="Site"
            options={[ALL, ...data.sites.map(({ site }) => site)].map((value) => ({ value, words: value }))}
            chosen={view.site ?? ALL}
            onChoose={choose}
          />
          <View role="list" aria-label="From its sites">
            {data.sites
              .filter(({ site }) => view.site === undefined || site === view.site)
              .map((line) => (
                <ProbeAtSite key={line.site} line={line} nowMs={data.window.toMs} isNamed={false} />
              ))}
          </View>
          <Steps page={data} />
          <Runs page={data} />
          <Script page={data} />
          <Changes page={data} />
        </View>
      )}
    </InnerPage>
  );
}

function Steps({ page: { name, steps, script } }: { page: Page }) {
  const palette = usePalette();
  const [open, setOpen] = useState<StepLine>();
  const { data: settings } = useSettings();
  return (
    <View style={styles.part}>
      <Words kind="section" level={2}>
        Step by step
      </Words>
      <View role="list" aria-label="Steps">
        {steps.map((step) => (
          <View
            role="listitem"
            key={`${step.site} ${step.step}`}
            style={[styles.row, { borderTopColor: palette.hairline }]}
          >
            <Words kind="strong" style={styles.name}>
              {`${step.step}, ${step.site}`}
            </Words>
            <View style={styles.words}>
              <Words>{stepWords(step)}</Words>
              <Words kind="small" testID={`limit-of-${step.step}-${step.site}`}>
                {limitWords(step)}
              </Words>
            </View>
            {script !== null && settings && (
              <Button
                onPress={() => setOpen(step)}
                accessibilityLabel={`Change the limits of ${step.step} at ${step.site}`}
                testID={`edit-${step.step}-${step.site}`}
              >
                Limits
              </Button>
            )}
          </View>
        ))}
      </View>
      {open && settings && (
        <LimitSheet probe={name} step={open} file={settings.file} onClose={() => setOpen(undefined)} />
      )}
    </View>
  );
}

const VERDICT_ORDER = { broken: 3, slow: 2, probeTrouble: 1, good: 0 } as const;
const RUN_COLUMNS: readonly Column<Run>[] = [
  timeColumn('atMs', 'Began', ({ atMs }) => atMs),
  figureColumn('durationMs', 'Took, ms', ({ durationMs }) => durationMs, { show: durationWords }),
  figureColumn('verdict', 'How bad it was', ({ verdict }) => VERDICT_ORDER[verdict]),
  textColumn('site', 'Site', ({ site }) => site),
];
const SHOWN = 30;

function Runs({ page: { runs, all, window } }: { page: Page }) {
  const palette = usePalette();
  const [shown, setShown] = useState(SHOWN);
  const table = useTable(runs, { name: 'probe-runs', columns: RUN_COLUMNS, byDefault: '-atMs' });
  return (
    <View style={styles.part}>
      <Words kind="section" level={2}>
        Runs
      </Words>
      <Words kind="small">
        {all > runs.length
          ? `${counted(all, 'run')} in this time; the newest ${count(runs.length)} are listed.`
          : `${counted(all, 'run')} in this time.`}
      </Words>
      {runs.length > 1 && <TableTools table={table} unit="run" />}
      <View role="list" aria-label="Runs">
        {table.rows.slice(0, shown).map((run) => (
          <View role="listitem" key={run.id} style={[styles.row, { borderTopColor: palette.hairline }]}>
            <Door path={`/probe-run/${run.id}`} style={styles.door} testID="probe-run">
              <Words style={{ color: palette.action }}>{clockWithSeconds(run.atMs, window.toMs)}</Words>
            </Door>
            <Words kind={run.verdict === 'good' ? 'body' : 'strong'} style={styles.words}>
              {`${run.site}: ${run.words}, ${durationWords(run.durationMs)}`}
            </Words>
          </View>
        ))}
      </View>
      {table.rows.length > shown && (
        <Button onPress={() => setShown(shown + SHOWN)} style={styles.more}>
          {`Show ${Math.min(SHOWN, table.rows.length - shown)} more`}
        </Button>
      )}
    </View>
  );
}

function Script({ page: { script } }: { page: Page }) {
  const palette = usePalette();
  return (
    <Fold words="The script">
      {script === null ? (
        <Words>The settings hold no script of this name: somebody else’s runner tells of it.</Words>
      ) : (
        <View role="list" aria-label="The script" style={styles.part}>
          {(script as Record<string, unknown>[]).map((step, i) => (
            <Words key={i} role="listitem">
              {`${i + 1}. ${String(step.name)}: ${scriptWords(step)}.`}
            </Words>
          ))}
        </View>
      )}
      <Door path="/settings" style={styles.door}>
        <Words style={{ color: palette.action }}>Change it in Settings, Probes</Words>
      </Door>
    </Fold>
  );
}

function Changes({ page: { changes } }: { page: Page }) {
  if (changes.length === 0) return null;
  return (
    <View style={styles.part} testID="probe-changes">
      <Words kind="section" level={2}>
        What was changed
      </Words>
      {changes.map(({ atMs, who, words }) => (
        <Words key={atMs} kind="small">{`${clock(atMs)} ${who}: ${words}`}</Words>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  page: { paddingHorizontal: SPACE.l, gap: SPACE.s, maxWidth: 1000 },
  part: { gap: SPACE.xs, marginTop: SPACE.m },
  row: {
    borderTopWidth: 1,
    paddingVertical: SPACE.xs,
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    columnGap: SPACE.m,
  },
  name: { width: 240 },
  words: { flexGrow: 1, flexShrink: 1, flexBasis: 220, gap: 2 },
  door: { minHeight: TOUCH, justifyContent: 'center', alignSelf: 'flex-start' },
  more: { alignSelf: 'flex-start' },
});
