import { renderHook } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { settleMs, useSettled } from './useSettled'

describe('useSettled', () => {
  it('lets no press answer a question that has only just come', () => {
    let now = 10_000
    vi.spyOn(performance, 'now').mockImplementation(() => now)
    const answer = vi.fn()
    const { result, rerender } = renderHook((asked: string) => useSettled(asked), { initialProps: 'run' })
    rerender('ask')
    now += settleMs - 1
    result.current(answer)
    expect(answer).not.toHaveBeenCalled()
    now += 1
    result.current(answer)
    expect(answer).toHaveBeenCalledOnce()
    rerender('mark')
    result.current(answer)
    expect(answer).toHaveBeenCalledOnce()
    vi.restoreAllMocks()
  })
})
