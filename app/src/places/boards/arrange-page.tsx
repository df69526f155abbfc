import { yupResolver } from '@hookform/resolvers/yup';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { useFieldArray, useForm, useWatch } from 'react-hook-form';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button, IconButton } from 'react-native-paper';
import { useBoards, type Board } from '@/data/boards';
import { useChangeSetting } from '@/data/settings';
import { FormField } from '@/frame/form-field';
import { SaveBar } from '@/frame/save-bar';
import { Trouble } from '@/frame/trouble';
import { useWho } from '@/frame/who';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { boardOf, boardSchema, boardsWith, NEW_TILE, tileOf, valuesOf, type BoardValues } from './board-form';
import { boardPath } from './board-page';
import { tileWords } from './board-words';
import { NEW_BOARD } from './boards-place';
import { SortableTiles } from './sortable-tiles';
import { TileFields } from './tile-fields';

/** Name, role and tiles of a board: added, changed, brought into order, taken away; or a board that is not there yet. */
export function ArrangePage({ name }: { name: string }) {
  const { data, error, refetch } = useBoards();
  const board = data?.boards.find((one) => one.name === name);
  const isNew = name === NEW_BOARD;
  return (
    <ScrollView style={styles.fill} contentContainerStyle={styles.content}>
      <Words kind="title" level={1}>
        {isNew ? 'A new board' : `Arrange ${name}`}
      </Words>
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      {data && !board && !isNew && <Words>{`No board is called “${name}”.`}</Words>}
      {data && (board ?? isNew) && <ArrangeForm all={data.boards} board={board} />}
    </ScrollView>
  );
}

function ArrangeForm({ all, board }: { all: readonly Board[]; board: Board | undefined }) {
  const router = useRouter();
  const change = useChangeSetting();
  const [who, setWho] = useWho();
  const [open, setOpen] = useState<string>();
  const others = all.map(({ name }) => name).filter((name) => name !== board?.name);
  const form = useForm<BoardValues>({
    resolver: yupResolver(boardSchema(others)) as never,
    mode: 'onBlur',
    defaultValues: valuesOf(board, who),
  });
  const { fields, append, remove, move } = useFieldArray({ control: form.control, name: 'tiles' });
  const written = useWatch({ control: form.control, name: 'tiles' });
  useEffect(() => {
    document.title = `${board?.name ?? 'A new board'} · Top Lens`;
  }, [board?.name]);
  const leaveTo = (path: string) => router.replace(path);
  const save = (boards: Board[], by: string, then: string) => {
    setWho(by);
    change.mutate({ who: by, key: 'boards', value: boards }, { onSuccess: () => leaveTo(then) });
  };
  const submit = form.handleSubmit(
    (values) => {
      const next = boardOf(values);
      save(boardsWith(all, board?.name ?? next.name, next), values.who, boardPath(next.name));
    },
    ({ tiles }) => {
      const at = Array.isArray(tiles) ? tiles.findIndex(Boolean) : -1;
      if (at >= 0) setOpen(fields[at]?.id);
    },
  );
  const removeBoard = () => {
    const by = form.getValues('who').trim();
    if (by === '') void form.trigger('who');
    else
      save(
        all.filter(({ name }) => name !== board?.name),
        by,
        '/boards',
      );
  };
  const items = fields.map(({ id }, at) => ({ id, words: tileWords(tileOf(written[at] ?? NEW_TILE)) }));
  return (
    <>
      <FormField control={form.control} name="name" label="Name" testID="board-name" />
      <FormField control={form.control} name="for" label="For whom" hint="The role, in words." testID="board-for" />
      <FormField
        control={form.control}
        name="turnSeconds"
        label="On a wall: seconds until the next tiles"
        hint="Empty: 30."
        testID="board-turn"
      />
      <Words kind="section" level={2}>
        Tiles
      </Words>
      {fields.length === 0 && <Words kind="muted">None yet.</Words>}
      <SortableTiles items={items} onMove={move} onReach={() => setOpen(undefined)}>
        {(item, at, handle) => (
          <>
            <View style={styles.row}>
              {handle}
              <Words style={styles.words}>{item.words}</Words>
              <IconButton
                icon={open === item.id ? 'chevron-up' : 'pencil-outline'}
                size={20}
                accessibilityLabel={`${open === item.id ? 'Close' : 'Change'} ${item.words}`}
                onPress={() => setOpen(open === item.id ? undefined : item.id)}
              />
              <IconButton
                icon="delete-outline"
                size={20}
                accessibilityLabel={`Remove ${item.words}`}
                onPress={() => remove(at)}
              />
            </View>
            {open === item.id && (
              <View style={styles.fields}>
                <TileFields form={form} at={at} />
                <View style={styles.row}>
                  <Button icon="arrow-up" disabled={at === 0} onPress={() => move(at, at - 1)}>
                    Further up
                  </Button>
                  <Button icon="arrow-down" disabled={at === fields.length - 1} onPress={() => move(at, at + 1)}>
                    Further down
                  </Button>
                </View>
              </View>
            )}
          </>
        )}
      </SortableTiles>
      <Button
        mode="outlined"
        icon="plus"
        style={styles.button}
        onPress={() => append({ ...NEW_TILE })}
        testID="add-tile"
      >
        Add a tile
      </Button>
      <SaveBar
        needs="share"
        control={form.control}
        name="board"
        words="Save the board"
        saving={change}
        onSave={() => void submit()}
      />
      <View style={styles.row}>
        <Button onPress={() => leaveTo(board ? boardPath(board.name) : '/boards')}>Leave without saving</Button>
        {board && (
          <Button icon="delete-outline" onPress={removeBoard} testID="remove-board">
            Remove this board
          </Button>
        )}
      </View>
      {board && (
        <Words kind="small">
          A board that was removed comes back by undoing the change, in Settings under what was changed.
        </Words>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  content: { padding: SPACE.l, gap: SPACE.s, maxWidth: 720 },
  row: { flexDirection: 'row', flexWrap: 'nowrap', alignItems: 'center', minHeight: TOUCH },
  words: { flex: 1, minWidth: 0 },
  fields: { paddingLeft: SPACE.xl, paddingBottom: SPACE.m, gap: SPACE.xs },
  button: { alignSelf: 'flex-start' },
});
