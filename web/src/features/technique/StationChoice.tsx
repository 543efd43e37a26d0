import { Box, Text, chakra } from '@chakra-ui/react'
import { useChoices } from '../../api/choices'
import { ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Field } from '../../ui/Field'
import { Pick } from '../../ui/Pick'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'

/** Where an exercise stands on its way into music: chosen by hand at any time, or as its takes propose. */
export function StationChoice({ station }: { station: Schemas['StationView'] }) {
  const { stations } = useChoices()
  const saved = useSaved()
  const { problem, run } = useProblem()
  const put = async (to: Schemas['ExerciseStation']) => {
    const params = { path: { id: station.materialId } }
    const body = { station: to }
    await run(async () => {
      await ask(client.POST('/api/technique/exercises/{id}/station', { params, body }))
      await saved()
    })
  }
  return (
    <Box>
      <chakra.h2 fontSize="subheading">On its way into music</chakra.h2>
      <Field label="station" width="220px" mt="1">
        <Pick value={station.now} options={stations} pick={(to) => void put(to)} />
      </Field>
      <Text mt="2" maxW="52ch" color="faded">
        Slowly until two days were clean at first try; faster up to its target; in music until two days were
        clean; then a check every three weeks.
      </Text>
      {station.next && <Text mt="2">It was {station.why}.</Text>}
      {station.next && (
        <Press mt="2" onClick={() => station.next && void put(station.next)}>
          Go on to &ldquo;{station.nextWords}&rdquo;
        </Press>
      )}
      <Refusal problem={problem} />
    </Box>
  )
}
