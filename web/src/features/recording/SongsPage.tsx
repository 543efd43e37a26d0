import { Box, Flex, Text } from '@chakra-ui/react'
import { Link } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { useRemoval } from '../../ui/removal'
import { sayClock, sayDay, sayMinutes } from '../../ui/words'
import { AddFile } from './AddFile'

/** Songs to play along with: files of one's own. */
export function SongsPage() {
  const songs = api.useQuery('get', '/api/recordings', { params: { query: { kind: 'Song', limit: 100 } } })
  const all = [...(songs.data?.recordings ?? [])].sort(byWaiting)
  return (
    <Page
      title="Play along"
      aside={
        <AddFile kind="Song" materialId={null}>
          Add a song from this machine
        </AddFile>
      }
    >
      {songs.data && all.length === 0 && (
        <Empty>
          No songs yet. Add files of your own; each can be slowed down at the same pitch and looped, and the
          plan puts the one that waited longest into the time for playing.
        </Empty>
      )}
      {all.map((song) => (
        <Line key={song.id} song={song} />
      ))}
    </Page>
  )
}

/** What waited longest first: never played, then by its last day. */
const byWaiting = (a: Schemas['RecordingView'], b: Schemas['RecordingView']) =>
  (a.loop.lastPlayed ?? '').localeCompare(b.loop.lastPlayed ?? '') || a.id - b.id

function Line({ song }: { song: Schemas['RecordingView'] }) {
  const removal = useRemoval()
  const { problem, run } = useProblem()
  const params = { path: { id: song.id } }
  const remove = () =>
    run(() =>
      removal(
        song.title,
        () => ask(client.DELETE('/api/recordings/{id}', { params })),
        () => ask(client.POST('/api/recordings/{id}/back', { params })),
      ),
    )
  const { lastPlayed, rounds, playedSeconds, speed } = song.loop
  return (
    <Box borderBottom="1px solid" borderColor="line" py="2">
      <Flex gap="5" align="baseline" wrap="wrap">
        <Link to={`/music/songs/${song.id}`}>{song.title}</Link>
        <Text color="faded" flex="1">
          {[
            song.seconds > 0 && sayClock(Math.floor(song.seconds)),
            lastPlayed ? `last played ${sayDay(lastPlayed)}` : 'not played yet',
            rounds > 0 && `${rounds} ${rounds === 1 ? 'round' : 'rounds'}`,
            playedSeconds >= 60 && sayMinutes(Math.round(playedSeconds / 60)),
            speed < 100 && `at ${speed} %`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Text>
        <Press look="quiet" minH="36px" onClick={remove}>
          Remove
        </Press>
      </Flex>
      <Refusal problem={problem} />
    </Box>
  )
}
