import { ChakraProvider } from '@chakra-ui/react'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render, screen, within, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { MemoryRouter } from 'react-router'
import { afterEach, expect, test, vi } from 'vitest'
import { Problem } from '../api/client'
import { system } from '../theme'
import { RemovalOffers, offer, removeRow } from './removal'

const show = (path = '/') =>
  render(
    <ChakraProvider value={system}>
      <QueryClientProvider client={new QueryClient()}>
        <MemoryRouter initialEntries={[path]}>
          <RemovalOffers />
        </MemoryRouter>
      </QueryClientProvider>
    </ChakraProvider>,
  )

afterEach(cleanup)

test('what was removed is said, and one press brings it back', async () => {
  show()
  const back = vi.fn(() => Promise.resolve())
  offer({ what: 'Removed: Everyday weave', back })
  expect(await screen.findByText('Removed: Everyday weave')).toBeTruthy()
  await userEvent.click(screen.getByText('Take it back'))
  expect(back).toHaveBeenCalledOnce()
  await waitFor(() => expect(screen.queryByText('Take it back')).toBeNull())
})

test('when that is refused the offer stays, with the words', async () => {
  show()
  offer({ what: 'Removed: Long tones', back: () => Promise.reject(new Problem('version', 'Too late', 409)) })
  await userEvent.click(await screen.findByText('Take it back'))
  expect(await screen.findByText('Too late')).toBeTruthy()
  expect(screen.getByText('Take it back')).toBeTruthy()
})

test('a row taken out of a list comes back to its place', async () => {
  show()
  let rows = ['a', 'b', 'c']
  removeRow('b', rows, 1, (change) => (rows = change(rows)))
  expect(rows).toEqual(['a', 'c'])
  rows = [...rows, 'd']
  const strip = (await screen.findByText('Removed: b')).closest<HTMLElement>('[data-part=root]')!
  await userEvent.click(within(strip).getByText('Take it back'))
  await waitFor(() => expect(rows).toEqual(['a', 'b', 'c', 'd']))
})

test('nothing stands over the stage', () => {
  show('/practise')
  offer({ what: 'Removed: a page', back: () => Promise.resolve() })
  expect(screen.queryByText('Removed: a page')).toBeNull()
})
