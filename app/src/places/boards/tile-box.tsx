import { Link } from 'expo-router';
import { Component, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { TileView } from '@/data/boards';
import { useDoorsLead } from '@/frame/doors-lead';
import { viewQuery } from '@/frame/view';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { aboutTile, viewOf } from './board-words';
import { TileContent } from './tile-content';

/** A tile: what it is, over which window and filter, and what it shows; its head is the door to the view itself. */
export function TileBox({ shown, currency, nowMs }: { shown: TileView; currency: string; nowMs: number }) {
  const palette = usePalette();
  const { tile, title, path, nothing } = shown;
  const about = aboutTile(tile);
  return (
    <View
      role="region"
      aria-label={title}
      style={[styles.tile, { borderTopColor: palette.hairline }]}
      testID={`tile-${tile.shows}`}
    >
      <Head title={title} href={path === '' ? undefined : `${path}${viewQuery(viewOf(tile))}`} />
      {about !== '' && <Words kind="small">{about}</Words>}
      {nothing !== '' ? (
        <Words kind="muted">{nothing}</Words>
      ) : (
        <WhereItBreaks>
          <TileContent shown={shown} currency={currency} nowMs={nowMs} />
        </WhereItBreaks>
      )}
    </View>
  );
}

function Head({ title, href }: { title: string; href: string | undefined }) {
  const palette = usePalette();
  const lead = useDoorsLead();
  const words = (colour: string) => (
    <Words kind="section" level={2} style={{ color: colour }}>
      {title}
    </Words>
  );
  if (href === undefined || !lead) return words(palette.ink);
  return (
    <Link href={href} style={styles.door}>
      {words(palette.action)}
    </Link>
  );
}

/** One tile that cannot be drawn leaves the others as they are. */
class WhereItBreaks extends Component<{ children: ReactNode }, { isBroken: boolean }> {
  override state = { isBroken: false };
  static getDerivedStateFromError = () => ({ isBroken: true });
  override render() {
    return this.state.isBroken ? <Words kind="muted">This tile cannot be drawn.</Words> : this.props.children;
  }
}

const styles = StyleSheet.create({
  tile: { borderTopWidth: 1, paddingVertical: SPACE.m, gap: SPACE.xs, minWidth: 0 },
  door: { minHeight: TOUCH - SPACE.l, justifyContent: 'center' },
});
