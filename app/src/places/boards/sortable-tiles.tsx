import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import type { ReactNode } from 'react';
import { StyleSheet, View, type ViewProps } from 'react-native';
import { Icon } from '@/look/icon';
import { usePalette } from '@/look/look';
import { SPACE, TOUCH } from '@/look/tokens';

export interface SortableItem {
  id: string;
  /** what it is, for those who do not see it */
  words: string;
}

/** Before a finger drags, it rests: else the page could not be scrolled. */
const REST_MS = 180;
const SLIP = 8;

/**
 * A list whose items are brought into order: by the handle with mouse or finger; with the keyboard the handle is lifted
 * by Space, moved by the arrow keys, put down by Space, and Escape leaves all as it was.
 */
export function SortableTiles({
  items,
  onMove,
  onReach,
  children,
}: {
  items: readonly SortableItem[];
  onMove: (from: number, to: number) => void;
  /** a handle is reached, by pointer or keyboard: what stands open would be in the way */
  onReach: () => void;
  children: (item: SortableItem, at: number, handle: ReactNode) => ReactNode;
}) {
  const sensors = useSensors(
    useSensor(MouseSensor),
    useSensor(TouchSensor, { activationConstraint: { delay: REST_MS, tolerance: SLIP } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const placeOf = (id: UniqueIdentifier | undefined) => items.findIndex((one) => one.id === id);
  const put = ({ active, over }: DragEndEvent) => {
    const [from, to] = [placeOf(active.id), placeOf(over?.id)];
    if (from >= 0 && to >= 0 && from !== to) onMove(from, to);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={put}
      accessibility={{
        announcements: announcementsFor(items),
        screenReaderInstructions: {
          draggable: 'Space lifts it, the arrow keys move it, Space puts it down, Escape leaves it where it was.',
        },
      }}
    >
      <SortableContext items={items.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        <View role="list" aria-label="Tiles, in their order">
          {items.map((item, at) => (
            <Sortable key={item.id} item={item} onReach={onReach}>
              {(handle) => children(item, at, handle)}
            </Sortable>
          ))}
        </View>
      </SortableContext>
    </DndContext>
  );
}

function announcementsFor(items: readonly SortableItem[]): Announcements {
  const at = (id: UniqueIdentifier | undefined) => items.findIndex((one) => one.id === id);
  const words = (id: UniqueIdentifier) => items[at(id)]?.words ?? 'The tile';
  const place = (id: UniqueIdentifier | undefined) => `place ${at(id) + 1} of ${items.length}`;
  const lifted = (id: UniqueIdentifier) => `${words(id)} is lifted, at ${place(id)}.`;
  return {
    onDragStart: ({ active }) => lifted(active.id),
    // A tile that was just lifted lies over its own place: that is told at once, over the first words.
    onDragOver: ({ active, over }) =>
      over?.id === active.id ? lifted(active.id) : over ? `${words(active.id)} is at ${place(over.id)}.` : undefined,
    onDragEnd: ({ active, over }) => `${words(active.id)} stands at ${place(over?.id ?? active.id)}.`,
    onDragCancel: ({ active }) => `${words(active.id)} stays at ${place(active.id)}.`,
  };
}

function Sortable({
  item,
  onReach,
  children,
}: {
  item: SortableItem;
  onReach: () => void;
  children: (handle: ReactNode) => ReactNode;
}) {
  const palette = usePalette();
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: item.id,
  });
  const handle = (
    <View
      ref={setActivatorNodeRef as never}
      {...(attributes as unknown as ViewProps)}
      {...(listeners as unknown as ViewProps)}
      role="button"
      tabIndex={0}
      aria-label={`Move ${item.words}`}
      onFocus={onReach}
      style={[styles.handle, HELD]}
    >
      <Icon name="drag-vertical" size={24} color={palette.muted} />
    </View>
  );
  return (
    <View
      ref={setNodeRef as never}
      role="listitem"
      style={[
        { borderTopColor: palette.hairline },
        styles.item,
        isDragging && { backgroundColor: palette.band, zIndex: 1 },
        {
          transform: transform ? [{ translateY: transform.y }] : [],
          ...(transition && !isDragging && ({ transition } as object)),
        },
      ]}
    >
      {children(handle)}
    </View>
  );
}

/** A finger on the handle drags, and does not scroll. */
const HELD = { touchAction: 'none', cursor: 'grab' } as object;

const styles = StyleSheet.create({
  item: { borderTopWidth: 1 },
  handle: { width: TOUCH, minHeight: TOUCH, alignItems: 'center', justifyContent: 'center', marginLeft: -SPACE.m },
});
