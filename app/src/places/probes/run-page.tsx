import { STEP_LAYERS, type StepLayer } from '@toplens/core/probes';
import { StyleSheet, View } from 'react-native';
import { PartsBar, PartSwatch } from '@/charts/parts-bar';
import type { Schemas } from '@/data/client';
import { useProbeRun } from '@/data/probes';
import { Door } from '@/frame/door';
import { InnerPage } from '@/frame/inner-page';
import { clockWithSeconds, durationWords } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { capital } from './probe-words';

type Run = Schemas['ProbeRunPage'];
type Step = Run['steps'][number];

const LAYER_WORDS: Readonly<Record<StepLayer, string>> = {
  device: 'probe and browser',
  line: 'line',
  server: 'server',
  store: 'stores',
};

/** "line 210 ms, server 340 ms": layers without time are left out */
const layersWords = (layers: NonNullable<Step['layers']>): string =>
  STEP_LAYERS.filter((layer) => layers[layer] >= 0.5)
    .map((layer) => `${LAYER_WORDS[layer]} ${durationWords(layers[layer])}`)
    .join(', ');

const partsWords = ({ nameMs, connectMs, waitMs, transferMs }: NonNullable<Step['parts']>): string =>
  `Looking up the name ${durationWords(nameMs)}, connecting ${durationWords(connectMs)}, waiting ${durationWords(waitMs)}, transfer ${durationWords(transferMs)}.`;

/** One run of a probe, step by step: what happened, how long it took, and where the time went. */
export function ProbeRunPage({ id }: { id: string }) {
  const palette = usePalette();
  const { data, error, refetch } = useProbeRun(id);
  const most = Math.max(1, ...(data?.steps.map(({ durationMs }) => durationMs) ?? []));
  return (
    <InnerPage
      title={data && `${data.probe} from ${data.site}`}
      error={error}
      hasData={data !== undefined}
      onRetry={() => void refetch()}
    >
      {data && (
        <View style={styles.page}>
          <Words kind="title" level={1}>
            {`${data.probe} from ${data.site}`}
          </Words>
          <Words kind={data.verdict === 'good' ? 'body' : 'strong'} testID="run-verdict">
            {`${capital(data.words)}.`}
          </Words>
          <Words kind="muted">
            {`${clockWithSeconds(data.atMs)}, ${durationWords(data.durationMs)} in all, checks ${data.application}${data.host === '' ? '' : `, on ${data.host}`}.`}
          </Words>
          {data.fault !== '' && (
            <Words>
              {`The probe checked itself and found: ${data.fault}. This run says nothing of ${data.application}.`}
            </Words>
          )}
          {data.maintenance !== '' && (
            <Words>{`It ran during maintenance (${data.maintenance}): it counts nowhere.`}</Words>
          )}
          <Legend steps={data.steps} />
          <View role="list" aria-label="Steps">
            {data.steps.map((step) => (
              <StepRow key={step.name} step={step} most={most} />
            ))}
          </View>
          {data.steps.length === 0 && <Words>No step of it was told.</Words>}
          {data.verdict !== 'probeTrouble' && data.hasTrace && (
            <Door path={`/attempt/${data.traceId}/${data.id}`} style={styles.door}>
              <Words style={{ color: palette.action }}>All that ran behind it</Words>
            </Door>
          )}
          <Door path={`/probe/${encodeURIComponent(data.probe)}`} narrowed={{ site: data.site }} style={styles.door}>
            <Words style={{ color: palette.action }}>{`${data.probe} from ${data.site}, all runs`}</Words>
          </Door>
        </View>
      )}
    </InnerPage>
  );
}

function Legend({ steps }: { steps: readonly Step[] }) {
  if (steps.every(({ layers }) => layers === null)) return null;
  return (
    <View style={styles.legend} aria-hidden>
      {STEP_LAYERS.map((layer, i) => (
        <View key={layer} style={styles.swatch}>
          <PartSwatch index={i} />
          <Words kind="small">{LAYER_WORDS[layer]}</Words>
        </View>
      ))}
    </View>
  );
}

function StepRow({ step, most }: { step: Step; most: number }) {
  const palette = usePalette();
  const { name, durationMs, failed, message, slowMs, brokenMs, parts, layers, services } = step;
  const isOver = slowMs !== null && durationMs > slowMs;
  const judged = failed
    ? `failed: ${message}`
    : brokenMs !== null && durationMs > brokenMs
      ? `as good as broken: longer than ${durationWords(brokenMs)}`
      : isOver
        ? `slow: longer than ${durationWords(slowMs)}`
        : slowMs === null
          ? 'well; no limit judges how long it takes'
          : `well: within ${durationWords(slowMs)}`;
  return (
    <View role="listitem" style={[styles.step, { borderTopColor: palette.hairline }]}>
      <Words kind={failed || isOver ? 'strong' : 'body'}>{`${name}, ${durationWords(durationMs)}: ${judged}.`}</Words>
      {layers && (
        <>
          <PartsBar parts={STEP_LAYERS.map((layer) => layers[layer])} mostMs={most} />
          <Words kind="small">
            {`${layersWords(layers)}${services.length > 0 ? ` (${services.join(', ')})` : ''}`}
          </Words>
        </>
      )}
      {parts && <Words kind="small">{partsWords(parts)}</Words>}
    </View>
  );
}

const styles = StyleSheet.create({
  page: { paddingHorizontal: SPACE.l, gap: SPACE.s, maxWidth: 900 },
  legend: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l },
  swatch: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xs },
  step: { borderTopWidth: 1, paddingVertical: SPACE.s, gap: SPACE.xs },
  door: { minHeight: TOUCH, justifyContent: 'center', alignSelf: 'flex-start' },
});
