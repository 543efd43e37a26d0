import { Box, Flex, Input } from '@chakra-ui/react'
import { useState } from 'react'
import { ask, client } from '../../api/client'
import { Field } from '../../ui/Field'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Tick } from '../../ui/Tick'
import type { Draft } from './work'

interface Props {
  draft: Draft
  set: (part: Partial<Draft>) => void
}

/** Chords out of degrees, and whether they go through the keys. */
export function ProgressionFields({ draft, set }: Props) {
  const { work } = draft
  return (
    <>
      <Progression take={(items, key) => set({ work: { ...work, items, key } })} />
      <Flex gap="4" mt="3" align="end" wrap="wrap">
        <Tick
          label="through the keys, one after the other"
          on={draft.inKeys}
          set={(inKeys) => set({ inKeys })}
        />
        {draft.inKeys && (
          <Field label="it stands in" name="inKeys" width="150px">
            <Input
              value={work.key ?? ''}
              placeholder="C major"
              onChange={(event) => set({ work: { ...work, key: event.target.value } })}
            />
          </Field>
        )}
      </Flex>
    </>
  )
}

/** Degrees in a key become chords. */
function Progression({ take }: { take: (items: string[], key: string) => void }) {
  const [key, setKey] = useState('C major')
  const [degrees, setDegrees] = useState('2 5 1 1')
  const [sevenths, setSevenths] = useState(true)
  const { problem, run } = useProblem()
  const make = async () => {
    const body = { key, degrees: (degrees.match(/\d/g) ?? []).map(Number), sevenths }
    const chords = await run(() => ask(client.POST('/api/technique/progression', { body })))
    if (chords)
      take(
        chords.map((chord) => chord.replaceAll('♭', 'b').replaceAll('♯', '#')),
        key,
      )
  }
  return (
    <Box mt="3">
      <Flex gap="3" align="end" wrap="wrap">
        <Field label="or degrees" width="150px">
          <Input value={degrees} onChange={(event) => setDegrees(event.target.value)} />
        </Field>
        <Field label="in the key of" width="150px">
          <Input value={key} onChange={(event) => setKey(event.target.value)} />
        </Field>
        <Tick label="seventh chords" on={sevenths} set={setSevenths} />
        <Press onClick={() => make()}>Take these</Press>
      </Flex>
      <Refusal problem={problem} />
    </Box>
  )
}
