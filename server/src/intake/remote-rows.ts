import type { RemoteSample } from '@toplens/core/remote';
import { TableRows } from '../store/tables';
import type { NameBook, NameKind } from './name-book';
import { sessionNumber } from './session-number';

export function remoteRows(samples: readonly RemoteSample[], names: NameBook): TableRows<'remote_sample'> {
  const rows = new TableRows('remote_sample');
  for (const { session, atUs, roundTripMs, component, ...sample } of samples) {
    const numberOf = (kind: NameKind, text: string) => names.idOf(kind, text, component);
    rows.add({
      session: sessionNumber(session),
      at_us: atUs,
      round_trip_ms: roundTripMs,
      client: numberOf('host', sample.client),
      site: numberOf('site', sample.site),
      server: numberOf('server', sample.server),
      centre: numberOf('zone', sample.centre),
    });
  }
  return rows;
}
