// Round, as small as it can be: four screens of an invented drivers' application that tells Top Lens how it fares. It
// runs in a browser through React Native for Web; on a phone nothing of it would be different but the storage.
import { useEffect, useRef, useState } from 'react';
import { createRoot } from 'react-dom/client';
import { AppRegistry, Pressable, StyleSheet, Text, View } from 'react-native';
import { catchCrashes, startPhone, type Phone } from '../src/index';

const STARTED_MS = Date.now();
const SCREENS = ['Stop', 'Scan', 'Photo', 'Confirm'] as const;
type Screen = (typeof SCREENS)[number];
const REQUESTS: Readonly<Record<Screen, { method: string; path: string }>> = {
  Stop: { method: 'GET', path: '/stops/17' },
  Scan: { method: 'POST', path: '/scans' },
  Photo: { method: 'PUT', path: '/photos/17' },
  Confirm: { method: 'POST', path: '/stops/17/done' },
};

/** The page's own server passes what it is told on to Top Lens. */
const begin = () =>
  startPhone({
    url: location.origin,
    key: document.body.dataset.key ?? '',
    component: 'round-app',
    application: 'Round',
    version: '7.3.1-page',
    device: { model: 'Browser', system: 'Android' },
    storage: localStorage,
    traceHosts: [location.host],
  });

function Round() {
  const [phone, setPhone] = useState<Phone>();
  const [hasCrashed, setCrashed] = useState(false);
  useEffect(() => {
    let stop: (() => void) | undefined;
    void begin().then((begun) => {
      begun.launched('cold', hasCrashed ? Date.now() : STARTED_MS);
      stop = catchCrashes({
        ...begun,
        crashed: async (error) => {
          await begun.crashed(error);
          begun.stop();
          setCrashed(true);
        },
      });
      setPhone(begun);
    });
    return () => stop?.();
  }, [hasCrashed]);
  if (hasCrashed)
    return (
      <View style={styles.page}>
        <Text role="heading" style={styles.title}>
          Round crashed.
        </Text>
        <Text style={styles.text}>
          The crash was sent. It stands in Top Lens under People, Phone, in a few seconds.
        </Text>
        <Button words="Start again" onPress={() => setCrashed(false)} />
      </View>
    );
  return phone ? <Stop phone={phone} /> : null;
}

function Stop({ phone }: { phone: Phone }) {
  const [at, setAt] = useState(0);
  const [words, setWords] = useState('');
  const screen = SCREENS[at] as Screen;
  const page = useRef<View>(null);
  useEffect(() => {
    const shown = phone.screen(screen);
    const { method, path } = REQUESTS[screen];
    phone
      .fetch(path.startsWith('http') ? path : `${location.origin}${path}`, { method })
      .then((answer) => setWords(answer.ok ? '' : 'The server did not take it.'))
      .catch(() => setWords('No network: it is tried again later.'))
      .finally(() => {
        shown();
        phone.shape({ width: innerWidth, height: innerHeight }, shapeOf(page.current));
        const { memory } = performance as { memory?: { usedJSHeapSize: number } };
        if (memory) phone.usage({ memory: memory.usedJSHeapSize });
      });
  }, [phone, screen]);
  const next = (name: string) => {
    phone.tap(name);
    setAt((at + 1) % SCREENS.length);
  };
  return (
    <View style={styles.page} ref={page}>
      <Text role="heading" style={styles.title}>
        {screen}
      </Text>
      <Text style={styles.text}>
        An invented stop of an invented driver: nothing here is real but what is measured.
      </Text>
      <View role="img" style={styles.picture} aria-label="Picture of the door" />
      <Text style={styles.text}>{words}</Text>
      <Button words={at === SCREENS.length - 1 ? 'Next stop' : 'Go on'} onPress={() => next('Go on')} />
      <Button
        words="Crash"
        onPress={() => {
          phone.tap('Crash');
          keepPicture(undefined);
        }}
      />
    </View>
  );
}

/** Where things stand on the screen, by what they are; nothing that they say. */
function shapeOf(view: View | null): ['text' | 'button' | 'picture', number, number, number, number][] {
  const page = view as unknown as HTMLElement | null;
  if (!page) return [];
  return [...page.children].map((child) => {
    const { x, y, width, height } = child.getBoundingClientRect();
    const role = child.getAttribute('role');
    const kind = role === 'button' ? 'button' : role === 'img' ? 'picture' : 'text';
    return [kind, x, y, width, height];
  });
}

/** What crashes: a picture that is not there is kept. */
function keepPicture(picture: { bytes: number } | undefined): number {
  return (picture as { bytes: number }).bytes;
}

const Button = ({ words, onPress }: { words: string; onPress: () => void }) => (
  <Pressable role="button" onPress={onPress} style={styles.button}>
    <Text style={styles.words}>{words}</Text>
  </Pressable>
);

const styles = StyleSheet.create({
  page: { padding: 24, gap: 16, maxWidth: 420 },
  title: { fontSize: 28, fontWeight: '600', color: '#20281f' },
  text: { fontSize: 16, color: '#4a5348', minHeight: 20 },
  picture: { height: 180, backgroundColor: '#d9dfd3', borderRadius: 8 },
  button: {
    minHeight: 48,
    borderRadius: 8,
    backgroundColor: '#2f5d3a',
    alignItems: 'center',
    justifyContent: 'center',
  },
  words: { color: '#ffffff', fontSize: 16, fontWeight: '600' },
});

AppRegistry.registerComponent('Round', () => Round);
createRoot(document.getElementById('round') as HTMLElement).render(<Round />);
