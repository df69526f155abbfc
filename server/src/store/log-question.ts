import type { Window } from '@toplens/core/time';

export interface LogQuestion {
  components: readonly string[];
  now: Window;
  before: Window;
}
