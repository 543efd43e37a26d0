import { Field, TextInput } from './fields'

interface WholeProps {
  label: string
  value: number | null
  set: (value: number | null) => void
  width?: string
  placeholder?: string
}

/** A whole number; empty is none. */
export function Whole({ label, value, set, width = '96px', placeholder }: WholeProps) {
  return (
    <Field label={label} width={width}>
      <TextInput
        type="number"
        inputMode="numeric"
        placeholder={placeholder}
        value={value ?? ''}
        onChange={(event) => set(event.target.value === '' ? null : Number.parseInt(event.target.value, 10))}
      />
    </Field>
  )
}
