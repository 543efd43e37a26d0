import { Flex, Text, Textarea } from '@chakra-ui/react'
import { ask, client, type Schemas } from '../../api/client'
import { DemoWord } from '../../ui/DemoWord'
import { Phrases, withPhrase } from '../../ui/Phrases'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Sheet } from '../../ui/Sheet'
import type { Note } from './useNote'

/** Two keystrokes and a line: the key opens it, Enter keeps it. The clock runs on; the note stays with where it was begun. */
export function NoteSheet({ note }: { note: Note }) {
  const { problem, run } = useProblem()
  const { begun, text } = note.draft
  if (!begun) return null
  const name = begun.kind === 'Note' ? 'A note' : 'For the shelf'
  const save = async () => {
    if (!text.trim()) return note.discard()
    const { key, kind, sessionId, position, take, materialId } = begun
    const body = { key, kind, sessionId, position, take, materialId, text }
    const kept = await run(() => ask(client.POST('/api/journal', { body })))
    if (kept) note.discard()
  }
  return (
    <Sheet title={name} close={note.lay}>
      <Text color="faded" mb="2">
        {begun.about}
      </Text>
      <Textarea
        data-first
        aria-label={begun.kind === 'Note' ? 'Note' : 'Idea for the shelf'}
        value={text}
        onChange={(event) => note.write(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && !event.shiftKey) {
            event.preventDefault()
            void save()
          }
        }}
      />
      <Phrases dark add={(phrase) => note.write(withPhrase(text, phrase))} />
      <Refusal problem={problem} />
      <DemoWord />
      <Flex mt="3" gap="3">
        <Press look="strong" onClick={save}>
          Keep (enter)
        </Press>
        {text.trim() && <Press onClick={note.discard}>Throw it away</Press>}
      </Flex>
    </Sheet>
  )
}

export type NoteKind = Extract<Schemas['EntryKind'], 'Note' | 'Shelf'>
