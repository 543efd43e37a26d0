import { useCallback, useEffect, useRef } from 'react'
import { listen, type Listening, type Wish } from '../../sound/listen'
import { close, microphoneWords, openMicrophone } from '../recording/microphone'

interface Told extends Omit<Wish, 'ended'> {
  /** It ended by itself, and why: the program or the microphone is gone, or there never was one. */
  ended: (why: string) => void
}

/**
 * The microphone, opened and listened to until it is let go or the page is left. Of a try that was begun before nothing is told any more,
 * and a microphone that was allowed only after it was let go is closed at once: nobody wants it any more.
 * @param again what to do once the program answers again: "listen again"
 */
export function useMicrophone(again: string) {
  const listening = useRef<Listening | null>(null)
  const tries = useRef(0)

  const release = useCallback(() => {
    tries.current++
    listening.current?.stop()
    listening.current = null
  }, [])

  /** Opens it; what listens, or null where it ended meanwhile. */
  const open = useCallback(
    async (told: Told) => {
      release()
      const mine = tries.current
      const still = () => tries.current === mine
      const end = (why: string) => {
        if (!still()) return
        release()
        told.ended(why)
      }
      try {
        const microphone = await openMicrophone()
        if (!still()) {
          close(microphone)
          return null
        }
        const one = await listen(microphone, {
          ...told,
          heard: (answer) => still() && told.heard(answer),
          ended: () => end(`The program does not answer any more. Start it again with ./run, then ${again}.`),
        })
        if (!still()) {
          one.stop()
          return null
        }
        microphone
          .getAudioTracks()[0]
          ?.addEventListener('ended', () => end(`The microphone is gone. Connect it, then ${again}.`))
        listening.current = one
        return one
      } catch (error) {
        end(microphoneWords(error))
        return null
      }
    },
    [release, again],
  )

  useEffect(() => release, [release])
  return { listening, open, release }
}
