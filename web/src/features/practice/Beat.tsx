import { Flex } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { colours } from '../../theme/colours'

interface Props {
  tempo: number
  running: boolean
  /** The beat of the click, while it sounds; else null. */
  beat: () => number | null
}

/** Part of a beat for which its light is on. */
const lit = 0.45

/** Two lights that take turns in the tempo: with the click while it sounds, else in its place. */
export function Beat({ tempo, running, beat }: Props) {
  const [now, setNow] = useState(-1)
  useEffect(() => {
    if (!running) return
    const began = performance.now()
    let frame = 0
    const look = () => {
      const at = beat() ?? ((performance.now() - began) * tempo) / 60_000
      const whole = Math.floor(at)
      setNow(at - whole < lit ? ((whole % 2) + 2) % 2 : -1)
      frame = requestAnimationFrame(look)
    }
    frame = requestAnimationFrame(look)
    return () => {
      cancelAnimationFrame(frame)
      setNow(-1)
    }
  }, [tempo, running, beat])
  return (
    <Flex gap="4" aria-hidden data-testid="beat">
      {[0, 1].map((light) => (
        // By style and not by class: it changes with every beat.
        <span
          key={light}
          style={{
            width: 22,
            height: 22,
            borderRadius: '50%',
            border: `2px solid ${colours.stageEdge}`,
            background: now === light ? colours.stageAccent : 'transparent',
          }}
        />
      ))}
    </Flex>
  )
}
