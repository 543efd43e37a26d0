import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import type { Metronome } from '../../sound/metronome'
import { forgetMicrophoneDelay, keepMicrophoneDelay, knownDelay } from '../../sound/microphoneDelay'
import { nativeClock, now } from '../../sound/output'
import { plainClick } from '../../sound/plainClick'
import { playSimulated } from '../../sound/simulated'
import { Press } from '../../ui/Press'
import { useMicrophone } from './useMicrophone'

/** As the program has them: `RoomDelay` in the core. */
const tempo = 80
const clicks = 16
/** What is late is waited for so long. */
const lateMs = 600

interface Told {
  ms: number | null
  plusMinus: number | null
  words: string
}

/** How late the microphone hears what sounds with the click: measured by sixteen clicks, kept in this browser. */
export function MicrophoneDelay() {
  const [way, setWay] = useState<'off' | 'click' | 'claps'>('off')
  const [beat, setBeat] = useState(0)
  const [words, setWords] = useState('')
  const [delay, setDelay] = useState(knownDelay)
  const click = useRef<Metronome | null>(null)
  const { listening, open, release } = useMicrophone('measure again')
  const silence = useRef(() => {})

  const stop = () => {
    click.current?.stop()
    click.current = null
    silence.current()
    release()
    setWay('off')
  }
  const told = ({ ms, plusMinus, words: said }: Told) => {
    stop()
    setWords(said)
    if (ms === null || plusMinus === null) return
    keepMicrophoneDelay({ ms, plusMinus })
    setDelay({ ms, plusMinus })
  }
  const start = async (by: 'click' | 'claps') => {
    stop()
    setWay(by)
    setBeat(-4)
    setWords('')
    const one = await open({
      path: (rate) => `/api/listen/delay?rate=${rate}&claps=${by === 'claps'}`,
      heard: (answer) => told(answer as Told),
      ended: (why) => {
        stop()
        setWords(why)
      },
      clock: nativeClock(),
    })
    if (!one) return
    const { Metronome } = await import('../../sound/metronome')
    // Let go meanwhile.
    if (listening.current !== one) return
    click.current = new Metronome(plainClick(4))
    click.current.start(tempo)
    silence.current = playSimulated('claps', () => click.current?.secondsTo(0) ?? 0)
  }

  // The clicks are counted; when all were heard, and what is late as well, it is asked what came of them.
  useEffect(() => {
    if (way === 'off') return
    const timer = setInterval(() => {
      const at = click.current?.beat() ?? null
      if (at === null) return
      setBeat(Math.floor(at))
      if (at < clicks - 0.3) return
      clearInterval(timer)
      click.current!.stop()
      const first = now() - (at * 60) / tempo
      window.setTimeout(
        () => listening.current?.say(() => ({ first: listening.current!.secondsAt(first) })),
        lateMs,
      )
    }, 50)
    return () => clearInterval(timer)
  }, [way, listening])
  useEffect(
    () => () => {
      click.current?.stop()
      silence.current()
    },
    [],
  )
  return (
    <Box as="section" aria-label="How late the microphone hears">
      <chakra.h2 fontSize="subheading">How late the microphone hears</chakra.h2>
      <Text maxW="60ch" fontSize="0.95em">
        Loudspeakers, air and microphone take their time, headphones without a wire take a lot of it. Let the
        microphone hear {clicks} clicks, from the loudspeaker or from headphones held to it; where it cannot,
        put the headphones on and clap along. Until then takes are told early or late beside their own mean.{' '}
        {delay === null
          ? 'It is not known yet.'
          : `Now: ${Math.round(delay.ms)} ms (± ${Math.round(delay.plusMinus)}); with other headphones, measure again.`}
      </Text>
      <Flex mt="2" gap="3" wrap="wrap" align="center">
        {way === 'off' ? (
          <>
            <Press onClick={() => void start('click')}>Let it hear {clicks} clicks</Press>
            <Press onClick={() => void start('claps')}>Clap along with {clicks} clicks</Press>
            {delay && (
              <Press
                onClick={() => {
                  forgetMicrophoneDelay()
                  setDelay(null)
                  setWords('')
                }}
              >
                Forget it
              </Press>
            )}
          </>
        ) : (
          <>
            <Press aria-pressed onClick={stop}>
              Stop
            </Press>
            <Text role="status" color="wrong">
              ● the microphone listens
              {beat < 0 ? ': wait a bar' : `, click ${Math.min(clicks, beat + 1)} of ${clicks}`}
            </Text>
          </>
        )}
      </Flex>
      {words && (
        <Text mt="2" role="status" data-testid="microphone-delay">
          {words}
        </Text>
      )}
    </Box>
  )
}
