import { SpanKind } from '../telemetry';
import type { WaterfallRow } from './waterfall';

/** Where an attempt's time goes, from the caller's side down; device: the person's own, browser or phone. */
export const LAYERS = ['device', 'ownCode', 'network', 'stores', 'outside'] as const;
export type Layer = (typeof LAYERS)[number];

/**
 * An attempt's time by layer, microseconds; the layers add up to the attempt. A call whose other side left a span is on
 * the network for what its other side does not account for; one without is the time of whom it called: a store when it
 * is told as a component of its own, an outside service when it is only named.
 */
export function layersOf(rows: readonly WaterfallRow[]): Record<Layer, number> {
  const layers: Record<Layer, number> = { device: 0, ownCode: 0, network: 0, stores: 0, outside: 0 };
  const componentOf = new Map(rows.map(({ span }) => [span.spanId, span.component]));
  const parents = new Set(rows.map(({ span }) => span.parentSpanId));
  for (const { span, shareUs, holder, isMissing } of rows) {
    if (isMissing) continue;
    const caller = componentOf.get(span.parentSpanId);
    const layer: Layer =
      span.kind !== SpanKind.CLIENT
        ? span.isUserSide
          ? 'device'
          : 'ownCode'
        : parents.has(span.spanId)
          ? 'network'
          : holder !== span.component
            ? 'outside'
            : caller !== undefined && caller !== span.component
              ? 'stores'
              : 'ownCode';
    layers[layer] += shareUs;
  }
  return layers;
}
