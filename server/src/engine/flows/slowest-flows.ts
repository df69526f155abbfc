import type { SlowestFlowsShape } from '../../contract/flows';
import { walkedPart } from '../reading/each-attempt';
import { sampleShapes } from '../reading/samples';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';
import type { FlowsQuestion } from '../state/questions';
import { flowTable } from './flow-table';

const FLOWS = 5;
const ATTEMPTS = 3;
/** A flow with fewer attempts has no 95th percentile worth the name. */
const FEWEST = 30;

/** The flows with the longest 95th percentile, each with its slowest single attempts. */
export async function slowestFlows(state: EngineState, question: FlowsQuestion): Promise<SlowestFlowsShape> {
  const window = walkedPart(resolveWindow(state, question.window));
  const { rows } = await flowTable(state, { ...question, window, against: 'nothing' });
  const slowest = rows
    .flatMap(({ p95Ms, ...row }) => (p95Ms !== null && row.attempts >= FEWEST ? [{ ...row, p95Ms }] : []))
    .sort((a, b) => b.p95Ms - a.p95Ms || a.id - b.id)
    .slice(0, FLOWS);
  return {
    window,
    flows: await Promise.all(
      slowest.map(async ({ id, name, application, p95Ms, limitMs }) => ({
        id,
        name,
        application,
        p95Ms,
        limitMs,
        samples: await sampleShapes(state, {
          flow: id,
          window,
          failures: false,
          onlyLate: false,
          most: ATTEMPTS,
          focus: question.focus,
        }),
      })),
    ),
  };
}
