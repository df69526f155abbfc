import { View } from 'react-native';
import { BandChart } from '@/charts/band-chart';
import { spanning, type TimeRange } from '@/charts/moment';
import type { Incident, Schemas } from '@/data/client';
import { useView } from '@/frame/view';
import { count, durationWords, percent } from '@/look/format';
import { Words } from '@/look/text';

type Chart = Schemas['Chart'];

const BASIS_WORDS: Record<Schemas['Part']['basis'], string> = {
  timeOfWeek: 'the same time of the week',
  timeOfWeekWide: 'the same time of the week and three hours around it',
  dayPattern: 'the same time of like days',
  history: 'the calm part of all that is known so far',
  firstMinutes: 'its own first minutes, with wide doubt',
  ownersLimit: 'too little of its own yet: the owner’s limit, and that one attempt in a hundred goes wrong',
  published: 'too little of its own yet: people give up waiting after ten seconds, and one attempt in a hundred fails',
  none: 'nothing yet: no history',
};
export const basisWords = (basis: Schemas['Part']['basis']): string => BASIS_WORDS[basis];

export function nameOf(chart: Pick<Chart, 'name' | 'flow'>): string {
  if (chart.name === 'duration') return `${chart.flow}: duration, median`;
  if (chart.name === 'failures') return `${chart.flow}: share that failed`;
  if (chart.name === 'underWay') return `${chart.flow}: under way at once, mean`;
  return `${chart.flow}: attempts in 5 min`;
}

export const FORMATS: Record<Chart['name'], (value: number) => string> = {
  duration: durationWords,
  failures: percent,
  attempts: count,
  underWay: (value) => (value < 10 ? value.toFixed(value < 0.1 ? 2 : 1) : count(value)),
};

/** Which limit judged, and from where normal was learned. */
export function limitWords(part: Pick<Schemas['Part'], 'limitBy' | 'limitMs' | 'learnedLimitMs' | 'basis'>): string {
  const learned =
    part.learnedLimitMs === null ? 'nothing learned yet' : `learned ${durationWords(part.learnedLimitMs)}`;
  const judged =
    part.limitBy === 'owner' && part.limitMs !== null
      ? `Judged by the owner’s limit ${durationWords(part.limitMs)} (${learned})`
      : part.limitMs !== null
        ? part.limitBy === 'published'
          ? `Judged by what people wait at most, ${durationWords(part.limitMs)}`
          : `Judged by the learned limit ${durationWords(part.limitMs)}`
        : 'Only failures are judged';
  return `${judged}; normal comes from ${BASIS_WORDS[part.basis]}.`;
}

export type Props = {
  charts: readonly Chart[];
  window: { fromMs: number; toMs: number };
  onsetMs?: number;
  marks: readonly Schemas['Mark'][];
};

/** The time that all charts of a page are drawn over: the window, and what the curves show before it. */
export const timeAxisOf = ({ charts, window }: Pick<Props, 'charts' | 'window'>): TimeRange =>
  spanning([
    window,
    ...charts.map(({ series: { startMs, stepMs, values } }) => ({
      fromMs: startMs,
      toMs: startMs + Math.max(1, values.length - 1) * stepMs,
    })),
  ]);

/** Measures over their normal range. Dragging over one narrows the window for everything. */
export function Charts({ charts, window, onsetMs, marks }: Props) {
  const { view, setView } = useView();
  const narrow = ({ fromMs, toMs }: { fromMs: number; toMs: number }) =>
    setView({
      ...view,
      from: new Date(fromMs).toISOString(),
      to: new Date(Math.max(toMs, fromMs + 60_000)).toISOString(),
    });
  return (
    <>
      {charts[0]?.isNarrowed && (
        <Words kind="small">Of what the filter leaves; the range beside it is what is usual for everybody.</Words>
      )}
      {charts.map((chart, i) => (
        <BandChart
          key={`${chart.name}-${chart.flow}`}
          name={nameOf(chart)}
          series={chart.series}
          format={FORMATS[chart.name]}
          window={window}
          onsetMs={onsetMs}
          marks={marks}
          saysMarks={i === 0}
          comparedWith={chart.comparedWith}
          onNarrow={narrow}
        />
      ))}
    </>
  );
}

export function AgainstNormal({ incident }: { incident: Incident }) {
  const root = incident.parts[0];
  return (
    <View>
      <Words kind="section" level={2}>
        Compared with normal
      </Words>
      <Charts charts={incident.charts} window={incident.window} onsetMs={incident.onsetMs} marks={incident.marks} />
      {root && <Words kind="muted">{limitWords(root)}</Words>}
    </View>
  );
}
