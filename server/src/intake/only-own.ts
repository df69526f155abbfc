import { textOf } from '@toplens/core/telemetry';
import { Problem } from '../errors';
import type { Records } from './records';

/**
 * A key that stands in an application on people's phones, or in a page, can be read by everybody: it is worth what its
 * application tells of itself, and no more.
 *
 * @throws Problem 'forbidden' naming what is foreign; then nothing of the request is taken
 */
export function checkOnlyOwn(records: Records, component: string): void {
  const foreign = foreignIn(records, component);
  if (foreign === undefined) return;
  throw new Problem(
    'forbidden',
    `this key is for what ${component} tells of itself on people's devices; this is ${foreign}`,
    {
      field: 'service.name',
    },
  );
}

function foreignIn(records: Records, component: string): string | undefined {
  const { attempts, toldBeside, spans, lines, points, changes, views, errors, crashes, moments, marks } = records;
  const { probeRuns, probeSteps, remote } = records;
  if (changes.length > 0) return 'a change';
  if (probeRuns.length + probeSteps.length > 0) return 'a run of a probe';
  if (remote.length > 0) return 'the way to a remote desktop';
  const server = [...attempts, ...spans].find(({ isUserSide }) => !isUserSide);
  if (server) return `a span of ${server.component} that names no device`;
  const senders = [
    ...[...attempts, ...toldBeside, ...lines, ...views, ...errors, ...crashes, ...moments].map((one) => one.component),
    // A store on the device is called by its own name.
    ...spans.filter(({ statement }) => statement === '').map((one) => one.component),
    ...points.map(({ series }) => series.component),
    ...marks.map(({ mark }) => textOf(mark.resource['service.name']) ?? ''),
  ];
  const other = senders.find((sender) => sender !== component);
  return other === undefined ? undefined : `of ${other || 'nobody'}`;
}
