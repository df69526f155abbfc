import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import type { Schemas } from '@/data/client';
import { useAlerts, useDeliverAgain, useTestMessage } from '@/data/alerts';
import { Door } from '@/frame/door';
import { Fold } from '@/frame/fold';
import { Trouble } from '@/frame/trouble';
import { clock, counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';

type Alerts = Schemas['Alerts'];
type Message = Alerts['messages'][number];
type Receiver = Alerts['receivers'][number];

const CHANNEL_WORDS = { mail: 'mail', short: 'short message', webhook: 'webhook' } as const;

/** Who is told of trouble, whether it reaches them, and what was sent. */
export function AlertsPart() {
  const { data, error, refetch } = useAlerts();
  return (
    <View style={styles.part} testID="alerts">
      <Words kind="section" level={2}>
        Alerts
      </Words>
      {error && !data && <Trouble error={error} onRetry={() => void refetch()} />}
      {data && (
        <>
          <Words testID="alerts-sentence">{alertsSentence(data)}</Words>
          {data.teamsWithout.length > 0 && (
            <Words kind="muted">{`Not told, because they are no receivers: ${data.teamsWithout.join(', ')}.`}</Words>
          )}
          <Rules rules={data.rules} />
          <Receivers receivers={data.receivers} />
          <Messages messages={data.messages} />
        </>
      )}
    </View>
  );
}

/** What goes out, and what does not. */
export function alertsSentence({ ways, rules, receivers, messages }: Alerts): string {
  if (receivers.length === 0) return 'Nobody is told of anything: there is no receiver yet.';
  const missing = ways.filter(({ trouble }) => trouble !== '').map(({ trouble }) => trouble);
  // One that was just written is on its way.
  const stuck = messages.filter(({ deliveredMs, trouble }) => deliveredMs === null && trouble !== '').length;
  const told = `${counted(rules.length, 'rule')} and ${counted(receivers.length, 'receiver')}.`;
  const ways_ =
    missing.length > 0 ? ` ${missing.map((words) => words[0]?.toUpperCase() + words.slice(1)).join('. ')}.` : '';
  return `${told}${ways_}${stuck > 0 ? ` ${counted(stuck, 'message')} not delivered.` : ''}`;
}

function Rules({ rules }: { rules: Alerts['rules'] }) {
  const palette = usePalette();
  return (
    <View role="list" aria-label="Rules of alerts">
      {rules.map(({ name, words, to, trouble }) => (
        <View role="listitem" key={name} style={[styles.row, { borderTopColor: palette.hairline }]}>
          <View style={styles.words}>
            <Words kind="strong">{name}</Words>
            <Words kind="small">{`${words}; to ${to.join(', ')}`}</Words>
            {trouble !== '' && <Words kind="strong">{`${trouble}: nobody is told by it`}</Words>}
          </View>
        </View>
      ))}
    </View>
  );
}

function Receivers({ receivers }: { receivers: readonly Receiver[] }) {
  const palette = usePalette();
  const test = useTestMessage();
  return (
    <Fold words={`Receivers · ${receivers.length}`}>
      {test.error && <Trouble error={test.error} onRetry={() => test.reset()} />}
      <View role="list" aria-label="Receivers">
        {receivers.map((receiver) => (
          <View role="listitem" key={receiver.name} style={[styles.row, { borderTopColor: palette.hairline }]}>
            <View style={styles.words}>
              <Words>{receiver.name}</Words>
              <Words kind="small">{[receiver.words, dutyWords(receiver)].filter(Boolean).join('; ')}</Words>
            </View>
            <Button
              onPress={() => test.mutate(receiver.name)}
              disabled={test.isPending}
              accessibilityLabel={`Send a test message to ${receiver.name}`}
              testID={`test-${receiver.name}`}
            >
              Test
            </Button>
          </View>
        ))}
      </View>
    </Fold>
  );
}

/** "First on call has duty; nobody has it 2 times in the next week, first from Sat 18:00 to Sun 06:00" */
export function dutyWords({ onDuty, holes }: Pick<Receiver, 'onDuty' | 'holes'>): string {
  if (onDuty === null) return '';
  const [first] = holes;
  const hole = first
    ? `; nobody has it ${counted(holes.length, 'time')} in the next week, first from ${clock(first.fromMs, first.fromMs - 86_400_000)} to ${clock(first.toMs, first.fromMs - 86_400_000)}`
    : '';
  return `${onDuty === '' ? 'nobody' : onDuty} has duty now${hole}`;
}

const SHOWN = 30;

function Messages({ messages }: { messages: readonly Message[] }) {
  const palette = usePalette();
  const again = useDeliverAgain();
  return (
    <Fold words={`Messages · ${messages.length}`}>
      {again.error && <Trouble error={again.error} onRetry={() => again.reset()} />}
      {messages.length === 0 && <Words kind="muted">Nothing was sent so far.</Words>}
      <View role="list" aria-label="Messages">
        {messages.slice(0, SHOWN).map((message) => (
          <View role="listitem" key={message.id} style={[styles.row, { borderTopColor: palette.hairline }]}>
            <Door path={message.path} style={styles.words}>
              <Words style={{ color: palette.action }}>{message.title}</Words>
              <Words kind="small">{messageWords(message)}</Words>
            </Door>
            {message.isGivenUp && (
              <Button onPress={() => again.mutate(message.id)} disabled={again.isPending}>
                Try again
              </Button>
            )}
          </View>
        ))}
      </View>
    </Fold>
  );
}

/** "Data Stores · mail · 09:42 · delivered", or why it was not. */
export function messageWords(message: Message): string {
  const { receiver, person, channel, madeMs, deliveredMs, nextTryMs, trouble } = message;
  const state =
    deliveredMs !== null
      ? 'delivered'
      : nextTryMs !== null
        ? [trouble || 'on its way', trouble && `tried again ${clock(nextTryMs, madeMs)}`].filter(Boolean).join(', ')
        : `not delivered: ${trouble}`;
  return [receiver, person, CHANNEL_WORDS[channel], clock(madeMs), state].filter(Boolean).join(' · ');
}

const styles = StyleSheet.create({
  part: { gap: SPACE.xs },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    borderTopWidth: 1,
    minHeight: TOUCH,
    paddingVertical: SPACE.xs,
  },
  words: { flex: 1, minWidth: 0, gap: 2 },
});
