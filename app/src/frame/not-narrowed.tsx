import { Words } from '@/look/text';
import { narrowedOf, useView } from './view';

/**
 * Says so where a filter is set and what is shown does not follow it.
 *
 * @param but what it does follow
 */
export function NotNarrowed({ what, but = [] }: { what: string; but?: readonly string[] }) {
  const { view } = useView();
  if (Object.keys(narrowedOf(view)).every((name) => but.includes(name))) return null;
  return <Words kind="small">{`The filter does not apply here: ${what}.`}</Words>;
}
