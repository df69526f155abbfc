import { changeWords, judgeParts, partsOf, type JudgedPart } from '@toplens/core/estate';
import { figureWords, FIGURE_KINDS } from '@toplens/core/hosts';
import { proposeTeam } from '@toplens/core/handoffs';
import type { Window } from '@toplens/core/time';
import type { EstateShape, RunningPartShape } from '../../contract/infrastructure';
import { parseFlowText } from '../../names/flow-text';
import { spanActivity, partsBefore, type StoredPart } from '../../store/activity';
import { finiteOrNull } from '../reading/finite-or-null';
import { activityInHours } from '../../store/part-hours';
import { judgeAllFigures } from '../reading/hosts';
import { lastStretch, minutesOf, sameHoursEarlier, type LastStretch } from '../reading/last-stretch';
import { PerVersion } from '../state/per-version';
import type { FlowsQuestion } from '../state/questions';
import { keptShare } from '../reading/kept-share';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';

const made = new PerVersion<EstateShape>(10);

/** Everything that runs at the end of a window, against the same hours of earlier days and the time just before. */
export async function estate(
  state: EngineState,
  { window: asked }: Pick<FlowsQuestion, 'window'>,
): Promise<EstateShape> {
  const { fromMs, toMs } = resolveWindow(state, asked);
  const stretch = lastStretch({ fromMs, toMs: Math.min(toMs, state.judgedMs || Infinity) });
  return made.get(state, JSON.stringify(stretch), () => lookAtAll(state, stretch));
}

async function lookAtAll(state: EngineState, { last: window, before }: LastStretch): Promise<EstateShape> {
  const share = keptShare(state, { fromMs: before.fromMs, toMs: window.toMs });
  const earlier = sameHoursEarlier(window);
  const days = await activityInHours(state.database, earlier);
  const spans = [
    ...(await spanActivity(state.database, before, window, share)),
    ...days.flatMap(({ sums }, when) => sums.map((one) => ({ ...one, when }))),
  ];
  // Of the last hours a fair share of the traces may be left; hours were summed while all were there.
  const parts = judgeParts(partsOf(spans, days.length), {
    last: minutesOf(window) * share,
    before: minutesOf(before) * share,
    day: minutesOf(earlier[0] as Window),
  });
  const places = new Map((await partsBefore(state.database, window.toMs)).map((place) => [keyOf(place), place]));
  const odd = (await judgeAllFigures(state, window, before)).filter(
    ({ verdict }) => verdict === 'raised' || verdict === 'full',
  );
  return {
    window,
    before,
    usual: days.map(({ stretch }) => earlier[stretch] as Window),
    parts: parts.map((part) => partShape(state, part, { place: places.get(keyOf(part)), odd })),
  };
}

const keyOf = ({ component, host }: { component: string; host: string }) => `${component}\u001f${host}`;

function partShape(
  state: EngineState,
  part: JudgedPart,
  { place, odd }: { place: StoredPart | undefined; odd: Awaited<ReturnType<typeof judgeAllFigures>> },
): RunningPartShape {
  const { kind, component, host, level } = part;
  const application = place?.application ?? '';
  return {
    kind,
    component,
    host,
    application,
    region: place?.region ?? '',
    team: proposeTeam(state.settings.at().ownership, { application, component })?.team ?? '',
    version: place?.version ?? '',
    level,
    slowness: finiteOrNull(part.slowness),
    isUsualKnown: part.isUsualKnown,
    isSudden: part.isSudden,
    attemptsPerMinute: part.attemptsPerMinute,
    beforePerMinute: part.beforePerMinute,
    usualPerMinute: finiteOrNull(part.usualPerMinute),
    failing: finiteOrNull(part.failing),
    changes: part.changes.map(({ measure, operation, ratio, against }) =>
      [operation === '' ? '' : operationWords(operation), changeWords(measure, ratio, against)].join(' ').trim(),
    ),
    figures: odd
      .filter((figure) =>
        figure.component === ''
          ? host !== '' && figure.host === host
          : figure.component === component && (host === '' || figure.host === host),
      )
      .map(
        ({ figure, usual, now, host: on, against }) =>
          `${FIGURE_KINDS[figure].words}${host === '' && on !== '' ? ` on ${on}` : ''} ${figureWords(figure, now)}${Number.isNaN(usual) ? '' : `, ${AGAINST_WORDS[against]} ${figureWords(figure, usual)}`}`,
      ),
  };
}

const AGAINST_WORDS = { day: 'at the same time of the day before', before: 'just before' } as const;

/** Entries are told by the text of their flow. */
const operationWords = (operation: string) => parseFlowText(operation).technicalName || operation;
