import { Flex } from '@chakra-ui/react'
import { Press } from './Press'

interface Props {
  /** The first bar. */
  from?: number
  count: number
  wrong: number[]
  toggle: (bar: number) => void
}

/** The bars to be touched: which came late or wrong. */
export function Bars({ from = 1, count, wrong, toggle }: Props) {
  return (
    <Flex gap="2" wrap="wrap" role="group" aria-label="Bars">
      {Array.from({ length: count }, (_, i) => from + i).map((bar) => (
        <Press
          key={bar}
          minW="52px"
          minH="44px"
          justifyContent="center"
          borderColor={wrong.includes(bar) ? 'stageAccent' : 'stageEdge'}
          color={wrong.includes(bar) ? 'stageAccent' : undefined}
          aria-pressed={wrong.includes(bar)}
          aria-label={`Bar ${bar} late or wrong`}
          _hover={{ bg: 'stageHover' }}
          onClick={() => toggle(bar)}
        >
          {bar}
        </Press>
      ))}
    </Flex>
  )
}
