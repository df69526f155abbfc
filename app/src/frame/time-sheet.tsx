import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { Button, HelperText, TextInput } from 'react-native-paper';
import { object, string } from 'yup';
import { clock, lengthWords, zoneName } from '@/look/format';
import { Words } from '@/look/text';
import { Choice } from './choice';
import { Sheet } from './sheet';
import { LENGTHS, type View } from './view';

export type Props = {
  view: View;
  /** end of the newest complete data: where Past begins to look back */
  nowMs: number;
  onChange: (view: View) => void;
  onClose: () => void;
};

const DATE_TIME = /^(\d{4})-(\d{2})-(\d{2})[ T](\d{2}):(\d{2})$/;

/** "2026-03-10 09:30" in the viewer's zone → milliseconds; NaN when it is no time. */
export function parseLocal(text: string): number {
  const match = DATE_TIME.exec(text.trim());
  if (!match) return NaN;
  const [, year, month, day, hour, minute] = match.map(Number) as [number, number, number, number, number, number];
  const date = new Date(year, month - 1, day, hour, minute);
  return date.getMonth() === month - 1 && date.getDate() === day && hour < 24 && minute < 60 ? date.getTime() : NaN;
}

/** The other way round. */
export function toLocal(timeMs: number): string {
  const d = new Date(timeMs);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())} ${two(d.getHours())}:${two(d.getMinutes())}`;
}

const LENGTH = /^(\d+(?:[.,]\d+)?)\s*(min|m|h|d)$/i;
const MINUTES_OF = { m: 1, min: 1, h: 60, d: 1440 } as const;
const LONGEST_MINUTES = 35 * 1440;

/** "45 min", "3 h", "2 d" → minutes; NaN when it is no length, none, or over 35 days. */
export function parseLength(text: string): number {
  const match = LENGTH.exec(text.trim());
  if (!match) return NaN;
  const unit = (match[2] as string).toLowerCase() as keyof typeof MINUTES_OF;
  const minutes = Math.round(Number((match[1] as string).replace(',', '.')) * MINUTES_OF[unit]);
  return minutes >= 1 && minutes <= LONGEST_MINUTES ? minutes : NaN;
}

const schema = object({
  length: string()
    .default('')
    .test(
      'is-length',
      'Write a length as 45 min, 3 h or 2 d, at most 35 d.',
      (text) => (text ?? '').trim() === '' || !Number.isNaN(parseLength(text ?? '')),
    ),
  end: string()
    .required('Say when the window ends.')
    .test(
      'is-time',
      'Write it as year-month-day hour:minute, for example 2026-03-10 09:30.',
      (text) => !Number.isNaN(parseLocal(text ?? '')),
    ),
});

/** Now or past, and how long. */
export function TimeSheet({ view, nowMs, onChange, onClose }: Props) {
  const [mode, setMode] = useState<'now' | 'then'>(view.from === undefined ? 'now' : 'then');
  const shownMinutes =
    view.from && view.to ? Math.round((Date.parse(view.to) - Date.parse(view.from)) / 60_000) : view.last;
  const [chosenMinutes, setMinutes] = useState(shownMinutes);
  const form = useForm({
    resolver: yupResolver(schema),
    mode: 'onBlur',
    defaultValues: { length: '', end: toLocal(view.to ? Date.parse(view.to) : nowMs) },
  });
  const lengths = LENGTHS.some((length) => length.minutes === shownMinutes)
    ? LENGTHS
    : [{ minutes: shownMinutes, words: lengthWords(shownMinutes * 60_000) }, ...LENGTHS];
  const apply = form.handleSubmit(({ end, length }) => {
    const minutes = length.trim() === '' ? chosenMinutes : parseLength(length);
    const { from: _from, to: _to, ...rest } = view;
    const toMs = parseLocal(end);
    onChange(
      mode === 'now'
        ? { ...rest, last: minutes }
        : {
            ...rest,
            last: minutes,
            from: new Date(toMs - minutes * 60_000).toISOString(),
            to: new Date(toMs).toISOString(),
          },
    );
    onClose();
  });
  return (
    <Sheet title="Time range" onClose={onClose}>
      <Choice
        label="Now or past"
        chosen={mode}
        onChoose={setMode}
        options={[
          { value: 'now', words: 'Now', detail: 'moves on by itself' },
          { value: 'then', words: 'Past', detail: 'a past moment, as it was' },
        ]}
      />
      {mode === 'then' && (
        <Controller
          control={form.control}
          name="end"
          render={({ field, fieldState }) => (
            <>
              <TextInput
                mode="outlined"
                accessibilityLabel={`Ends at (${zoneName(nowMs)})`}
                label={`Ends at (${zoneName(nowMs)})`}
                value={field.value}
                onChangeText={field.onChange}
                onBlur={field.onBlur}
                error={fieldState.invalid}
              />
              <HelperText type={fieldState.error ? 'error' : 'info'} visible>
                {fieldState.error?.message ?? `Data is complete up to ${clock(nowMs)}.`}
              </HelperText>
            </>
          )}
        />
      )}
      <Words kind="strong">How long</Words>
      <Choice
        label="Length"
        chosen={String(chosenMinutes)}
        onChoose={(value) => setMinutes(Number(value))}
        options={lengths.map((length) => ({ value: String(length.minutes), words: length.words }))}
      />
      <Controller
        control={form.control}
        name="length"
        render={({ field, fieldState }) => (
          <>
            <TextInput
              mode="outlined"
              accessibilityLabel="Any other length"
              label="Any other length, as 45 min or 3 h"
              value={field.value}
              onChangeText={field.onChange}
              onBlur={field.onBlur}
              error={fieldState.invalid}
              testID="any-length"
            />
            <HelperText type="error" visible={fieldState.error !== undefined}>
              {fieldState.error?.message}
            </HelperText>
          </>
        )}
      />
      <Button mode="contained" onPress={() => void apply()}>
        Show this time
      </Button>
    </Sheet>
  );
}
