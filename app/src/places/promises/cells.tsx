import { StyleSheet, View } from 'react-native';
import { ShareGrid, type ShareCell } from '@/charts/share-grid';
import type { Schemas } from '@/data/client';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { targetWords } from './promise-words';

type Page = Schemas['PromisePage'];

/** A flow at a site. */
export type Cell = ShareCell;

const FEWEST = 20;

/** By how much a share misses its target: the bad ones over those that may be. */
export function missOf({ valid, good }: { valid: number; good: number }, target: number): 0 | 1 | 2 | undefined {
  if (valid < FEWEST) return undefined;
  const times = (valid - good) / valid / (1 - target);
  return times <= 1 ? 0 : times <= 3 ? 1 : 2;
}

const TONES = [undefined, 0, 1] as const;

/** Each flow at each site: shares of good attempts, toned by how far they miss the target. Never an average. */
export function Cells({
  page: { cells, level },
  chosen,
  onChoose,
}: {
  page: Page;
  chosen: Cell | undefined;
  /** its attempts are wanted */
  onChoose: (cell: Cell | undefined) => void;
}) {
  if (cells.length === 0) return null;
  return (
    <View style={styles.box} testID="cells">
      <Words kind="section" level={2}>
        By flow and site
      </Words>
      <ShareGrid
        label={`Share of good ${level.units} by flow and site`}
        head="Flow"
        cells={cells.map(({ flowId, flow, application, site, ...cell }) => {
          const miss = missOf(cell, level.target);
          return { ...cell, rowId: flowId, row: flow, owner: application, column: site, tone: miss && TONES[miss] };
        })}
        chosen={chosen}
        onChoose={onChoose}
      />
      <Words kind="small">
        {`Share of good ${level.units}, and of how many. Toned: below ${targetWords(level.target)}, darker where more than three times as many are bad as may be; fewer than ${FEWEST} are never toned. Tap one for its attempts.`}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: SPACE.xs } });
