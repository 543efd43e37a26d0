import { Flex, Text } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { TargetAsk } from '../repertoire/TargetAsk'

/** Without a target nothing can be ready: asked once how fast it should go in the end. */
export function TargetQuestion({ question }: { question: Schemas['TargetQuestion'] }) {
  return (
    <Flex gap="4" align="end" wrap="wrap" mt="3" data-testid="target-question">
      <Text maxW="44ch">
        <b>{question.title}</b>: about {question.now} comes clean now. How fast should it go in the end?
      </Text>
      <TargetAsk
        id={question.materialId}
        proposed={question.proposed}
        later="Its form asks for it whenever you know."
      />
    </Flex>
  )
}
