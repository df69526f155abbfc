import { readFileSync } from 'node:fs';
import { ROLES } from '@toplens/core/access';
import type { Logger } from 'pino';
import { array, number, object, string } from 'yup';
import type { Config } from '../config';
import type { Accounts } from './accounts';

const person = object({
  name: string().required(),
  mail: string().required(),
  grants: array(
    object({
      role: string().oneOf(ROLES).required(),
      of: string().default(''),
      untilMs: number().nullable().default(null),
    }),
  ).required(),
}).noUnknown();
const people = array(person).required();

/**
 * So that somebody can sign in at all: people of the demo are made, or the link is told by which whoever runs the server
 * becomes its first administrator. The link of an earlier start opens nothing any more.
 */
export async function firstSignIn(
  accounts: Accounts,
  {
    demo,
    demoPeople,
    newAdministrator,
    publicUrl,
  }: Pick<Config, 'demo' | 'demoPeople' | 'newAdministrator' | 'publicUrl'>,
  log: Logger,
): Promise<void> {
  const nowMs = Date.now();
  if (demo && demoPeople !== '' && accounts.all.length === 0) {
    const given = people.validateSync(JSON.parse(readFileSync(demoPeople, 'utf8')), { strict: false });
    for (const { name, mail, grants } of given)
      await accounts.add({ name, mail, password: '', subject: '' }, grants, nowMs);
  }
  if (demo || (accounts.hasAdministrator(nowMs) && !newAdministrator)) return;
  accounts.takesAdministrator = newAdministrator;
  const { token } = await accounts.link(null, nowMs);
  // Beside the log, on the screen of whoever starts it.
  process.stdout.write(`\nBecome an administrator of Top Lens, once, by this link:\n${publicUrl}/welcome/${token}\n\n`);
  log.info('a link by which somebody becomes an administrator was written to standard output');
}
