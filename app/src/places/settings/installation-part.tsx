import { StyleSheet, View } from 'react-native';
import type { Settings } from '@/data/client';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

/** "No page may send: there is no key for pages." */
export function installationWords({ browserKeys, hasDesk, seesPersons }: Settings['installation']): string[] {
  const keys = browserKeys.map(({ component, origins }) => `${component} (pages of ${origins.join(', ')})`);
  return [
    keys.length === 0 ? 'No page may send: there is no key for pages.' : `Keys of pages: ${keys.join('; ')}.`,
    seesPersons.length === 0
      ? 'Nobody may see persons: there is no key for it.'
      : `Keys to see persons: ${seesPersons.join(', ')}.`,
    hasDesk ? 'Handoffs go to the desk that is set up.' : 'No desk is set up: handoffs are kept here.',
  ];
}

/** What is set where the server is started, and cannot be changed here. */
export function InstallationPart({ settings }: { settings: Settings }) {
  return (
    <View style={styles.gap}>
      <Words kind="section" level={2}>
        Set at the start of the server
      </Words>
      {installationWords(settings.installation).map((words) => (
        <Words key={words}>{words}</Words>
      ))}
      <Words kind="muted">
        Changed by its environment variables and a restart; README and docs/operations.md list them.
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({ gap: { gap: SPACE.xs } });
