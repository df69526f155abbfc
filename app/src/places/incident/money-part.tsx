import { StyleSheet, View } from 'react-native';
import type { Incident } from '@/data/client';
import { useMoney } from '@/data/journeys';
import { useLostByTier, useWorstFirst } from '@/data/incidents';
import { useView } from '@/frame/view';
import { clock } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { RevenueLine } from '../money/money-list';
import { backWords, tierWords } from '../money/money-words';

const SHORTEST_MS = 10 * 60_000;
const iso = (ms: number) => new Date(ms).toISOString();

/**
 * What the application's flows with values brought while the incident went on, and whether it came back after its end.
 */
export function MoneyPart({ incident }: { incident: Incident }) {
  const { view } = useView();
  const { data: list } = useWorstFirst(view);
  const nowMs = list?.freshness.judgedMs ?? incident.endMs;
  const endMs = incident.inTroubleNow ? nowMs : incident.endMs;
  const { application } = incident;
  const isLongEnough = endMs - incident.onsetMs >= SHORTEST_MS;
  const { data: during } = useMoney(
    { from: iso(incident.onsetMs), to: iso(Math.max(endMs, incident.onsetMs + SHORTEST_MS)), application },
    false,
  );
  const isBackKnown = !incident.inTroubleNow && nowMs - endMs >= SHORTEST_MS;
  const { data: since } = useMoney(
    { from: iso(endMs), to: iso(Math.max(nowMs, endMs + SHORTEST_MS)), application },
    false,
  );
  if (!during || during.flows.length === 0 || !isLongEnough) return null;
  return (
    <View style={styles.box} testID="incident-money">
      <Words kind="section" level={2}>
        Orders and money
      </Words>
      <Words kind="small">{`${clock(incident.onsetMs, nowMs)} to ${clock(endMs, nowMs)}, everything in ${application}: other causes are in here as well.`}</Words>
      {during.flows.map((revenue) => (
        <RevenueLine
          key={revenue.flow}
          revenue={revenue}
          of={{ ...during.window, isOfAll: true }}
          currency={during.currency}
        />
      ))}
      <LostByTier incident={incident} />
      {isBackKnown && since && since.flows.length > 0 && (
        <>
          <Words kind="strong">{`Since it ended at ${clock(endMs, nowMs)}`}</Words>
          {since.flows.map((revenue) => (
            <Words key={revenue.flow}>{backWords(revenue, since.currency)}</Words>
          ))}
        </>
      )}
    </View>
  );
}

/** What this incident itself cost so far, by whom. */
function LostByTier({ incident }: { incident: Incident }) {
  const { view } = useView();
  const { data } = useLostByTier(incident.id, view);
  if (!data || data.tiers.length === 0) return null;
  return (
    <View testID="lost-by-tier">
      <Words kind="strong">Not earned because of this, by tier</Words>
      {data.tiers.map((one) => (
        <Words key={one.tier}>{tierWords(one, data.currency)}</Words>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: SPACE.xs } });
