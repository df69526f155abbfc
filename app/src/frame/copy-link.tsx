import { usePathname } from 'expo-router';
import { View as Box } from 'react-native';
import { Words } from '@/look/text';
import { Chip } from './chip';
import { useCopy } from './copy-text';
import { useShortcuts } from './shortcuts';
import { pinned, viewQuery, type View } from './view';

export type Props = {
  view: View;
  /** what is looked at: a live window is pinned to it, so that whoever gets the link sees the same */
  window: { fromMs: number; toMs: number };
};

/** Copies a link to exactly what is on the screen, at exactly this moment. */
export function CopyLink({ view, window: looked }: Props) {
  const pathname = usePathname();
  const { said, copy } = useCopy();
  const copyLink = () => copy(`${window.location.origin}${pathname}${viewQuery(pinned(view, looked))}`);
  useShortcuts({ l: copyLink });
  return (
    <>
      <Chip words="Copy link" onPress={copyLink} accessibilityLabel="Copy link to exactly this moment" />
      <Box role="status">{said !== '' && <Words kind="small">{said}</Words>}</Box>
    </>
  );
}
