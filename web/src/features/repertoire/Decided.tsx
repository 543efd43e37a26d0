import { Box, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useChoices } from '../../api/choices'
import { ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Field } from '../../ui/Field'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { sayDay } from '../../ui/words'

interface Props {
  piece: Schemas['PieceView']
  passage: Schemas['PassageView']
}

/** What was decided about a passage, and why; and its rest. */
export function Decided({ piece, passage }: Props) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const { restWeeks } = useChoices()
  const [wish, setWish] = useState({
    fingering: passage.fingering,
    stroke: passage.stroke,
    why: passage.why,
  })
  const { hand, stroke } = piece.decisions
  const changed =
    wish.fingering !== passage.fingering || wish.stroke !== passage.stroke || wish.why !== passage.why
  const path = { id: passage.id }
  const keep = async () => {
    await run(() => ask(client.PUT('/api/pieces/passages/{id}/decided', { params: { path }, body: wish })))
    await saved()
  }
  const rest = async (weeks: number | null) => {
    await run(() => ask(client.PUT('/api/pieces/passages/{id}/rest', { params: { path }, body: { weeks } })))
    await saved()
  }
  const field = (label: string, value: string, part: (text: string) => Partial<typeof wish>) => (
    <Field label={label}>
      <Input value={value} onChange={(event) => setWish({ ...wish, ...part(event.target.value) })} />
    </Field>
  )
  return (
    <Box as="section" aria-label="What was decided" mt="6">
      <Text fontWeight={700} fontSize="1.1em" mb="2">
        {passage.bars}: what was decided
      </Text>
      <Grid templateColumns={{ base: '1fr', md: 'repeat(3, minmax(0, 1fr))' }} gap="3">
        {field(hand, wish.fingering, (fingering) => ({ fingering }))}
        {field(stroke, wish.stroke, (text) => ({ stroke: text }))}
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
            {restWeeks.map((one) => (
              <Press
                key={one}
                look="quiet"
                minH="36px"
                aria-label={`Let ${passage.bars} rest for ${one} weeks`}
                onClick={() => rest(one)}
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
