import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { useSearchParams } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { HearIt } from '../../sound/HearIt'
import { Outline } from '../../ui/Outline'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { useTitle } from '../../ui/usePageChange'
import { sayTempo } from '../../ui/words'
import { DeskFrame } from '../practice/DeskFrame'
import { DeskKey } from '../practice/DeskKey'
import { StageMusic } from '../practice/StageMusic'
import { useDesk, type Leave } from '../practice/useDesk'
import { useStageKeys } from '../practice/useStageKeys'
import { cover, isCovered } from './cover'
import { Looking } from './Looking'
import { useReading } from './useReading'
import { wishFrom } from './wish'

type Music = Schemas['NewMusicView']

/** Unseen music, one piece after the other: look, count in, read without stopping, say which bars were not on time. */
export function ReadingDeskPage() {
  const [search] = useSearchParams()
  const book = api.useQuery('get', '/api/reading')
  const leave = useDesk('NewMusic', null, { name: 'back to sight reading', to: '/craft/reading' })
  const { problem, run } = useProblem()
  const [music, setMusic] = useState<Music | null>(null)
  const [read, setRead] = useState(false)
  const next = async () => {
    const made = await run(() => ask(client.POST('/api/reading/new', { body: wishFrom(search) })))
    if (made) setMusic(made)
  }
  const began = useRef(false)
  useEffect(() => {
    if (began.current) return
    began.current = true
    void next()
  })
  if (problem)
    return (
      <chakra.main id="main" p="8">
        <Refusal problem={problem} />
        <Press mt="4" onClick={() => void leave.go(read)}>
          {leave.name}
        </Press>
      </chakra.main>
    )
  if (!music || !book.data) return <Outline />
  return (
    <Desk
      key={music.seed.seed}
      music={music}
      book={book.data}
      leave={{ ...leave, go: () => leave.go(read) }}
      kept={() => setRead(true)}
      next={() => void next()}
    />
  )
}

interface DeskProps {
  music: Music
  book: Schemas['ReadingBook']
  /** From here the drill is done when something was read. */
  leave: Omit<Leave, 'go'> & { go: () => Promise<void> }
  kept: () => void
  next: () => void
}

type Step = 'look' | 'run' | 'after' | 'kept'

