import { Box, Flex } from '@chakra-ui/react'
import { ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { WrittenLine } from '../../ui/WrittenLine'

/** A line that came back, and that it is settled. */
export function Written({ line }: { line: Schemas['WrittenView'] }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const settle = async () => {
    const params = { path: { id: line.entryId } }
    await run(() => ask(client.PUT('/api/journal/{id}/settled', { params, body: { settled: true } })))
    await saved('/api/today')
  }
  return (
    <Flex gap="2" align="baseline" maxW="76ch">
      <WrittenLine line={line} about={line.about !== ''} />
      <Press look="quiet" aria-label={`Settled: ${line.text}`} onClick={settle}>
        Settled
      </Press>
      <Refusal problem={problem} />
    </Flex>
  )
}

/** What was carried over to today, until it is settled. */
export function Carried({ lines }: { lines: Schemas['WrittenView'][] }) {
  return (
    <Box as="section" aria-label="Carried over to today" mb="3">
      {lines.map((line) => (
        <Written key={line.entryId} line={line} />
      ))}
    </Box>
  )
}
