import {
  BOARD_FIGURES,
  CURVE_MEASURES,
  FIGURE_WORDS,
  TILE_KINDS,
  TILE_WORDS,
  type CurveMeasure,
} from '@toplens/core/boards';
import { Controller, useWatch, type UseFormReturn } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { HAPPENING_KINDS } from '@/data/happened';
import { useWorstFirst } from '@/data/incidents';
import { useJourneys } from '@/data/journeys';
import { usePromises } from '@/data/promises';
import { FormField } from '@/frame/form-field';
import { Strip } from '@/frame/strip';
import { DEFAULT_LAST, LENGTHS, type View as Looked } from '@/frame/view';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { KIND_WORDS } from '../happened/happened-words';
import { FIELDS, NEW_TILE, type BoardValues, type TileEntry } from './board-form';

type Form = UseFormReturn<BoardValues>;
type Option = { value: string; words: string };

const MEASURE_WORDS: Readonly<Record<CurveMeasure, string>> = {
  duration: 'duration',
  failures: 'share that failed',
  attempts: 'attempts',
  underWay: 'under way at once',
};

const SHOWS: Option[] = TILE_KINDS.map((value) => ({ value, words: TILE_WORDS[value] }));
const OPTIONS: Partial<Record<keyof TileEntry, readonly Option[]>> = {
  shows: SHOWS,
  figure: BOARD_FIGURES.map((value) => ({ value, words: FIGURE_WORDS[value] })),
  measure: [
    { value: '', words: 'what is in trouble' },
    ...CURVE_MEASURES.map((value) => ({ value, words: MEASURE_WORDS[value] })),
  ],
  kind: [{ value: '', words: 'all' }, ...HAPPENING_KINDS.map((value) => ({ value, words: KIND_WORDS[value] }))],
  minutes: LENGTHS.map(({ minutes, words }) => ({ value: String(minutes), words })),
};

const LABELS: Readonly<Record<keyof TileEntry, string>> = {
  shows: 'What it shows',
  title: 'Title',
  of: 'Name',
  figure: 'Which figure',
  measure: 'Which measure',
  kind: 'Kind',
  minutes: 'Window',
  most: 'Rows at most',
  application: 'Application',
  team: 'Team',
  where: 'Only where',
  text: 'Text',
};

const HINTS: Partial<Record<keyof TileEntry, string>> = {
  title: 'Empty: says what it shows.',
  of: 'Empty: the one that is worst off.',
  most: 'Empty: 5.',
  application: 'Empty: any.',
  team: 'Empty: any.',
  where: 'A line each, as “site: North”.',
};

/** The fields of a tile that its kind has. */
export function TileFields({ form, at }: { form: Form; at: number }) {
  const entry = useWatch({ control: form.control, name: `tiles.${at}` }) ?? NEW_TILE;
  const fields: (keyof TileEntry)[] = ['shows', 'title', ...FIELDS[entry.shows]];
  return (
    <View style={styles.fields}>
      {fields.map((field) =>
        OPTIONS[field] ? (
          <Controller
            key={field}
            control={form.control}
            name={`tiles.${at}.${field}`}
            render={({ field: { value, onChange } }) => (
              <View>
                <Words kind="small">{LABELS[field]}</Words>
                <Strip label={LABELS[field]} options={OPTIONS[field] ?? []} chosen={value} onChoose={onChange} />
              </View>
            )}
          />
        ) : (
          <View key={field}>
            <FormField
              control={form.control}
              name={`tiles.${at}.${field}`}
              label={LABELS[field]}
              {...(HINTS[field] !== undefined && { hint: HINTS[field] })}
              multiline={field === 'text' || field === 'where'}
              testID={`tile-${at}-${field}`}
            />
            {(field === 'of' || field === 'application' || field === 'team') && (
              <Known
                field={field}
                entry={entry}
                onChoose={(name) => form.setValue(`tiles.${at}.${field}`, name, { shouldDirty: true })}
              />
            )}
          </View>
        ),
      )}
    </View>
  );
}

const MOST_KNOWN = 6;
const NOW: Looked = { last: DEFAULT_LAST, rankBy: 'harm' };

/** Names that are known and fit what is typed so far: a name is chosen rather than typed. */
function Known({
  field,
  entry,
  onChoose,
}: {
  field: 'of' | 'application' | 'team';
  entry: TileEntry;
  onChoose: (name: string) => void;
}) {
  const { data: list } = useWorstFirst(NOW);
  const { data: promises } = usePromises(NOW);
  const { data: journeys } = useJourneys(NOW);
  const all = {
    application: list?.applications,
    team: list?.teams,
    of:
      entry.shows === 'promise'
        ? promises?.promises.map(({ name }) => name)
        : entry.shows === 'journey'
          ? journeys?.journeys.map(({ name }) => name)
          : list?.flows.map(({ name }) => name),
  }[field];
  const typed = entry[field].trim().toLowerCase();
  const fitting = [...new Set(all)].filter(
    (name) => name.toLowerCase().includes(typed) && name !== entry[field].trim(),
  );
  if (fitting.length === 0) return null;
  return (
    <View role="group" aria-label={`Known: ${LABELS[field]}`} style={styles.known}>
      {fitting.slice(0, MOST_KNOWN).map((name) => (
        <Button key={name} compact onPress={() => onChoose(name)}>
          {name}
        </Button>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  fields: { gap: SPACE.xs },
  known: { flexDirection: 'row', flexWrap: 'wrap' },
});
