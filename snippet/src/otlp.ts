/** As much of OTLP's JSON mapping (1.x) as a page needs. */
export type Value = string | number | undefined;
export type Values = Record<string, Value>;

interface KeyValue {
  key: string;
  value: { stringValue: string } | { doubleValue: number };
}

/** Attributes that have a value; others are left out. */
export const attributes = (values: Values): KeyValue[] =>
  Object.entries(values).flatMap(([key, value]): KeyValue[] => {
    if (value === undefined || value === '') return [];
    return [{ key, value: typeof value === 'number' ? { doubleValue: value } : { stringValue: value } }];
  });

/** Nanoseconds since the epoch, as text: they do not fit a double. */
export const nanos = (ms: number): string => `${Math.round(ms * 1000)}000`;

export interface LogRecord {
  timeUnixNano: string;
  eventName: string;
  attributes: KeyValue[];
  traceId?: string;
  spanId?: string;
}

export interface Span {
  traceId: string;
  spanId: string;
  name: string;
  kind: 3;
  startTimeUnixNano: string;
  endTimeUnixNano: string;
  attributes: KeyValue[];
  status: { code: 0 | 2 };
}
