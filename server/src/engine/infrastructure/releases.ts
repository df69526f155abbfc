import type { ReleasesShape } from '../../contract/incidents';
import { releasesBefore, resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import type { FlowsQuestion } from '../state/questions';

/** Releases that a window can be compared with. */
export async function releases(state: EngineState, { window }: Pick<FlowsQuestion, 'window'>): Promise<ReleasesShape> {
  const known = await releasesBefore(state, resolveWindow(state, window).toMs);
  return { releases: known.map(({ firstMs, ...release }) => ({ ...release, atMs: firstMs })) };
}
