import { ChakraProvider } from '@chakra-ui/react'
import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, expect, test, vi } from 'vitest'
import { system } from '../theme'
import { NumberInput } from './NumberInput'

const show = (what: React.ReactNode) => render(<ChakraProvider value={system}>{what}</ChakraProvider>)

afterEach(cleanup)

test('a number counts when it is left or Enter is pressed, only when it changed, and emptied it stands as it was', async () => {
  const set = vi.fn()
  show(<NumberInput label="Minutes" value={5} min={1} max={60} onChange={set} />)
  const field = screen.getByLabelText<HTMLInputElement>('Minutes')
  await userEvent.tripleClick(field)
  await userEvent.keyboard('12')
  expect(set).not.toHaveBeenCalled()
  await userEvent.keyboard('{Enter}')
  expect(set.mock.calls).toEqual([[12]])
  await userEvent.tripleClick(field)
  await userEvent.keyboard('5{Tab}')
  expect(set).toHaveBeenCalledOnce()
  await userEvent.tripleClick(field)
  await userEvent.keyboard('{Backspace}{Tab}')
  expect(set).toHaveBeenCalledOnce()
  expect(field.value).toBe('5')
})

test('what was refused stays to be mended', async () => {
  const set = vi.fn()
  show(<NumberInput label="Minutes" value={5} min={1} max={60} onChange={set} />)
  const field = screen.getByLabelText<HTMLInputElement>('Minutes')
  await userEvent.tripleClick(field)
  await userEvent.keyboard('700{Tab}')
  expect(set.mock.calls).toEqual([[700]])
  expect(field.value).toBe('700')
})

test('an arrow changes it by one, and counts when the field is left', async () => {
  const set = vi.fn()
  show(<NumberInput label="Minutes" value={5} min={1} max={60} onChange={set} />)
  await userEvent.click(screen.getByLabelText('Minutes'))
  await userEvent.keyboard('{ArrowUp}{ArrowUp}{Tab}')
  expect(set.mock.calls).toEqual([[7]])
})
