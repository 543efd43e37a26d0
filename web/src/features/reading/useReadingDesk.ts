import { useState } from 'react'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { useProblem } from '../../ui/refusal'
import { standIn, usePlaying, type How } from './usePlaying'
import { useReading } from './useReading'

export type Step = 'look' | 'run' | 'ask' | 'mark' | 'kept' | 'stopped'

const hows: How[] = ['self', 'tap', 'keys', 'midi']

const howPlace = 'reading-how'

/** What this music can be marked by. */
const howsFor = (music: Schemas['NewMusicView']) =>
  hows.filter((one) => music.keys || (one !== 'keys' && (one !== 'midi' || music.look.key !== '')))

/** How one marked the last reading in this browser. */
const keptHow = (music: Schemas['NewMusicView']): How =>
  howsFor(music).find((one) => one === localStorage.getItem(howPlace)) ?? 'self'

const secondPlace = 'reading-second'

interface Given {
  music: Schemas['NewMusicView']
  ahead: number | null
  /** Part of the bars that a player made of numbers gets wrong, who takes one's place; null for oneself. */
  numbers: number | null
  kept: () => void
}

/** One reading from the look to its result: what sounds, what was marked, what is kept. */
export function useReadingDesk({ music, ahead: proposed, numbers, kept }: Given) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [wanted, setStep] = useState<Step>('look')
  const [tempo, setTempo] = useState(music.tempo)
  const [ahead, setAhead] = useState(proposed)
  const [wrong, setWrong] = useState<number[]>([])
  const [counted, setCounted] = useState(true)
  const [words, setWords] = useState('')
  const [key] = useState(() => crypto.randomUUID())
  const [shelfKey] = useState(() => crypto.randomUUID())
  const [shelved, setShelved] = useState(false)
  const [how, setHow] = useState<How>(() => keptHow(music))
  const profile = api.useQuery('get', '/api/profile', undefined, { throwOnError: false })
  const hasSecond = music.second.length > 0
  const [second, setSecond] = useState(() => localStorage.getItem(secondPlace) === 'on')
  const playing = usePlaying(how, wanted === 'run', tempo)
  const [marked, setMarked] = useState<Schemas['MarkedView'] | null>(null)
  const done = async () => {
    // Where nothing was heard one says it oneself; who has pressed "lost here" has said it already.
    const isHeard = numbers !== null || (how !== 'self' && playing.heard > 0)
    setStep(isHeard || wrong.length > 0 ? 'mark' : 'ask')
    if (!isHeard) return
    const found = await run(() =>
      numbers === null
        ? playing.marks(music.seed, tempo)
        : standIn(music.seed, tempo, numbers, how === 'tap'),
    )
    if (!found) return
    setMarked(found)
    setWrong((all) => [...new Set([...all, ...found.wrong])])
  }
  const reading = useReading(music.beatsPerBar, music.bars, () => void done())
  // Without a click nothing runs.
  const step = wanted === 'run' && reading.failed ? 'look' : wanted
  const start = () => {
    setStep('run')
    setMarked(null)
    playing.begin(reading.beat)
    void reading.start(tempo, hasSecond && second ? music.second : [], profile.data?.a4)
  }
  const toggle = (bar: number) =>
    setWrong((all) => (all.includes(bar) ? all.filter((one) => one !== bar) : [...all, bar]))
  const lost = () => {
    const bar = reading.bar ?? 0
    if (bar >= 1) setWrong((all) => (all.includes(bar) ? all : [...all, bar]))
  }
  /** Keeps the result, once: what is read again is no longer unseen. */
  const send = async () => {
    if (!counted) return true
    const body = { key, seed: music.seed, wrong, tempo, tapped: how === 'tap' }
    const now = await run(() => ask(client.POST('/api/reading/results', { body })))
    if (!now) return false
    setWords(now.words)
    kept()
    await saved()
    return true
  }
  /** To the shelf, where what pleases waits to become something. */
  const shelve = async () => {
    const text = `${music.title}, read at sight:\n${music.abc}`
    const body = { key: shelfKey, text, kind: 'Shelf' as const }
    if (await run(() => ask(client.POST('/api/journal', { body })))) setShelved(true)
  }
  const keep = async () => {
    if (await send()) setStep('kept')
  }
  /** Once more, of what is no longer unseen: it counts for nothing. */
  const again = () => {
    setCounted(false)
    setWrong([])
    start()
  }
  const other = () => {
    if (step !== 'look') return
    const all = howsFor(music)
    const next = all[(all.indexOf(how) + 1) % all.length]!
    localStorage.setItem(howPlace, next)
    setHow(next)
  }
  const faster = (beats: number) => step === 'look' && setTempo(Math.min(400, Math.max(20, tempo + beats)))
  return {
    step,
    how,
    tempo,
    ahead,
    wrong,
    counted,
    words,
    marked,
    problem,
    midi: playing.midi,
    key: playing.key,
    /** Whether a second voice plays along; null where there is none. */
    second: hasSecond ? second : null,
    alone: reading.alone,
    duet: () => {
      if (!hasSecond) return
      localStorage.setItem(secondPlace, second ? 'off' : 'on')
      setSecond(!second)
    },
    bar: reading.bar,
    failed: reading.failed,
    start,
    toggle,
    lost,
    keep,
    some: () => setStep('mark'),
    shelve,
    shelved,
    again,
    other,
    faster,
    cover: () => setAhead(ahead === null ? 0 : ahead === 2 ? null : ahead + 1),
    /** Stopped on the way: what was not played is no verdict. */
    stop: () => {
      reading.stop()
      setStep('stopped')
    },
  }
}
