import { layOut } from '@toplens/core/traces';
import type { Window } from '@toplens/core/time';
import { PerVersion } from '../state/per-version';
import type { EngineState } from '../state/engine-state';
import { fairSample } from './fair-sample';
import { wholeTracesOf } from './origin';

const MOST = 20;
const found = new PerVersion<string[]>(60);

/** Components that a flow's attempts pass, told by a fair few of them. */
export const componentsOfFlow = (state: EngineState, flow: number, window: Window): Promise<string[]> =>
  found.get(state, `${flow}:${window.fromMs}:${window.toMs}`, async () => {
    const sample = await fairSample(state, { flow, window, most: MOST }, () => true);
    const components = new Set<string>();
    for (const { spanId, spans } of await wholeTracesOf(state, sample))
      for (const { holder, isMissing } of layOut(spans, spanId).rows) if (!isMissing) components.add(holder);
    return [...components].sort();
  });
