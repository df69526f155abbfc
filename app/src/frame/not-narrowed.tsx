import { Words } from '@/look/text';
import { narrowedOf, useView } from './view';

/** Says so where a filter is set and what is shown does not follow it. */
export function NotNarrowed({ what }: { what: string }) {
  const { view } = useView();
  if (Object.keys(narrowedOf(view)).length === 0) return null;
  return <Words kind="small">{`The filter does not apply here: ${what}.`}</Words>;
}
