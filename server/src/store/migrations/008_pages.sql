-- One view of one page in a browser. It is told several times, more of it each time; the highest sequence stays.
CREATE TABLE page_view (
  view int8 PRIMARY KEY,
  sequence int2 NOT NULL,
  started_us int8 NOT NULL,
  -- index of VIEW_KINDS
  kind int2 NOT NULL,
  -- numbers of names
  component int NOT NULL,
  application int NOT NULL,
  version int NOT NULL,
  page int NOT NULL,
  person int NOT NULL,
  session int8 NOT NULL,
  tier int NOT NULL,
  country int NOT NULL,
  browser int NOT NULL,
  system int NOT NULL,
  connection int NOT NULL,
  -- share of all views that is sent
  share float8 NOT NULL,
  -- parts of the load, in the order of PARTS; all null where there was no load
  redirect_us int, cache_us int, lookup_us int, connect_us int, tls_us int, waiting_us int, transfer_us int, dom_us int, scripts_us int, resources_us int, handlers_us int,
  -- field vitals, milliseconds; cls without unit
  ttfb float8, fcp float8, lcp float8, inp float8, cls float8,
  interactions int NOT NULL,
  errors int NOT NULL,
  -- resources that failed or did not come
  missing int NOT NULL,
  -- of the server's attempt that answered the page
  trace_id uuid,
  span_id int8 NOT NULL,
  -- path, host, resources one by one
  detail jsonb NOT NULL
);
CREATE INDEX page_view_started ON page_view (started_us);
CREATE INDEX page_view_person ON page_view (person, started_us) WHERE person <> 0;
CREATE INDEX page_view_trace ON page_view (trace_id) WHERE trace_id IS NOT NULL;

-- A call that a page made in the background.
CREATE TABLE page_call (
  span_id int8 PRIMARY KEY,
  view int8 NOT NULL,
  trace_id uuid NOT NULL,
  started_us int8 NOT NULL,
  duration_us int8 NOT NULL,
  page int NOT NULL,
  -- host and path without ids
  call int NOT NULL,
  failed int2 NOT NULL
);
CREATE INDEX page_call_started ON page_call (started_us);
CREATE INDEX page_call_trace ON page_call (trace_id);

CREATE TABLE script_error (
  id int8 PRIMARY KEY,
  view int8 NOT NULL,
  at_us int8 NOT NULL,
  component int NOT NULL,
  version int NOT NULL,
  page int NOT NULL,
  person int NOT NULL,
  browser int NOT NULL,
  type text NOT NULL,
  message text NOT NULL,
  stack text NOT NULL
);
CREATE INDEX script_error_at ON script_error (at_us);
CREATE INDEX script_error_view ON script_error (view);

-- Source maps, by the script that they belong to.
CREATE TABLE source_map (
  component text NOT NULL,
  version text NOT NULL,
  -- last part of the script's path
  file text NOT NULL,
  map text NOT NULL,
  uploaded timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (component, version, file)
);
