import { chakra } from '@chakra-ui/react'
import { ChevronDown, ChevronRight } from 'lucide-react'

interface Props {
  open: boolean
  toggle: () => void
  children: React.ReactNode
}

/** One line that opens. */
export function Fold({ open, toggle, children }: Props) {
  return (
    <chakra.button
      display="flex"
      gap="2"
      alignItems="center"
      textAlign="left"
      minH="42px"
      maxW="100%"
      cursor="pointer"
      aria-expanded={open}
      onClick={toggle}
    >
      {open ? <ChevronDown size={18} aria-hidden /> : <ChevronRight size={18} aria-hidden />}
      {children}
    </chakra.button>
  )
}
