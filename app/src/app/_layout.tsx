import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useFonts } from 'expo-font';
import { Slot, usePathname, type ErrorBoundaryProps } from 'expo-router';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { askAhead } from '@/data/ahead';
import { Broken } from '@/frame/broken';
import { Frame } from '@/frame/frame';
import { LookProvider } from '@/look/look';
import { FONT } from '@/look/tokens';

const STANDS_ALONE = /^\/(?:wall|shared)\//;

const queries = new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 2_000 } } });
askAhead(queries);

export default function Layout() {
  // Text shows in the system's font until ours has come: nothing waits for a font.
  useFonts({
    [FONT.serif]: require('../../assets/fonts/source-serif.woff2'),
    [FONT.sans]: require('../../assets/fonts/source-sans.woff2'),
    [FONT.sansBold]: require('../../assets/fonts/source-sans-bold.woff2'),
  });
  return (
    <SafeAreaProvider>
      <QueryClientProvider client={queries}>
        <LookProvider>
          <Places />
        </LookProvider>
      </QueryClientProvider>
    </SafeAreaProvider>
  );
}

/** A wall, and what is shared with people who have no login, stand alone: no places lead away from them. */
function Places() {
  const pathname = usePathname();
  if (STANDS_ALONE.test(pathname)) return <Slot />;
  return (
    <Frame>
      <Slot />
    </Frame>
  );
}

/** What Expo Router shows where a screen throws, or cannot be loaded. */
export function ErrorBoundary({ error }: ErrorBoundaryProps) {
  return (
    <SafeAreaProvider>
      <LookProvider>
        <Broken error={error} onLoadAgain={() => window.location.reload()} />
      </LookProvider>
    </SafeAreaProvider>
  );
}
