import type { RequestHandler } from 'express';
import session from 'express-session';
import type { InstallationKeys } from './installation-keys';
import type { SessionStore } from './session-store';

/**
 * The cookie that a browser holds. Over HTTPS its name binds it to this very server (`__Host-`, RFC 6265bis 4.1.3.2);
 * plain HTTP is for a server that is asked on its own machine.
 */
export const sessions = (store: SessionStore, keys: InstallationKeys, isSecure: boolean): RequestHandler =>
  session({
    store,
    name: isSecure ? '__Host-toplens' : 'toplens',
    secret: keys.of('sessions').toString('base64'),
    resave: false,
    saveUninitialized: false,
    // Without an end of its own: the server knows when it ends, and clocks of browsers differ.
    cookie: { httpOnly: true, sameSite: 'lax', secure: isSecure, path: '/' },
  });
