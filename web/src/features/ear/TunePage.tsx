import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { SoundBlocked } from '../../sound/SoundBlocked'
import { useEarSound } from '../../sound/useEarSound'
import { Outline } from '../../ui/Outline'
import { Refusal, useProblem } from '../../ui/refusal'
import { useTitle } from '../../ui/usePageChange'
import { sayClock } from '../../ui/words'
import { DeskFrame } from '../practice/DeskFrame'
import { DeskKey } from '../practice/DeskKey'
import { useStageKeys } from '../practice/useStageKeys'

/** A tune one knows, looked for on the instrument: the key and the first note are given, the time runs. */
export function TunePage() {
  const id = Number(useParams().id)
  const tunes = api.useQuery('get', '/api/ear/tunes')
  const tune = tunes.data?.find((one) => one.id === id)
  return tune ? <Search key={tune.id} given={tune} /> : <Outline />
}

type Step = 'wait' | 'look' | 'over'

function Search({ given }: { given: Schemas['TuneView'] }) {
  // What is found moves on to its next key; here it stays where it was looked for.
  const [tune] = useState(given)
  const navigate = useNavigate()
  const saved = useSaved()
  const { problem, run } = useProblem()
  const voice = useEarSound()
  const [step, setStep] = useState<Step>('wait')
  const [began, setBegan] = useState(0)
  const [seconds, setSeconds] = useState(0)
  const [wrong, setWrong] = useState(0)
  const [words, setWords] = useState('')
  const [key] = useState(() => crypto.randomUUID())
  useTitle(`${tune.title}, by ear`)
  useEffect(() => {
    if (step !== 'look') return
    const timer = setInterval(() => setSeconds((performance.now() - began) / 1000), 250)
    return () => clearInterval(timer)
  }, [step, began])
  const start = () => {
    voice.sound(tune.tones)
    setBegan(performance.now())
    setStep('look')
  }
  const end = async (found: boolean) => {
    const took = (performance.now() - began) / 1000
    setSeconds(took)
    const body = { key, seconds: Math.min(3600, took), wrongStarts: wrong, found }
    const params = { path: { id: tune.id } }
    const kept = await run(() => ask(client.POST('/api/ear/tunes/{id}/finds', { params, body })))
    if (!kept) return
    setWords(kept.words)
    setStep('over')
    await saved()
  }
  const leave = () => void navigate('/craft/ear')
  useStageKeys(
    {
      yes: { wait: start, look: () => void end(true), over: leave }[step],
      no: { wait: leave, look: () => setWrong(wrong + 1), over: leave }[step],
      pause: () => voice.sound(tune.tones),
      letters: {
        r: () => voice.sound(tune.tones),
        g: () => (step === 'look' ? void end(false) : undefined),
        Escape: leave,
      },
    },
    true,
  )
  return (
    <DeskFrame>
      <Text color="stageFaded">Ear · on the instrument</Text>
      <Box my="auto">
        <chakra.h1 fontSize={{ base: '1.8rem', md: '2.71rem' }} lineHeight={1.15}>
          {tune.title}
        </chakra.h1>
        <Text
          fontSize={{ base: '1.3rem', md: '2.1rem' }}
          lineHeight={1.3}
          data-testid="tune-now"
          aria-live="polite"
        >
          {step === 'over'
            ? words
            : `In ${tune.key}. It begins on ${tune.first}, degree ${tune.startDegree}. The rest is yours.`}
        </Text>
        {step !== 'wait' && (
          <Flex gap="8" align="baseline" mt="6">
            <Text
              fontFamily="heading"
              fontWeight={600}
              fontSize="5rem"
              lineHeight={1}
              fontVariantNumeric="tabular-nums"
            >
              {sayClock(Math.floor(seconds))}
            </Text>
            <Text fontSize="1.3rem" data-testid="wrong-starts">
              {wrong === 0 ? 'no wrong start' : wrong === 1 ? '1 wrong start' : `${wrong} wrong starts`}
            </Text>
          </Flex>
        )}
        {tune.last && step === 'wait' && (
          <Text mt="4" color="stageFaded">
            Last time {tune.last}.
          </Text>
        )}
      </Box>
      <SoundBlocked />
      <Refusal problem={problem} />
      <Flex gap="3" wrap="wrap">
        {step === 'wait' && <DeskKey name="hear the key, begin" keys="→" press={start} />}
        {step === 'look' && (
          <>
            <DeskKey name="found" keys="→" press={() => void end(true)} />
            <DeskKey name="wrong start" keys="←" press={() => setWrong(wrong + 1)} />
            <DeskKey name="hear the key again" keys="R" press={() => voice.sound(tune.tones)} />
            <DeskKey name="give it up for today" keys="G" press={() => void end(false)} />
          </>
        )}
        <DeskKey name="back to the ear" keys={step === 'over' ? '→' : 'esc'} press={leave} />
      </Flex>
    </DeskFrame>
  )
}
