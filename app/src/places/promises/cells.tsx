import { ScrollView, StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { count } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { shareWords, targetWords } from './promise-words';

type Page = Schemas['PromisePage'];
type Cell = Page['cells'][number];

const FEWEST = 20;

/** By how much a share misses its target: the bad ones over those that may be. */
export function missOf({ valid, good }: Pick<Cell, 'valid' | 'good'>, target: number): 0 | 1 | 2 | undefined {
  if (valid < FEWEST) return undefined;
  const times = (valid - good) / valid / (1 - target);
  return times <= 1 ? 0 : times <= 3 ? 1 : 2;
}

/** Each flow at each site: shares of good attempts, toned by how far they miss the target. Never an average. */
export function Cells({ page: { cells, level } }: { page: Page }) {
  const palette = usePalette();
  const flows = [...new Set(cells.map(({ flow }) => flow))];
  const sites = [...new Set(cells.map(({ site }) => site))];
  if (cells.length === 0) return null;
  const toneOf = (miss: 0 | 1 | 2 | undefined) => (miss ? palette.harm[miss === 1 ? 0 : 1] : undefined);
  return (
    <View style={styles.box} testID="cells">
      <Words kind="section" level={2}>
        By flow and site
      </Words>
      <ScrollView horizontal tabIndex={0} role="region" aria-label="By flow and site, scrolls sideways">
        <View role="table" aria-label="Share of good attempts by flow and site">
          <View role="row" style={styles.row}>
            <View role="columnheader" style={styles.flow}>
              <Words kind="small">Flow</Words>
            </View>
            {sites.map((site) => (
              <View role="columnheader" key={site} style={styles.cell}>
                <Words kind="small" numberOfLines={1}>
                  {site}
                </Words>
              </View>
            ))}
          </View>
          {flows.map((flow) => (
            <View role="row" key={flow} style={styles.row}>
              <View role="rowheader" style={styles.flow}>
                <Words>{flow}</Words>
              </View>
              {sites.map((site) => {
                const cell = cells.find((one) => one.flow === flow && one.site === site);
                const miss = cell && missOf(cell, level.target);
                return (
                  <View role="cell" key={site} style={[styles.cell, { backgroundColor: toneOf(miss) }]}>
                    <Words kind={miss ? 'strong' : 'body'}>{cell ? shareWords(cell.good / cell.valid) : '–'}</Words>
                    <Words kind="small" style={{ color: palette.ink }}>
                      {cell ? count(cell.valid) : ''}
                    </Words>
                  </View>
                );
              })}
            </View>
          ))}
        </View>
      </ScrollView>
      <Words kind="small">
        {`Share of good attempts, and of how many. Toned: below ${targetWords(level.target)}, darker where more than three times as many are bad as may be; fewer than ${FEWEST} attempts are never toned.`}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  row: { flexDirection: 'row' },
  flow: { width: 130, padding: SPACE.xs, justifyContent: 'center' },
  cell: { width: 84, padding: SPACE.xs, alignItems: 'flex-end' },
});
