import type { ComparedPerson } from '@toplens/core/sites';
import type { WorkPersonShape } from '../../contract/sites';

/** A person against like people, as it is answered. */
export const againstLike = ({
  shift,
  standardError,
  likeness,
  people,
  isOff,
}: ComparedPerson): NonNullable<WorkPersonShape['compared']> => ({
  factor: Math.exp(shift),
  low: Math.exp(shift - 1.96 * standardError),
  high: Math.exp(shift + 1.96 * standardError),
  likeness,
  like: people,
  isOff,
});
