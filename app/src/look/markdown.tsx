import { Link } from 'expo-router';
import { lexer, type Token, type Tokens } from 'marked';
import { Fragment } from 'react';
import { StyleSheet, Text, View } from 'react-native';
import { usePalette } from './look';
import { Words } from './text';
import { FONT, SPACE } from './tokens';

export type Props = {
  /** CommonMark with tables; HTML in it is shown as it stands, never run */
  text: string;
  /** headings begin at this level: the page around has its own */
  headingsFrom?: 1 | 2 | 3;
  testID?: string;
};

/** Markdown as people read it: headings, lists, tables, quotes and links. */
export function Markdown({ text, headingsFrom = 2, testID }: Props) {
  return (
    <View style={styles.page} testID={testID}>
      {lexer(text).map((token, i) => (
        <Block key={i} token={token} headingsFrom={headingsFrom} />
      ))}
    </View>
  );
}

function Block({ token, headingsFrom }: { token: Token; headingsFrom: number }) {
  const palette = usePalette();
  switch (token.type) {
    case 'space':
      return null;
    case 'heading':
      return (
        <Words
          kind={token.depth === 1 ? 'section' : 'strong'}
          level={Math.min(3, headingsFrom + token.depth - 1) as 1 | 2 | 3}
          selectable
        >
          <Inline tokens={token.tokens} />
        </Words>
      );
    case 'list':
      return (
        <View role="list" style={styles.list}>
          {(token as Tokens.List).items.map((item, i) => (
            <View key={i} role="listitem" style={styles.item}>
              <Words aria-hidden>•</Words>
              <Words style={styles.fill} selectable>
                <Inline tokens={item.tokens} />
              </Words>
            </View>
          ))}
        </View>
      );
    case 'blockquote':
      return (
        <View style={[styles.quote, { borderColor: palette.hairline }]}>
          {token.tokens?.map((inner, i) => (
            <Block key={i} token={inner} headingsFrom={headingsFrom} />
          ))}
        </View>
      );
    case 'table':
      return <Table table={token as Tokens.Table} />;
    default:
      return (
        <Words selectable>
          <Inline tokens={'tokens' in token && token.tokens ? token.tokens : [token]} />
        </Words>
      );
  }
}

function Table({ table }: { table: Tokens.Table }) {
  const palette = usePalette();
  const row = (cells: readonly Tokens.TableCell[], role: 'columnheader' | 'cell') =>
    cells.map((cell, i) => (
      <View key={i} role={role as never} style={i === 0 ? styles.wideCell : styles.cell}>
        <Words kind="small" selectable style={{ color: palette.ink, textAlign: cell.align ?? 'left' }}>
          <Inline tokens={cell.tokens} />
        </Words>
      </View>
    ));
  return (
    <View role="table">
      {[table.header, ...table.rows].map((cells, i) => (
        <View key={i} role="row" style={[styles.row, { borderColor: palette.hairline }]}>
          {row(cells, i === 0 ? 'columnheader' : 'cell')}
        </View>
      ))}
    </View>
  );
}

function Inline({ tokens = [] }: { tokens: readonly Token[] | undefined }) {
  const palette = usePalette();
  return tokens.map((token, i) => {
    const inner = 'tokens' in token && token.tokens ? <Inline tokens={token.tokens} /> : plainText(token);
    switch (token.type) {
      case 'strong':
        return (
          <Text key={i} style={styles.strong}>
            {inner}
          </Text>
        );
      case 'codespan':
        return (
          <Text key={i} style={styles.code}>
            {inner}
          </Text>
        );
      case 'link':
        return (
          <Link key={i} href={token.href as never} target="_blank" style={{ color: palette.action }}>
            {inner}
          </Link>
        );
      default:
        return <Fragment key={i}>{inner}</Fragment>;
    }
  });
}

/** The lexer leaves entities such as `&lt;` as they were typed. */
const plainText = (token: Token): string => ('text' in token ? String(token.text) : token.raw);

const styles = StyleSheet.create({
  page: { gap: SPACE.s },
  list: { gap: SPACE.xs },
  item: { flexDirection: 'row', gap: SPACE.s },
  fill: { flex: 1, minWidth: 0 },
  quote: { borderLeftWidth: 3, paddingLeft: SPACE.m },
  row: { flexDirection: 'row', gap: SPACE.s, borderBottomWidth: 1, paddingVertical: SPACE.xs },
  wideCell: { flex: 2, minWidth: 0 },
  cell: { flex: 1.3, minWidth: 0 },
  strong: { fontFamily: FONT.sansBold, fontWeight: '600' },
  code: { fontFamily: 'monospace', fontSize: 14 },
});
