import { Flex, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { sayClock } from '../../ui/words'
import { levelWords } from './level'
import type { Recording } from './useRecorder'

/** Shows that the microphone listens, for how long, and what is the matter with what it hears. */
export function RecordingLight({ recording }: { recording: Recording }) {
  const { state, level, away, length } = recording
  const [seconds, setSeconds] = useState(0)
  useEffect(() => {
    if (state !== 'on') return
    const timer = window.setInterval(() => setSeconds(length()), 250)
    return () => window.clearInterval(timer)
  }, [state, length])
  if (state === 'off') return null
  const said =
    state === 'asking' ? 'asking for the microphone' : state === 'keeping' ? 'keeping it' : 'recording'
  return (
    <Flex align="center" columnGap="3" rowGap="1" wrap="wrap" data-testid="recording">
      <span
        aria-hidden
        style={{
          width: 18,
          height: 18,
          flexShrink: 0,
          borderRadius: '50%',
          background: 'currentColor',
          opacity: state === 'on' ? 1 : 0.4,
        }}
      />
      <Text fontSize="heading" role="status">
        {said}
      </Text>
      {state === 'on' && (
        <Text fontSize="heading" fontVariantNumeric="tabular-nums" aria-hidden>
          {sayClock(Math.floor(seconds))}
        </Text>
      )}
      {level && <Text role="alert">{levelWords[level]}</Text>}
      {away && <Text role="alert">The program does not answer; what is recorded waits here.</Text>}
    </Flex>
  )
}
