import { grantWords } from '@toplens/core/access';
import type { Schemas } from '@/data/client';
import { clock } from '@/look/format';

type Grant = Schemas['Grant'];

/** "Application owner of Sender Portal, until 24 Dec 18:00" */
export const grantLine = (grant: Grant): string =>
  grant.untilMs === null ? grantWords(grant) : `${grantWords(grant)}, until ${clock(grant.untilMs)}`;
