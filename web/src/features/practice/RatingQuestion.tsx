import { Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Press } from '../../ui/Press'
import { readinessWords } from '../../ui/Readiness'
import { Refusal, useProblem } from '../../ui/refusal'

/** The takes say something else than the rating: one press settles it, none leaves it as it is. */
export function RatingQuestion({ question }: { question: Schemas['RatingQuestion'] }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [settled, setSettled] = useState('')
  const words = readinessWords[question.proposed]
  const rate = async () => {
    const path = { id: question.materialId }
    const body = { readiness: question.proposed }
    if (await run(() => ask(client.PUT('/api/pieces/passages/{id}/rating', { params: { path }, body })))) {
      setSettled(`Rated ${words}.`)
      await saved()
    }
  }
  return (
    <Flex gap="4" align="center" wrap="wrap" mt="3" data-testid="rating-question">
      <Text>
        <b>{question.title}</b>, {question.words}
      </Text>
      {settled ? (
        <Text role="status">{settled}</Text>
      ) : (
        <>
          <Press onClick={rate}>{`Yes, ${words}`}</Press>
          <Press look="quiet" onClick={() => setSettled('Left as it is.')}>
            Not yet
          </Press>
        </>
      )}
      <Refusal problem={problem} />
    </Flex>
  )
}
