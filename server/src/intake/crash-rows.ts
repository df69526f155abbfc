import type { Crash } from '@toplens/core/phones';
import { TableRows } from '../store/tables';
import type { CrashDetail } from '../store/phones';
import type { NameBook, NameKind } from './name-book';
import { sessionNumber } from './session-number';

export function crashRows(crashes: readonly Crash[], names: NameBook): TableRows<'phone_crash'> {
  const rows = new TableRows('phone_crash');
  for (const crash of crashes) {
    const { id, atUs, component, type, message, stack, thread, threads, trail } = crash;
    const numberOf = (kind: NameKind, text: string) => names.idOf(kind, text, component);
    rows.add({
      id,
      at_us: atUs,
      component: names.idOf('component', component),
      application: numberOf('application', crash.application),
      version: numberOf('version', crash.version),
      person: numberOf('person', crash.person),
      session: sessionNumber(crash.session),
      device: numberOf('device', crash.device),
      system: numberOf('system', crash.system),
      carrier: numberOf('carrier', crash.carrier),
      country: numberOf('region', crash.country),
      screen: numberOf('screen', crash.screen),
      type,
      message,
      stack,
      detail: { thread, threads, trail } satisfies CrashDetail,
    });
  }
  return rows;
}
