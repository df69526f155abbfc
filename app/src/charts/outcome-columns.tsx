import { useId } from 'react';
import { count } from '@/look/format';
import { usePalette } from '@/look/look';
import { fillOf, OUTCOME_WORDS, OutcomePatterns } from './patterns';
import { StackedColumns } from './stacked-columns';

const STACK = ['onTime', 'late', 'hung', 'failed'] as const;

export type Props = {
  startMs: number;
  stepMs: number;
  counts: Record<(typeof STACK)[number], readonly number[]>;
  /** a column that is pressed lists its attempts */
  onOpen?: (step: number) => void;
};

/** What became of the attempts over time, stacked: worst at the bottom, where the eye compares best. */
export function OutcomeColumns({ startMs, stepMs, counts, onOpen }: Props) {
  const palette = usePalette();
  const id = useId();
  const told = STACK.map((outcome) => ({
    outcome,
    name: OUTCOME_WORDS[outcome],
    sum: count(counts[outcome].reduce((sum, one) => sum + one, 0)),
  }));
  return (
    <StackedColumns
      name="What became of the attempts"
      startMs={startMs}
      stepMs={stepMs}
      format={count}
      {...(onOpen && { onOpen })}
      label={`Attempts over time: ${told.map(({ name, sum }) => `${sum} ${name}`).join(', ')}`}
      defs={<OutcomePatterns id={id} palette={palette} />}
      series={told.map(({ outcome, name, sum }) => ({
        key: outcome,
        words: `${name} ${sum}`,
        wordsAt: (step: number) => `${name} ${count(counts[outcome][step] ?? 0)}`,
        values: counts[outcome],
        fill: fillOf(outcome, palette, id),
        isOutlined: outcome === 'onTime',
        swatch: {
          fill: fillOf(outcome, palette, `${id}-${outcome}`),
          defs: <OutcomePatterns id={`${id}-${outcome}`} palette={palette} />,
        },
      }))}
    />
  );
}
