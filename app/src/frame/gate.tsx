import { Redirect, usePathname } from 'expo-router';
import { createElement, useEffect, type ComponentType, type ReactNode } from 'react';
import { useSessionState, type SessionState } from '@/data/session';
import { Session } from './session';

/** Opened without a sign-in, by a link's secret or on the way to one. */
const OPEN = /^\/(?:shared|welcome)\/|^\/signed-in$/;

const ACCOUNT = '/account';

/** Nothing of what the server holds is drawn before it is known who looks; whoever is nobody signs in. */
export function Gate({ signIn, children }: { signIn: ComponentType<{ state: SessionState }>; children: ReactNode }) {
  const pathname = usePathname();
  const { data, error } = useSessionState();
  useEffect(() => {
    // A page that the browser kept for its back button shows who was signed in then.
    const lookAgain = ({ persisted }: PageTransitionEvent) => persisted && window.location.reload();
    window.addEventListener('pageshow', lookAgain);
    return () => window.removeEventListener('pageshow', lookAgain);
  }, []);
  if (OPEN.test(pathname)) return children;
  // Where the server cannot be reached, each place says so.
  if (!data) return error ? children : null;
  if (data.who === null && !data.isVisitor) return createElement(signIn, { state: data });
  // Whoever has to set up a second factor sees their own account alone.
  if (data.mustSetUpFactor && pathname !== ACCOUNT) return <Redirect href={ACCOUNT} />;
  return <Session.Provider value={data}>{children}</Session.Provider>;
}
