import { changeWords, judgeParts, partsOf, type JudgedPart } from '@toplens/core/estate';
import { figureWords, FIGURE_KINDS, type JudgedFigure } from '@toplens/core/hosts';
import { proposeTeam } from '@toplens/core/handoffs';
import type { Window } from '@toplens/core/time';
import type { EstateShape, RunningPartShape } from '../../contract/infrastructure';
import { parseFlowText } from '../../names/flow-text';
import { spanActivity, storedParts, type StoredPart } from '../../store/activity';
import { finiteOrNull } from '../reading/finite-or-null';
import { judgeHosts } from '../reading/hosts';
import { BEFORE_MINUTES, LAST_MINUTES, lastMinutes } from '../reading/last-minutes';
import { PerVersion } from '../state/per-version';
import type { FlowsQuestion } from '../state/questions';
import { keptShare } from '../reading/kept-share';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';

const made = new PerVersion<EstateShape>(10);

/** Everything that runs: its last five minutes against the hour before, at the end of a window. */
export async function estate(
  state: EngineState,
  { window: asked }: Pick<FlowsQuestion, 'window'>,
): Promise<EstateShape> {
  const toMs = Math.min(resolveWindow(state, asked).toMs, state.judgedMs || Infinity);
  const { window, before } = lastMinutes(toMs);
  return made.get(state, String(toMs), () => lookAtAll(state, window, before));
}

async function lookAtAll(state: EngineState, window: Window, before: Window): Promise<EstateShape> {
  const share = keptShare(state, { fromMs: before.fromMs, toMs: window.toMs });
  const parts = judgeParts(
    partsOf(await spanActivity(state.database, before, window, share)),
    LAST_MINUTES,
    BEFORE_MINUTES,
  );
  const places = new Map((await storedParts(state.database)).map((place) => [keyOf(place), place]));
  const components = new Set(parts.map(({ component }) => component));
  const { judged } = await judgeHosts(state, {
    components,
    hosts: new Set(parts.map(({ host }) => host).filter(Boolean)),
    now: window,
    before,
  });
  const odd = judged.filter(({ verdict }) => verdict === 'raised' || verdict === 'full');
  return {
    window,
    before,
    parts: parts.map((part) => partShape(state, part, { place: places.get(keyOf(part)), odd, share })),
  };
}

const keyOf = ({ component, host }: { component: string; host: string }) => `${component}\u001f${host}`;

function partShape(
  state: EngineState,
  part: JudgedPart,
  { place, odd, share }: { place: StoredPart | undefined; odd: readonly JudgedFigure[]; share: number },
): RunningPartShape {
  const { kind, component, host, level } = part;
  const application = place?.application ?? '';
  return {
    kind,
    component,
    host,
    application,
    region: place?.region ?? '',
    team: proposeTeam(state.settings.file.ownership, { application, component })?.team ?? '',
    version: place?.version ?? '',
    level,
    slowness: finiteOrNull(part.slowness),
    attemptsPerMinute: part.attemptsPerMinute / share,
    usualPerMinute: part.usualPerMinute / share,
    failing: finiteOrNull(part.failing),
    changes: part.changes.map(({ measure, operation, ratio }) =>
      [operation === '' ? '' : operationWords(operation), changeWords(measure, ratio)].join(' ').trim(),
    ),
    figures: odd
      .filter((figure) =>
        figure.component === ''
          ? host !== '' && figure.host === host
          : figure.component === component && (host === '' || figure.host === host),
      )
      .map(
        ({ figure, usual, now, host: on }) =>
          `${FIGURE_KINDS[figure].words}${host === '' && on !== '' ? ` on ${on}` : ''} ${figureWords(figure, now)}, in the hour before ${figureWords(figure, usual)}`,
      ),
  };
}

/** Entries are told by the text of their flow. */
const operationWords = (operation: string) => parseFlowText(operation).technicalName || operation;
