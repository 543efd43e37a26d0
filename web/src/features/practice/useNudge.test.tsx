import { renderHook } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import type { Schemas } from '../../api/client'
import { useNudge } from './useNudge'

const session = (nudge: number, takes = 0) =>
  ({ position: 0, drills: [{ nudge, takes }] }) as unknown as Schemas['SessionView']

describe('useNudge', () => {
  it('adds presses up, however late the answers come', () => {
    const act = vi.fn()
    const { result, rerender } = renderHook((view: Schemas['SessionView']) => useNudge(view, act), {
      initialProps: session(0),
    })
    for (let press = 0; press < 5; press++) result.current(2)
    expect(act).toHaveBeenLastCalledWith('Nudge', 10)
    // The answer to the second press arrives between the fifth and the sixth.
    rerender(session(4))
    result.current(2)
    expect(act).toHaveBeenLastCalledWith('Nudge', 12)
  })

  it('begins at what the program says after a take', () => {
    const act = vi.fn()
    const { result, rerender } = renderHook((view: Schemas['SessionView']) => useNudge(view, act), {
      initialProps: session(0),
    })
    result.current(2)
    rerender(session(0, 1))
    result.current(-2)
    expect(act).toHaveBeenLastCalledWith('Nudge', -2)
  })
})
