import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useCallback, useRef, useState } from 'react'
import { Problem } from '../api/client'
import { usePageChange } from './usePageChange'

/** Runs what may be refused; keeps the refusal to be shown beside its field. */
export function useProblem() {
  const [problem, setProblem] = useState<Problem | null>(null)
  const run = useCallback(async <T,>(work: () => Promise<T>): Promise<T | undefined> => {
    try {
      const result = await work()
      setProblem(null)
      return result
    } catch (error) {
      if (!(error instanceof Problem)) throw error
      setProblem(error)
      return undefined
    }
  }, [])
  return { problem, run, clear: () => setProblem(null) }
}

/** The refusal, where it is about this field (or about none that is shown). */
export function Refusal({ problem, field }: { problem: Problem | null; field?: string | string[] }) {
  const fields = field === undefined ? null : ([] as string[]).concat(field)
  if (
    !problem ||
    (fields && !fields.some((name) => problem.field === name || problem.field.startsWith(`${name}[`)))
  )
    return null
  return (
    <Text role="alert" color="wrong" fontSize="0.95em" fontWeight={600} mt="1">
      {problem.message}
    </Text>
  )
}

interface FieldProps {
  label: string
  hint?: string
  children: React.ReactNode
  width?: string
}

export function Field({ label, hint, children, width }: FieldProps) {
  return (
    <chakra.label display="block" width={width}>
      <Text as="span" display="block" fontSize="0.85em" color="faded" mb="0.5">
        {label}
      </Text>
      {children}
      {hint && (
        <Text as="span" display="block" fontSize="0.82em" color="faded" mt="0.5">
          {hint}
        </Text>
      )}
    </chakra.label>
  )
}

const control = {
  base: {
    bg: 'sheet',
    color: 'ink',
    border: '1px solid',
    borderColor: 'edge',
    borderRadius: '6px',
    px: '2.5',
    minH: '42px',
    width: '100%',
    font: 'inherit',
    _disabled: { opacity: 0.6 },
  },
} as const

export const TextInput = chakra('input', control)
export const Select = chakra('select', control)
export const TextArea = chakra('textarea', { base: { ...control.base, py: '2', minH: '76px' } })

const PressButton = chakra('button', {
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    justifyContent: 'center',
    gap: '2',
    minH: '42px',
    px: '4',
    borderRadius: '6px',
    border: '1.5px solid',
    borderColor: 'ink',
    fontWeight: 600,
    cursor: 'pointer',
    bg: 'transparent',
    color: 'inherit',
    whiteSpace: 'nowrap',
    _hover: { bg: 'rgba(30,34,48,0.07)' },
    _disabled: { opacity: 0.5, cursor: 'not-allowed' },
    '&[aria-busy]': { opacity: 0.6, cursor: 'progress' },
  },
  variants: {
    look: {
      strong: { bg: 'ink', color: 'paper', _hover: { bg: '#33394d' } },
      quiet: {
        borderColor: 'transparent',
        px: '2',
        fontWeight: 500,
        textDecoration: 'underline',
        textUnderlineOffset: '3px',
      },
      icon: { borderColor: 'transparent', px: '0', minW: '36px', minH: '36px' },
    },
  },
})

type PressProps = Omit<React.ComponentProps<typeof PressButton>, 'onClick'> & {
  /** What it does; while a promise of it runs, a second press does nothing. */
  onClick?: (event: React.MouseEvent) => unknown
}

/** A button. What is being saved cannot be saved twice. */
export function Press({ onClick, ...rest }: PressProps) {
  const running = useRef(false)
  const [busy, setBusy] = useState(false)
  const press = async (event: React.MouseEvent) => {
    if (running.current) return
    const work = onClick?.(event)
    if (!(work instanceof Promise)) return
    running.current = true
    setBusy(true)
    try {
      await work
    } finally {
      running.current = false
      setBusy(false)
    }
  }
  return (
    <PressButton
      type="button"
      aria-busy={busy || undefined}
      {...rest}
      onClick={(event) => void press(event)}
    />
  )
}

interface NumberFieldProps {
  value: number
  onChange: (value: number) => void
  min: number
  max: number
  label: string
  width?: string
  /** In rows of a list: lower, and without a frame until it is pointed at. As the one figure of a page: large. */
  look?: 'row' | 'figure'
}

const numberLooks = {
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
    fontSize: '58px',
    lineHeight: 1.05,
    _hover: { borderColor: 'edge' },
    _focus: { borderColor: 'edge', bg: 'sheet' },
  },
} as const

/** A whole number, typed; arrows and wheel nudge it. Commits when it is left or Enter is pressed. */
export function NumberInput({ value, onChange, min, max, label, width = '76px', look }: NumberFieldProps) {
  const [typed, setTyped] = useState<string | null>(null)
  const commit = () => {
    if (typed === null) return
    const next = Number.parseInt(typed, 10)
    setTyped(null)
    if (Number.isFinite(next) && next !== value) onChange(next)
  }
  return (
    <TextInput
      type="number"
      aria-label={label}
      value={typed ?? value}
      min={min}
      max={max}
      width={width}
      {...(look && numberLooks[look])}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
    />
  )
}

interface PageProps {
  title: string
  aside?: React.ReactNode
  children: React.ReactNode
}

/** A view: its heading is its title, gets the focus when one comes to it, and stands first. */
export function Page({ title, aside, children }: PageProps) {
  const heading = usePageChange<HTMLHeadingElement>(title)
  return (
    <Box as="main" id="main" tabIndex={-1} maxW="1260px" mx="auto" px={{ base: '4', md: '8' }} pt="4" pb="6">
      <Flex align="baseline" justify="space-between" columnGap="6" rowGap="2" wrap="wrap" mb="4">
        <chakra.h1 ref={heading} tabIndex={-1} outline="none" fontSize={{ base: '30px', md: '38px' }}>
          {title}
        </chakra.h1>
        {aside}
      </Flex>
      {children}
    </Box>
  )
}

/** An empty view says what will stand there and offers the first step. */
export function Empty({ children }: { children: React.ReactNode }) {
  return (
    <Box borderLeft="4px solid" borderColor="accent" pl="4" py="2" color="faded" maxW="62ch">
      {children}
    </Box>
  )
}
