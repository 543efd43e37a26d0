import type { Schemas } from '../api/client'
import { Select } from './Select'

interface Props<T extends string> extends Omit<
  React.ComponentProps<typeof Select>,
  'value' | 'onChange' | 'children'
> {
  value: T
  options: readonly Schemas['Choice'][]
  pick: (id: T) => void
  /** Stands before the others, for none of them. */
  none?: string
}

/** One of the choices that the program offers by name. */
export function Pick<T extends string>({ value, options, pick, none, ...rest }: Props<T>) {
  return (
    <Select value={value} onChange={(event) => pick(event.target.value as T)} {...rest}>
      {none !== undefined && <option value="">{none}</option>}
      {/* What is chosen stands there before the list has come. */}
      {options.every((one) => one.id !== value) && value !== '' && <option value={value}> </option>}
      {options.map((one) => (
        <option key={one.id} value={one.id}>
          {one.name}
        </option>
      ))}
    </Select>
  )
}
