import { StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { useScriptErrors } from '@/data/pages';
import { Door } from '@/frame/door';
import { useView } from '@/frame/view';
import { figureColumn, textColumn, timeColumn, type Column } from '@/frame/table/columns';
import { TableTools } from '@/frame/table/table-tools';
import { useTable } from '@/frame/table/use-table';
import { clock, count, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { PeopleFrame } from '../people/people-frame';
import { ErrorStack } from './error-stack';
import { PageChips } from './page-chips';

type Errors = Schemas['ScriptErrors'];
type Group = Errors['groups'][number];

const COLUMNS: readonly Column<Group>[] = [
  figureColumn('people', 'People', ({ people }) => people),
  figureColumn('errors', 'Errors', ({ errors }) => errors),
  figureColumn('views', 'Views', ({ views }) => views),
  textColumn('type', 'Type', ({ type }) => type),
  textColumn('message', 'Message', ({ message }) => message),
  timeColumn('first', 'First seen', ({ firstMs }) => firstMs),
  timeColumn('last', 'Last seen', ({ lastMs }) => lastMs),
];

/** Errors that scripts threw in browsers, in groups of one place, by people met. */
export function ErrorsPlace() {
  const palette = usePalette();
  const { view } = useView();
  const { data, error, refetch } = useScriptErrors(view);
  const table = useTable(data?.groups ?? [], { name: 'script-errors', columns: COLUMNS, byDefault: '-people' });
  return (
    <PeopleFrame
      title="Script errors"
      error={error}
      hasData={data !== undefined}
      onRetry={() => void refetch()}
      maxWidth={900}
    >
      <Words kind="title" level={1}>
        Script errors
      </Words>
      <PageChips />
      {data && (
        <>
          <Words testID="errors-sentence">{errorsSentence(data)}</Words>
          {data.isCut && <Words kind="muted">There were more: the newest 5,000 are counted.</Words>}
          {data.groups.length > 1 && <TableTools table={table} />}
          <View role="list" aria-label="Script errors">
            {table.rows.map((group, i) => (
              <View
                role="listitem"
                key={i}
                style={[styles.group, { borderTopColor: palette.hairline }]}
                testID="error-group"
              >
                <ErrorStack error={group} />
                <Words kind="small">{groupFacts(group, data).join(' · ')}</Words>
                <Door path={`/page-load/${group.sampleView}`} style={styles.door}>
                  <Words style={{ color: palette.action }}>A view on which it happened</Words>
                </Door>
              </View>
            ))}
          </View>
        </>
      )}
    </PeopleFrame>
  );
}

export function errorsSentence({ groups, views }: Errors): string {
  if (views === 0)
    return 'No data: no page reported a load in this time, so no error is known. That is not the same as none.';
  if (groups.length === 0) return `No script failed on ${count(views)} ${views === 1 ? 'view' : 'views'}.`;
  const errors = groups.reduce((sum, group) => sum + group.errors, 0);
  return `${count(errors)} ${errors === 1 ? 'error' : 'errors'} of ${count(groups.length)} ${groups.length === 1 ? 'kind' : 'kinds'} on ${count(views)} views.`;
}

const groupFacts = (
  { errors, views, people, firstMs, lastMs, pages, versions, browsers }: Group,
  { views: all, window }: Errors,
): string[] =>
  [
    `${count(errors)} ${errors === 1 ? 'error' : 'errors'} on ${count(views)} ${views === 1 ? 'view' : 'views'} (${percent(all > 0 ? views / all : 0)} of all)`,
    people > 0 && `${count(people)} ${people === 1 ? 'person' : 'people'}`,
    `${clock(firstMs, window.toMs)} to ${clock(lastMs, window.toMs)}`,
    pages.length > 0 && `on ${pages.join(', ')}`,
    browsers.length > 0 && `in ${browsers.join(', ')}`,
    versions.length > 0 && `version ${versions.join(', ')}`,
  ].filter((fact) => typeof fact === 'string');

const styles = StyleSheet.create({
  group: { borderTopWidth: 1, paddingVertical: SPACE.s },
  door: { minHeight: TOUCH, justifyContent: 'center' },
});