function Desk({ music, book, leave, kept, next }: DeskProps) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [wanted, setStep] = useState<Step>('look')
  const [tempo, setTempo] = useState(music.tempo)
  const [ahead, setAhead] = useState(book.coverAhead ?? null)
  const [wrong, setWrong] = useState<number[]>([])
  const [counted, setCounted] = useState(true)
  const [words, setWords] = useState('')
  const [key] = useState(() => crypto.randomUUID())
  const reading = useReading(music.beatsPerBar, music.bars, () => setStep('after'))
  // Without a click nothing runs.
  const step = wanted === 'run' && reading.failed ? 'look' : wanted
  const start = () => {
    setStep('run')
    void reading.start(tempo)
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
    const body = { key, seed: music.seed, wrong, tempo }
    const now = await run(() => ask(client.POST('/api/reading/results', { body })))
    if (!now) return false
    setWords(now.words)
    kept()
    await saved()
    return true
  }
  const keep = async () => {
    if (await send()) setStep('kept')
  }
  const again = async () => {
    if (!(await send())) return
    setCounted(false)
    setWrong([])
    start()
  }
  const yes = { look: start, run: () => {}, after: () => void keep(), kept: next }[step]
  const no = {
    look: () => void leave.go(),
    run: lost,
    after: () => void again(),
    kept: () => void leave.go(),
  }[step]
  const faster = (beats: number) => step === 'look' && setTempo(Math.min(400, Math.max(20, tempo + beats)))
  useStageKeys(
    {
      yes,
      no,
      pause: () => {
        if (step !== 'run') return
        // What was not reached was not on time.
        const at = Math.max(1, reading.bar ?? 1)
        setWrong((all) => [
          ...new Set([...all, ...Array.from({ length: music.bars - at + 1 }, (_, i) => at + i)]),
        ])
        reading.stop()
        setStep('after')
      },
      letters: {
        ArrowUp: () => faster(2),
        ArrowDown: () => faster(-2),
        c: () => setAhead(ahead === null ? 0 : ahead === 2 ? null : ahead + 1),
        Enter: () => (step === 'run' ? undefined : step === 'kept' ? void leave.go() : yes()),
        Escape: () => void leave.go(),
      },
    },
    true,
  )
  useTitle(`${music.title}, at sight`)
  const right = music.bars - wrong.length
  return (
    <DeskFrame>
      <Flex justify="space-between" color="stageFaded" gap="4" wrap="wrap">
        <Text>Sight reading · {music.askedWords}</Text>
        <Text>
          {sayTempo(tempo, music.beat)} · {coverWords(ahead)}
        </Text>
      </Flex>
      <Flex align="center" gap="8" wrap="wrap" justify="space-between">
        <Box flex="1" minW="280px">
          <chakra.h1
            fontSize={{ base: '1.8rem', md: '2.71rem' }}
            lineHeight={1.15}
            data-testid="reading-title"
          >
            {music.title}
          </chakra.h1>
          <Text
            fontSize={{ base: '1.3rem', md: '2.1rem' }}
            lineHeight={1.2}
            data-testid="reading-now"
            aria-live="polite"
          >
            {
              {
                look: 'Look: time, key, tempo, the highest and the oddest place.',
                run: reading.bar === 0 ? 'Counting in' : 'On and on. Do not repair.',
                after: 'Which bars came late or wrong? Touch them.',
                kept: counted
                  ? `${right} of ${music.bars} bars on time. ${words}`
                  : 'Read once more: this one is not counted.',
              }[step]
            }
          </Text>
        </Box>
        {step === 'look' && <Looking music={music} />}
        {step === 'run' && (
          <Text
            fontFamily="heading"
            fontWeight={600}
            fontSize="7rem"
            lineHeight={1}
            fontVariantNumeric="tabular-nums"
            data-testid="bar"
          >
            {reading.bar ? reading.bar : '–'}
          </Text>
        )}
      </Flex>
      <Covered music={music} sounding={step === 'run' ? reading.bar : null} ahead={ahead} />
      {reading.failed && (
        <Text role="alert">The click could not be loaded. Press once more to try again.</Text>
      )}
      <Refusal problem={problem} />
      {step === 'after' && <Bars count={music.bars} wrong={wrong} toggle={toggle} />}
      {(step === 'after' || step === 'kept') && (
        <Flex>
          <HearIt notes={music.played} tempo={tempo} />
        </Flex>
      )}
      <Flex gap="3" wrap="wrap" mt="auto">
        {step === 'look' && (
          <>
            <DeskKey name="begin" keys="→" press={start} />
            <DeskKey name="slower" keys="↓" press={() => faster(-2)} />
            <DeskKey name="faster" keys="↑" press={() => faster(2)} />
            <DeskKey
              name={coverWords(ahead)}
              keys="C"
              press={() => setAhead(ahead === null ? 0 : ahead === 2 ? null : ahead + 1)}
            />
          </>
        )}
        {step === 'run' && <DeskKey name="lost here" keys="←" press={lost} />}
        {step === 'after' && (
          <>
            <DeskKey
              name={counted ? `keep: ${right} of ${music.bars} on time` : 'go on'}
              keys="→"
              press={() => void keep()}
            />
            <DeskKey name="once more, not counted" keys="←" press={() => void again()} />
          </>
        )}
        {step === 'kept' && <DeskKey name="the next one" keys="→" press={next} />}
        <DeskKey name={leave.name} keys={step === 'kept' ? '←' : 'esc'} press={() => void leave.go()} />
      </Flex>
    </DeskFrame>
  )
}

const coverWords = (ahead: number | null) =>
  ahead === null
    ? 'nothing is covered'
    : ahead === 0
      ? 'bars are covered as they sound'
      : `covered ${ahead === 1 ? 'one bar' : 'two bars'} ahead`

/** More than these are smaller, so that all of it is in sight: nobody turns a page. */
const manyBars = 8

/** The music, with its bars covered as they begin to sound. */
function Covered({
  music,
  sounding,
  ahead,
}: {
  music: Music
  sounding: number | null
  ahead: number | null
}) {
  const place = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (place.current) cover(place.current, music.bars, (bar) => isCovered(bar, sounding, ahead))
  }, [music.bars, sounding, ahead])
  return (
    <Box ref={place} data-testid="unseen" my="auto">
      <StageMusic
        abc={music.abc}
        label={`${music.title}, engraved`}
        height={music.bars > manyBars ? 36 : 60}
      />
    </Box>
  )
}

function Bars({ count, wrong, toggle }: { count: number; wrong: number[]; toggle: (bar: number) => void }) {
  return (
    <Flex gap="2" wrap="wrap" role="group" aria-label="Bars">
      {Array.from({ length: count }, (_, i) => i + 1).map((bar) => (
        <Press
          key={bar}
          minW="52px"
          minH="44px"
          justifyContent="center"
          borderColor={wrong.includes(bar) ? 'stageAccent' : 'stageEdge'}
          color={wrong.includes(bar) ? 'stageAccent' : undefined}
          aria-pressed={wrong.includes(bar)}
          aria-label={`Bar ${bar} late or wrong`}
          _hover={{ bg: 'stageHover' }}
          onClick={() => toggle(bar)}
        >
          {bar}
        </Press>
      ))}
    </Flex>
  )
}
