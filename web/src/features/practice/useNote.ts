import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useDraft } from '../../ui/useDraft'
import type { NoteKind } from './NoteSheet'

/** Where a note was begun: it stays with that, wherever the session has gone meanwhile. */
interface Begun {
  key: string
  kind: NoteKind
  sessionId: number
  position: number
  take: number | null
  materialId: number | null
  about: string
}

/** The note or idea under way on the stage; laid aside it waits for the next N or L. */
export function useNote() {
  const { draft, write, clear } = useDraft<{ begun: Begun | null; text: string }>('stage-note', {
    begun: null,
    text: '',
  })
  const [open, setOpen] = useState(false)
  return {
    open,
    draft,
    write: (text: string) => write({ text }),
    begin: (kind: NoteKind, session: Schemas['SessionView']) => {
      // What was begun and not kept comes first: nothing typed is overwritten.
      if (!draft.begun || !draft.text.trim()) write({ begun: here(kind, session), text: '' })
      setOpen(true)
    },
    lay: () => setOpen(false),
    discard: () => {
      clear()
      setOpen(false)
    },
  }
}

export type Note = ReturnType<typeof useNote>

function here(kind: NoteKind, session: Schemas['SessionView']): Begun {
  const drill = session.drills[session.position]
  const take = session.cue?.countsTakes && drill ? drill.takes + 1 : null
  const title = session.target?.title ?? drill?.title ?? ''
  return {
    key: crypto.randomUUID(),
    kind,
    sessionId: session.id,
    position: session.position,
    take,
    materialId: session.target?.materialId ?? null,
    about: take ? `${title} · take ${take}` : title,
  }
}
