import { ROLES, ROLE_PURPOSE, ROLE_WORDS, SCOPE_OF, type Role } from '@toplens/core/access';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, IconButton } from 'react-native-paper';
import type { Grant } from '@/data/accounts';
import { Choice } from '@/frame/choice';
import { Field } from '@/frame/field';
import { grantLine } from '@/frame/grant-words';
import { parseLocal } from '@/frame/time-sheet';
import { zoneName } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';

/** What somebody is given: each can be taken away, and another added. */
export function GrantsField({ grants, onChange }: { grants: readonly Grant[]; onChange: (grants: Grant[]) => void }) {
  const palette = usePalette();
  const [isAdding, setAdding] = useState(false);
  const isSame = (one: Grant, other: Grant) => one.role === other.role && one.of === other.of;
  return (
    <View role="group" aria-label="What they are here">
      <Words kind="strong">What they are here</Words>
      {grants.length === 0 && <Words kind="muted">Nothing: they see their own account alone.</Words>}
      <View role="list">
        {grants.map((grant) => (
          <View
            role="listitem"
            key={`${grant.role} ${grant.of}`}
            style={[styles.row, { borderBottomColor: palette.hairline }]}
          >
            <Words style={styles.words}>{grantLine(grant)}</Words>
            <IconButton
              icon="delete-outline"
              size={18}
              accessibilityLabel={`Take away: ${grantLine(grant)}`}
              onPress={() => onChange(grants.filter((one) => one !== grant))}
            />
          </View>
        ))}
      </View>
      {isAdding ? (
        <NewGrant
          onAdd={(grant) => {
            onChange([...grants.filter((one) => !isSame(one, grant)), grant]);
            setAdding(false);
          }}
        />
      ) : (
        <Button mode="outlined" icon="plus" onPress={() => setAdding(true)} style={styles.button} testID="grant-add">
          Another role
        </Button>
      )}
    </View>
  );
}

const SCOPE_LABEL = { application: 'Of which application', team: 'Of which team' } as const;

function NewGrant({ onAdd }: { onAdd: (grant: Grant) => void }) {
  const [role, setRole] = useState<Role>('viewer');
  const [of, setOf] = useState('');
  const [until, setUntil] = useState('');
  const scope = SCOPE_OF[role];
  const untilMs = until.trim() === '' ? null : parseLocal(until);
  const isWrong = Number.isNaN(untilMs);
  const isMissing = scope !== undefined && of.trim() === '';
  return (
    <View style={styles.new}>
      <Choice
        label="Role"
        options={ROLES.map((one) => ({ value: one, words: ROLE_WORDS[one], detail: ROLE_PURPOSE[one] }))}
        chosen={role}
        onChoose={setRole}
      />
      {scope && <Field label={SCOPE_LABEL[scope]} value={of} onChange={setOf} hint="By its name." testID="grant-of" />}
      <Field
        label={`Until (${zoneName()})`}
        value={until}
        onChange={setUntil}
        hint="Year-month-day hour:minute. Empty: without an end."
        error={isWrong ? 'Write the end as year-month-day hour:minute.' : undefined}
        testID="grant-until"
      />
      <Button
        mode="outlined"
        disabled={isWrong || isMissing}
        onPress={() => onAdd({ role, of: scope ? of.trim() : '', untilMs })}
        style={styles.button}
        testID="grant-give"
      >
        Add this role
      </Button>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1 },
  words: { flex: 1, minWidth: 0 },
  new: { gap: SPACE.s },
  button: { alignSelf: 'flex-start', marginTop: SPACE.xs },
});
