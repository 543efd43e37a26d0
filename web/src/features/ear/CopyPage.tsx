import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { SoundBlocked } from '../../sound/SoundBlocked'
import { usePlayback } from '../../sound/usePlayback'
import { Outline } from '../../ui/Outline'
import { Refusal, useProblem } from '../../ui/refusal'
import { useTitle } from '../../ui/usePageChange'
import { DeskFrame } from '../practice/DeskFrame'
import { DeskKey } from '../practice/DeskKey'
import { MadeSheet } from '../practice/MadeSheet'
import { StageMusic } from '../practice/StageMusic'
import { useStageKeys } from '../practice/useStageKeys'

/** Heard as often as needed, played back on the instrument, then seen. */
export function CopyPage() {
  const [search] = useSearchParams()
  const kind = search.get('kind') === 'figure' ? 'Figure' : 'Phrase'
  const key = search.get('key') ?? ''
  const { problem, run } = useProblem()
  const [given, setGiven] = useState<Schemas['CopyView'] | null>(null)
  const [number, setNumber] = useState(0)
  const next = async () => {
    const made = await run(() =>
      ask(client.GET('/api/ear/copies/next', { params: { query: { kind, key } } })),
    )
    if (!made) return
    setGiven(made)
    setNumber((now) => now + 1)
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
      </chakra.main>
    )
  return given ? <Copy key={number} given={given} next={() => void next()} /> : <Outline />
}

type Step = 'wait' | 'play' | 'seen' | 'over'

function Copy({ given, next }: { given: Schemas['CopyView']; next: () => void }) {
  const navigate = useNavigate()
  const saved = useSaved()
  const { problem, run } = useProblem()
  const { failed, start } = usePlayback()
  const profile = api.useQuery('get', '/api/profile', undefined, { throwOnError: false })
  const [step, setStep] = useState<Step>('wait')
  const [hearings, setHearings] = useState(0)
  const [words, setWords] = useState('')
  const [key] = useState(() => crypto.randomUUID())
  const [making, setMaking] = useState(false)
  useTitle(`${given.title}, by ear`)
  const sound = (notes: Schemas['PlayedNoteView'][]) =>
    void start(notes, given.tempo, profile.data?.a4 ?? 440)
  const hear = () => {
    sound(step === 'seen' || step === 'over' ? given.answer : given.question)
    if (step === 'wait' || step === 'play') setHearings(hearings + 1)
    if (step === 'wait') setStep('play')
  }
  const look = () => setStep('seen')
  const keep = async (right: boolean) => {
    const body = { key, kind: given.kind, level: given.level, hearings: Math.min(99, hearings), right }
    const kept = await run(() => ask(client.POST('/api/ear/copies', { body })))
    if (!kept) return
    setWords(kept.words)
    setStep('over')
    await saved()
  }
  const leave = () => void navigate('/craft/ear')
  const make = () => step === 'over' && setMaking(true)
  useStageKeys(
    {
      yes: { wait: hear, play: look, seen: () => void keep(true), over: next }[step],
      no: { wait: leave, play: hear, seen: () => void keep(false), over: leave }[step],
      pause: hear,
      letters: { r: hear, k: make, Escape: leave },
    },
    !making,
  )
  return (
    <DeskFrame>
      <Flex justify="space-between" color="stageFaded" gap="4" wrap="wrap">
        <Text>Ear · on the instrument · level {given.level}</Text>
        <Text data-testid="hearings">
          {hearings === 0 ? '' : hearings === 1 ? 'heard once' : `heard ${hearings} times`}
        </Text>
      </Flex>
      <Box my="auto">
        <chakra.h1 fontSize={{ base: '1.8rem', md: '2.71rem' }} lineHeight={1.15}>
          {step === 'seen' || step === 'over' || given.kind === 'Figure'
            ? given.title
            : 'Hear it, play it back'}
        </chakra.h1>
        <Text
          fontSize={{ base: '1.3rem', md: '2.1rem' }}
          lineHeight={1.3}
          data-testid="copy-now"
          aria-live="polite"
        >
          {
            {
              wait: given.ask,
              play: `${given.ask} Hear it as often as you need.`,
              seen: 'This was it. Had you all of it?',
              over: words,
            }[step]
          }
        </Text>
        {(step === 'seen' || step === 'over') && (
          <Box mt="6" data-testid="copy-music">
            <StageMusic abc={given.abc} label={`${given.title}, engraved`} height={44} />
          </Box>
        )}
      </Box>
      {failed && <Text role="alert">The piano could not be loaded. Press once more to hear it.</Text>}
      <SoundBlocked />
      <Refusal problem={problem} />
      <Flex gap="3" wrap="wrap">
        {step === 'wait' && <DeskKey name="hear it" keys="→" press={hear} />}
        {step === 'play' && (
          <>
            <DeskKey name="played it: show me" keys="→" press={look} />
            <DeskKey name="hear it again" keys="←" press={hear} />
          </>
        )}
        {step === 'seen' && (
          <>
            <DeskKey name="all of it" keys="→" press={() => void keep(true)} />
            <DeskKey name="not yet" keys="←" press={() => void keep(false)} />
            <DeskKey name="hear all of it" keys="R" press={hear} />
          </>
        )}
        {step === 'over' && (
          <>
            <DeskKey name="the next one" keys="→" press={next} />
            <DeskKey name="three lines of your own from it" keys="K" press={make} />
          </>
        )}
        <DeskKey name="back to the ear" keys={step === 'over' ? '←' : 'esc'} press={leave} />
      </Flex>
      {making && (
        <MadeSheet
          seed={{
            title: `From ${given.title}`,
            text: given.threeLines,
            threeLines: given.threeLines,
            isGroove: false,
            materialId: null,
          }}
          back="Back to the ear"
          close={() => setMaking(false)}
        />
      )}
    </DeskFrame>
  )
}
