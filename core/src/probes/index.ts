export { AGREEMENTS, agreementOf, arePeopleOff, type Agreement, type PeopleShare } from './against-people';
export { judgeRun, limitOf, RUN_VERDICTS, type JudgedRun, type RunJudgement, type RunVerdict } from './judge';
export { layersOf, STEP_LAYERS, type StepLayer } from './layers';
export {
  isProbeRun,
  isProbeStep,
  probeRunOf,
  probeStepOf,
  REQUEST_PARTS,
  type ProbeRun,
  type ProbeStepRun,
  type RequestParts,
} from './run';
export {
  filledIn,
  isBrowserStep,
  LEAST_EVERY_S,
  LONGEST_STEP_MS,
  METHODS,
  MOST_EVERY_S,
  MOST_STEPS,
  STEP_KINDS,
  whyNoScript,
  type JsonCheck,
  type Probe,
  type ProbeLimit,
  type ProbeScript,
  type ProbeStep,
  type StepKind,
} from './script';
export {
  isOff,
  isTelling,
  PROBE_STANDINGS,
  RUNS_IN_A_ROW,
  standingOf,
  type ProbeStanding,
  type Standing,
} from './standing';
export { statisticsOf, type ProbeStatistics } from './statistics';
export { PROBE_PLACES, WHERE_WORDS, whereItLies, type ProbePlace } from './where';
export { agreementWords, judgementWords, probesSentence, STANDING_WORDS } from './words';
