import { fireEvent, renderHook } from '@testing-library/react'
import { beforeEach, expect, test, vi } from 'vitest'
import { useStageKeys } from './useStageKeys'

const setUp = (enabled = true, letters = true) => {
  const keys = {
    yes: vi.fn(),
    no: vi.fn(),
    pause: vi.fn(),
    letters: { s: vi.fn(), Enter: vi.fn(), '?': vi.fn() },
  }
  renderHook(() => useStageKeys(keys, enabled, letters))
  return keys
}
const tap = (key: string, on: Element | Window = window) => {
  fireEvent.keyDown(on, { key, bubbles: true })
  fireEvent.keyUp(on, { key, bubbles: true })
}

beforeEach(() => {
  vi.useFakeTimers()
  document.body.innerHTML = '<input /><button>press</button><p>words</p>'
})

test.each([
  ['ArrowRight', 'yes'],
  ['PageDown', 'yes'],
  ['ArrowLeft', 'no'],
  ['PageUp', 'no'],
] as const)('%s, on keyboard or pedal, says %s', (key, says) => {
  const keys = setUp()
  tap(key)
  expect(keys[says]).toHaveBeenCalledOnce()
  expect(keys.pause).not.toHaveBeenCalled()
})

test('a pedal that is held means pause, and nothing else when it is let go', () => {
  const keys = setUp()
  fireEvent.keyDown(window, { key: 'PageDown' })
  fireEvent.keyDown(window, { key: 'PageDown', repeat: true })
  vi.advanceTimersByTime(800)
  expect(keys.pause).toHaveBeenCalledOnce()
  fireEvent.keyUp(window, { key: 'PageDown' })
  expect(keys.yes).not.toHaveBeenCalled()
})

test('letters work in either case, once while held, and not with a modifier', () => {
  const keys = setUp()
  tap('S')
  fireEvent.keyDown(window, { key: 's', repeat: true })
  fireEvent.keyDown(window, { key: 's', ctrlKey: true })
  expect(keys.letters.s).toHaveBeenCalledOnce()
})

test('what is typed into a field is no key of the stage, and enter on a button presses that button', () => {
  const keys = setUp()
  tap('s', document.querySelector('input')!)
  tap('ArrowRight', document.querySelector('input')!)
  tap('Enter', document.querySelector('button')!)
  expect([keys.letters.s, keys.yes, keys.letters.Enter].map((one) => one.mock.calls.length)).toEqual([
    0, 0, 0,
  ])
  tap('Enter', document.querySelector('p')!)
  expect(keys.letters.Enter).toHaveBeenCalledOnce()
})

test('under an open sheet the stage is deaf', () => {
  const keys = setUp(false)
  tap('ArrowRight')
  tap('s')
  expect(keys.yes).not.toHaveBeenCalled()
  expect(keys.letters.s).not.toHaveBeenCalled()
})

test('letters switched off leave arrows, pedal, space and enter', () => {
  const keys = setUp(true, false)
  tap('s')
  tap('?')
  expect(keys.letters.s).not.toHaveBeenCalled()
  expect(keys.letters['?']).not.toHaveBeenCalled()
  tap('ArrowRight')
  tap(' ')
  tap('Enter')
  expect([keys.yes, keys.pause, keys.letters.Enter].map((one) => one.mock.calls.length)).toEqual([1, 1, 1])
})

test('space on a button that has the focus presses that button, and nothing pauses', () => {
  const keys = setUp()
  tap(' ', document.querySelector('button')!)
  expect(keys.pause).not.toHaveBeenCalled()
  tap(' ', document.querySelector('p')!)
  expect(keys.pause).toHaveBeenCalledOnce()
})

test('a key that was let go in another window neither pauses nor kills the next press', () => {
  const keys = setUp()
  fireEvent.keyDown(window, { key: 'PageDown' })
  fireEvent.blur(window)
  vi.advanceTimersByTime(5000)
  expect(keys.pause).not.toHaveBeenCalled()
  tap('PageDown')
  expect(keys.yes).toHaveBeenCalledOnce()
})
