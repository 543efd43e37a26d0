import { ChakraProvider } from '@chakra-ui/react'
import { cleanup, render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, expect, test, vi } from 'vitest'
import { system } from '../theme'
import { Press } from './Press'

const show = (what: React.ReactNode) => render(<ChakraProvider value={system}>{what}</ChakraProvider>)

afterEach(cleanup)

test('what is being saved cannot be saved twice', async () => {
  let done = () => {}
  const save = vi.fn(() => new Promise<void>((resolve) => (done = resolve)))
  show(<Press onClick={save}>Keep</Press>)
  const button = screen.getByRole('button')
  await userEvent.dblClick(button)
  expect(save).toHaveBeenCalledOnce()
  expect(button.getAttribute('aria-busy')).toBe('true')
  done()
  await waitFor(() => expect(button.getAttribute('aria-busy')).toBeNull())
  await userEvent.click(button)
  expect(save).toHaveBeenCalledTimes(2)
})
