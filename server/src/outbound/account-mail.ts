import { messageWithLink } from '@toplens/core/alerts';
import type { AccountRow } from '../store/accounts';
import type { Database } from '../store/database';
import { newCode, putInOutbox } from '../store/outbox';
import type { Channels } from './channels';

/** Tells somebody that how they sign in was changed. */
export type TellOwner = (account: Pick<AccountRow, 'name' | 'mail'>, what: string, from: string) => Promise<void>;

/**
 * By mail, so that whoever did not do it learns of it (NIST SP 800-63B-4, 4.6; OWASP ASVS 4.0, 2.2.3). Nothing where no
 * mail server is set up, or the person has no address.
 */
export const tellingOwner =
  (database: Database, channels: Pick<Channels, 'missing'>, publicUrl: string): TellOwner =>
  async ({ name, mail }, what, from) => {
    if (mail === '' || channels.missing('mail') !== '') return;
    const nowMs = Date.now();
    const code = newCode();
    const subject = `Top Lens: ${what}`;
    const when = new Date(nowMs).toUTCString();
    const message = messageWithLink(
      {
        subject,
        paragraphs: [
          `${name}, ${what}: ${when}, from ${from || 'an unknown address'}.`,
          'If you did not do this, tell an administrator at once.',
        ],
        door: 'Your account',
        short: `${subject}.`,
      },
      `${publicUrl}/m/${code}`,
    );
    const more = { conversation: null, stage: 'account', receiver: name, person: '', path: '/account' } as const;
    await database.transaction([putInOutbox({ ...more, code, channel: 'mail', address: mail, message }, nowMs)]);
  };
