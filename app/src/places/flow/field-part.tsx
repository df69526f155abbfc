import { useEffect, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { FieldChart } from '@/charts/field-chart';
import type { Cells } from '@/charts/field-region';
import type { Schemas } from '@/data/client';
import { useField, useRegion, type Region } from '@/data/flows';
import { Trouble } from '@/frame/trouble';
import { parseRegion, regionText } from '@/frame/region';
import { useView, type View as Looked } from '@/frame/view';
import { clock, count, counted, durationWords } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { SampleList } from '../incident/sample-list';

/** When attempts began and how long they took; a region lists its attempts, worst first. */
export function FieldPart({ flow, title = 'Attempts by duration' }: { flow: number; title?: string }) {
  const { view, setView } = useView();
  const { data: field, error, refetch } = useField(flow, view);
  const region = parseRegion(view.brushed);
  const setRegion = (next: Region | undefined) => setView(brushedTo(view, next));
  const { data: found } = useRegion(flow, view, region);
  const box = useRef<View>(null);
  // Bands, columns and figures list attempts here as well: wherever they stand, the list comes into sight.
  useEffect(() => {
    if (view.brushed !== undefined)
      (box.current as unknown as HTMLElement | null)?.scrollIntoView?.({ block: 'nearest' });
  }, [view.brushed]);
  return (
    <View ref={box} style={styles.box} testID="field-part">
      <Words kind="section" level={2}>
        {title}
      </Words>
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      {field && field.attempts === 0 && <Words kind="muted">No attempt in this window: no data.</Words>}
      {field && field.attempts > 0 && (
        <FieldChart
          field={field}
          chosen={region && cellsOf(region, field)}
          onChoose={(cells) => setRegion(cells && regionOf(cells, field))}
        />
      )}
      {field && field.attempts > 0 && !region && <Words kind="muted">Brush a region to list its attempts.</Words>}
      {region && found && (
        <>
          <Words kind="strong" testID="region-words">
            {regionWords(region, found)}
          </Words>
          <Button onPress={() => setRegion(undefined)} style={styles.button}>
            Let the region go
          </Button>
          {found.samples.length > 0 && (
            <SampleList
              samples={found.samples.slice(0, SHOWN)}
              nowMs={region.toMs}
              {...(region.only === 'succeeded' && { currency: found.currency })}
            />
          )}
        </>
      )}
    </View>
  );
}

/** The view with a region of attempts listed, or none. */
export function brushedTo(view: Looked, region: Region | undefined): Looked {
  const { brushed: _brushed, ...rest } = view;
  return region ? { ...rest, brushed: regionText(region) } : rest;
}

/** So many of a region are listed. */
export const SHOWN = 12;

/** How those that are listed first were chosen: by what they brought, where they brought anything. */
export const broughtWords = (samples: Schemas['Region']['samples'], otherwise: string): string =>
  samples.some(({ value }) => value !== null) ? 'that brought most' : otherwise;

export function regionOf({ columns, rows }: Cells, { startMs, stepMs, floorsMs }: Schemas['Field']): Region {
  return {
    fromMs: startMs + columns[0] * stepMs,
    toMs: startMs + (columns[1] + 1) * stepMs,
    // The lowest row holds all that is shorter as well.
    fromDurationMs: rows[0] === 0 ? 0 : (floorsMs[rows[0]] as number),
    toDurationMs: floorsMs[rows[1] + 1] ?? null,
  };
}

/** A region stays on its moments while the window moves on; what has left it is not drawn. */
export function cellsOf(region: Region, { startMs, stepMs, floorsMs, columns }: Schemas['Field']): Cells | undefined {
  const [first, last] = [
    Math.round((region.fromMs - startMs) / stepMs),
    Math.round((region.toMs - startMs) / stepMs) - 1,
  ];
  if (last < 0 || first >= columns) return undefined;
  const rowOf = (ms: number) => floorsMs.reduce((best, floor, r) => (floor <= ms * 1.0001 ? r : best), 0);
  const top = region.toDurationMs === null ? floorsMs.length - 1 : rowOf(region.toDurationMs * 0.999);
  return {
    columns: [Math.max(0, first), Math.min(columns - 1, last)],
    rows: [Math.min(top, rowOf(region.fromDurationMs)), top],
  };
}

/** "212 attempts from 11:02 to 11:10 that took 2.0 s or longer, 210 of them late, hung or failed" */
export function regionWords(
  { fromDurationMs, toDurationMs, only }: Region,
  { window: { fromMs, toMs }, attempts, bad, samples }: Schemas['Region'],
): string {
  const took =
    toDurationMs !== null
      ? fromDurationMs === 0
        ? ` that took less than ${durationWords(toDurationMs)}`
        : ` that took ${durationWords(fromDurationMs)} to ${durationWords(toDurationMs)}`
      : fromDurationMs > 0
        ? ` that took ${durationWords(fromDurationMs)} or longer`
        : '';
  const shown = Math.min(SHOWN, samples.length);
  const first = only === 'succeeded' ? broughtWords(samples, 'longest') : 'worst';
  const list = attempts > shown && shown > 0 ? `; the ${shown} ${first}:` : '';
  const told = `${counted(attempts, KIND_WORDS[only ?? 'all'][0], KIND_WORDS[only ?? 'all'][1])} from ${clock(fromMs, toMs)} to ${clock(toMs, toMs)}${took}`;
  return `${told}${only === undefined ? `, ${count(bad)} late, hung or failed` : ''}${list}`;
}

/** One of them, and several. */
const KIND_WORDS = {
  all: ['attempt', 'attempts'],
  failed: ['failed attempt', 'failed attempts'],
  bad: ['late, hung or failed attempt', 'late, hung or failed attempts'],
  succeeded: ['attempt that succeeded', 'attempts that succeeded'],
} as const;

const styles = StyleSheet.create({ box: { gap: SPACE.xs }, button: { alignSelf: 'flex-start' } });
