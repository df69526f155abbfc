import { briefMarkdown, reproduceWords, type Brief, type ReturnedBy } from '@toplens/core/handoffs';
import { FIGURE_KINDS } from '@toplens/core/hosts';
import { failureWords, spentWords, type BillLineName } from '@toplens/core/incidents';
import { crashLines } from '@toplens/core/phones';
import { repairWords, stepWords } from '@toplens/core/journeys';
import { DIMENSION_WORDS } from '@toplens/core/telemetry';
import type { IncidentShape, SlowerStatementsShape } from '../contract/incidents';
import type { HostsShape } from '../contract/infrastructure';
import type { JourneyShape } from '../contract/journeys';
import type { CrashGroupShape, CrashPageShape, PhoneVersionShape } from '../contract/phones';
import type { LogPatternShape, LogPatternsShape } from '../contract/logs';

const LINE_WORDS: Record<BillLineName, { words: string; unit: string }> = {
  waiting: { words: 'Waited longer than usual', unit: 'min' },
  failed: { words: 'Failed or hung, no second try worked', unit: 'attempt' },
  left: { words: 'Left because of it', unit: 'person' },
  missing: { words: 'Never came', unit: 'attempt' },
  money: { words: 'Money not earned', unit: 'currency' },
  keyCustomers: { words: 'Key customers, counted again', unit: 'min' },
};

const iso = (ms: number) => new Date(ms).toISOString();

/** What else was looked at; null where it was not. */
export interface Around {
  hosts: HostsShape | null;
  /** statements that explain why it is slow */
  statements: SlowerStatementsShape['statements'];
  logs: LogPatternsShape | null;
  journeys: readonly JourneyShape[];
  crashes: CrashesAround | null;
  /** teams that gave it back before */
  returned: readonly ReturnedBy[];
}

/** Crashes on the screens that are in trouble. */
export interface CrashesAround {
  group: CrashGroupShape;
  /** one crash of it */
  example: CrashPageShape | null;
  newest: PhoneVersionShape | undefined;
}

/** So many of each kind: a brief is one page. */
const MOST_LINES = 3;
const LONGEST_PATTERN = 160;

function aroundWords({ hosts, statements, logs }: Around, failures: IncidentShape['failures']): string[] {
  const odd = hosts?.lines.filter(({ isLeftOver }) => isLeftOver) ?? [];
  const ruledOut =
    hosts?.lines.filter(({ isLeftOver }) => !isLeftOver).map(({ figure }) => FIGURE_KINDS[figure].words) ?? [];
  const said = [
    ...(logs?.surging.filter(({ isNew }) => isNew) ?? []),
    ...(logs?.rare ?? []),
    ...(logs?.surging.filter(({ isNew }) => !isNew) ?? []),
  ];
  return [
    ...failures.slice(0, MOST_LINES).map(failedWords),
    ...statements.map(({ component, statement, words }) => `statement of ${component}, ${words}: ${cut(statement)}`),
    ...odd.slice(0, MOST_LINES).map(({ words }) => words),
    ...(hosts?.restarts
      .slice(0, MOST_LINES)
      .map(({ component, host, atMs }) => `${component} on ${host} began anew at ${iso(atMs).slice(11, 16)} UTC`) ??
      []),
    ...(ruledOut.length > 0 ? [`as usual: ${ruledOut.join(', ')}`] : []),
    ...said.slice(0, MOST_LINES).map(patternWords),
  ];
}

/** What was thrown and where, with one of its messages. */
const failedWords = (failure: IncidentShape['failures'][number]): string =>
  failureWords(failure) + (failure.message === '' ? '' : `: “${cut(failure.message)}”`);

const cut = (text: string): string => (text.length > LONGEST_PATTERN ? `${text.slice(0, LONGEST_PATTERN)} …` : text);

function patternWords({ severity, now, isNew, usualRate, components, text }: LogPatternShape): string {
  const often = isNew ? `${now} lines, never before` : `${now} lines, usually ${usualRate.toFixed(1)} a minute`;
  return `log of ${components.join(', ')}, ${severity || 'no severity'}, ${often}: ${cut(text)}`;
}

