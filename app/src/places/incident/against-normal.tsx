import { View } from 'react-native';
import { BandChart } from '@/charts/band-chart';
import type { Incident, Schemas } from '@/data/client';
import { count, durationWords, percent } from '@/look/format';
import { Words } from '@/look/text';

type Chart = Incident['charts'][number];

const BASIS_WORDS: Record<Schemas['Part']['basis'], string> = {
  timeOfWeek: 'the same time of the week',
  dayPattern: 'the same time of like days',
  history: 'all that is known so far',
  ownersLimit: 'the owner’s limit alone',
  none: 'nothing yet: no history',
};

function nameOf(chart: Chart): string {
  if (chart.name === 'duration') return `${chart.flow}: duration, median`;
  if (chart.name === 'failures') return `${chart.flow}: share that failed`;
  return `${chart.flow}: attempts in 5 min`;
}

const FORMATS: Record<Chart['name'], (value: number) => string> = { duration: durationWords, failures: percent, attempts: count };

/** Which limit judged, and from where normal was learned. */
export function limitWords(part: Schemas['Part']): string {
  const learned = part.learnedLimitMs === null ? 'nothing learned yet' : `learned ${durationWords(part.learnedLimitMs)}`;
  const judged =
    part.limitBy === 'owner' && part.limitMs !== null
      ? `Judged by the owner’s limit ${durationWords(part.limitMs)} (${learned})`
      : part.limitMs !== null
        ? `Judged by the learned limit ${durationWords(part.limitMs)}`
        : 'Only failures are judged';
  return `${judged}; normal is learned from ${BASIS_WORDS[part.basis]}.`;
}

export function AgainstNormal({ incident }: { incident: Incident }) {
  const root = incident.parts[0];
  return (
    <View>
      <Words kind="section" level={2}>
        Against normal
      </Words>
      {incident.charts.map((chart) => (
        <BandChart
          key={`${chart.name}-${chart.flow}`}
          name={nameOf(chart)}
          series={chart.series}
          format={FORMATS[chart.name]}
          window={incident.window}
          onsetMs={incident.onsetMs}
        />
      ))}
      {root && <Words kind="muted">{limitWords(root)}</Words>}
    </View>
  );
}
