import { QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { Slot, usePathname, type ErrorBoundaryProps } from 'expo-router';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { askAhead } from '@/data/ahead';
import { isSignedOut } from '@/data/client';
import { sessionQuery } from '@/data/session';
import { Broken } from '@/frame/broken';
import { Frame } from '@/frame/frame';
import { Gate } from '@/frame/gate';
import { useSession } from '@/frame/session';
import { LookProvider } from '@/look/look';
import { SignInPage } from '@/places/sign-in/sign-in-page';

const STANDS_ALONE = /^\/(?:wall|shared|welcome)\/|^\/signed-in$/;

const queries: QueryClient = new QueryClient({
  defaultOptions: { queries: { retry: 1, staleTime: 2_000 } },
  queryCache: new QueryCache({
    // Signed out in the meantime, or ended by somebody: who looks is asked anew.
    onError: (error) => {
      if (isSignedOut(error)) void queries.invalidateQueries({ queryKey: sessionQuery.queryKey });
    },
  }),
});
askAhead(queries);

export default function Layout() {
  return (
    <SafeAreaProvider>
      <QueryClientProvider client={queries}>
        <LookProvider>
          <Gate signIn={SignInPage}>
            <Places />
          </Gate>
        </LookProvider>
      </QueryClientProvider>
    </SafeAreaProvider>
  );
}

/**
 * A wall, what is shared with people who have no login, and the way to one stand alone: no places lead away from them.
 * So does the account of whoever has to set up a second factor first, since all places lead back to it.
 */
function Places() {
  const pathname = usePathname();
  const { mustSetUpFactor } = useSession();
  if (mustSetUpFactor || STANDS_ALONE.test(pathname)) return <Slot />;
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
