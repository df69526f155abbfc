import { usePathname } from 'expo-router';
import { useState, type ComponentProps, type ReactNode } from 'react';
import { Pressable, StyleSheet, View, type StyleProp, type ViewStyle } from 'react-native';
import { Icon } from '@/look/icon';
import { useIsWide, usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { Door } from './door';
import { ServerNotice } from './server-notice';
import { useSession } from './session';
import { Sheet } from './sheet';
import { SHORTCUTS, shortcutsAreOn, switchShortcuts, useShortcuts } from './shortcuts';
import { useView } from './view';

const PLACES = [
  { path: '/', words: 'Worst first', icon: 'format-align-left' },
  { path: '/flows', words: 'Flows', icon: 'chart-timeline-variant' },
  { path: '/people', words: 'People', icon: 'account-group-outline' },
  { path: '/promises', words: 'Promises', icon: 'scale-balance' },
  { path: '/sent', words: 'Sent', icon: 'send-outline' },
] as const;

const MAIN = 'content';

const isHere = (path: string, pathname: string) =>
  path === '/'
    ? pathname === '/' || pathname.startsWith('/incident') || pathname.startsWith('/board')
    : pathname.startsWith(path) ||
      (path === '/promises' && pathname.startsWith('/standing')) ||
      (path === '/people' && pathname.startsWith('/page-load')) ||
      (path === '/flows' &&
        (pathname.startsWith('/flow') ||
          pathname.startsWith('/attempt') ||
          pathname.startsWith('/component') ||
          pathname.startsWith('/estate') ||
          pathname.startsWith('/journey')));

/** Places below on a phone, at the side on a wide screen; the rest is the place itself. */
export function Frame({ children }: { children: ReactNode }) {
  const isWide = useIsWide();
  const palette = usePalette();
  const pathname = usePathname();
  const { go } = useView();
  const { who } = useSession();
  const [isHelpOpen, setHelpOpen] = useState(false);
  useShortcuts({
    '1': () => go('/'),
    '2': () => go('/flows'),
    '3': () => go('/people'),
    '4': () => go('/promises'),
    '5': () => go('/sent'),
    '?': () => setHelpOpen(true),
  });
  const places = (
    <View
      role="navigation"
      aria-label="Places"
      style={[isWide ? styles.rail : styles.tabs, { backgroundColor: palette.surface, borderColor: palette.hairline }]}
    >
      {PLACES.map(({ path, words, icon }) => {
        const here = isHere(path, pathname);
        const colour = here ? palette.action : palette.muted;
        const edge = isWide
          ? { borderLeftColor: here ? palette.action : 'transparent' }
          : { borderTopColor: here ? palette.action : 'transparent' };
        return (
          <Door key={path} path={path} isHere={here} style={[isWide ? styles.railItem : styles.tab, edge]}>
            <Icon name={icon} size={24} color={colour} />
            <Words kind="small" style={{ color: colour, fontWeight: here ? '600' : '400' }}>
              {words}
            </Words>
          </Door>
        );
      })}
      {isWide && (
        <Aside
          path="/account"
          icon="account-circle-outline"
          words={who?.name ?? 'Visitor'}
          style={[styles.railItem, styles.help]}
        />
      )}
      <Aside path="/settings" icon="cog-outline" words="Settings" style={isWide ? styles.railItem : styles.account} />
      {isWide && (
        <Pressable
          role="button"
          aria-label="Keyboard shortcuts"
          onPress={() => setHelpOpen(true)}
          style={styles.railItem}
        >
          <Icon name="keyboard-outline" size={22} color={palette.muted} />
        </Pressable>
      )}
    </View>
  );
  return (
    <View style={[styles.frame, isWide && styles.side, { backgroundColor: palette.paper }]}>
      <SkipLink />
      {isWide && places}
      <View style={styles.place}>
        <ServerNotice />
        <View role="main" nativeID={MAIN} tabIndex={-1} style={styles.place}>
          {children}
        </View>
      </View>
      {!isWide && places}
      {isHelpOpen && (
        <Sheet title="Keyboard shortcuts" onClose={() => setHelpOpen(false)}>
          <ShortcutSwitch />
          {SHORTCUTS.map(([key, words]) => (
            <View key={key} style={styles.shortcut}>
              <Words kind="strong" style={styles.key}>
                {key}
              </Words>
              <Words>{words}</Words>
            </View>
          ))}
        </Sheet>
      )}
    </View>
  );
}

/** Not a place of work: who looks, and the settings. */
function Aside({
  path,
  icon,
  words,
  style,
}: {
  path: string;
  icon: ComponentProps<typeof Icon>['name'];
  words: string;
  style: StyleProp<ViewStyle>;
}) {
  const palette = usePalette();
  const isHere = usePathname().startsWith(path);
  const colour = isHere ? palette.action : palette.muted;
  return (
    <Door path={path} isHere={isHere} style={style}>
      <Icon name={icon} size={24} color={colour} />
      <Words kind="small" numberOfLines={1} style={[styles.aside, { color: colour }]}>
        {words}
      </Words>
    </Door>
  );
}

/** Keys without a modifier can be switched off: who speaks to the screen would press them by mistake (WCAG 2.1.4). */
function ShortcutSwitch() {
  const [areOn, setOn] = useState(shortcutsAreOn());
  const toggle = () => {
    switchShortcuts(!areOn);
    setOn(!areOn);
  };
  return (
    <Pressable role="switch" aria-checked={areOn} onPress={toggle} style={styles.shortcut} testID="shortcut-switch">
      <Words kind="strong">
        {areOn ? 'Single keys are on. Switch them off' : 'Single keys are off. Switch them on'}
      </Words>
    </Pressable>
  );
}

/** The first stop of the keyboard: past the places, to what the page is about. Seen only while it has the focus. */
function SkipLink() {
  const palette = usePalette();
  const [isSeen, setSeen] = useState(false);
  return (
    <Pressable
      role="link"
      onFocus={() => setSeen(true)}
      onBlur={() => setSeen(false)}
      onPress={() => document.getElementById(MAIN)?.focus()}
      style={[styles.skip, isSeen ? { top: SPACE.s } : styles.hidden, { backgroundColor: palette.surface }]}
    >
      <Words style={{ color: palette.action }}>Skip to the content</Words>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  frame: { flex: 1 },
  side: { flexDirection: 'row' },
  place: { flex: 1, minHeight: 0 },
  tabs: { flexDirection: 'row', borderTopWidth: 1, height: 60 },
  tab: { flex: 1, alignItems: 'center', justifyContent: 'center', borderTopWidth: 3, marginTop: -1 },
  rail: { width: 84, borderRightWidth: 1, paddingTop: SPACE.l },
  railItem: {
    minHeight: 60,
    alignItems: 'center',
    justifyContent: 'center',
    borderLeftWidth: 3,
    borderLeftColor: 'transparent',
  },
  help: { marginTop: 'auto' },
  account: {
    width: 76,
    alignItems: 'center',
    justifyContent: 'center',
    borderTopWidth: 3,
    borderTopColor: 'transparent',
    marginTop: -1,
  },
  skip: { position: 'absolute', left: SPACE.s, padding: SPACE.s, zIndex: 10 },
  hidden: { top: -100 },
  aside: { maxWidth: 80, textAlign: 'center' },
  shortcut: { flexDirection: 'row', minHeight: 32, alignItems: 'center' },
  key: { width: 72 },
});
