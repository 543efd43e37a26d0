import { Box, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import { api, type Schemas } from '../../api/client'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { sayClock, sayDay } from '../../ui/words'
import { AddFile } from './AddFile'
import { playedWords } from './playedWords'
import { useRecordingRemoval } from './useRecordingRemoval'

/** Songs shown at first, those that waited longest, and at most. */
const few = 100
const many = 1000

/** Songs to play along with: files of one's own. */
export function SongsPage() {
  const [limit, setLimit] = useState(few)
  const songs = api.useQuery(
    'get',
    '/api/recordings',
    { params: { query: { kind: 'Song', limit } } },
    { placeholderData: (shown) => shown },
  )
  const all = songs.data?.recordings ?? []
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
      {songs.data?.more && limit === few && (
        <Press mt="3" onClick={() => setLimit(many)}>
          All songs
        </Press>
      )}
    </Page>
  )
}

function Line({ song }: { song: Schemas['RecordingView'] }) {
  const remove = useRecordingRemoval(song, song.title)
  const { problem, run } = useProblem()
  const { lastPlayed, rounds, playedSeconds, speed } = song.loop
  return (
    <Box borderBottom="1px solid" borderColor="line" py="2">
      <Flex gap="5" align="baseline" wrap="wrap">
        <Link to={`/music/songs/${song.id}`}>{song.title}</Link>
        <Text color="faded" flex="1">
          {[
            song.seconds > 0 && sayClock(Math.floor(song.seconds)),
            lastPlayed ? `last played ${sayDay(lastPlayed)}` : 'not played yet',
            playedWords(rounds, playedSeconds),
            speed < 100 && `at ${speed} %`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Text>
        <Press look="quiet" minH="36px" onClick={() => run(remove)}>
          Remove
        </Press>
      </Flex>
      <Refusal problem={problem} />
    </Box>
  )
}
