import type { OutView } from './page-views';

const nanos = (ms: number) => `${Math.round(ms * 1000)}000`;
const attributes = (values: Record<string, string | number>) =>
  Object.entries(values)
    .filter(([, value]) => value !== '')
    .map(([key, value]) => ({
      key,
      value: typeof value === 'number' ? { doubleValue: value } : { stringValue: value },
    }));

/** Views as browsers send them: OTLP logs in their JSON mapping, each browser under a resource of its own. */
export const encodeViews = (views: readonly OutView[]): Uint8Array =>
  Buffer.from(
    JSON.stringify({
      resourceLogs: views.map((view) => ({
        resource: { attributes: attributes(view.resource) },
        scopeLogs: [{ logRecords: recordsOf(view) }],
      })),
    }),
  );

function recordsOf(view: OutView): object[] {
  const records = [
    { timeUnixNano: nanos(view.atMs), eventName: 'toplens.page_view', attributes: attributes(view.attributes) },
  ];
  if (!view.error) return records;
  const shared = Object.fromEntries(
    ['session.id', 'user.id', 'toplens.view.id'].map((name) => [name, view.attributes[name] ?? '']),
  );
  records.push({
    timeUnixNano: nanos(view.error.atMs),
    eventName: 'exception',
    attributes: attributes({ ...shared, 'toplens.error.id': view.error.id, ...view.error.attributes }),
  });
  return records;
}
