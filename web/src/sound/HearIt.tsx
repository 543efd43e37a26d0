import { Text } from '@chakra-ui/react'
import { Play, Square } from 'lucide-react'
import { api } from '../api/client'
import { Press } from '../ui/Press'
import type { Played } from './piano'
import { usePlayback } from './usePlayback'

/** Plays some notes on the piano, tuned as the player is; what cannot be loaded is said. */
export function HearIt({
  notes,
  tempo,
  name = 'Hear it',
}: {
  notes: Played[] | undefined
  tempo: number
  name?: string
}) {
  const { playing, failed, start, stop } = usePlayback()
  const profile = api.useQuery('get', '/api/profile', undefined, { throwOnError: false })
  return (
    <>
      <Press
        disabled={!notes}
        aria-pressed={playing}
        onClick={() => (playing ? stop() : notes && start(notes, tempo, profile.data?.a4 ?? 440))}
      >
        {playing ? <Square size={15} aria-hidden /> : <Play size={15} aria-hidden />}
        {playing ? 'Stop' : name}
      </Press>
      {failed && (
        <Text role="alert" color="wrong" fontWeight={600}>
          The piano could not be loaded. Press once more to try again.
        </Text>
      )}
    </>
  )
}
