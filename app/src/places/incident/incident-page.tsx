import { useState } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { Button } from 'react-native-paper';
import { SharedMoment } from '@/charts/moment';
import { useIncident } from '@/data/incidents';
import { useShortcuts } from '@/frame/shortcuts';
import { TimeBar } from '@/frame/time-bar';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { useIsWide } from '@/look/look';
import { SPACE } from '@/look/tokens';
import { AgainstNormal, timeAxisOf } from './against-normal';
import { Decided } from './decided';
import { CrashesPart } from './crashes-part';
import { DecideSheet, type DecideOn } from './decide-sheet';
import { Evidence } from './evidence';
import { FailuresPart } from './failures-part';
import { HandoffPart } from './handoff-part';
import { HostsPart } from './hosts-part';
import { HurtPart } from './hurt-part';
import { LikelyOrigin } from './likely-origin';
import { LogPart } from './log-part';
import { HarmBill } from './harm-bill';
import { IncidentField } from './incident-field';
import { MoneyPart } from './money-part';
import { OnTheWay } from './on-the-way';
import { PromisesPart } from './promises-part';
import { SendSheet } from './send-sheet';
import { StatementsPart } from './statements-part';
import { WhatHappens } from './what-happens';
import { WhoIsHitMost } from './who-is-hit-most';

/**
 * One column on a phone; on a wide screen two of about the same height: people and money left, with the handoff; what
 * happened and where it comes from right.
 */
const TWO_COLUMNS_FROM = 1180;

export function IncidentPage({ id }: { id: number }) {
  const isWide = useIsWide();
  const { width } = useWindowDimensions();
  const { view, back } = useView();
  const { data: incident, error, refetch } = useIncident(id, view);
  const [isSending, setSending] = useState(false);
  const [deciding, setDeciding] = useState<DecideOn | undefined>();
  const send = () => setSending(true);
  useShortcuts(isWide ? {} : { Escape: back });
  return (
    <ScrollView style={styles.fill} contentContainerStyle={styles.content}>
      {!isWide && (
        <View style={styles.bar}>
          <TimeBar />
          <Button icon="arrow-left" onPress={back} style={styles.back}>
            Worst first
          </Button>
        </View>
      )}
      {error && (
        <Trouble error={error} still={incident ? 'What you see is from before.' : ''} onRetry={() => void refetch()} />
      )}
      {incident && (
        <SharedMoment axis={timeAxisOf(incident)} marks={incident.marks}>
          <View style={styles.page}>
            <WhatHappens incident={incident} onSend={send} onDecide={setDeciding} />
            {width >= TWO_COLUMNS_FROM ? (
              <View style={styles.columns}>
                <View style={styles.column}>
                  <HarmBill incident={incident} />
                  <WhoIsHitMost incident={incident} />
                  <OnTheWay incident={incident} />
                  <MoneyPart incident={incident} />
                  <PromisesPart incident={incident} />
                  <HurtPart incident={incident} />
                  <LogPart incident={incident} />
                  <HandoffPart incident={incident} onSend={send} />
                  <Decided incident={incident} />
                </View>
                <View style={styles.column}>
                  <AgainstNormal incident={incident} />
                  <IncidentField incident={incident} />
                  <Evidence incident={incident} />
                  <FailuresPart incident={incident} />
                  <CrashesPart incident={incident} />
                  <LikelyOrigin incident={incident} />
                  <StatementsPart incident={incident} />
                  <HostsPart incident={incident} />
                </View>
              </View>
            ) : (
              <>
                <HarmBill incident={incident} />
                <AgainstNormal incident={incident} />
                <IncidentField incident={incident} />
                <WhoIsHitMost incident={incident} />
                <OnTheWay incident={incident} />
                <MoneyPart incident={incident} />
                <PromisesPart incident={incident} />
                <HurtPart incident={incident} />
                <FailuresPart incident={incident} />
                <CrashesPart incident={incident} />
                <LikelyOrigin incident={incident} />
                <StatementsPart incident={incident} />
                <Evidence incident={incident} />
                <HostsPart incident={incident} />
                <LogPart incident={incident} />
                <HandoffPart incident={incident} onSend={send} />
                <Decided incident={incident} />
              </>
            )}
          </View>
        </SharedMoment>
      )}
      {deciding && incident && <DecideSheet incident={incident} on={deciding} onClose={() => setDeciding(undefined)} />}
      {isSending && <SendSheet incidentId={id} view={view} onClose={() => setSending(false)} />}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { paddingBottom: SPACE.xl },
  bar: { gap: 0 },
  back: { alignSelf: 'flex-start', marginLeft: SPACE.xs },
  page: { padding: SPACE.l, gap: SPACE.l },
  columns: { flexDirection: 'row', gap: SPACE.xl },
  column: { flex: 1, minWidth: 0, gap: SPACE.l },
});
