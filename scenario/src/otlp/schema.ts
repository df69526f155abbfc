/**
 * The part of the published OTLP schema (opentelemetry-proto 1.x: trace, logs, metrics, common, resource) that the
 * simulated senders need, as protobuf text.
 */
export const OTLP_SCHEMA = `
syntax = "proto3";
package opentelemetry.proto;
message ExportTraceServiceRequest { repeated ResourceSpans resource_spans = 1; }
message ResourceSpans { Resource resource = 1; repeated ScopeSpans scope_spans = 2; string schema_url = 3; }
message Resource { repeated KeyValue attributes = 1; uint32 dropped_attributes_count = 2; }
message ScopeSpans { InstrumentationScope scope = 1; repeated Span spans = 2; string schema_url = 3; }
message InstrumentationScope { string name = 1; string version = 2; }
message KeyValue { string key = 1; AnyValue value = 2; }
message AnyValue { oneof value { string string_value = 1; bool bool_value = 2; int64 int_value = 3; double double_value = 4; } }
message Span {
  bytes trace_id = 1; bytes span_id = 2; string trace_state = 3; bytes parent_span_id = 4; string name = 5;
  enum SpanKind { SPAN_KIND_UNSPECIFIED = 0; SPAN_KIND_INTERNAL = 1; SPAN_KIND_SERVER = 2; SPAN_KIND_CLIENT = 3; SPAN_KIND_PRODUCER = 4; SPAN_KIND_CONSUMER = 5; }
  SpanKind kind = 6; fixed64 start_time_unix_nano = 7; fixed64 end_time_unix_nano = 8; repeated KeyValue attributes = 9;
  message Event { fixed64 time_unix_nano = 1; string name = 2; repeated KeyValue attributes = 3; }
  repeated Event events = 11;
  Status status = 15;
}
message Status { string message = 2; enum StatusCode { STATUS_CODE_UNSET = 0; STATUS_CODE_OK = 1; STATUS_CODE_ERROR = 2; } StatusCode code = 3; }
message ExportLogsServiceRequest { repeated ResourceLogs resource_logs = 1; }
message ResourceLogs { Resource resource = 1; repeated ScopeLogs scope_logs = 2; }
message ScopeLogs { InstrumentationScope scope = 1; repeated LogRecord log_records = 2; }
message LogRecord {
  fixed64 time_unix_nano = 1; int32 severity_number = 2; AnyValue body = 5; repeated KeyValue attributes = 6; bytes trace_id = 9; bytes span_id = 10;
  string event_name = 12;
}
message ExportMetricsServiceRequest { repeated ResourceMetrics resource_metrics = 1; }
message ResourceMetrics { Resource resource = 1; repeated ScopeMetrics scope_metrics = 2; }
message ScopeMetrics { InstrumentationScope scope = 1; repeated Metric metrics = 2; }
message Metric { string name = 1; string unit = 3; oneof data { Gauge gauge = 5; Sum sum = 7; } }
message Gauge { repeated NumberDataPoint data_points = 1; }
message Sum { repeated NumberDataPoint data_points = 1; int32 aggregation_temporality = 2; bool is_monotonic = 3; }
message NumberDataPoint { repeated KeyValue attributes = 7; fixed64 start_time_unix_nano = 2; fixed64 time_unix_nano = 3; double as_double = 4; }
`;
