import { StyleSheet, View } from 'react-native';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { CopyText } from './copy-text';

export type Props = {
  text: string;
  /** what it is, for the button that copies it: "the link" */
  name: string;
  /** what it opens, and that it is shown this once */
  words: string;
  isCode?: boolean;
  testID: string;
};

/** A secret that the server tells this once: to be copied now. */
export function ToldOnce({ text, name, words, isCode = false, testID }: Props) {
  const palette = usePalette();
  return (
    <View style={[styles.box, { borderColor: palette.hairline }]}>
      <Words kind={isCode ? 'code' : 'body'} selectable testID={testID}>
        {text}
      </Words>
      <Words kind="small">{words}</Words>
      <CopyText text={text} name={name} />
    </View>
  );
}

const styles = StyleSheet.create({ box: { borderWidth: 1, borderRadius: 4, padding: SPACE.m, gap: SPACE.xs } });
