import { ChakraProvider, defaultSystem } from '@chakra-ui/react'
import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, expect, test, vi } from 'vitest'
import { cleanup } from '@testing-library/react'
import { Problem } from '../api/client'
import { NumberInput, Press, Refusal, useProblem } from './fields'

const show = (what: React.ReactNode) => render(<ChakraProvider value={defaultSystem}>{what}</ChakraProvider>)

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
  await vi.waitFor(() => expect(button.getAttribute('aria-busy')).toBeNull())
  await userEvent.click(button)
  expect(save).toHaveBeenCalledTimes(2)
})

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

test('a refusal stands beside its field, and nowhere else', () => {
  const problem = new Problem('drills[2].minutes', 'Too long', 400)
  show(
    <>
      <Refusal problem={problem} field="title" />
      <div data-testid="mine">
        <Refusal problem={problem} field={['title', 'drills']} />
      </div>
    </>,
  )
  expect(screen.getAllByRole('alert')).toHaveLength(1)
  expect(screen.getByTestId('mine').textContent).toBe('Too long')
})

test('a refusal is kept to be shown, a fault of the page is not swallowed', async () => {
  const seen: { problem: Problem | null; faults: unknown[] } = { problem: null, faults: [] }
  function Probe() {
    const { problem, run } = useProblem()
    seen.problem = problem
    const press = (error: Error) =>
      run(() => Promise.reject(error)).catch((fault: unknown) => seen.faults.push(fault))
    return (
      <>
        <button onClick={() => void press(new Problem('to', 'no', 400))}>refuse</button>
        <button onClick={() => void press(new TypeError('bug'))}>break</button>
      </>
    )
  }
  show(<Probe />)
  await userEvent.click(screen.getByText('refuse'))
  expect(seen.problem?.message).toBe('no')
  await userEvent.click(screen.getByText('break'))
  expect(seen.faults).toHaveLength(1)
})
