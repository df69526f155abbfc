import { yupResolver } from '@hookform/resolvers/yup';
import { useEffect, useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { Pressable, StyleSheet, View } from 'react-native';
import { HelperText, TextInput } from 'react-native-paper';
import { PURPOSES, PURPOSE_WORDS, type Purpose } from '@toplens/core/handoffs';
import { object, string } from 'yup';
import type { Incident } from '@/data/client';
import { useBrief, useSend } from '@/data/handoffs';
import { useIncident } from '@/data/incidents';
import { Choice } from '@/frame/choice';
import { CopyText } from '@/frame/copy-text';
import { Sheet } from '@/frame/sheet';
import { Strip } from '@/frame/strip';
import { Trouble } from '@/frame/trouble';
import type { View as Looked } from '@/frame/view';
import { Submit } from '@/frame/submit';
import { usePalette } from '@/look/look';
import { Markdown } from '@/look/markdown';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { keepDraft, readDraft } from './draft';

/** What the sheet is opened with, in place of what is proposed; an own draft goes before. */
export interface Suggested {
  team?: string;
  note?: string;
}

export type Props = {
  incidentId: number;
  view: Looked;
  suggested?: Suggested;
  onClose: () => void;
};

const LONGEST_NOTE = 10_000;

const PURPOSE_OPTIONS = PURPOSES.map((value) => ({ value, words: PURPOSE_WORDS[value] }));

const schema = object({
  team: string().required('Choose who shall have it.'),
  note: string().default('').max(LONGEST_NOTE, 'A note can have 10,000 characters at most.'),
  purpose: string().oneOf(PURPOSES).required(),
});

/** Whom to send it to, what to add, and the brief as it will be sent. */
export function SendSheet({ incidentId, view, suggested = {}, onClose }: Props) {
  const { data: incident, error, refetch } = useIncident(incidentId, view);
  return (
    <Sheet title="Send" needs="send" onClose={onClose}>
      {error && !incident && <Trouble error={error} onRetry={() => void refetch()} />}
      {incident && <SendForm incident={incident} suggested={suggested} onClose={onClose} />}
    </Sheet>
  );
}

function SendForm({
  incident: latest,
  suggested,
  onClose,
}: {
  incident: Incident;
  suggested: Suggested;
  onClose: () => void;
}) {
  // What is sent is what was on the screen when the sheet was opened, while the live window moves on behind it.
  const [incident] = useState(latest);
  const [draft] = useState(() => readDraft(incident.id));
  const send = useSend();
  const form = useForm({
    resolver: yupResolver(schema),
    mode: 'onBlur',
    defaultValues: {
      team: suggested.team ?? draft.team ?? incident.proposedTeam?.team ?? '',
      note: draft.note || (suggested.note ?? ''),
      purpose: 'cause' as Purpose,
    },
  });
  const [team, note] = useWatch({ control: form.control, name: ['team', 'note'] });
  const [isBriefShown, setBriefShown] = useState(false);
  useEffect(() => {
    keepDraft(incident.id, { team, note, key: draft.key });
  }, [incident.id, team, note, draft.key]);

  const submit = form.handleSubmit((values) =>
    send.mutate(
      {
        incident: incident.id,
        team: values.team,
        note: values.note,
        purpose: values.purpose,
        fromMs: incident.window.fromMs,
        toMs: incident.window.toMs,
        key: draft.key,
      },
      {
        onSuccess: () => {
          keepDraft(incident.id, undefined);
          onClose();
        },
      },
    ),
  );
  const teams = incident.teams.map((name) => ({
    value: name,
    words: name,
    ...(name === incident.proposedTeam?.team && { detail: `proposed: ${incident.proposedTeam.reason}` }),
  }));
  return (
    <View style={styles.form}>
      <Words kind="strong">{incident.title}</Words>
      <Controller
        control={form.control}
        name="note"
        render={({ field, fieldState }) => (
          <View>
            <TextInput
              mode="outlined"
              multiline
              numberOfLines={4}
              label="Your note"
              accessibilityLabel="Your note"
              value={field.value}
              onChangeText={field.onChange}
              onBlur={field.onBlur}
              error={fieldState.invalid}
              testID="note"
            />
            {fieldState.error && <HelperText type="error">{fieldState.error.message}</HelperText>}
          </View>
        )}
      />
      <Words kind="strong">To</Words>
      <Controller
        control={form.control}
        name="team"
        render={({ field, fieldState }) => (
          <View>
            <Choice label="Team" options={teams} chosen={field.value} onChoose={field.onChange} />
            {fieldState.error && <HelperText type="error">{fieldState.error.message}</HelperText>}
          </View>
        )}
      />
      <Words kind="strong">What for</Words>
      <Controller
        control={form.control}
        name="purpose"
        render={({ field }) => (
          <Strip label="What for" options={PURPOSE_OPTIONS} chosen={field.value} onChoose={field.onChange} />
        )}
      />
      <Brief
        incident={incident}
        team={team}
        note={note}
        isShown={isBriefShown}
        onToggle={() => setBriefShown(!isBriefShown)}
      />
      <Submit
        doing={send}
        still="Nothing was sent; your note is kept."
        onPress={() => void submit()}
        icon="send-outline"
        testID="send-now"
      >
        {team ? `Send to ${team}` : 'Send'}
      </Submit>
    </View>
  );
}

function Brief({
  incident,
  team,
  note,
  isShown,
  onToggle,
}: {
  incident: Incident;
  team: string;
  note: string;
  isShown: boolean;
  onToggle: () => void;
}) {
  const palette = usePalette();
  const { data } = useBrief(incident, team, note.slice(0, 1_000), isShown);
  return (
    <View>
      <Pressable role="button" aria-expanded={isShown} onPress={onToggle} style={styles.toggle}>
        <Words style={{ color: palette.action }}>
          {isShown ? 'Hide the brief' : 'Show the brief as it will be sent'}
        </Words>
      </Pressable>
      {isShown && data && (
        <View style={[styles.brief, { borderColor: palette.hairline }]}>
          <Markdown text={data.markdown} testID="brief" />
          <CopyText text={data.markdown} name="the brief as text" words="Copy the brief" />
        </View>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  form: { gap: SPACE.s },
  toggle: { minHeight: 36, justifyContent: 'center' },
  brief: { borderWidth: 1, borderRadius: 4, padding: SPACE.m },
});
