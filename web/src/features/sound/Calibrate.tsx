import { Box, chakra, Text } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { ask, client } from '../../api/client'
import { plainClick } from '../../sound/plainClick'
import { keepTapDelay, tapDelay } from '../../sound/tapDelay'
import { useTaps } from '../../sound/useTaps'
import type { Metronome } from '../../sound/metronome'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'

const tempo = 90
const clicks = 16

/** How late this machine hears what is tapped on its click: tapped along with sixteen clicks, kept in this browser. */
export function Calibrate() {
  const { problem, run } = useProblem()
  const [running, setRunning] = useState(false)
  const [words, setWords] = useState('')
  const [count, setCount] = useState(0)
  const [delay, setDelay] = useState(tapDelay)
  const click = useRef<Metronome | null>(null)
  const taps = useRef<number[]>([])
  useTaps(running, (ago) => {
    const beat = click.current?.beat()
    if (beat === null || beat === undefined) return
    taps.current.push(beat - (ago / 60_000) * tempo)
    setCount(taps.current.length)
  })
  const stop = () => {
    click.current?.stop()
    click.current = null
    setRunning(false)
  }
  const start = async () => {
    taps.current = []
    setCount(0)
    setWords('')
    const { Metronome } = await import('../../sound/metronome')
    click.current = new Metronome(plainClick(4))
    click.current.start(tempo)
    setRunning(true)
  }
  const done = async () => {
    stop()
    const found = await run(() =>
      ask(client.POST('/api/sound/calibration', { body: { tempo, taps: taps.current } })),
    )
    if (!found) return
    setWords(found.words)
    if (!found.isEven) return
    keepTapDelay(found.delayMs)
    setDelay(found.delayMs)
  }
  const latest = useRef(done)
  useEffect(() => {
    latest.current = done
  })
  useEffect(() => {
    if (!running) return
    const timer = setInterval(() => {
      if ((click.current?.beat() ?? 0) > clicks - 0.4) void latest.current()
    }, 50)
    return () => clearInterval(timer)
  }, [running])
  useEffect(() => () => click.current?.stop(), [])
  return (
    <Box as="section" aria-label="How late a tap is heard" mt="6">
      <chakra.h2 fontSize="subheading">How late a tap is heard</chakra.h2>
      <Text maxW="60ch" fontSize="0.95em">
        Each machine hears a tap a little late. Tap along with {clicks} clicks, with a key, a pedal or a
        finger anywhere; the middle of it is taken off whatever you tap later.{' '}
        {delay === null ? 'It is not known yet.' : `Now: ${Math.round(delay)} ms.`}
      </Text>
      <Press mt="2" aria-pressed={running} onClick={() => (running ? stop() : start())}>
        {running ? `Stop; ${count} tapped` : `Tap along with ${clicks} clicks`}
      </Press>
      {words && (
        <Text mt="2" role="status" data-testid="calibrated">
          {words}
        </Text>
      )}
      <Refusal problem={problem} />
    </Box>
  )
}
