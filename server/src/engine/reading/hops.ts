import type { Hop } from '@toplens/core/traces';
import type { HopShape } from '../../contract/infrastructure';

/** So many traces tell who calls whom. */
export const TRACES_LOOKED_AT = 200;

/** @param traces that were looked at */
export const hopShape = ({ totalUs, longestUs, ...hop }: Hop, traces: number): HopShape => ({
  ...hop,
  meanMs: totalUs / hop.calls / 1000,
  longestMs: longestUs / 1000,
  shareOfTraces: traces > 0 ? hop.traces / traces : 0,
});
