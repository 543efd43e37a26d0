import { NumberInput as ChakraNumberInput, useFieldContext } from '@chakra-ui/react'
import { useState } from 'react'
import { Field } from './Field'
import type { FieldName } from './refusal'

interface Props {
  value: number
  onChange: (value: number) => void
  min: number
  max: number
  /** Read out; begins with what is seen beside it. Left out where a field around it says it all. */
  label?: string
  width?: string
  /** In rows of a list: lower, and without a frame until it is pointed at. As the one figure of a page: large. */
  look?: 'row' | 'figure'
}

const looks = {
  row: {
    minH: '34px',
    borderColor: 'transparent',
    bg: 'transparent',
    px: '1.5',
    _hover: { borderColor: 'edge', bg: 'sheet' },
    _focus: { borderColor: 'edge', bg: 'sheet' },
  },
  figure: {
    minH: '64px',
    borderColor: 'transparent',
    bg: 'transparent',
    px: '0',
    fontFamily: 'heading',
    fontWeight: 700,
    fontSize: '3.4rem',
    lineHeight: 1.05,
    _hover: { borderColor: 'edge' },
    _focus: { borderColor: 'edge', bg: 'sheet' },
  },
} as const

/**
 * A whole number, typed; up and down nudge it. It counts when it is left or Enter is pressed; what is then refused stays to be
 * mended, and emptied it stands as it was.
 */
export function NumberInput({ value, onChange, min, max, label, width = '76px', look }: Props) {
  const [typed, setTyped] = useState<string | null>(null)
  const [shown, setShown] = useState(value)
  if (shown !== value) {
    setShown(value)
    setTyped(null)
  }
  const commit = () => {
    if (typed === null) return
    const next = Number.parseInt(typed, 10)
    if (Number.isFinite(next) && next !== value) onChange(next)
    else setTyped(null)
  }
  return (
    <ChakraNumberInput.Root
      value={typed ?? String(value)}
      min={min}
      max={max}
      clampValueOnBlur={false}
      formatOptions={whole}
      width={width}
      onValueChange={(change) => setTyped(change.value)}
    >
      <Digits
        aria-label={label}
        // The keyboard of figures on a phone has no minus.
        inputMode={min < 0 ? 'text' : 'numeric'}
        {...(look && looks[look])}
        onBlur={commit}
        onKeyDown={(event) => event.key === 'Enter' && commit()}
      />
    </ChakraNumberInput.Root>
  )
}

/** What is typed into; it names the words of its refusal as other fields do. */
function Digits(props: React.ComponentProps<typeof ChakraNumberInput.Input>) {
  const field = useFieldContext() as ReturnType<typeof useFieldContext> | undefined
  return (
    <ChakraNumberInput.Input
      inputMode="numeric"
      aria-errormessage={field?.invalid ? field.ids.errorText : undefined}
      {...props}
    />
  )
}

const whole = { maximumFractionDigits: 0, useGrouping: false }

interface WholeProps {
  label: string
  value: number | null
  set: (value: number | null) => void
  name?: FieldName
  width?: string
  placeholder?: string
}

/** A whole number of a form; empty is none. */
export function Whole({ label, value, set, name, width = '96px', placeholder }: WholeProps) {
  return (
    <Field label={label} width={width} name={name}>
      <ChakraNumberInput.Root
        value={value === null ? '' : String(value)}
        clampValueOnBlur={false}
        formatOptions={whole}
        onValueChange={(change) => set(change.value === '' ? null : Number.parseInt(change.value, 10))}
      >
        <Digits placeholder={placeholder} />
      </ChakraNumberInput.Root>
    </Field>
  )
}
