import { useEffect, useRef, useState } from 'react'
import { ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { lengthOf, useEarSound } from '../../sound/useEarSound'
import { tapDelay } from '../../sound/tapDelay'
import { useMidi } from '../../sound/useMidi'
import { useTaps } from '../../sound/useTaps'
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
  | { at: 'said'; said: string | null; right: boolean; words: string }
  | { at: 'over' }

/** Right answers go on by themselves after so long. */
const goOnMs = 1100

/** A last tap may come so much after its bar. */
const lateTapMs = 250

/** A note that was given: how it is called, and how it sounds. */
export interface Given {
  label: string
  midi: number
}

const midiPlace = 'ear-midi'

/** What a played note is called: by the key's own letters, else between two of them. */
const letterOf = (midi: number, question: Question | null) =>
  question?.line?.steps.find((one) => (one.midi - midi) % 12 === 0)?.letter ?? '·'

interface GivenBack {
  taps?: number[]
  notes?: number[]
}

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
  /** Notes given so far of a line. */
  const [given, setGiven] = useState<Given[]>([])
  const taps = useRef<{ from: number; beats: number[] } | null>(null)
  const [tapped, setTapped] = useState(0)
  const [began, setBegan] = useState(() => Date.now())
  const soundEnds = useRef(0)
  const sending = useRef(false)
  /** Of the answer to the question at hand: sent again it counts once. */
  const key = useRef('')
  const goesOn = useRef(0)
  const question = round?.question ?? null

  const hear = (tones: Question['tones']) => {
    voice.sound(tones)
    soundEnds.current = performance.now() + lengthOf(tones) * 1000
  }
  const pose = (asked: Question) => {
    setGiven([])
    setTapped(0)
    taps.current = null
    const { tap } = asked
    if (!tap) return hear(asked.tones)
    voice.sound(asked.tones, (at) => (taps.current = { from: at + tap.fromSeconds * 1000, beats: [] }))
    soundEnds.current = performance.now() + tap.toSeconds * 1000
  }
  const show = (to: Round) => {
    setRound(to)
    setNext(null)
    // Nothing to ask: what was wished for does not fit the instrument.
    if (!to.question) return setStep({ at: 'over' })
    key.current = crypto.randomUUID()
    setStep({ at: 'ask' })
    pose(to.question)
  }
  const tapping = step.at === 'ask' && Boolean(question?.tap)
  useTaps(tapping, (ago) => {
    if (!taps.current || !question?.tap) return
    const beat = ((performance.now() - ago - taps.current.from) / 60_000) * question.tap.tempo
    // Before the bars in which it is tapped one may tap along.
    if (beat < -0.5) return
    taps.current.beats.push(beat)
    setTapped(taps.current.beats.length)
  })
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

  const keep = async (said: string | null, chosen: boolean, back: GivenBack = {}) => {
    if (!question || sending.current) return
    sending.current = true
    const body = {
      key: key.current,
      item: question.item,
      said,
      right: chosen,
      seconds:
        // Answered aloud, nobody knows when.
        question.kind === 'Choose' && said !== null
          ? Math.max(0, (performance.now() - soundEnds.current) / 1000)
          : null,
      alternatives: said === null ? 0 : question.alternatives.length,
      only,
      delayMs: tapDelay() ?? 0,
      ...back,
    }
    const to = await run(() => ask(client.POST('/api/ear/answers', { body })))
    sending.current = false
    // A rhythm that could not be sent is heard and tapped anew.
    if (!to) return question.tap ? setStep({ at: 'wait' }) : undefined
    const right = to.marked?.right ?? chosen
    setCount(({ asked, right: so }) => ({ asked: asked + 1, right: so + (right ? 1 : 0) }))
    setNext(to)
    setStep({ at: 'said', said, right, words: to.marked?.words ?? '' })
    if (right && !to.marked) {
      goesOn.current = window.setTimeout(() => latest.current(), goOnMs)
      return
    }
    if (right) return
    const [was, taken] = [tonesOf(question, question.item), said === null ? [] : tonesOf(question, said)]
    setMissed((all) => [...all, { was: question.name, said: said === null ? '' : labelOf(question, said) }])
    if (question.tap) return
    const after = lengthOf(was) + between
    hear([...was, ...taken.map((tone) => ({ ...tone, atSeconds: tone.atSeconds + after }))])
  }
  /** A note of a line; the last one sends it. */
  const give = (note: Given) => {
    if (step.at !== 'ask' || !question?.line) return
    const all = [...given, note].slice(0, question.line.notes)
    setGiven(all)
    if (all.length === question.line.notes) void keep(null, false, { notes: all.map(({ midi }) => midi) })
  }
  /** A note that was played: by its sound. */
  const play = (midi: number) => give({ midi, label: letterOf(midi, question) })
  const giveStep = (at: number) => {
    const one = question?.line?.steps[at]
    if (one) give({ midi: one.midi, label: `${one.degree}` })
  }
  const [listens, setListens] = useState(() => localStorage.getItem(midiPlace) === 'on')
  const midi = useMidi(listens && Boolean(question?.line) && step.at === 'ask', (note) => play(note))
  // When the bars in which it is tapped are over, it is sent.
  const sendTaps = useRef(() => {})
  useEffect(() => {
    sendTaps.current = () => void keep(null, false, { taps: taps.current?.beats ?? [] })
  })
  useEffect(() => {
    if (!tapping) return
    const timer = setInterval(() => {
      if (performance.now() < soundEnds.current + lateTapMs) return
      clearInterval(timer)
      sendTaps.current()
    }, 100)
    return () => clearInterval(timer)
  }, [tapping, question])
  const choose = (at: number) => {
    if (question?.kind === 'Notes') return giveStep(at)
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
    given,
    giveStep,
    play,
    midi,
    listens,
    listen: () => {
      localStorage.setItem(midiPlace, listens ? 'off' : 'on')
      setListens(!listens)
    },
    takeBack: () => setGiven((all) => all.slice(0, -1)),
    tapped,
    tapping,
    voice,
    today: round?.today ?? null,
    left: () => Math.max(0, seconds - (Date.now() - began) / 1000),
    begin: () => void begin(),
    /** The right key: hear the answer, say that it was right, or go on. */
    yes: () => {
      if (tapping) return
      if (step.at === 'ask' && question) {
        hear(tonesOf(question, question.item))
        setStep({ at: 'judge' })
      } else if (step.at === 'judge') void keep(null, true)
      else if (step.at === 'said') onward()
      else void begin()
    },
    no: () => {
      if (step.at === 'judge') void keep(null, false)
      else if (step.at === 'ask' && question && !tapping) hear(question.tones)
    },
    again: () => question && !tapping && (step.at === 'ask' ? pose(question) : hear(question.tones)),
    choose,
    end: () => {
      window.clearTimeout(goesOn.current)
      voice.silence()
      setStep({ at: 'over' })
      void saved()
    },
  }
}

export type RoundState = ReturnType<typeof useEarRound>

const tonesOf = (question: Question, item: string) =>
  question.alternatives.find((one) => one.item === item)?.tones ?? []

export const labelOf = (question: Question, item: string) =>
  question.alternatives.find((one) => one.item === item)?.label ?? ''
