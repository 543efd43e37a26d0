import { act, renderHook } from '@testing-library/react'
import { beforeEach, expect, test } from 'vitest'
import { keepBook } from '../api/book'
import { useDraft } from './useDraft'

const open = (name = 'close:4') =>
  renderHook(({ of }) => useDraft(of, { text: '', tension: 0 }), { initialProps: { of: name } })

beforeEach(() => localStorage.clear())

test('every letter outlives the page, until it is thrown away', () => {
  const first = open()
  act(() => first.result.current.write({ text: 'Left hand late' }))
  act(() => first.result.current.write({ tension: 2 }))
  first.unmount()
  const second = open()
  expect(second.result.current.draft).toEqual({ text: 'Left hand late', tension: 2 })
  act(() => second.result.current.clear())
  expect(second.result.current.draft.text).toBe('')
  expect(open().result.current.draft.text).toBe('')
})

test('drafts of different things do not meet', () => {
  const one = open('close:4')
  act(() => one.result.current.write({ text: 'four' }))
  one.rerender({ of: 'close:5' })
  expect(one.result.current.draft.text).toBe('')
  one.rerender({ of: 'close:4' })
  expect(one.result.current.draft.text).toBe('four')
})

test('another window shows what is typed here', () => {
  const here = open()
  act(() => here.result.current.write({ text: 'so far' }))
  const key = localStorage.key(0)!
  localStorage.setItem(key, JSON.stringify({ text: 'further', tension: 0 }))
  act(() => void window.dispatchEvent(new StorageEvent('storage', { key })))
  expect(here.result.current.draft.text).toBe('further')
})

test('what cannot be read any more is an empty form, not a broken page', () => {
  const here = open()
  act(() => here.result.current.write({ text: 'x' }))
  localStorage.setItem(localStorage.key(0)!, '{not json')
  expect(open().result.current.draft).toEqual({ text: '', tension: 0 })
})

test('what is written before there is a book stays when one is chosen; the rest belongs to its book', () => {
  keepBook('Demo')
  const first = renderHook(() => useDraft('first-visit', { text: '' }, true))
  const note = renderHook(() => useDraft('note', { text: '' }))
  act(() => first.result.current.write({ text: 'Mill Song' }))
  act(() => note.result.current.write({ text: 'of the other book' }))
  keepBook('Own')
  first.rerender()
  note.rerender()
  expect(first.result.current.draft.text).toBe('Mill Song')
  expect(note.result.current.draft.text).toBe('')
})
