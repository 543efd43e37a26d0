import { Box, chakra, Flex, Text, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { ask, client, type Schemas } from '../../api/client'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { useRemoval } from '../../ui/removal'
import { useJournalRefresh } from './useJournalRefresh'

const kinds: Record<Schemas['EntryKind'], string> = {
  Note: 'note',
  Shelf: 'shelf',
  Drill: 'drill',
  Session: 'session',
}

/** Words with what was searched for marked. */
function Marked({ text, search }: { text: string; search: string }) {
  const wanted = search.trim()
  if (!wanted) return text
  const parts = text.split(new RegExp(`(${wanted.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')})`, 'i'))
  return parts.map((part, i) =>
    i % 2 === 1 ? (
      <chakra.mark key={i} bg="chosen" color="inherit">
        {part}
      </chakra.mark>
    ) : (
      part
    ),
  )
}

/** Something written down, to be changed or removed where it stands. */
export function Entry({ entry, search }: { entry: Schemas['EntryView']; search: string }) {
  const [text, setText] = useState<string | null>(null)
  const { problem, run } = useProblem()
  const removal = useRemoval()
  const journal = useJournalRefresh()
  const save = async () => {
    if (text === null) return
    if (
      await run(() =>
        ask(client.PUT('/api/journal/{id}', { params: { path: { id: entry.id } }, body: { text } })),
      )
    ) {
      setText(null)
      await journal()
    }
  }
  const remove = async () => {
    const params = { path: { id: entry.id } }
    await run(() =>
      removal(
        entry.text,
        () => ask(client.DELETE('/api/journal/{id}', { params })),
        () => ask(client.POST('/api/journal/{id}/back', { params })),
      ),
    )
  }
  return (
    <Box mb="3">
      <Text fontSize="0.85em" color="faded">
        {entry.about ? <Marked text={entry.about} search={search} /> : kinds[entry.kind]}
        {entry.take && `, take ${entry.take}`}
        {entry.about && entry.kind !== 'Drill' && ` · ${kinds[entry.kind]}`}
      </Text>
      {text === null ? (
        <Flex gap="3" align="baseline" justify="space-between">
          <Text whiteSpace="pre-wrap" maxW="68ch">
            <Marked text={entry.text} search={search} />
          </Text>
          <Flex flex="none" opacity={0.75}>
            <Press
              look="quiet"
              minH="30px"
              aria-label={`Change: ${entry.text.slice(0, 40)}`}
              onClick={() => setText(entry.text)}
            >
              change
            </Press>
            <Press
              look="quiet"
              minH="30px"
              aria-label={`Remove: ${entry.text.slice(0, 40)}`}
              onClick={() => remove()}
            >
              remove
            </Press>
          </Flex>
        </Flex>
      ) : (
        <>
          <Textarea aria-label="Entry" value={text} onChange={(event) => setText(event.target.value)} />
          <Flex gap="3" mt="2">
            <Press look="strong" onClick={() => save()}>
              Keep
            </Press>
            <Press onClick={() => setText(null)}>Leave as it was</Press>
          </Flex>
        </>
      )}
      <Refusal problem={problem} />
    </Box>
  )
}
