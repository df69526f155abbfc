import { MAY_WAIT, type MayWait } from '@toplens/core/handoffs';
import { PRIORITIES, type Priority } from '@toplens/core/incidents';
import { number, object, type ObjectSchema } from 'yup';

export interface HandoffSetting {
  /** minutes at most, by priority: until it is accepted, and from then on until a fix is reported */
  mayWait: Record<Priority, MayWait>;
  /** after a reported fix nothing is counted for so long: it has to reach everybody first */
  settleMinutes: number;
  /** nothing is proven sooner */
  calmMinutes: number;
}

const A_DAY = 1_440;
const minutes = (most: number) => number().integer().min(0).max(most);

const mayWaitOf = (priority: Priority): ObjectSchema<MayWait> =>
  object({
    accept: minutes(31 * A_DAY).default(MAY_WAIT[priority].accept),
    fix: minutes(31 * A_DAY).default(MAY_WAIT[priority].fix),
  }).noUnknown();

export const handoffsSchema: ObjectSchema<HandoffSetting> = object({
  mayWait: object(
    Object.fromEntries(PRIORITIES.map((priority) => [priority, mayWaitOf(priority)])) as Record<
      Priority,
      ObjectSchema<MayWait>
    >,
  ).noUnknown(),
  settleMinutes: minutes(A_DAY).default(5),
  calmMinutes: minutes(A_DAY).min(5).default(15),
}).noUnknown();
