import { ChakraProvider } from '@chakra-ui/react'
import { act, cleanup, render, renderHook, screen } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { Input } from '@chakra-ui/react'
import { Problem } from '../api/client'
import { system } from '../theme'
import { Field } from './Field'
import { NumberInput } from './NumberInput'
import { Refusal, RefusalOf, Refused, useProblem } from './refusal'
import { Select } from './Select'

const show = (what: React.ReactNode) => render(<ChakraProvider value={system}>{what}</ChakraProvider>)

afterEach(cleanup)

function Sheet({ problem }: { problem: Problem | null }) {
  return (
    <Refused problem={problem}>
      <Field label="Title" name="title">
        <Input />
      </Field>
      <Field label="Beat" name="beat" hint="what the click counts">
        <Select>
          <option>quarter</option>
        </Select>
      </Field>
      <Field label="Tempo" name="target">
        <NumberInput value={60} min={20} max={400} onChange={() => {}} />
      </Field>
      <div data-testid="bars">
        <RefusalOf field={['fromBar', 'toBar']} />
      </div>
      <div data-testid="last">
        <Refusal />
      </div>
    </Refused>
  )
}

const refuse = (field: string) => show(<Sheet problem={new Problem(field, 'Too long', 400)} />)

test.each([
  ['title', 'Title'],
  ['beat', 'Beat'],
  ['target', 'Tempo'],
])('what is refused about %s is said by its field, to ears too', (field, label) => {
  refuse(field)
  const control = screen.getByLabelText(label)
  expect(control.getAttribute('aria-invalid')).toBe('true')
  expect(document.getElementById(control.getAttribute('aria-errormessage') ?? '')?.textContent).toBe(
    'Too long',
  )
  expect(screen.getAllByRole('alert').map((one) => one.textContent)).toEqual(['Too long'])
})

test('a hint belongs to its field, and no field is wrong before something is refused', () => {
  show(<Sheet problem={null} />)
  const control = screen.getByLabelText('Beat')
  expect(document.getElementById(control.getAttribute('aria-describedby') ?? '')?.textContent).toBe(
    'what the click counts',
  )
  expect(document.querySelectorAll('[aria-invalid="true"]')).toHaveLength(0)
  expect(screen.queryAllByRole('alert')).toHaveLength(0)
})

test('fields side by side say theirs under both; rows of a list count as the list', () => {
  refuse('toBar')
  expect(screen.getByTestId('bars').textContent).toBe('Too long')
  cleanup()
  refuse('fromBar[2].value')
  expect(screen.getByTestId('bars').textContent).toBe('Too long')
  expect(screen.getByTestId('last').textContent).toBe('')
})

test('what no field has shown stands at the end: nothing is refused in silence', () => {
  refuse('somethingNobodyThoughtOf')
  expect(screen.getByTestId('last').textContent).toBe('Too long')
})

test('a refusal is kept to be shown, a fault of the page is not swallowed', async () => {
  const { result } = renderHook(useProblem)
  await act(() => result.current.run(() => Promise.reject(new Problem('to', 'no', 400))))
  expect(result.current.problem?.message).toBe('no')
  await expect(act(() => result.current.run(() => Promise.reject(new TypeError('bug'))))).rejects.toThrow(
    'bug',
  )
})
