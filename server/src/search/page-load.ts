import { maskText } from '@toplens/core/masking';
import { hostOfUrl, isThirdParty, VIEW_KINDS, type ViewKind } from '@toplens/core/pages';
import type { PageLoadShape } from '../contract/pages';
import type { Database } from '../store/database';
import { entriesOf } from '../store/logs';
import { errorsOfView, loadView } from '../store/pages';
import { StackReader } from './read-stack';

/** One view with all that it fetched, the errors of its scripts, and the attempts on servers that its calls led to. */
export async function pageLoad(database: Database, view: string): Promise<PageLoadShape | null> {
  const stored = await loadView(database, view);
  if (!stored) return null;
  const { kind, parts, resources, traceId, spanId: _spanId, ...rest } = stored;
  const entries = await entriesOf(
    database,
    [...resources.map((one) => one.traceId), traceId ?? ''].filter((id) => id !== ''),
  );
  const attemptOf = (trace: string) => {
    const entry = entries.get(trace);
    return entry === undefined ? null : { traceId: trace, spanId: entry.spanId };
  };
  const stacks = new StackReader(database);
  const errors = await errorsOfView(database, view);
  return {
    ...rest,
    kind: VIEW_KINDS[kind] as ViewKind,
    parts: parts.every((ms) => ms !== null) ? parts : null,
    resources: resources.map(({ spanId: _callSpan, traceId: trace, ...resource }) => ({
      ...resource,
      host: hostOfUrl(resource.url) || stored.host,
      isThirdParty: isThirdParty(resource.url, stored.host),
      attempt: attemptOf(trace),
    })),
    scriptErrors: await Promise.all(
      errors.map(async (error) => ({
        atMs: error.atMs,
        type: error.type,
        message: maskText(error.message),
        ...(await stacks.read(error)),
      })),
    ),
    attempt: attemptOf(traceId ?? ''),
  };
}
