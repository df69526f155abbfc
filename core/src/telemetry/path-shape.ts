/** An address or path as far as its query and fragment, which may hold what is nobody's business. */
export function withoutQuery(url: string): string {
  const end = url.search(/[?#]/);
  return end < 0 ? url : url.slice(0, end);
}

/**
 * Segments of a path that look like ids become `{id}`, so that one page or flow does not become thousands; query and
 * fragment are left out.
 */
export function pathShape(path: string): string {
  return withoutQuery(path)
    .split('/')
    .map((segment) => (/\d/.test(segment) && segment.length > 1 && !/^v\d+$/.test(segment) ? '{id}' : segment))
    .join('/');
}
