import { useEffect, useState } from 'react'
import type { Schemas } from '../../api/client'

const soundTones = (tones: Schemas['Tone'][]) =>
  void import('../../sound/signals').then((one) => one.soundTones(tones))

/** A question for the ear: heard once by itself, again by key, then its answer. */
export function useQuestion({ position, cue, question, running }: Schemas['SessionView']) {
  const [answered, setAnswered] = useState<string | null>(null)
  const asked = `${position}:${cue?.question}`
  useEffect(() => {
    if (question && running) soundTones(question.question)
    return () => void import('../../sound/signals').then((one) => one.stopTones())
    // Each question is heard once by itself, and no longer than it is asked.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked, running])
  return {
    /** Whether its answer was heard. */
    heard: answered === asked,
    hear: () => {
      if (!question) return
      soundTones(question.answer)
      setAnswered(asked)
    },
    again: () => question && soundTones(question.question),
  }
}
