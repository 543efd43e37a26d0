import { Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'

const lookMs = 1000

/** Says so where a browser lets nothing sound yet, or a machine has no sound; the next touch or key tries again. */
export function SoundBlocked() {
  const [blocked, setBlocked] = useState(false)
  useEffect(() => {
    let left = false
    const look = async (again: boolean) => {
      const sound = await import('./output').catch(() => null)
      if (left || !sound) return
      const state = sound.soundState()
      if (again && state === 'suspended') sound.output()
      setBlocked((before) => state === 'suspended' && (before || !again))
    }
    const timer = setInterval(() => void look(false), lookMs)
    const again = () => void look(true)
    window.addEventListener('pointerdown', again)
    window.addEventListener('keydown', again)
    return () => {
      left = true
      clearInterval(timer)
      window.removeEventListener('pointerdown', again)
      window.removeEventListener('keydown', again)
    }
  }, [])
  if (!blocked) return null
  return (
    <Text role="alert" fontWeight={600}>
      Nothing sounds yet: this browser waits for a touch or a key. If it stays silent, this machine has no
      sound to play on; nothing of yours is lost.
    </Text>
  )
}
