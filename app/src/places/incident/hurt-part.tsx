import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Incident, Schemas } from '@/data/client';
import { useHurt } from '@/data/incidents';
import { Trouble } from '@/frame/trouble';
import { useView } from '@/frame/view';
import { figureColumn, textColumn, timeColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { clock, count, durationWords, formatMoney } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { ExportSheet } from './export-sheet';

type Hurt = Schemas['Hurt'];
type Person = Hurt['people'][number];

const FIRST = 5;

const COLUMNS: readonly Column<Person>[] = [
  textColumn('person', 'Person', ({ person }) => person),
  textColumn('resolution', 'What became of them', ({ resolution }) => RESOLUTION_WORDS[resolution]),
  textColumn('tier', 'Tier', ({ tier }) => tier),
  textColumn('promotion', 'Promotion', ({ promotion }) => promotion),
  figureColumn('failed', 'Attempts that failed', ({ failed }) => failed),
  figureColumn('hung', 'Attempts that hung', ({ hung }) => hung),
  figureColumn('late', 'Late attempts', ({ late }) => late),
  figureColumn('waited', 'Waited longer than usual, ms', ({ waitedMs }) => waitedMs),
  figureColumn('lost', 'Would have brought', ({ lost }) => lost),
  timeColumn('last', 'Last attempt', ({ lastMs }) => lastMs),
];

/** Who was hurt: where they gather, those worst off, and the list for winning them back. */
export function HurtPart({ incident }: { incident: Incident }) {
  const { view } = useView();
  const palette = usePalette();
  const { data, error, refetch } = useHurt(incident.id, view);
  const [isExporting, setExporting] = useState(false);
  const [areAllShown, setAllShown] = useState(false);
  const table = useTable(data?.people ?? [], { name: 'hurt', columns: COLUMNS, byDefault: '-lost' });
  if (incident.signal === 'missing') return null;
  const shown = areAllShown ? table.rows : table.rows.slice(0, FIRST);
  return (
    <View style={styles.box} testID="hurt-part">
      <Words kind="section" level={2}>
        Who was hurt
      </Words>
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      {!data && !error && <Words kind="muted">Looking for them …</Words>}
      {data && <Words testID="hurt-words">{hurtWords(data)}</Words>}
      {data?.concentration.map((one) => (
        <Words key={one.dimension} kind="muted">
          {gatherWords(one, data.total)}
        </Words>
      ))}
      {shown.length > 1 && <TableTools table={table} />}
      {shown.length > 0 && data && (
        <View
          role="list"
          aria-label="People who were hurt"
          style={{ borderTopWidth: 1, borderTopColor: palette.hairline }}
        >
          {shown.map((person) => (
            <View role="listitem" key={person.person} style={[styles.person, { borderBottomColor: palette.hairline }]}>
              <Words>{person.person}</Words>
              <Words kind="small">{personWords(person, data)}</Words>
            </View>
          ))}
        </View>
      )}
      {data && data.people.length > FIRST && (
        <Button onPress={() => setAllShown(!areAllShown)} style={styles.button}>
          {areAllShown ? 'Only the first' : `The first ${data.people.length} of ${count(data.total)}`}
        </Button>
      )}
      {data && data.total > 0 && (
        <Button icon="download" onPress={() => setExporting(true)} style={styles.button} testID="export-hurt">
          Save the list by name
        </Button>
      )}
      {isExporting && <ExportSheet incidentId={incident.id} onClose={() => setExporting(false)} />}
    </View>
  );
}

/** "73 people met it; 21 of them are gone, who would have brought €310." */
export function hurtWords({ total, gone, lost, currency }: Pick<Hurt, 'total' | 'gone' | 'lost' | 'currency'>): string {
  if (total === 0) return 'Nobody is named by these attempts, so there is no list.';
  const met = `${count(total)} ${total === 1 ? 'person' : 'people'} met it`;
  if (gone === 0) return `${met}; none of them is gone.`;
  return `${met}; ${count(gone)} of them ${gone === 1 ? 'is' : 'are'} gone${lost >= 0.5 ? `, who would have brought ${formatMoney(lost, currency)}` : ''}.`;
}

const DIMENSION_WORDS: Record<Hurt['concentration'][number]['dimension'], string> = {
  tier: 'tier',
  promotion: 'promotion',
  site: 'site',
  region: 'country',
  item: 'item',
};

/** "promotion: SPRING10 73 of 73" */
export const gatherWords = ({ dimension, values }: Hurt['concentration'][number], total: number): string =>
  `By ${DIMENSION_WORDS[dimension]}: ${values.map(({ value, people }) => `${value} ${count(people)}`).join(', ')} of ${count(total)}`;

export const RESOLUTION_WORDS: Record<Person['resolution'], string> = {
  gone: 'gone',
  undecided: 'may still come back',
  wentOn: 'went on all the same',
  madeGood: 'it worked soon after',
};

/** "gone since 11:02 · Anchor · 2 failed, 1 late, waited 8.1 s longer · would have brought €31" */
export function personWords(
  { resolution, lastMs, tier, promotion, late, hung, failed, waitedMs, lost }: Person,
  { currency, window }: Pick<Hurt, 'currency' | 'window'>,
): string {
  const met = [
    failed > 0 && `${failed} failed`,
    hung > 0 && `${hung} hung`,
    late > 0 && `${late} late`,
    waitedMs >= 1 && `waited ${durationWords(waitedMs)} longer`,
  ];
  return [
    resolution === 'gone' ? `gone since ${clock(lastMs, window.toMs)}` : RESOLUTION_WORDS[resolution],
    tier,
    promotion,
    met.filter(Boolean).join(', '),
    lost >= 0.5 && `would have brought ${formatMoney(lost, currency)}`,
  ]
    .filter(Boolean)
    .join(' · ');
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  person: { minHeight: 44, justifyContent: 'center', borderBottomWidth: 1, paddingVertical: SPACE.xs },
  button: { alignSelf: 'flex-start' },
});
