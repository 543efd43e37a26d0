import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { renderHook } from '@testing-library/react'
import { expect, test } from 'vitest'
import { useSaved } from './saved'

test('a save makes stale what it may have changed, and never the lists of the program', async () => {
  const queries = new QueryClient()
  for (const path of ['/api/today', '/api/journal', '/api/choices', '/api/instruments'])
    queries.setQueryData(['get', path], {})
  const stale = () =>
    queries
      .getQueryCache()
      .findAll({ predicate: (query) => query.state.isInvalidated })
      .map((query) => query.queryKey[1])
  const { result } = renderHook(useSaved, {
    wrapper: ({ children }) => <QueryClientProvider client={queries}>{children}</QueryClientProvider>,
  })
  await result.current('/api/journal')
  expect(stale()).toEqual(['/api/journal'])
  await result.current()
  expect(stale()).toEqual(['/api/today', '/api/journal'])
})
