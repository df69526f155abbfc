import { useEffect } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Settings } from '@/data/client';
import { useSettings, useUndoSetting } from '@/data/settings';
import { Door } from '@/frame/door';
import { Needs, useMay, useSession } from '@/frame/session';
import { TimeBar } from '@/frame/time-bar';
import { Trouble } from '@/frame/trouble';
import { useWho } from '@/frame/who';
import { clock } from '@/look/format';
import { Icon } from '@/look/icon';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { DataInPart } from './data-in/data-in-part';
import { AlertsPart } from './alerts-part';
import { AccountsPart } from './accounts-part';
import { KeysPart } from './keys-part';
import { RecordsPart } from './records-part';
import { AtOnceForm } from './at-once-form';
import { CalendarForm } from './calendar-form';
import { FilePart } from './file-part';
import { HandoffsForm } from './handoffs-form';
import { InstallationPart } from './installation-part';
import { RatesForm } from './rates-form';
import { RefusedPart } from './refused-part';
import { RetentionForm } from './retention-form';
import { SectionsPart } from './sections-part';
import { ServerPart } from './server-part';
import { EventsForm } from './uploads/events-form';
import { NameMappingForm } from './uploads/name-mapping-form';
import { SourceMapForm } from './uploads/source-map-form';

/** What a unit of harm weighs, days that are not like others, who changed what, and how the server is. */
export function SettingsPlace() {
  const { data, error, refetch } = useSettings();
  useEffect(() => {
    document.title = 'Settings · Top Lens';
  }, []);
  return (
    <ScrollView style={styles.fill} contentContainerStyle={styles.content}>
      <TimeBar />
      <View style={styles.page}>
        <Words kind="title" level={1}>
          Settings
        </Words>
        <You />
        {error && <Trouble error={error} onRetry={() => void refetch()} />}
        {data && (
          <>
            <SectionsPart settings={data} />
            <AlertsPart />
            <AccountsPart />
            <KeysPart />
            <RecordsPart />
            <AtOnceForm key={data.file.atOnceMs} settings={data} />
            <HandoffsForm key={JSON.stringify(data.file.handoffs)} settings={data} />
            <RetentionForm key={JSON.stringify(data.file.retention)} settings={data} />
            <RatesForm key={JSON.stringify(data.rates)} settings={data} />
            <CalendarForm key={JSON.stringify(data.calendar)} settings={data} />
            <FilePart />
            <EventsForm />
            <Needs right="upload">
              <SourceMapForm />
              <NameMappingForm />
            </Needs>
            <Changes settings={data} />
            <InstallationPart settings={data} />
          </>
        )}
        <DataInPart />
        <ServerPart />
        <RefusedPart />
      </View>
    </ScrollView>
  );
}

/** Who looks, and the way to their account. */
function You() {
  const palette = usePalette();
  const { who } = useSession();
  return (
    <Door path="/account" testID="you" style={styles.you}>
      <Icon name="account-circle-outline" size={24} color={palette.action} />
      <Words style={{ color: palette.action }}>{who?.name ?? 'A visitor of the demo'}</Words>
    </Door>
  );
}

function Changes({ settings }: { settings: Settings }) {
  const palette = usePalette();
  const undo = useUndoSetting();
  const [who] = useWho();
  const mayUndo = useMay('settings');
  const newestOf = new Set<string>();
  return (
    <View style={styles.gap}>
      <Words kind="section" level={2}>
        Who changed what
      </Words>
      {settings.changes.length === 0 && (
        <Words kind="muted">Nothing was changed in place yet: all is as the settings file says.</Words>
      )}
      {undo.error && <Trouble error={undo.error} onRetry={() => undo.reset()} />}
      <View role="list">
        {settings.changes.map((change) => {
          const isNewest = !newestOf.has(change.key);
          newestOf.add(change.key);
          return (
            <View role="listitem" key={change.id} style={[styles.change, { borderBottomColor: palette.hairline }]}>
              <View style={styles.words}>
                <Words>{`${change.about}: ${change.words}`}</Words>
                <Words kind="small">{`${clock(change.atMs)} · ${change.who}${change.undoes === null ? '' : ' · undoes a change'}${change.isUndone ? ' · undone' : ''}`}</Words>
              </View>
              {isNewest && mayUndo && (
                <Button
                  icon="undo"
                  onPress={() => undo.mutate({ id: change.id, who: who || 'somebody' })}
                  accessibilityLabel={`Undo ${change.about}`}
                >
                  Undo
                </Button>
              )}
            </View>
          );
        })}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { paddingBottom: SPACE.xl },
  page: { padding: SPACE.l, gap: SPACE.l, maxWidth: 720 },
  gap: { gap: SPACE.xs },
  change: { flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1, minHeight: 52 },
  words: { flex: 1, minWidth: 0 },
  you: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: TOUCH, alignSelf: 'flex-start' },
});
