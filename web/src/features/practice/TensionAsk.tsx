import { Flex, Text } from '@chakra-ui/react'
import { AskChoice } from './AskChoice'

const levels = ['none', 'a little', 'some', 'high']

/** Asked when the tempo has just gone up: tension is the ceiling. */
export function TensionAsk({ answer }: { answer: (level: number) => void }) {
  return (
    <Flex gap="3" align="center" wrap="wrap" role="group" aria-label="Tension" data-testid="tension">
      <Text fontSize="heading" color="stageAccent">
        Shoulders, jaw, hands: how tight?
      </Text>
      {levels.map((name, level) => (
        <AskChoice key={name} figure={String(level)} name={name} press={() => answer(level)} />
      ))}
    </Flex>
  )
}
