import type { DndContextProps, UniqueIdentifier } from '@dnd-kit/core'

/** What is said while a list is put in order by keyboard: names and places, not numbers of the program. */
export function dragWords(
  items: readonly { id: UniqueIdentifier; name: string }[],
): NonNullable<DndContextProps['accessibility']> {
  const name = (id: UniqueIdentifier) => items.find((item) => item.id === id)?.name ?? 'this'
  const place = (id: UniqueIdentifier) =>
    `place ${items.findIndex((item) => item.id === id) + 1} of ${items.length}`
  return {
    screenReaderInstructions: {
      draggable: 'Space takes it up, the arrows move it, space sets it down, escape leaves it where it was.',
    },
    announcements: {
      onDragStart: ({ active }) => `${name(active.id)} is taken up, ${place(active.id)}.`,
      onDragOver: ({ active, over }) => (over ? `${name(active.id)} is over ${place(over.id)}.` : undefined),
      onDragEnd: ({ active, over }) => `${name(active.id)} is set down${over ? `, ${place(over.id)}` : ''}.`,
      onDragCancel: ({ active }) => `${name(active.id)} stays where it was.`,
    },
  }
}
