import type { ProbeRun, ProbeStepRun } from '@toplens/core/probes';
import { TableRows } from '../store/tables';
import type { NameBook } from './name-book';

/** Whose names count as too many, if ever there are. */
const SOURCE = 'probes';

export function probeRunRows(runs: readonly ProbeRun[], names: NameBook): TableRows<'probe_run'> {
  const rows = new TableRows('probe_run');
  for (const run of runs)
    rows.add({
      id: run.id,
      trace_id: run.traceId,
      at_us: run.atUs,
      duration_us: run.durationUs,
      probe: names.idOf('probe', run.probe, SOURCE),
      application: names.idOf('application', run.application, SOURCE),
      site: names.idOf('site', run.site, SOURCE),
      host: names.idOf('host', run.host, SOURCE),
      failed: run.failed ? 1 : 0,
      fault: run.fault,
    });
  return rows;
}

export function probeStepRows(steps: readonly ProbeStepRun[], names: NameBook): TableRows<'probe_step'> {
  const rows = new TableRows('probe_step');
  for (const step of steps)
    rows.add({
      id: step.id,
      run: step.run,
      at_us: step.atUs,
      duration_us: step.durationUs,
      place: step.place,
      name: names.idOf('span', step.name, SOURCE),
      failed: step.failed ? 1 : 0,
      message: step.message,
      parts: step.parts ?? null,
    });
  return rows;
}
