import type { ReactNode } from 'react';
import { StyleSheet, Text, type TextProps, type TextStyle } from 'react-native';
import { FONT, type Palette } from './tokens';
import { usePalette } from './look';

export type Kind = 'title' | 'section' | 'rank' | 'strong' | 'body' | 'small' | 'muted' | 'code';

export type Props = TextProps & {
  /** what the text is, which says how it looks */
  kind?: Kind;
  /** heading level for a screen reader */
  level?: 1 | 2 | 3;
  children: ReactNode;
};

const colourOf = (kind: Kind, palette: Palette) => (kind === 'muted' || kind === 'small' ? palette.muted : palette.ink);

/** All text of the interface: one family of sizes, figures of equal width. */
export function Words({ kind = 'body', level, style, ...rest }: Props) {
  const palette = usePalette();
  const heading = level === undefined ? {} : { role: 'heading' as const, 'aria-level': level };
  return <Text {...heading} {...rest} style={[styles.base, styles[kind], { color: colourOf(kind, palette) }, style]} />;
}

const sans: TextStyle = { fontFamily: FONT.sans, fontVariant: ['tabular-nums'] };

const styles = StyleSheet.create({
  base: sans,
  title: { fontFamily: FONT.serif, fontSize: 25, lineHeight: 31, fontWeight: '600' },
  section: { fontFamily: FONT.serif, fontSize: 18, lineHeight: 24, fontWeight: '600' },
  rank: { fontFamily: FONT.serif, fontSize: 28, lineHeight: 32, fontWeight: '600' },
  strong: { fontFamily: FONT.sansBold, fontSize: 16, lineHeight: 21, fontWeight: '600' },
  body: { fontSize: 16, lineHeight: 22 },
  muted: { fontSize: 15, lineHeight: 20 },
  code: { fontFamily: 'monospace', fontSize: 14, lineHeight: 19 },
  small: { fontSize: 14, lineHeight: 18, fontWeight: '400' },
});
