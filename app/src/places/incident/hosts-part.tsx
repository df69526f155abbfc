import { StyleSheet, View } from 'react-native';
import type { Incident } from '@/data/client';
import { useIncidentHosts } from '@/data/incidents';
import { NotNarrowed } from '@/frame/not-narrowed';
import { Trouble } from '@/frame/trouble';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { HostLines } from '../hosts/host-lines';

/** Hosts, processes and runtimes of the components on the way: what was as usual, and what was not. */
export function HostsPart({ incident }: { incident: Incident }) {
  const { data, error, refetch } = useIncidentHosts(incident.id, !incident.inTroubleNow);
  return (
    <View style={styles.box} testID="hosts-part">
      <Words kind="section" level={2}>
        Hosts: suspect or ruled out
      </Words>
      <NotNarrowed what="hosts serve everybody" />
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      {data ? (
        <>
          <HostLines hosts={data} nowMs={incident.window.toMs} />
          {data.leftOut.map((words) => (
            <Words key={words} kind="small">
              {words}
            </Words>
          ))}
        </>
      ) : (
        !error && <Words kind="muted">Looking at the hosts …</Words>
      )}
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: SPACE.s } });
