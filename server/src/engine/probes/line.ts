import { proposeTeam } from '@toplens/core/handoffs';
import {
  agreementOf,
  agreementWords,
  arePeopleOff,
  isOff,
  isTelling,
  judgementWords,
  statisticsOf,
  STANDING_WORDS,
  whereItLies,
  WHERE_WORDS,
  type ProbePlace,
} from '@toplens/core/probes';
import type { ProbeLineShape } from '../../contract/probes';
import type { JudgedProbeRun, ProbeAtSite } from '../reading/probe-runs';
import type { EngineState } from '../state/engine-state';
import type { PeopleOf } from './people-at';

/** The newest runs, drawn as a strip. */
const MOST_RECENT = 30;

export const runWords = ({ judgement, fault, steps }: JudgedProbeRun): string =>
  judgementWords(judgement, fault || (steps.find(({ failed }) => failed)?.message ?? ''));

/** Where what a probe sees lies, by how it stands from its other sites. */
export const placeOf = (line: ProbeAtSite, all: readonly ProbeAtSite[]): ProbePlace =>
  whereItLies(
    all
      .filter(({ probe, site }) => probe === line.probe && site !== line.site)
      .map(({ standing }) => standing.standing),
  );

/** Whom it is for: the site's own team, or that of the application. */
export function teamOf(
  { settings }: EngineState,
  { application, site }: ProbeAtSite,
  place: ProbePlace,
): string | null {
  const subject = place === 'application' ? { application } : { application, component: `line of ${site}` };
  return proposeTeam(settings.at().ownership, subject)?.team ?? null;
}

/** @param all every probe at every site, this one among them */
export function lineOf(
  state: EngineState,
  line: ProbeAtSite,
  { all, people }: { all: readonly ProbeAtSite[]; people: PeopleOf | undefined },
): ProbeLineShape {
  const { probe, application, site, setting, everyMs, runs, inMaintenance, standing } = line;
  const { reachable, medianMs, p95Ms, ...counts } = statisticsOf(
    runs.map(({ atMs, durationMs, judgement }) => ({ atMs, durationMs, verdict: judgement.verdict })),
    everyMs,
  );
  const place = placeOf(line, all);
  const atSite = people?.atSites.get(site);
  const compared = atSite ?? people?.everywhere;
  const agreement = agreementOf(
    isTelling(standing.standing) ? isOff(standing.standing) : undefined,
    compared && arePeopleOff(compared.now, compared.before),
  );
  // Of the runs that this standing rests on; none of them where the window is short, or nothing came.
  const last = runs.findLast(({ judgement }) => judgement.verdict === standing.standing);
  return {
    probe,
    application,
    site,
    isScripted: setting !== undefined,
    everyMs,
    standing: standing.standing,
    sinceMs: standing.sinceMs ?? null,
    words: last ? runWords(last) : STANDING_WORDS[standing.standing],
    whereWords: isOff(standing.standing) ? WHERE_WORDS[place] : '',
    team: isOff(standing.standing) ? teamOf(state, line, place) : null,
    ...counts,
    // What is left out on purpose did not fail to come.
    missed: Math.max(0, counts.missed - inMaintenance),
    inMaintenance,
    reachable: reachable ?? null,
    medianMs: medianMs ?? null,
    p95Ms: p95Ms ?? null,
    agreement,
    agreementWords: agreementWords(agreement, atSite ? `at ${site}` : `of ${application}`),
    recent: runs
      .slice(-MOST_RECENT)
      .map((run) => ({ id: run.id, atMs: run.atMs, verdict: run.judgement.verdict, words: runWords(run) })),
  };
}
