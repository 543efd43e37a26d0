import { Flex } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import type { Sound } from './useSound'

/** The beats of a bar as lights, the one that sounds now lit: in the place of the click for those who turn it down. */
export function BeatLights({ sound, beats }: { sound: Sound; beats: number }) {
  const [now, setNow] = useState(-1)
  const { clicking, beat } = sound
  useEffect(() => {
    if (!clicking) return
    let frame = 0
    const look = () => {
      const at = beat()
      setNow(at === null ? -1 : ((Math.floor(at) % beats) + beats) % beats)
      frame = requestAnimationFrame(look)
    }
    frame = requestAnimationFrame(look)
    return () => cancelAnimationFrame(frame)
  }, [clicking, beat, beats])
  return (
    <Flex gap="2.5" wrap="wrap" aria-hidden data-testid="beat-lights">
      {Array.from({ length: beats }, (_, i) => (
        <span
          key={i}
          style={{
            width: i === 0 ? 26 : 20,
            height: i === 0 ? 26 : 20,
            borderRadius: '50%',
            border: '2px solid currentColor',
            background: clicking && now === i ? 'currentColor' : 'transparent',
          }}
        />
      ))}
    </Flex>
  )
}
