import { ChakraProvider } from '@chakra-ui/react'
import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { afterEach, expect, test, vi } from 'vitest'
import { system } from '../theme'
import { Tick, Ticks } from './Tick'

const show = (what: React.ReactNode) => render(<ChakraProvider value={system}>{what}</ChakraProvider>)
afterEach(cleanup)

function Upbeat() {
  const [on, set] = useState(false)
  return (
    <>
      <Tick label="upbeat" on={on} set={set} />
      <output>{on ? 'with' : 'without'}</output>
    </>
  )
}

test('a tick is set by its label and taken away by the space bar, and says how it stands', async () => {
  show(<Upbeat />)
  const box = screen.getByRole<HTMLInputElement>('checkbox')
  await userEvent.click(screen.getByText('upbeat'))
  expect([screen.getByRole('status').textContent, box.checked]).toEqual(['with', true])
  box.focus()
  await userEvent.keyboard(' ')
  expect([screen.getByRole('status').textContent, box.checked]).toEqual(['without', false])
})

test('without words beside it, it still has a name', () => {
  show(<Tick hideLabel label="Take passage 2" on set={() => {}} />)
  expect(screen.getByRole<HTMLInputElement>('checkbox', { name: 'Take passage 2' }).checked).toBe(true)
})

test('of several, one is added at the end and one is taken out', async () => {
  const set = vi.fn()
  const options = [['a', 'shift'], ['b', 'tone'], ['c', 'rhythm']] as const // prettier-ignore
  show(<Ticks legend="It helps with" options={options} chosen={['c', 'a']} set={set} />)
  expect(screen.getByRole('group', { name: 'It helps with' })).toBeTruthy()
  await userEvent.click(screen.getByText('tone'))
  expect(set.mock.lastCall).toEqual([['c', 'a', 'b']])
  await userEvent.click(screen.getByText('rhythm'))
  expect(set.mock.lastCall).toEqual([['a']])
})