/** The brief of an incident as it will be sent: one object for machines, one page for people. */
export function makeBrief(
  incident: IncidentShape,
  around: Around,
  choice: { team: string; note: string; publicUrl: string },
): { brief: Brief; markdown: string } {
  const { window } = incident;
  const isProposed = incident.proposedTeam?.team === choice.team;
  const brief: Brief = {
    incident: incident.id,
    title: incident.title,
    sentence: incident.sentence,
    level: incident.level,
    since: iso(incident.onsetMs),
    until: incident.inTroubleNow ? null : iso(incident.endMs),
    window: { from: iso(window.fromMs), to: iso(window.toMs) },
    application: incident.application,
    flows: [
      ...new Map(
        incident.parts.map((part) => [part.technicalName, { name: part.flow, technicalName: part.technicalName }]),
      ).values(),
    ],
    people: { ...incident.people, key: incident.keyPeople },
    bill: incident.bill.map((line) => ({
      name: line.name,
      ...LINE_WORDS[line.name],
      quantity: line.quantity.estimate,
      rate: line.rate,
      importance: line.importance,
      harm: line.harm.estimate,
      low: line.harm.low,
      high: line.harm.high,
    })),
    harmPoints: incident.harm.estimate,
    currency: incident.currency,
    mostHit: incident.mostHit.segments.map(({ dimension, value, words }) => ({ dimension, value, words })),
    component: originOf(incident),
    reproduce: howToReproduce(incident),
    journeys: journeysHit(incident, around.journeys),
    promises: incident.promises.slice(0, MOST_LINES).map((one) => spentWords(one, incident.currency)),
    crashes: around.crashes
      ? crashLines(around.crashes.group, around.crashes.example ?? undefined, around.crashes.newest)
      : [],
    around: aroundWords(around, incident.failures),
    saidBefore: around.returned.map(({ team, reason }) => `${team} returned it${reason === '' ? '' : `: ${reason}`}`),
    samples: incident.samples.map((sample) => ({
      at: iso(sample.atMs),
      durationMs: sample.durationMs,
      outcome: sample.outcome,
      failure: sample.failure,
      traceId: sample.traceId,
      person: sample.person,
      component: sample.component,
      link: `${choice.publicUrl}/attempt/${sample.traceId}/${sample.spanId}`,
    })),
    team: choice.team,
    teamReason: isProposed ? (incident.proposedTeam?.reason ?? '') : 'was chosen by hand',
    link: `${choice.publicUrl}/incident/${incident.id}?from=${iso(window.fromMs)}&to=${iso(window.toMs)}`,
    note: choice.note,
  };
  return { brief, markdown: briefMarkdown(brief) };
}

function howToReproduce({ parts, application, mostHit }: IncidentShape): string {
  const part = parts.find(({ signal }) => signal !== 'missing') ?? parts[0];
  return reproduceWords({
    technicalName: part?.technicalName ?? '',
    application,
    otherFlows: new Set(parts.map(({ flowId }) => flowId)).size - 1,
    signal: part?.signal ?? 'missing',
    limitMs: part?.limitMs ?? null,
    all: mostHit.all,
    bad: mostHit.bad,
    where: whereOf(mostHit.segments.find(({ by }) => by.includes('wentWrong'))),
  });
}

const whereOf = (segment: IncidentShape['mostHit']['segments'][number] | undefined) =>
  segment && { ...segment, dimension: DIMENSION_WORDS[segment.dimension] };

/** Steps at which its flows lose people beyond the usual, the costliest first. */
function journeysHit({ parts, currency }: IncidentShape, journeys: readonly JourneyShape[]): string[] {
  const flows = new Set(parts.filter(({ signal }) => signal !== 'missing').map(({ flowId }) => flowId));
  return journeys
    .flatMap((journey) =>
      journey.steps.flatMap((step, k) => {
        const repair = journey.repairs.find((one) => one.step === k);
        if (!flows.has(step.flow) || !step.isBad || !repair) return [];
        const words = stepWords(step, k === journey.steps.length - 1);
        const where = `Step ${k + 1} of ${journey.steps.length} of ${journey.name}`;
        return [{ value: repair.value, words: `${where}: ${words}. When fixed: ${repairWords(repair, currency)}` }];
      }),
    )
    .sort((a, b) => b.value - a.value)
    .slice(0, MOST_LINES)
    .map(({ words }) => words);
}

/** The first candidate with its reasons; where no trace tells, what was found when the incident was judged. */
function originOf({ origin, component }: IncidentShape): Brief['component'] {
  const [first] = origin?.candidates ?? [];
  if (!first || first.component !== component?.name) return component;
  const second = origin?.second ? `; at the same time ${origin.second}` : '';
  const changes = origin?.changes.filter((words) => !first.reasons.includes(words)) ?? [];
  return { name: first.component, words: [...first.reasons, ...changes].join('; ') + second };
}
