import { Flex } from '@chakra-ui/react'
import { useRef, useState } from 'react'
import { ask, client } from '../../api/client'
import { Press, Refusal, TextArea, useProblem } from '../../ui/fields'
import { Sheet } from './Sheet'

export type NoteKind = 'Note' | 'Shelf'

interface Props {
  kind: NoteKind
  position: number
  materialId: number | null
  close: () => void
}

/** Two keystrokes and a line: the key opens it, Enter keeps it. The clock runs on. */
export function NoteSheet({ kind, position, materialId, close }: Props) {
  const [text, setText] = useState('')
  const key = useRef(crypto.randomUUID())
  const { problem, run } = useProblem()
  const save = async () => {
    if (!text.trim()) return close()
    const kept = await run(() =>
      ask(client.POST('/api/journal', { body: { key: key.current, text, kind, position, materialId } })),
    )
    if (kept) close()
  }
  return (
    <Sheet title={kind === 'Note' ? 'A note' : 'For the shelf'} close={close}>
      <TextArea
        autoFocus
        aria-label={kind === 'Note' ? 'Note' : 'Idea for the shelf'}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && !event.shiftKey) {
            event.preventDefault()
            void save()
          }
        }}
      />
      <Refusal problem={problem} />
      <Flex mt="3">
        <Press look="strong" onClick={() => void save()}>
          Keep (enter)
        </Press>
      </Flex>
    </Sheet>
  )
}
