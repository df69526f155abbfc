import { MOMENT_KINDS, type Moment } from '@toplens/core/phones';
import { TableRows } from '../store/tables';
import type { MomentDetail } from '../store/phone-moments';
import type { NameBook, NameKind } from './name-book';
import { sessionNumber } from './session-number';

export function momentRows(moments: readonly Moment[], names: NameBook): TableRows<'phone_moment'> {
  const rows = new TableRows('phone_moment');
  for (const moment of moments) {
    const { component, kind, message, shape } = moment;
    const numberOf = (kind: NameKind, text: string) => names.idOf(kind, text, component);
    rows.add({
      id: moment.id,
      at_us: moment.atUs,
      session: sessionNumber(moment.session),
      kind: MOMENT_KINDS.indexOf(kind),
      component: names.idOf('component', component),
      application: numberOf('application', moment.application),
      version: numberOf('version', moment.version),
      device: numberOf('device', moment.device),
      carrier: numberOf('carrier', moment.carrier),
      country: numberOf('region', moment.country),
      what: numberOf('call', moment.what),
      duration_us: moment.durationUs,
      failed: moment.failed ? 1 : 0,
      status: moment.status,
      bytes_in: orNull(moment.bytesIn),
      bytes_out: orNull(moment.bytesOut),
      cpu: orNull(moment.cpu),
      memory: orNull(moment.memory),
      trace_id: moment.traceId || null,
      span_id: moment.spanId,
      detail:
        shape || message ? ({ ...(message && { message }), ...(shape && { shape }) } satisfies MomentDetail) : null,
    });
  }
  return rows;
}

const orNull = (value: number): number | null => (Number.isNaN(value) ? null : value);
