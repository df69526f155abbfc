import { StyleSheet, View } from 'react-native';
import type { ServerState } from '@/data/client';
import { useServerState } from '@/data/server';
import { CopyText } from '@/frame/copy-text';
import { clock, count, counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { NamedRow } from '../named-row';
import { keyWords, sdkVariables } from './client-setup';

/** Where telemetry is taken and how a client is set up for it; who sends; and what was turned away, and why. */
export function DataInPart() {
  const palette = usePalette();
  const { data } = useServerState();
  if (!data) return null;
  const { waysIn, senders, turnedAway, nowMs } = data;
  const variables = sdkVariables(data, 'OTLP/gRPC');
  return (
    <View style={styles.parts}>
      <Words kind="section" level={2}>
        Data in
      </Words>
      <Words>{keyWords(data)}</Words>
      <View role="list" aria-label="Where telemetry is taken">
        {waysIn.map(({ protocol, address, trouble }) => (
          <NamedRow key={`${protocol} ${address}`} name={protocol}>
            <Words>{address}</Words>
            {trouble !== '' && <Words style={{ color: palette.harm[3] }}>{trouble}</Words>}
          </NamedRow>
        ))}
      </View>
      {variables !== '' && (
        <View style={styles.gap}>
          <Words kind="strong" level={3}>
            For a service with an OpenTelemetry SDK
          </Words>
          <Words kind="code">{variables}</Words>
          <View style={styles.start}>
            <CopyText text={variables} name="the variables for an SDK" />
          </View>
        </View>
      )}
      {turnedAway.length > 0 && <TurnedAway turnedAway={turnedAway} nowMs={nowMs} />}
      <Senders senders={senders} nowMs={nowMs} />
    </View>
  );
}

function TurnedAway({ turnedAway, nowMs }: Pick<ServerState, 'turnedAway' | 'nowMs'>) {
  const palette = usePalette();
  return (
    <View style={styles.gap}>
      <Words kind="strong" level={3}>
        Turned away since the start of the server
      </Words>
      <View role="list">
        {turnedAway.map(({ way, why, requests, from, lastMs }) => (
          <View role="listitem" key={`${way} ${why}`} style={[styles.item, { borderBottomColor: palette.hairline }]}>
            <Words style={{ color: palette.harm[3] }}>{`${way}: ${counted(requests, 'request')}`}</Words>
            <Words>{why}</Words>
            <Words kind="small">{`last ${clock(lastMs, nowMs)}${from === '' ? '' : `, from ${from}`}`}</Words>
          </View>
        ))}
      </View>
    </View>
  );
}

function Senders({ senders, nowMs }: Pick<ServerState, 'senders' | 'nowMs'>) {
  const palette = usePalette();
  return (
    <View style={styles.gap}>
      <Words kind="strong" level={3}>
        Who sends
      </Words>
      {senders.length === 0 && <Words kind="muted">Nothing has come since the start of the server.</Words>}
      <View role="list">
        {senders.map(({ component, sdk, came, refused, ignored, why, sample, lastMs }) => (
          <View role="listitem" key={component} style={[styles.item, { borderBottomColor: palette.hairline }]}>
            <Words kind="strong">{component}</Words>
            <Words>{`${counted(came, 'record')} since the start, last ${clock(lastMs, nowMs)}`}</Words>
            {ignored > 0 && <Words>{`${count(ignored)} of them ignored, as set under “What is ignored”`}</Words>}
            {refused > 0 && (
              <Words style={{ color: palette.harm[3] }}>{`${count(refused)} of them refused, last: ${why}`}</Words>
            )}
            {sample !== '' && <Words kind="small">{`The last one: ${sample}`}</Words>}
            {sdk !== '' && <Words kind="small">{`SDK: ${sdk}`}</Words>}
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  parts: { gap: SPACE.m },
  gap: { gap: SPACE.xs },
  item: { borderBottomWidth: 1, minHeight: 44, justifyContent: 'center', paddingVertical: SPACE.xs },
  start: { alignItems: 'flex-start' },
});
