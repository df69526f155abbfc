import { scaleLog } from 'd3-scale';
import { useState } from 'react';
import { Pressable, StyleSheet, View, type GestureResponderEvent } from 'react-native';
import Svg, { Rect } from 'react-native-svg';
import type { Schemas } from '@/data/client';
import { clock, count, durationWords } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { cellsBetween, moved, ofKey, type Cell, type Cells as CellRange } from './field-region';
import { useMomentOn, useStepAtMoment } from './moment';
import { Level, Plot, Upright, ValueLines, type ValueScale } from './plot';
import type { Figures } from './chart-menu';

type Field = Schemas['Field'];

const ROW = 13;

export type Props = {
  field: Field;
  /** cells that are chosen */
  chosen: CellRange | undefined;
  onChoose: (cells: CellRange | undefined) => void;
};

/**
 * Attempts by time and duration: the darker a cell the more attempts, in the colour of harm where some went wrong. A
 * region is brushed with the pointer or a finger, or with the arrow keys (with Shift it grows), and let go with Escape.
 */
export function FieldChart(props: Props) {
  const { columns, floorsMs, startMs, stepMs, limitMs } = props.field;
  const height = floorsMs.length * ROW;
  const [shortest, longest] = [floorsMs[0] as number, (floorsMs.at(-1) as number) * Math.SQRT2];
  const y = scaleLog([shortest, longest], [height, 0]).clamp(true);
  const ticks = ROUND_MS.filter((ms) => ms >= shortest && ms <= longest);
  const endMs = startMs + columns * stepMs;
  const column = useStepAtMoment({ startMs, stepMs, n: columns });
  return (
    <View>
      <Plot
        name="Attempts by duration"
        figures={() => fieldFigures(props.field)}
        y={y}
        height={height}
        format={durationWords}
        ticks={ticks}
        fromMs={startMs}
        toMs={endMs}
      >
        {(width) => <Cells {...props} {...{ y, ticks, height, width, column }} />}
      </Plot>
      {/* A line of its own that is always there: what lies below must not move away from under the pointer. */}
      <Words kind="small">{column >= 0 ? columnWords(props.field, column) : ' '}</Words>
      {limitMs !== null && <Words kind="small">{`Dashed: the limit, ${durationWords(limitMs)}.`}</Words>}
    </View>
  );
}

const ROUND_MS = [1, 10, 100, 1_000, 10_000, 100_000];

type CellsProps = Props & {
  y: ValueScale;
  ticks: readonly number[];
  height: number;
  width: number;
  /** on which the moment rests; -1 for none */
  column: number;
};

