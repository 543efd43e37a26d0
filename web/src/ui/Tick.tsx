import { Checkbox, Flex, chakra } from '@chakra-ui/react'

interface Props extends Omit<
  React.ComponentProps<typeof Checkbox.Root>,
  'checked' | 'onCheckedChange' | 'children'
> {
  /** Read out; shown beside it, unless something else says it there. */
  label: string
  hideLabel?: boolean
  on: boolean
  set: (on: boolean) => void
}

/** Yes or no. */
export function Tick({ label, hideLabel, on, set, ...rest }: Props) {
  return (
    <Checkbox.Root checked={on} onCheckedChange={({ checked }) => set(checked === true)} {...rest}>
      <Checkbox.HiddenInput aria-label={hideLabel ? label : undefined} />
      <Checkbox.Control />
      {!hideLabel && <Checkbox.Label>{label}</Checkbox.Label>}
    </Checkbox.Root>
  )
}

interface TicksProps<T extends string | number> {
  legend: string
  options: readonly (readonly [T, string])[]
  chosen: readonly T[]
  set: (chosen: T[]) => void
}

/** Any number out of a few. */
export function Ticks<T extends string | number>({ legend, options, chosen, set }: TicksProps<T>) {
  return (
    <chakra.fieldset minW="0">
      <chakra.legend fontSize="0.85em" color="faded">
        {legend}
      </chakra.legend>
      <Flex columnGap="4" wrap="wrap">
        {options.map(([one, name]) => (
          <Tick
            key={one}
            label={name}
            on={chosen.includes(one)}
            set={(on) => set(on ? [...chosen, one] : chosen.filter((other) => other !== one))}
          />
        ))}
      </Flex>
    </chakra.fieldset>
  )
}
