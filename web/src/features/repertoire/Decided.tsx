import { Box, Flex, Grid, Text } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ask, client, type Schemas } from '../../api/client'
import { Field, Press, Refusal, TextInput, useProblem } from '../../ui/fields'
import { dayAfter, sayDay } from '../../ui/words'

interface Props {
  piece: Schemas['PieceView']
  passage: Schemas['PassageView']
}

const weeks = [2, 4, 8]

/** What is decided with the hands and with the breath, by family. */
const names: Record<string, [string, string]> = {
  strings: ['fingering', 'bowing'],
  plucked: ['fingering', 'strokes'],
  voice: ['words', 'breath'],
  winds: ['fingering', 'breath'],
  percussion: ['sticking', 'grip and stroke'],
  keys: ['fingering', 'pedal'],
}

/** What was decided about a passage, and why; and its rest. */
export function Decided({ piece, passage }: Props) {
  const queries = useQueryClient()
  const { problem, run } = useProblem()
  const [wish, setWish] = useState({
    fingering: passage.fingering,
    stroke: passage.stroke,
    why: passage.why,
  })
  const [hand, other] = names[piece.family] ?? ['fingering', 'how it is played']
  const changed =
    wish.fingering !== passage.fingering || wish.stroke !== passage.stroke || wish.why !== passage.why
  const path = { id: passage.id }
  const keep = async () => {
    await run(() => ask(client.PUT('/api/pieces/passages/{id}/decided', { params: { path }, body: wish })))
    await queries.invalidateQueries()
  }
  const rest = async (until: string | null) => {
    await run(() => ask(client.PUT('/api/pieces/passages/{id}/rest', { params: { path }, body: { until } })))
    await queries.invalidateQueries()
  }
  const field = (label: string, value: string, part: (text: string) => Partial<typeof wish>) => (
    <Field label={label}>
      <TextInput value={value} onChange={(event) => setWish({ ...wish, ...part(event.target.value) })} />
    </Field>
  )
  return (
    <Box as="section" aria-label="What was decided" mt="6">
      <Text fontWeight={700} fontSize="1.1em" mb="2">
        {passage.bars}: what was decided
      </Text>
      <Grid templateColumns={{ base: '1fr', md: 'repeat(3, minmax(0, 1fr))' }} gap="3">
        {field(hand, wish.fingering, (fingering) => ({ fingering }))}
        {field(other, wish.stroke, (stroke) => ({ stroke }))}
        {field('why', wish.why, (why) => ({ why }))}
      </Grid>
      <Flex gap="3" mt="2" align="center" wrap="wrap">
        <Press minH="36px" disabled={!changed} onClick={() => keep()}>
          Keep for the stage
        </Press>
      </Flex>
      <Flex columnGap="1" mt="2" align="center" wrap="wrap">
        {passage.resting ? (
          <>
            <Text color="faded">
              Rests{passage.restUntil ? ` until ${sayDay(passage.restUntil)}, then a check` : ''}.
            </Text>
            <Press look="quiet" minH="36px" onClick={() => rest(null)}>
              Take it up again
            </Press>
          </>
        ) : (
          <>
            <Text color="faded">Mastered, or stale? Let it rest for</Text>
            {weeks.map((one) => (
              <Press
                key={one}
                look="quiet"
                minH="36px"
                aria-label={`Let ${passage.bars} rest for ${one} weeks`}
                onClick={() => rest(dayAfter(piece.today, one * 7))}
              >
                {one} weeks
              </Press>
            ))}
          </>
        )}
      </Flex>
      <Refusal problem={problem} />
    </Box>
  )
}
