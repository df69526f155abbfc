import { rateVital, VITALS } from '@toplens/core/pages';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Line, Rect } from 'react-native-svg';
import { PartsBar } from '@/charts/parts-bar';
import type { Schemas } from '@/data/client';
import { usePageLoad } from '@/data/pages';
import { Door } from '@/frame/door';
import { InnerPage } from '@/frame/inner-page';
import { clockSeconds, count, counted, durationWords, sizeWords } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { groupedParts, PartsLegend } from './page-groups';
import { partsWords, RATING_WORDS, valueName, VITAL_WORDS, vitalValue } from './page-words';
import { ErrorStack } from './error-stack';

type Load = Schemas['PageLoad'];
type Resource = Load['resources'][number];

/**
 * One view of one page: how it loaded, what it fetched and from whom, what its scripts threw, and the attempts that it
 * led to.
 */
export function LoadPage({ id }: { id: string }) {
  const palette = usePalette();
  const { data: load, error, refetch } = usePageLoad(id);
  return (
    <InnerPage
      title={load ? `A view of ${load.page}` : undefined}
      error={error}
      hasData={load !== undefined}
      onRetry={() => void refetch()}
    >
      {load && (
        <View style={styles.page}>
          <Words kind="title" level={1}>
            {`A view of ${load.page}`}
          </Words>
          <Words kind="muted" testID="load-facts">
            {factsOf(load).join(' · ')}
          </Words>
          {load.attempt && (
            <Door path={`/attempt/${load.attempt.traceId}/${load.attempt.spanId}`} style={styles.door}>
              <Words style={{ color: palette.action }}>The server’s attempt that answered it</Words>
            </Door>
          )}
          <Words testID="load-vitals">{vitalsWords(load)}</Words>
          {load.parts && <LoadParts parts={load.parts} />}
          <Resources load={load} />
          {load.scriptErrors.length > 0 && (
            <View style={styles.gap} testID="load-errors">
              <Words kind="section" level={2}>
                What its scripts threw
              </Words>
              {load.scriptErrors.map((thrown, i) => (
                <ErrorStack key={i} error={thrown} />
              ))}
            </View>
          )}
        </View>
      )}
    </InnerPage>
  );
}

const KIND_WORDS = {
  load: 'loaded from the server',
  route: 'drawn by the page itself',
  frame: 'a frame in another page',
} as const;

const factsOf = ({
  atMs,
  application,
  kind,
  version,
  country,
  browser,
  system,
  connection,
  tier,
  path,
  page,
}: Load): string[] =>
  [
    clockSeconds(atMs),
    application,
    KIND_WORDS[kind],
    path !== page && path,
    country && valueName('country', country),
    browser,
    system,
    connection,
    tier,
    version && `version ${version}`,
  ].filter((fact) => typeof fact === 'string' && fact !== '') as string[];

function vitalsWords({ vitals, interactions }: Load): string {
  const told = VITALS.flatMap((vital) => {
    const value = vitals[vital];
    return value === null
      ? []
      : [`${VITAL_WORDS[vital]} ${vitalValue(vital, value)}, ${RATING_WORDS[rateVital(vital, value)]}`];
  });
  return [...told, `${count(interactions)} ${interactions === 1 ? 'interaction' : 'interactions'}`].join(' · ');
}

function LoadParts({ parts }: { parts: readonly number[] }) {
  const grouped = groupedParts(parts);
  const whole = grouped.reduce((sum, ms) => sum + ms, 0);
  const words = partsWords(parts);
  return (
    <View style={styles.gap}>
      <Words kind="section" level={2}>{`The load, ${durationWords(whole)}`}</Words>
      <PartsBar parts={grouped} mostMs={whole} height={20} label={words} />
      <Words kind="small">{words}</Words>
      <PartsLegend />
    </View>
  );
}

