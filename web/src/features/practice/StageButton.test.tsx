import { ChakraProvider } from '@chakra-ui/react'
import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, expect, test, vi } from 'vitest'
import { system } from '../../theme'
import { StageButton } from './StageParts'

afterEach(cleanup)

test('after the mouse or a finger the keys are the stage’s again; after the tab key they stay with the button', async () => {
  const press = vi.fn()
  render(
    <ChakraProvider value={system}>
      <StageButton keys="S" name="skip" press={press} />
    </ChakraProvider>,
  )
  const button = screen.getByRole('button')
  await userEvent.click(button)
  expect(document.activeElement).toBe(document.body)
  await userEvent.tab()
  expect(document.activeElement).toBe(button)
  await userEvent.keyboard('{Enter}')
  expect(document.activeElement).toBe(button)
  expect(press).toHaveBeenCalledTimes(2)
})
