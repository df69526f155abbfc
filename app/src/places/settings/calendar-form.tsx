import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { object, string } from 'yup';
import type { Settings } from '@/data/client';
import { useChangeSetting } from '@/data/settings';
import { FormField } from '@/frame/form-field';
import { SaveBar } from '@/frame/save-bar';
import { useWho, whoChanges } from '@/frame/who';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

const DATE = /^\d{4}-\d\d-\d\d$/;
const DAY_MS = 86_400_000;

/** Lines of text as holidays (`2026-12-25`) and excluded stretches (`2026-11-02 to 2026-11-09 migration`). */
export function parseCalendar(text: string): Settings['calendar'] | string {
  const holidays: string[] = [];
  const excluded: Settings['calendar']['excluded'] = [];
  for (const line of text
    .split('\n')
    .map((one) => one.trim())
    .filter(Boolean)) {
    const range = /^(\S+) to (\S+)\s*(.*)$/.exec(line);
    const days = range ? [range[1] as string, range[2] as string] : [line];
    if (days.some((day) => !DATE.test(day) || Number.isNaN(Date.parse(day))))
      return `“${line}”: write a day as 2026-12-25, or a stretch as 2026-11-02 to 2026-11-09 and why.`;
    if (!range) holidays.push(line);
    else {
      const [fromMs, toMs] = days.map((day) => Date.parse(`${day}T00:00:00Z`)) as [number, number];
      if (toMs < fromMs) return `“${line}”: it ends before it begins.`;
      if (!range[3]) return `“${line}”: say why it is left out.`;
      excluded.push({ fromMs, toMs: toMs + DAY_MS, reason: range[3] });
    }
  }
  return { holidays, excluded };
}

export function calendarText({ holidays, excluded }: Settings['calendar']): string {
  const day = (ms: number) => new Date(ms).toISOString().slice(0, 10);
  return [
    ...holidays,
    ...excluded.map(({ fromMs, toMs, reason }) => `${day(fromMs)} to ${day(toMs - DAY_MS)} ${reason}`),
  ].join('\n');
}

const schema = object({
  days: string()
    .default('')
    .test('days', (text, context) => {
      const parsed = parseCalendar(text ?? '');
      return typeof parsed === 'string' ? context.createError({ message: parsed }) : true;
    }),
  who: whoChanges,
});

/** Holidays, and weeks from which nothing normal is to be learned. */
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
        label="Holidays and excluded stretches"
        hint="A day a line: 2026-12-25. A stretch: 2026-11-02 to 2026-11-09 migration."
        multiline
        testID="calendar-days"
      />
      <SaveBar control={form.control} name="calendar" words="Save days" saving={change} onSave={() => void submit()} />
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: SPACE.s } });
