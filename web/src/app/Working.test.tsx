import { ChakraProvider } from '@chakra-ui/react'
import { act, cleanup, render, screen } from '@testing-library/react'
import createClient from 'openapi-fetch'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { underWay } from '../api/underWay'
import { system } from '../theme'
import { Working } from './Working'

beforeEach(() => vi.useFakeTimers())
afterEach(() => {
  cleanup()
  vi.useRealTimers()
})

test('a bar stands while an answer takes more than a second, and not for a short one', async () => {
  let answer: (response: Response) => void = () => {}
  const client = createClient<{
    '/slow': { get: { responses: { 200: { content: { 'application/json': string } } } } }
  }>({
    baseUrl: 'http://here',
    fetch: () => new Promise<Response>((done) => (answer = done)),
  })
  client.use(underWay)
  render(
    <ChakraProvider value={system}>
      <Working />
    </ChakraProvider>,
  )
  const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms))
  const bar = () => screen.queryByRole('progressbar')

  const first = client.GET('/slow')
  await pass(900)
  expect(bar()).toBeNull()
  answer(Response.json('here'))
  await act(() => first)
  await pass(900)
  expect(bar()).toBeNull()

  const second = client.GET('/slow')
  await pass(1100)
  expect(bar()).not.toBeNull()
  answer(Response.json('here'))
  await act(() => second)
  expect(bar()).toBeNull()
})