function Resources({ load }: { load: Load }) {
  const most = Math.max(1, ...load.resources.map(({ startMs, durationMs }) => startMs + durationMs));
  const missing = load.resources.filter((resource) => resource.missing);
  const owed = [...new Set(missing.map(({ host }) => host))].join(', ');
  return (
    <View style={styles.gap} testID="resources">
      <Words kind="section" level={2}>
        Resources
      </Words>
      {load.resources.length === 0 && <Words kind="muted">Nothing was reported of it.</Words>}
      {load.resources.length > 0 && <Words kind="small">{fetchedWords(load.resources)}</Words>}
      {missing.length > 0 && (
        <Words kind="strong">{`${count(missing.length)} of ${count(load.resources.length)} did not come, from ${owed}.`}</Words>
      )}
      <View role="list" aria-label="Resources in order">
        {load.resources.map((resource, i) => (
          <ResourceRow key={i} resource={resource} most={most} />
        ))}
      </View>
      {load.moreResources > 0 && (
        <Words kind="muted">{`${count(load.moreResources)} more were loaded; the browser reported the slowest alone.`}</Words>
      )}
    </View>
  );
}

/**
 * "12 resources, 480 kB over the network; 3 without a size". A browser tells no size of what came from its cache, and of
 * other hosts that do not allow it (Resource Timing, `Timing-Allow-Origin`).
 */
export function fetchedWords(resources: readonly Pick<Resource, 'bytes' | 'missing'>[]): string {
  const bytes = resources.reduce((sum, one) => sum + one.bytes, 0);
  const unsized = resources.filter((one) => one.bytes === 0 && !one.missing).length;
  return [
    `${counted(resources.length, 'resource')}${bytes > 0 ? `, ${sizeWords(bytes)} over the network` : ''}`,
    unsized > 0 && `${count(unsized)} without a size: from the cache, or not told by their host`,
  ]
    .filter(Boolean)
    .join('; ');
}

function ResourceRow({ resource, most }: { resource: Resource; most: number }) {
  const palette = usePalette();
  const { url, host, type, startMs, durationMs, bytes, missing, isThirdParty, attempt } = resource;
  const words = [
    host,
    isThirdParty && 'third party',
    type,
    missing ? 'did not come' : durationWords(durationMs),
    bytes > 0 && sizeWords(bytes),
  ]
    .filter(Boolean)
    .join(' · ');
  const body = (
    <>
      <Words kind={missing ? 'strong' : 'body'} style={attempt ? { color: palette.action } : undefined}>
        {url.replace(/^[a-z]+:\/\/[^/]+/, '') || '/'}
      </Words>
      <Words kind="small">{words}</Words>
      <Stretch startMs={startMs} durationMs={durationMs} most={most} isMissing={missing} />
    </>
  );
  return (
    <View role="listitem" style={[styles.resource, { borderTopColor: palette.hairline }]}>
      {attempt ? (
        <Door path={`/attempt/${attempt.traceId}/${attempt.spanId}`} style={styles.door}>
          {body}
        </Door>
      ) : (
        <View style={styles.door}>{body}</View>
      )}
    </View>
  );
}

/** Where in the view it was fetched; decoration beside the words. */
function Stretch({
  startMs,
  durationMs,
  most,
  isMissing,
}: {
  startMs: number;
  durationMs: number;
  most: number;
  isMissing: boolean;
}) {
  const palette = usePalette();
  const [width, setWidth] = useState(200);
  const x = (ms: number) => (ms / most) * width;
  return (
    <View aria-hidden onLayout={({ nativeEvent }) => setWidth(Math.max(60, nativeEvent.layout.width))}>
      <Svg width={width} height={9}>
        <Line x1={0} x2={width} y1={4.5} y2={4.5} stroke={palette.hairline} />
        <Rect
          x={x(startMs)}
          y={1}
          width={Math.max(isMissing ? 10 : 2, x(durationMs))}
          height={7}
          fill={isMissing ? palette.surface : palette.muted}
          stroke={isMissing ? palette.harm[3] : palette.muted}
          strokeDasharray={isMissing ? '3 2' : undefined}
        />
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  page: { padding: SPACE.l, paddingTop: 0, gap: SPACE.s, maxWidth: 900 },
  gap: { gap: SPACE.xs, paddingTop: SPACE.s },
  door: { minHeight: TOUCH, justifyContent: 'center', paddingVertical: SPACE.xs, gap: 2 },
  resource: { borderTopWidth: 1 },
});
