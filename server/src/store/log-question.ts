import type { Window } from '@toplens/core/time';

export interface LogQuestion {
  components: readonly string[];
  now: Window;
  before: Window;
  /** lines in traces of other flows are not read; null: whatever they belong to */
  flows: readonly number[] | null;
  /** of these only lines that belong to a trace of the flows are read */
  withTraceOnly: readonly string[];
  /** what was left out, and why, in words */
  leftOut: readonly string[];
}