function Cells({ field, chosen, onChoose, y, ticks, height, width, column }: CellsProps) {
  const palette = usePalette();
  const [from, setFrom] = useState<Cell>();
  const [brushed, setBrushed] = useState<CellRange>();
  const { columns, floorsMs, counts, bad, startMs, stepMs, limitMs } = field;
  const rows = floorsMs.length;
  const columnWidth = width / columns;
  const most = Math.max(1, ...counts.flat());
  const shown = brushed ?? chosen;
  const moment = useMomentOn(startMs, startMs + columns * stepMs, width);
  const cellAt = ({ nativeEvent }: GestureResponderEvent): Cell => ({
    column: Math.min(columns - 1, Math.max(0, Math.floor(nativeEvent.locationX / columnWidth))),
    row: Math.min(rows - 1, Math.max(0, Math.floor((height - nativeEvent.locationY) / ROW))),
  });
  const brush = {
    onStartShouldSetResponder: () => true,
    onResponderTerminationRequest: () => false,
    onResponderGrant: (event: GestureResponderEvent) => {
      setFrom(cellAt(event));
      setBrushed(cellsBetween(cellAt(event), cellAt(event)));
    },
    onResponderMove: (event: GestureResponderEvent) => from && setBrushed(cellsBetween(from, cellAt(event))),
    onResponderRelease: (event: GestureResponderEvent) => {
      // Where it is let go counts, not the last move that was drawn: a quick brush is ahead of that.
      onChoose(from ? cellsBetween(from, cellAt(event)) : brushed);
      setBrushed(undefined);
    },
    onResponderTerminate: () => setBrushed(undefined),
  };
  const keys = {
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key === 'Escape' && chosen) {
        event.stopPropagation();
        return onChoose(undefined);
      }
      const step = ofKey(event.key);
      if (!step) return;
      event.preventDefault();
      onChoose(moved(chosen, step, { isGrown: event.shiftKey, columns, rows }));
    },
  };
  return (
    <Pressable
      role="application"
      aria-label={fieldWords(field)}
      aria-roledescription="field of attempts"
      style={{ height }}
      testID="field"
      {...(keys as object)}
    >
      <View style={StyleSheet.absoluteFill} {...brush} {...moment.handlers}>
        <Svg width={width} height={height} style={styles.still} aria-hidden>
          <ValueLines y={y} height={height} ticks={ticks} width={width} />
          {counts.map((column, c) =>
            column.map((n, r) =>
              n > 0 ? (
                <Rect
                  key={`${c}-${r}`}
                  x={c * columnWidth + 0.5}
                  y={height - (r + 1) * ROW + 0.5}
                  width={Math.max(1, columnWidth - 1)}
                  height={ROW - 1}
                  fill={(bad[c]?.[r] ?? 0) > 0 ? palette.harm[3] : palette.ink}
                  fillOpacity={0.18 + 0.82 * Math.sqrt(n / most)}
                />
              ) : null,
            ),
          )}
          {limitMs !== null && limitMs > (floorsMs[0] as number) && (
            <Level y={y(limitMs)} width={width} stroke={palette.ink} strokeDasharray="5 3" />
          )}
          <Level y={height - 0.5} width={width} stroke={palette.muted} />
          {column >= 0 && <Upright x={moment.x} height={height} stroke={palette.ink} />}
          {shown && (
            <Rect
              x={shown.columns[0] * columnWidth}
              y={height - (shown.rows[1] + 1) * ROW}
              width={(shown.columns[1] - shown.columns[0] + 1) * columnWidth}
              height={(shown.rows[1] - shown.rows[0] + 1) * ROW}
              fill={palette.action}
              fillOpacity={0.12}
              stroke={palette.action}
              strokeWidth={2}
            />
          )}
        </Svg>
      </View>
    </Pressable>
  );
}

/** "11:02: 40 attempts, 3 of them late, hung or failed" */
function columnWords({ counts, bad, startMs, stepMs, columns }: Field, column: number): string {
  const sum = (cells: readonly number[] | undefined) => (cells ?? []).reduce((total, n) => total + n, 0);
  return `${clock(startMs + column * stepMs, startMs + columns * stepMs)}: ${count(sum(counts[column]))} attempts, ${count(sum(bad[column]))} of them late, hung or failed`;
}

/** A row for each cell that holds attempts. */
function fieldFigures({ counts, bad, floorsMs, startMs, stepMs, columns }: Field): Figures {
  const endMs = startMs + columns * stepMs;
  return {
    heads: ['From', 'Duration from', 'Attempts', 'Late, hung or failed'],
    rows: counts.flatMap((column, c) =>
      column.flatMap((n, r) =>
        n > 0
          ? [
              [
                clock(startMs + c * stepMs, endMs),
                durationWords(floorsMs[r] as number),
                count(n),
                count(bad[c]?.[r] ?? 0),
              ],
            ]
          : [],
      ),
    ),
  };
}

/** The field in words, for those who do not see it. */
export function fieldWords({ attempts, bad }: Field): string {
  const wrong = bad.flat().reduce((sum, n) => sum + n, 0);
  return `${count(attempts)} attempts by time and duration, ${count(wrong)} of them late, hung or failed. Arrow keys choose a cell, with Shift a region.`;
}

const styles = StyleSheet.create({
  still: { pointerEvents: 'none' },
});
