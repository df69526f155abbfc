import { titleOf } from '@toplens/core/boards';
import { useBoardLinks, useMakeBoardLink, useRevokeBoardLink, type Board } from '@/data/boards';
import { SharedLinks } from '@/frame/shared-links';
import { Sheet } from '@/frame/sheet';
import { Trouble } from '@/frame/trouble';
import { Words } from '@/look/text';

const WHOLE = 'board';

/** Read-only pages of a board, or of one of its tiles, for people who have no login. */
export function BoardLinksSheet({ board, onClose }: { board: Board; onClose: () => void }) {
  const { data, error, refetch } = useBoardLinks(board.name);
  const make = useMakeBoardLink(board.name);
  const revoke = useRevokeBoardLink(board.name);
  const options = [
    { value: WHOLE, words: 'the whole board' },
    ...board.tiles.map((tile, i) => ({ value: String(i), words: titleOf(tile) })),
  ];
  return (
    <Sheet title="Links for people without a login" needs="share" onClose={onClose}>
      <Words kind="muted">
        Read-only, without persons, and without the names of who was told or who changed something. Whoever has a link
        can open it until it ends. A link to the whole board shows it as it is arranged then; a link to one tile shows
        that tile as it is now, with figures of then.
      </Words>
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      <SharedLinks
        label="What the link opens"
        options={options}
        links={data?.links ?? []}
        make={{
          ...make,
          mutate: ({ what, days }) => make.mutate(what === WHOLE ? { days } : { tile: Number(what), days }),
        }}
        made={make.data?.url}
        revoke={{ ...revoke, mutate: (link) => revoke.mutate(link) }}
      />
    </Sheet>
  );
}
