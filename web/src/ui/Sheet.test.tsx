import { ChakraProvider, Textarea } from '@chakra-ui/react'
import { cleanup, render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, expect, test, vi } from 'vitest'
import { system } from '../theme'
import { Sheet } from './Sheet'

afterEach(cleanup)

const show = (close: () => void) =>
  render(
    <ChakraProvider value={system}>
      <button>behind</button>
      <Sheet title="A note" close={close}>
        <Textarea data-first aria-label="Note" />
        <button>Keep</button>
      </Sheet>
    </ChakraProvider>,
  )

test('the keys go to what is to be written, and every letter arrives', async () => {
  show(() => {})
  const field = screen.getByLabelText<HTMLTextAreaElement>('Note')
  await waitFor(() => expect(document.activeElement).toBe(field))
  await userEvent.keyboard('Breathe sooner, b, n, s')
  expect(field.value).toBe('Breathe sooner, b, n, s')
})

test('it is a dialog with its title, and Escape or its button take it away', async () => {
  const close = vi.fn()
  show(close)
  const sheet = screen.getByRole('dialog')
  expect(document.getElementById(sheet.getAttribute('aria-labelledby') ?? '')?.textContent).toBe('A note')
  await waitFor(() => expect(document.activeElement?.tagName).toBe('TEXTAREA'))
  await userEvent.keyboard('{Escape}')
  await waitFor(() => expect(close).toHaveBeenCalledOnce())
  await userEvent.click(screen.getByText('Close'))
  expect(close).toHaveBeenCalledTimes(2)
})
