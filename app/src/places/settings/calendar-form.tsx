import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { object, string } from 'yup';
import { addressOf, type Settings } from '@/data/client';
import { useChangeSetting, useReadCalendar } from '@/data/settings';
import { BusyButton } from '@/frame/busy-button';
import { FormField } from '@/frame/form-field';
import { pickText } from '@/frame/pick-text';
import { SaveBar } from '@/frame/save-bar';
import { Trouble } from '@/frame/trouble';
import { useWho, whoChanges } from '@/frame/who';
import { counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { addedTo, calendarText, parseCalendar } from './calendar-text';

const schema = object({
  days: string()
    .default('')
    .test('days', (text, context) => {
      const parsed = parseCalendar(text ?? '');
      return typeof parsed === 'string' ? context.createError({ message: parsed }) : true;
    }),
  who: whoChanges,
});

/** Holidays, maintenance, and weeks from which nothing normal is to be learned; in and out as iCalendar. */
export function CalendarForm({ settings }: { settings: Settings }) {
  const change = useChangeSetting();
  const [who, setWho] = useWho();
  const form = useForm({
    resolver: yupResolver(schema),
    mode: 'onBlur',
    defaultValues: { days: calendarText(settings.calendar), who },
  });
  const submit = form.handleSubmit((values) => {
    setWho(values.who);
    change.mutate({ who: values.who, key: 'calendar', value: parseCalendar(values.days) });
  });
  return (
    <View style={styles.box}>
      <Words kind="section" level={2}>
        Days that are not like others
      </Words>
      <FormField
        control={form.control}
        name="days"
        label="Holidays, maintenance, excluded stretches"
        hint="A line each. Holiday: 2026-12-25. Nothing is learned: 2026-11-02 to 2026-11-09 migration. Neither learned nor promised: maintenance 2026-11-02T22:00Z to 2026-11-03T02:00Z new disks."
        multiline
        testID="calendar-days"
      />
      <FromFile
        onRead={(more) => form.setValue('days', addedTo(form.getValues('days'), more), { shouldDirty: true })}
      />
      <SaveBar control={form.control} name="calendar" words="Save days" saving={change} onSave={() => void submit()} />
    </View>
  );
}

/** Adds what a calendar file holds to the lines above, where it is looked at before it is saved. */
function FromFile({ onRead }: { onRead: (calendar: Settings['calendar']) => void }) {
  const palette = usePalette();
  const reading = useReadCalendar();
  const [trouble, setTrouble] = useState('');
  const pick = async () => {
    setTrouble('');
    try {
      const text = await pickText('.ics,text/calendar');
      if (text !== undefined) onRead((await reading.mutateAsync(text)).calendar);
    } catch (error) {
      // What the server says is told by the mutation.
      if (!reading.isError) setTrouble(`This file cannot be read: ${(error as Error).message}.`);
    }
  };
  const read = reading.data;
  return (
    <View style={styles.box}>
      <View style={styles.row}>
        <BusyButton
          mode="outlined"
          icon="upload"
          busy={reading.isPending}
          onPress={() => void pick()}
          testID="pick-calendar"
        >
          Add from an iCalendar file
        </BusyButton>
        <View style={styles.link}>
          <Words {...{ href: addressOf('/api/settings/calendar.ics') }}>
            <Words style={{ color: palette.action }}>Save as iCalendar</Words>
          </Words>
        </View>
      </View>
      <Words kind="small">
        Whole days are holidays, events with a time maintenance; a category (holiday, maintenance, excluded) says it
        otherwise.
      </Words>
      {trouble !== '' && (
        <Words role="alert" style={{ color: palette.harm[3] }}>
          {trouble}
        </Words>
      )}
      {reading.error && (
        <Trouble error={reading.error} still="The lines above stay as they are." onRetry={() => void pick()} />
      )}
      <View role="status">
        {read && <Words>{`${counted(countOf(read.calendar), 'entry', 'entries')} read; nothing is saved yet.`}</Words>}
        {read?.notes.map((note) => (
          <Words key={note}>{note}</Words>
        ))}
      </View>
    </View>
  );
}

const countOf = ({ holidays, excluded, maintenance }: Settings['calendar']): number =>
  holidays.length + excluded.length + maintenance.length;

const styles = StyleSheet.create({
  box: { gap: SPACE.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.m },
  link: { minHeight: TOUCH, justifyContent: 'center' },
});
