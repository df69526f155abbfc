import type { MetricSeries } from '../telemetry';

/** What tells a series apart, as a text: the same series gives the same text whatever the order of its attributes. */
export function seriesText({ attributes, ...series }: MetricSeries): string {
  const sorted = Object.fromEntries(Object.entries(attributes).sort(([a], [b]) => (a < b ? -1 : 1)));
  const { metric, unit, kind, temporality, component, host, instance } = series;
  return JSON.stringify([metric, unit, kind, temporality, component, host, instance, sorted]);
}

export function parseSeriesText(text: string): MetricSeries {
  const [metric, unit, kind, temporality, component, host, instance, attributes] = JSON.parse(text) as [
    string,
    string,
    MetricSeries['kind'],
    MetricSeries['temporality'],
    string,
    string,
    string,
    MetricSeries['attributes'],
  ];
  return { metric, unit, kind, temporality, component, host, instance, attributes };
}
