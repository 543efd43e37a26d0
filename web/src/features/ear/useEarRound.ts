import { useEffect, useRef, useState } from 'react'
import { ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { lengthOf, useEarSound } from '../../sound/useEarSound'
import { useProblem } from '../../ui/refusal'

type Question = Schemas['EarQuestionView']
type Round = Schemas['EarRoundView']

/** What was missed in this round: what it was, and what it was taken for. */
export interface Missed {
  was: string
  said: string
}

/** Where the question at hand stands. */
export type Step =
  | { at: 'wait' }
  | { at: 'ask' }
  /** Answered aloud: the answer has been heard, one says oneself whether it was right. */
  | { at: 'judge' }
  | { at: 'said'; said: string | null; right: boolean }
  | { at: 'over' }

/** Right answers go on by themselves after so long. */
const goOnMs = 1100

/** A pause between what it was and what was said. */
const between = 0.5

/**
 * A round for the ear: question, answer, both heard where they differ, the next; over when its time is up.
 * @param only the items of a round of only these; empty for everything
 * @param seconds how long it lasts
 */
export function useEarRound(only: string[], seconds: number) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const voice = useEarSound()
  const [round, setRound] = useState<Round | null>(null)
  const [next, setNext] = useState<Round | null>(null)
  const [step, setStep] = useState<Step>({ at: 'wait' })
  const [count, setCount] = useState({ asked: 0, right: 0 })
  const [missed, setMissed] = useState<Missed[]>([])
  const [began, setBegan] = useState(() => Date.now())
  const soundEnds = useRef(0)
  const sending = useRef(false)
  const goesOn = useRef(0)
  const question = round?.question ?? null

  const hear = (tones: Question['tones']) => {
    voice.sound(tones)
    soundEnds.current = performance.now() + lengthOf(tones) * 1000
  }
  const show = (to: Round) => {
    setRound(to)
    setNext(null)
    setStep({ at: 'ask' })
    if (to.question) hear(to.question.tones)
  }
  const begin = async () => {
    const query = only.length > 0 ? { only } : {}
    const first = await run(() => ask(client.GET('/api/ear/question', { params: { query } })))
    if (!first) return
    setBegan(Date.now())
    setCount({ asked: 0, right: 0 })
    setMissed([])
    show(first)
  }
  const onward = () => {
    window.clearTimeout(goesOn.current)
    if (!next) return
    if ((Date.now() - began) / 1000 >= seconds) {
      voice.silence()
      setStep({ at: 'over' })
      void saved()
    } else show(next)
  }
  const latest = useRef(onward)
  useEffect(() => {
    latest.current = onward
  })
  useEffect(() => () => window.clearTimeout(goesOn.current), [])

  const keep = async (said: string | null, right: boolean) => {
    if (!question || sending.current) return
    sending.current = true
    const body = {
      key: crypto.randomUUID(),
      item: question.item,
      said,
      right,
      seconds: Math.max(0, (performance.now() - soundEnds.current) / 1000),
      alternatives: said === null ? 0 : question.alternatives.length,
      only,
    }
    const to = await run(() => ask(client.POST('/api/ear/answers', { body })))
    sending.current = false
    if (!to) return
    setCount(({ asked, right: so }) => ({ asked: asked + 1, right: so + (right ? 1 : 0) }))
    setNext(to)
    setStep({ at: 'said', said, right })
    if (right) {
      goesOn.current = window.setTimeout(() => latest.current(), goOnMs)
      return
    }
    const [was, taken] = [tonesOf(question, question.item), said === null ? [] : tonesOf(question, said)]
    setMissed((all) => [...all, { was: question.name, said: said === null ? '' : labelOf(question, said) }])
    const after = lengthOf(was) + between
    hear([...was, ...taken.map((tone) => ({ ...tone, atSeconds: tone.atSeconds + after }))])
  }
  const choose = (at: number) => {
    const one = question?.alternatives[at]
    if (!question || !one) return
    if (step.at === 'ask') void keep(one.item, one.item === question.item)
    else if (step.at === 'said') {
      window.clearTimeout(goesOn.current)
      hear(one.tones)
    }
  }
  return {
    question,
    step,
    count,
    missed,
    problem,
    voice,
    today: round?.today ?? null,
    left: () => Math.max(0, seconds - (Date.now() - began) / 1000),
    begin: () => void begin(),
    /** The right key: hear the answer, say that it was right, or go on. */
    yes: () => {
      if (step.at === 'ask' && question) {
        hear(tonesOf(question, question.item))
        setStep({ at: 'judge' })
      } else if (step.at === 'judge') void keep(null, true)
      else if (step.at === 'said') onward()
      else void begin()
    },
    no: () => {
      if (step.at === 'judge') void keep(null, false)
      else if (step.at === 'ask' && question) hear(question.tones)
    },
    again: () => question && hear(question.tones),
    choose,
    end: () => {
      window.clearTimeout(goesOn.current)
      voice.silence()
      setStep({ at: 'over' })
      void saved()
    },
  }
}

const tonesOf = (question: Question, item: string) =>
  question.alternatives.find((one) => one.item === item)?.tones ?? []

export const labelOf = (question: Question, item: string) =>
  question.alternatives.find((one) => one.item === item)?.label ?? ''
