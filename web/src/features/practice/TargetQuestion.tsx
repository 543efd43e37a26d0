import { Flex, Text } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, client, type Schemas } from '../../api/client'
import { Press, Refusal, useProblem } from '../../ui/fields'
import { Whole } from '../../ui/Whole'
import { useTap } from '../sound/useTap'

/** Without a target nothing can be ready: asked once how fast it should go in the end, typed or tapped. */
export function TargetQuestion({ question }: { question: Schemas['TargetQuestion'] }) {
  const queries = useQueryClient()
  const { problem, run } = useProblem()
  const [target, setTarget] = useState<number | null>(question.proposed)
  const [settled, setSettled] = useState('')
  const tap = useTap((bpm) => setTarget(Math.round(bpm)))
  const save = async () => {
    const path = { id: question.materialId }
    if (
      await run(() => ask(client.PUT('/api/materials/{id}/target', { params: { path }, body: { target } })))
    ) {
      setSettled(`Its target is ${target}.`)
      await queries.invalidateQueries()
    }
  }
  return (
    <Flex gap="4" align="end" wrap="wrap" mt="3" data-testid="target-question">
      <Text maxW="44ch">
        <b>{question.title}</b>: about {question.now} comes clean now. How fast should it go in the end?
      </Text>
      {settled ? (
        <Text role="status">{settled}</Text>
      ) : (
        <>
          <Whole label="Target tempo" value={target} set={setTarget} width="120px" />
          <Press look="quiet" title="Tap the tempo it should have in the end" onClick={tap}>
            tap it
          </Press>
          <Press onClick={save}>Set</Press>
          <Press look="quiet" onClick={() => setSettled('Its form asks for it whenever you know.')}>
            Not yet
          </Press>
        </>
      )}
      <Refusal problem={problem} field={['target']} />
    </Flex>
  )
}
