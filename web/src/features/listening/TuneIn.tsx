import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { playSimulated } from '../../sound/simulated'
import { Press } from '../../ui/Press'
import { Tick } from '../../ui/Tick'
import { useMicrophone } from './useMicrophone'

interface Reading {
  note: string | null
  cents: number
  words: string
}

/** The scale goes so far to both sides; what is further off stands at its end. */
const scale = 50
const inTune = 5
/** What its player tunes an instrument to; nothing for the others. */
const tuningNotes: Partial<Record<Schemas['Family'], string>> = {
  Strings: 'open strings',
  Plucked: 'open strings',
  Winds: 'tuning note',
}

/** Which note sounds, and how far from it: by the microphone, while it is asked for. */
export function TuneIn() {
  const [state, setState] = useState<'off' | 'asking' | 'on'>('off')
  const [word, setWord] = useState('')
  const [own, setOwn] = useState(false)
  const family = api.useQuery('get', '/api/profile', undefined, { throwOnError: false }).data?.family
  const tunedTo = family && tuningNotes[family]
  const [reading, setReading] = useState<Reading | null>(null)
  const { open, release } = useMicrophone('listen again')
  const silence = useRef(() => {})
  useEffect(() => () => silence.current(), [])

  const stop = () => {
    silence.current()
    release()
    setState('off')
    setReading(null)
  }
  const start = async (onlyItsNotes: boolean) => {
    silence.current()
    setState('asking')
    setWord('')
    const listening = await open({
      path: (rate) => `/api/listen/tuner?rate=${rate}&own=${onlyItsNotes}`,
      heard: (answer) => setReading((before) => kept(before, answer as Reading)),
      ended: (why) => {
        setWord(why)
        stop()
      },
    })
    if (!listening) return
    setState('on')
    silence.current = playSimulated('tuning', () => 1)
  }
  return (
    <Box as="section" aria-label="Tune">
      <Flex gap="4" align="center" wrap="wrap">
        <Press
          minH="54px"
          px="6"
          aria-pressed={state === 'on'}
          disabled={state === 'asking'}
          onClick={() => (state === 'on' ? stop() : void start(own))}
        >
          {state === 'on' ? 'Stop listening' : 'Tune by the microphone'}
        </Press>
        {state === 'on' && (
          <Text color="wrong" role="status">
            ● the microphone listens
          </Text>
        )}
      </Flex>
      {tunedTo && (
        <Tick
          label={`Only the ${tunedTo}`}
          on={own}
          set={(next) => {
            setOwn(next)
            if (state === 'on') void start(next)
          }}
        />
      )}
      {word && <Text role="alert">{word}</Text>}
      {state === 'on' && <Needle reading={reading} />}
    </Box>
  )
}

/** What was heard last stays while nothing is heard. */
const kept = (before: Reading | null, now: Reading) => (now.note === null ? before : now)

function Needle({ reading }: { reading: Reading | null }) {
  const off = Math.max(-scale, Math.min(scale, reading?.cents ?? 0))
  const isIn = reading !== null && Math.abs(reading.cents) <= inTune
  return (
    <Box maxW="460px" mt="3">
      <Flex align="baseline" gap="4" minH="72px">
        <chakra.output
          fontFamily="heading"
          fontWeight={700}
          fontSize="3.76rem"
          lineHeight={1.1}
          data-testid="tuned"
        >
          {reading?.note ?? '–'}
        </chakra.output>
        <Text fontSize="heading" data-testid="tuned-words">
          {reading?.words ?? 'play a long note'}
        </Text>
      </Flex>
      <Box
        position="relative"
        height="34px"
        bg="sheet"
        border="1px solid"
        borderColor="edge"
        borderRadius="6px"
        aria-hidden
      >
        <Box
          position="absolute"
          insetY="0"
          left={`${50 - (50 * inTune) / scale}%`}
          width={`${(100 * inTune) / scale}%`}
          bg="chosen"
        />
        <Box position="absolute" insetY="0" left="50%" width="1px" bg="edge" />
        {reading && (
          <span
            style={{
              position: 'absolute',
              top: 2,
              bottom: 2,
              width: 6,
              marginLeft: -3,
              borderRadius: 3,
              left: `${50 + (50 * off) / scale}%`,
              background: 'currentColor',
              opacity: isIn ? 1 : 0.75,
            }}
          />
        )}
      </Box>
      <Flex justify="space-between" color="faded" fontSize="0.85em" aria-hidden>
        <span>−{scale} cents</span>
        <span>+{scale}</span>
      </Flex>
    </Box>
  )
}
