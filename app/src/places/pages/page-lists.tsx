import { StyleSheet, View } from 'react-native';
import { Door } from '@/frame/door';
import { clock, count, durationWords, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { valueName, type PageLoads } from './page-words';

const MOST_HOSTS = 6;
const MOST_CALLS = 8;
const MOST_LOADS = 8;

/** From whom pages fetch, and who does not deliver. */
export const ResourceHosts = ({ hosts }: { hosts: PageLoads['hosts'] }) => (
  <FactList
    title="Hosts that pages load from"
    hint="From a sample of views, those with something missing as often as others."
    testID="resource-hosts"
    facts={hosts.slice(0, MOST_HOSTS).map(({ host, isThirdParty, resources, missing, meanMs }) => ({
      name: `${host}${isThirdParty ? '  third party' : ''}`,
      isOff: missing > 0 && isThirdParty,
      words: [
        `${count(resources)} fetched`,
        `mean ${durationWords(meanMs)}`,
        missing > 0 && `${count(missing)} did not come (${percent(missing / resources)})`,
      ],
    }))}
  />
);

/** Pages within pages: their loads are counted by themselves. */
export const Frames = ({ frames }: { frames: PageLoads['frames'] }) => (
  <FactList
    title="Frames within pages"
    testID="frames"
    facts={frames.slice(0, MOST_CALLS).map(({ name, views, meanMs, shareMissing, shareWithErrors }) => ({
      name: valueName('page', name),
      isOff: shareMissing >= 0.5 || shareWithErrors >= 0.5,
      words: [
        `${count(views)} ${views === 1 ? 'view' : 'views'}`,
        meanMs !== null && `mean ${durationWords(meanMs)}`,
        shareMissing > 0 && `something missing on ${percent(shareMissing)}`,
        shareWithErrors > 0 && `${percent(shareWithErrors)} with script errors`,
      ],
    }))}
  />
);

/** Calls in the background are no page loads: they stand apart. */
export const BackgroundCalls = ({ calls }: { calls: PageLoads['calls'] }) => (
  <FactList
    title="Calls in the background"
    testID="background-calls"
    facts={calls.slice(0, MOST_CALLS).map(({ call, calls: n, failed, medianMs, p95Ms }) => ({
      name: call,
      isOff: false,
      words: [
        `${count(n)} ${n === 1 ? 'call' : 'calls'}`,
        `half within ${durationWords(medianMs)}, 95 % within ${durationWords(p95Ms)}`,
        failed > 0 && `${count(failed)} failed (${percent(failed / n)})`,
      ],
    }))}
  />
);

type Facts = {
  title: string;
  hint?: string;
  testID: string;
  facts: { name: string; isOff: boolean; words: (string | false)[] }[];
};

/** Names with what is known of each; nothing where there is none. */
function FactList({ title, hint, testID, facts }: Facts) {
  if (facts.length === 0) return null;
  return (
    <View testID={testID}>
      <Words kind="section" level={2}>
        {title}
      </Words>
      {hint !== undefined && <Words kind="small">{hint}</Words>}
      {facts.map(({ name, isOff, words }) => (
        <View key={name} style={styles.line}>
          <Words kind={isOff ? 'strong' : 'body'}>{name}</Words>
          <Words kind="small">{words.filter(Boolean).join(' · ')}</Words>
        </View>
      ))}
    </View>
  );
}

/** Loads worth opening: something did not come, or they were the slowest. */
export function WorstLoads({ loads, toMs }: { loads: PageLoads['worst']; toMs: number }) {
  const palette = usePalette();
  if (loads.length === 0) return null;
  return (
    <View testID="worst-loads">
      <Words kind="section" level={2}>
        Worth opening
      </Words>
      {loads.slice(0, MOST_LOADS).map(({ view, atMs, page, country, browser, loadMs, lcpMs, errors, missing }) => (
        <Door key={view} path={`/page-load/${view}`} style={styles.door} testID={`load-${view}`}>
          <Words style={{ color: palette.action }}>{`${clock(atMs, toMs)}  ${page}`}</Words>
          <Words kind="small">
            {[
              loadMs !== null && `load ${durationWords(loadMs)}`,
              lcpMs !== null && `LCP ${durationWords(lcpMs)}`,
              missing > 0 && `${count(missing)} did not come`,
              errors > 0 && `${count(errors)} script ${errors === 1 ? 'error' : 'errors'}`,
              country && valueName('country', country),
              browser,
            ]
              .filter(Boolean)
              .join(' · ')}
          </Words>
        </Door>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  line: { paddingVertical: SPACE.xs },
  door: { minHeight: TOUCH, justifyContent: 'center', paddingVertical: SPACE.xs },
});
