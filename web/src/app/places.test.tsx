import { renderHook } from '@testing-library/react'
import { MemoryRouter, matchPath } from 'react-router'
import { beforeEach, expect, test } from 'vitest'
import { moved, placeOf, places, setUp, viewOf } from './places'
import { usePlaceMemory } from './usePlaceMemory'

const all = [...places, setUp]
const at = (path: string) =>
  renderHook(() => usePlaceMemory(), {
    wrapper: ({ children }) => <MemoryRouter initialEntries={[path]}>{children}</MemoryRouter>,
  }).result.current

beforeEach(() => sessionStorage.clear())

test('every view lies in its place, and a place begins with its first view', () => {
  for (const place of all)
    for (const [to] of place.views ?? [[place.to, place.name]]) expect(placeOf(to)).toBe(place)
  for (const place of all) expect(place.views?.[0]?.[0] ?? place.to).toBe(place.to)
  expect(placeOf('/music/12/tempo')?.name).toBe('Music')
  expect(placeOf('/practise')).toBeNull()
  expect(placeOf('/crafty')).toBeNull()
})

test('every old address leads into a place, and none is an address of today', () => {
  for (const [from, to] of moved) {
    expect(placeOf(to), to).not.toBeNull()
    expect(all.some((place) => place.to === from || place.views?.some(([view]) => view === from))).toBe(false)
    expect((to.match(/:id/g) ?? []).length, from).toBe((from.match(/:id/g) ?? []).length)
  }
  expect(moved.filter(([from]) => matchPath(from, '/piece/3'))).toHaveLength(1)
})

test('a return leads to the view left in a place; pressed again, to its first', () => {
  const craft = places.find((place) => place.name === 'Craft')!
  expect(at('/').leadsTo(craft)).toBe('/craft')
  at('/craft/keys?at=6')
  expect(at('/music').leadsTo(craft)).toBe('/craft/keys?at=6')
  expect(at('/craft/keys').leadsTo(craft)).toBe('/craft')
})

test('a page of one thing belongs to the view that it lies under', () => {
  const { views } = places.find((place) => place.name === 'Music')!
  expect(viewOf(views!, '/music/songs/4')).toBe('/music/songs')
  expect(viewOf(views!, '/music/12')).toBe('/music')
  expect(viewOf(views!, '/music/songsters')).toBe('/music')
})
