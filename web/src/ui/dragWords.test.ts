import { expect, test } from 'vitest'
import { dragWords } from './dragWords'

const { announcements, screenReaderInstructions } = dragWords([
  { id: 'd1', name: 'Ferry Waltz' },
  { id: 'd2', name: 'Long tones' },
])
const at = (id: string) => ({ id }) as never

test('a drag by keyboard is told with names and places', () => {
  expect(announcements!.onDragStart({ active: at('d1') } as never)).toBe(
    'Ferry Waltz is taken up, place 1 of 2.',
  )
  expect(announcements!.onDragOver({ active: at('d1'), over: at('d2') } as never)).toBe(
    'Ferry Waltz is over place 2 of 2.',
  )
  expect(announcements!.onDragOver({ active: at('d1'), over: null } as never)).toBeUndefined()
  expect(announcements!.onDragEnd({ active: at('d1'), over: at('d2') } as never)).toBe(
    'Ferry Waltz is set down, place 2 of 2.',
  )
  expect(announcements!.onDragCancel({ active: at('d2'), over: null } as never)).toBe(
    'Long tones stays where it was.',
  )
  expect(screenReaderInstructions!.draggable).not.toContain('draggable')
})
