import { Text } from '@chakra-ui/react'
import { useState } from 'react'
import { ask, client } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Whole } from '../../ui/NumberInput'
import { useTap } from '../sound/useTap'

interface TargetAskProps {
  id: number
  proposed: number | null
  /** What else can be answered; pressed, it settles the question with these words. */
  later?: string
}

/** How fast something should go in the end: typed, tapped, or as it is proposed. */
export function TargetAsk({ id, proposed, later }: TargetAskProps) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [target, setTarget] = useState(proposed)
  const [settled, setSettled] = useState('')
  const tap = useTap((bpm) => setTarget(Math.round(bpm)))
  const save = async () => {
    const path = { id }
    if (
      await run(() => ask(client.PUT('/api/materials/{id}/target', { params: { path }, body: { target } })))
    ) {
      setSettled(`Its target is ${target}.`)
      await saved()
    }
  }
  if (settled) return <Text role="status">{settled}</Text>
  return (
    <>
      <Whole label="Target tempo" value={target} set={setTarget} width="120px" />
      <Press look="quiet" title="Tap the tempo it should have in the end" onClick={tap}>
        tap it
      </Press>
      <Press onClick={save} disabled={target === null}>
        Set
      </Press>
      {later && (
        <Press look="quiet" onClick={() => setSettled(later)}>
          Not yet
        </Press>
      )}
      <Refusal problem={problem} />
    </>
  )
}
