import { usePathname } from 'expo-router';
import { createElement, useEffect, type ComponentType, type ReactNode } from 'react';
import { useSessionState, type SessionState } from '@/data/session';
import { Session } from './session';

/** Opened without a sign-in, by a link's secret or on the way to one. */
const OPEN = /^\/(?:shared|welcome)\/|^\/signed-in$/;

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
  return <Session.Provider value={data}>{children}</Session.Provider>;
}
