import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Incident } from '@/data/client';
import { Strip } from '@/frame/strip';
import { SPACE } from '@/look/tokens';
import { FieldPart } from '../flow/field-part';

/** Attempts of the incident's flows by time and duration, one flow at a time: the one that it began with first. */
export function IncidentField({ incident }: { incident: Incident }) {
  const flows = [...new Map(incident.parts.map(({ flowId, flow }) => [flowId, flow]))];
  const [chosen, setChosen] = useState(flows[0]?.[0]);
  const shown = flows.find(([id]) => id === chosen) ?? flows[0];
  if (!shown) return null;
  const [id, name] = shown;
  return (
    <View style={styles.box}>
      <FieldPart key={id} flow={id} title={`${name}: attempts by duration`} />
      {flows.length > 1 && (
        <Strip
          label="Flow of the field"
          options={flows.map(([value, words]) => ({ value: String(value), words }))}
          chosen={String(id)}
          onChoose={(value) => setChosen(Number(value))}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: SPACE.xs } });
