import { chakra } from '@chakra-ui/react'
import { useRef, useState } from 'react'

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
    _hover: { bg: 'ink/7' },
    _disabled: { opacity: 0.5, cursor: 'not-allowed' },
    '&[aria-busy]': { opacity: 0.6, cursor: 'progress' },
  },
  variants: {
    look: {
      strong: { bg: 'ink', color: 'paper', _hover: { bg: 'inkHover' } },
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
