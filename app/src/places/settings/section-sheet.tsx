import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useFieldArray, useForm, useWatch, type Control } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { Button, IconButton } from 'react-native-paper';
import { array, object, string } from 'yup';
import type { Settings } from '@/data/client';
import { useChangeSetting, useTrySetting } from '@/data/settings';
import { BusyButton } from '@/frame/busy-button';
import { FormField } from '@/frame/form-field';
import { SaveBar } from '@/frame/save-bar';
import { Sheet } from '@/frame/sheet';
import { Trouble } from '@/frame/trouble';
import { useWho, whoChanges } from '@/frame/who';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import type { Entry, Section } from './section';
import { wrongIn, wrongWords } from './sections';

interface Values {
  entries: Entry[];
  who: string;
}

const schemaFor = (section: Section) =>
  object({
    entries: array(
      object(
        Object.fromEntries(
          section.columns.map(({ name, check }) => [
            name,
            string()
              .default('')
              .test((text, { createError }) => {
                const wrong = check?.(text);
                return wrong === undefined || createError({ message: wrong });
              }),
          ]),
        ),
      ),
    ).default([]),
    who: whoChanges,
  });

/** The entries of a part of the settings: added, changed, moved, taken away; tried before they are saved. */
export function SectionSheet({
  section,
  settings,
  onClose,
}: {
  section: Section;
  settings: Settings;
  onClose: () => void;
}) {
  const change = useChangeSetting();
  const trial = useTrySetting();
  const [who, setWho] = useWho();
  const [open, setOpen] = useState<number>();
  const form = useForm<Values>({
    // Every entry has the same columns, whose names only the section knows.
    resolver: yupResolver(schemaFor(section)) as never,
    mode: 'onBlur',
    defaultValues: { entries: section.entriesOf(settings.file), who },
  });
  const { fields, append, remove, move } = useFieldArray({ control: form.control, name: 'entries' });
  const written = useWatch({ control: form.control, name: 'entries' });
  const [wrong, setWrong] = useState('');
  /** Opens the first entry that cannot be used. */
  const usable = async (): Promise<Entry[] | undefined> => {
    const { entries } = form.getValues();
    const found = wrongIn(section, entries);
    setWrong(found.length === 0 ? '' : wrongWords(section, found));
    if (found.length === 0) return entries;
    setOpen(found[0]?.at);
    await form.trigger('entries');
    return undefined;
  };
  const tryIt = async () => {
    const entries = await usable();
    if (entries) trial.mutate({ key: section.key, value: section.valueOf(entries) });
  };
  const submit = form.handleSubmit(
    ({ entries, who: by }) => {
      setWho(by);
      change.mutate({ who: by, key: section.key, value: section.valueOf(entries) }, { onSuccess: onClose });
    },
    () => void usable(),
  );
  const add = () => {
    append(Object.fromEntries(section.columns.map(({ name }) => [name, ''])));
    setOpen(fields.length);
  };
  return (
    <Sheet title={section.title} onClose={onClose}>
      <Words kind="muted">{section.about}</Words>
      <View role="list">
        {fields.map(({ id }, i) => (
          <EntryRow
            key={id}
            section={section}
            control={form.control}
            entry={written[i] ?? {}}
            place={i}
            isOpen={open === i}
            onToggle={() => setOpen(open === i ? undefined : i)}
            onRemove={() => {
              remove(i);
              setOpen(undefined);
            }}
            {...(section.isOrdered && i > 0 && { onUp: () => move(i, i - 1) })}
            {...(section.isOrdered && i < fields.length - 1 && { onDown: () => move(i, i + 1) })}
          />
        ))}
      </View>
      {fields.length === 0 && <Words kind="muted">None.</Words>}
      <View style={styles.buttons}>
        <Button mode="outlined" icon="plus" onPress={add} testID={`add-${section.key}`}>
          {`Add a ${section.unit}`}
        </Button>
        <BusyButton mode="outlined" busy={trial.isPending} onPress={() => void tryIt()} testID={`try-${section.key}`}>
          Try it
        </BusyButton>
      </View>
      <View role="status">
        {wrong !== '' && <Words>{wrong}</Words>}
        {trial.data && <Tried lines={trial.data.lines} />}
      </View>
      {trial.error && <Trouble error={trial.error} still="Nothing was changed." onRetry={() => void tryIt()} />}
      <SaveBar control={form.control} name={section.key} words="Save" saving={change} onSave={() => void submit()} />
    </Sheet>
  );
}

/** What the entries would match. */
function Tried({ lines }: { lines: readonly { of: string; words: string }[] }) {
  if (lines.length === 0) return <Words kind="small">It can be used.</Words>;
  return (
    <View testID="tried">
      {lines.map(({ of, words }, i) => (
        <Words key={i} kind="small">{`${of}: ${words}`}</Words>
      ))}
    </View>
  );
}

function EntryRow({
  section,
  control,
  entry,
  place,
  isOpen,
  onToggle,
  onRemove,
  onUp,
  onDown,
}: {
  section: Section;
  control: Control<Values>;
  entry: Entry;
  place: number;
  isOpen: boolean;
  onToggle: () => void;
  onRemove: () => void;
  onUp?: () => void;
  onDown?: () => void;
}) {
  const palette = usePalette();
  const words = section.words(entry);
  const name = `${section.unit} ${place + 1}: ${words}`;
  return (
    <View role="listitem" style={[styles.entry, { borderBottomColor: palette.hairline }]}>
      <View style={styles.row}>
        <Words style={styles.words}>{words}</Words>
        {onUp && <IconButton icon="arrow-up" size={18} accessibilityLabel={`Move up ${name}`} onPress={onUp} />}
        {onDown && <IconButton icon="arrow-down" size={18} accessibilityLabel={`Move down ${name}`} onPress={onDown} />}
        <IconButton
          icon={isOpen ? 'chevron-up' : 'pencil-outline'}
          size={18}
          accessibilityLabel={`${isOpen ? 'Close' : 'Change'} ${name}`}
          onPress={onToggle}
        />
        <IconButton icon="delete-outline" size={18} accessibilityLabel={`Remove ${name}`} onPress={onRemove} />
      </View>
      {isOpen &&
        section.columns.map(({ name: column, label, hint, isMultiline = false }) => (
          <FormField
            key={column}
            control={control}
            name={`entries.${place}.${column}`}
            label={label}
            {...(hint !== undefined && { hint })}
            multiline={isMultiline}
            testID={`${section.key}-${place}-${column}`}
          />
        ))}
    </View>
  );
}

const styles = StyleSheet.create({
  entry: { borderBottomWidth: 1, paddingVertical: SPACE.xs },
  row: { flexDirection: 'row', alignItems: 'center' },
  words: { flex: 1, minWidth: 0 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
});
