import { Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { ask, client } from '../../api/client'
import { FileChoice } from '../../ui/FileChoice'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { save } from '../../ui/save'
import type { Filters } from './JournalFilters'
import { useJournalRefresh } from './useJournalRefresh'

/** The journal as a text file, out and in. */
export function Elsewhere({ filters: { from, to } }: { filters: Filters }) {
  const { problem, run } = useProblem()
  const refresh = useJournalRefresh()
  const [came, setCame] = useState<{ added: number; known: number } | null>(null)
  const write = async () => {
    const params = { query: { from, to } }
    const text = await run(() => ask(client.GET('/api/journal/markdown', { params, parseAs: 'blob' })))
    if (text) save(text as unknown as Blob, 'journal.md')
  }
  const read = async (file: File) => {
    const body = { text: await file.text() }
    const answer = await run(() => ask(client.POST('/api/journal/markdown', { body })))
    if (!answer) return
    setCame(answer)
    await refresh()
  }
  return (
    <Flex gap="5" align="center" wrap="wrap" mt="6" className="no-print" fontSize="0.93em">
      <Press look="quiet" onClick={write}>
        Save {from || to ? 'these days' : 'all of it'} as Markdown
      </Press>
      <FileChoice
        label="A journal in Markdown"
        accept=".md,.markdown,.txt,text/markdown"
        take={(file) => void read(file)}
      >
        Read a journal in
      </FileChoice>
      {came && (
        <Text role="status">
          {came.added} {came.added === 1 ? 'entry' : 'entries'} read in
          {came.known > 0 && `, ${came.known} stood there already`}.
        </Text>
      )}
      <Refusal problem={problem} />
    </Flex>
  )
}
