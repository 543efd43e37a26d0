import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { helpOf, helpValues, type HelpChoice } from './stageHelp'

type Act = (kind: Schemas['StageAct'], value?: number) => void

/**
 * What the stage asks, one thing at a time: what to do after three misses, what would help with what annoys, or how tight it is; else
 * figures rate.
 */
export function useAsked(session: Schemas['SessionView'], takes: string, act: Act) {
  const cue = session.cue!
  const [helped, setHelped] = useState('')
  const [answered, setAnswered] = useState('')
  const [asking, setAsking] = useState<'tension' | 'relief' | null>(null)
  const help = cue.help && helped !== takes ? cue.help : null
  // What was missed comes first.
  const asksRelief = !help && asking === 'relief' && session.reliefOf !== ''
  const asksTension =
    !help && !asksRelief && (asking === 'tension' || ((cue.asksTension ?? false) && answered !== takes))
  const give = (choice: HelpChoice) => {
    act('Help', helpValues[choice])
    setHelped(takes)
  }
  const tense = (level: number) => {
    act('Tension', level)
    setAnswered(takes)
    setAsking(null)
  }
  const relieve = (relief: number) => {
    act('Relief', relief)
    setAsking(null)
  }
  const toggle = (what: 'tension' | 'relief') => setAsking(asking === what ? null : what)
  /** A figure answers what is asked, else it rates. */
  const figure = (level: number) => {
    if (help) {
      const choice = helpOf(help, String(level))
      if (choice) give(choice)
    } else if (asksRelief) relieve(level)
    else if (asksTension) tense(level)
    else if (level > 0) act('Readiness', level)
  }
  return {
    help,
    give,
    asksTension,
    tense,
    asksRelief,
    relieve,
    figure,
    toggleTension: () => toggle('tension'),
    /** Where there is nothing of which there could be less, the program says so. */
    toggleRelief: () => (session.reliefOf ? toggle('relief') : act('Relief', 0)),
  }
}
