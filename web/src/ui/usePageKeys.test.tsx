import { fireEvent, render, screen } from '@testing-library/react'
import { expect, test, vi } from 'vitest'
import { usePageKeys } from './usePageKeys'

function Page({ keys }: { keys: Record<string, () => void> }) {
  usePageKeys(keys)
  return (
    <>
      <button>Play</button>
      <input aria-label="Name" />
    </>
  )
}

test('after a button was pressed the keys of the page go on; its own two stay its own', () => {
  const keys = { a: vi.fn(), ArrowRight: vi.fn(), ' ': vi.fn(), Enter: vi.fn() }
  render(<Page keys={keys} />)
  const press = (element: HTMLElement) =>
    Object.keys(keys).map((key) => {
      keys[key as keyof typeof keys].mockClear()
      fireEvent.keyDown(element, { key })
      return keys[key as keyof typeof keys].mock.calls.length
    })
  expect(press(document.body)).toEqual([1, 1, 1, 1])
  expect(press(screen.getByText('Play'))).toEqual([1, 1, 0, 0])
  expect(press(screen.getByLabelText('Name'))).toEqual([0, 0, 0, 0])
})
