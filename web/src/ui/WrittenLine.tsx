import { Text } from '@chakra-ui/react'
import type { Schemas } from '../api/client'
import { sayDate } from './words'

interface Props {
  line: Schemas['WrittenView']
  /** Whether to say what it is about. */
  about?: boolean
  lines?: number
  dark?: boolean
}

/** A line that was written about a thing some time ago, and came back with it. */
export function WrittenLine({ line, about, lines, dark }: Props) {
  return (
    <Text
      as="span"
      color={dark ? 'stageAccent' : 'accent'}
      lineClamp={lines}
      textDecoration={line.settled ? 'line-through' : undefined}
      data-testid="written"
    >
      {sayDate(line.day)}
      {about && `, ${line.about}`}: “{line.text}”
    </Text>
  )
}
