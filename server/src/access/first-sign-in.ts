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
  { demo, demoPeople, publicUrl }: Pick<Config, 'demo' | 'demoPeople' | 'publicUrl'>,
  log: Logger,
): Promise<void> {
  const nowMs = Date.now();
  if (demo && demoPeople !== '' && accounts.all.length === 0) {
    const given = people.validateSync(JSON.parse(readFileSync(demoPeople, 'utf8')), { strict: false });
    for (const { name, mail, grants } of given)
      await accounts.add({ name, mail, password: '', subject: '' }, grants, nowMs);
  }
  if (demo || accounts.hasAdministrator(nowMs)) return;
  const { token } = await accounts.link(null, nowMs);
  // On the screen of whoever starts it, and in no log that others read.
  process.stdout.write(`\nNobody can sign in yet. Become the first administrator:\n${publicUrl}/welcome/${token}\n\n`);
  log.info('nobody can sign in yet: the link for the first administrator was written to standard output');
}
