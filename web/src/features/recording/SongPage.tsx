import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { Link, useParams } from 'react-router'
import { api, type Schemas } from '../../api/client'
import { bookQuery } from '../../api/book'
import { Outline } from '../../ui/Outline'
import { Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Select } from '../../ui/Select'
import { Field } from '../../ui/Field'
import { Whole } from '../../ui/NumberInput'
import { Slide } from '../../ui/Slide'
import { usePageKeys } from '../../ui/usePageKeys'
import { sayClock } from '../../ui/words'
import { useDesk } from '../practice/useDesk'
import { findLength } from './findLength'
import { playedWords } from './playedWords'
import { decode, peaksOf } from './sound'
import { slowest, useLooper } from './useLooper'
import { Wave } from './Wave'

type Song = Schemas['RecordingView']

/** A song, or a recording of one's own: slower, a stretch of it round and round, counted in. */
export function SongPage() {
  const id = Number(useParams().id)
  const song = api.useQuery('get', '/api/recordings/{id}', { params: { path: { id } } }, { retry: false })
  if (song.isError && !song.data)
    return (
      <Page title="No such recording">
        <Link to="/music/songs">To all songs</Link>
      </Page>
    )
  return song.data ? <Looped key={id} song={song.data} /> : <Outline />
}

function Looped({ song }: { song: Song }) {
  const { media, wish, change, playing, counting, rounds, play, pause, go, on } = useLooper(song)
  const leave = useDesk('PlayAlong', song.id, { name: 'All songs', to: '/music/songs' })
  const [picture, setPicture] = useState<{ peaks: Float32Array; seconds: number } | null>(null)
  const [failed, setFailed] = useState(false)
  useEffect(() => {
    let left = false
    decode(song.id).then(
      (buffer) => !left && setPicture({ peaks: peaksOf(buffer.getChannelData(0)), seconds: buffer.duration }),
      () => !left && setFailed(true),
    )
    return () => {
      left = true
    }
  }, [song.id])
  const end = picture?.seconds ?? song.seconds
  const here = () => media.current?.currentTime ?? 0
  const markA = () => {
    const b = wish.loop && wish.loop[1] > here() ? wish.loop[1] : end
    change({ loop: [here(), b] })
  }
  const markB = () => {
    const a = wish.loop && wish.loop[0] < here() ? wish.loop[0] : 0
    if (here() > a) change({ loop: [a, here()] })
  }
  const toggle = playing ? pause : play
  const back = () => go(wish.loop?.[0] ?? 0)
  const faster = (by: number) => change({ speed: Math.min(100, Math.max(slowest, wish.speed + by)) })
  usePageKeys({
    ' ': toggle,
    PageDown: toggle,
    PageUp: back,
    ArrowLeft: back,
    ArrowUp: () => faster(5),
    ArrowDown: () => faster(-5),
    a: markA,
    b: markB,
  })
  const isFilm = song.contentType.startsWith('video/')
  return (
    <Page
      title={song.title}
      aside={<Text color="faded">{playedWords(rounds, song.loop.playedSeconds)}</Text>}
    >
      <chakra.video
        ref={media}
        src={bookQuery(`/api/recordings/${song.id}/sound`)}
        preload="auto"
        aria-label={song.title}
        display={isFilm ? 'block' : 'none'}
        maxH="320px"
        maxW="100%"
        mb="4"
        onLoadedMetadata={findLength}
        {...on}
      />
      {failed && <Text role="alert">This browser cannot play it. Bring it as WAV, MP3 or Ogg.</Text>}
      {picture && (
        <Wave
          label={`${song.title}, ${sayClock(picture.seconds)}`}
          peaks={picture.peaks}
          seconds={picture.seconds}
          loop={wish.loop}
          choose={(loop) => change({ loop })}
          go={go}
          place={() => media.current?.currentTime ?? null}
          height={120}
        />
      )}
      {!picture && !failed && <Box height="122px" bg="sheet" borderRadius="8px" />}
      <Flex gap="3" mt="4" align="center" wrap="wrap">
        <Press look="strong" minW="140px" onClick={toggle}>
          {counting ? 'Counting in …' : playing ? 'Pause' : 'Play'}
        </Press>
        <Press onClick={back}>Back to {wish.loop ? 'A' : 'the beginning'}</Press>
        <Press onClick={markA}>A is here</Press>
        <Press onClick={markB}>B is here</Press>
        {wish.loop && (
          <>
            <Text data-testid="loop">
              from {sayTenths(wish.loop[0])} to {sayTenths(wish.loop[1])}
            </Text>
            <Press look="quiet" onClick={() => change({ loop: null })}>
              No loop
            </Press>
          </>
        )}
      </Flex>
      <Flex gap="8" mt="4" align="end" wrap="wrap">
        <Box width="280px">
          <Text mb="1">
            Speed: {wish.speed} %{wish.speed === 100 ? '' : ', at the same pitch'}
          </Text>
          <Slide
            label="Speed in percent"
            value={wish.speed}
            min={slowest}
            max={100}
            step={5}
            slide={(speed) => change({ speed })}
          />
        </Box>
        <Field label="Count in">
          <Select value={wish.countIn} onChange={(event) => change({ countIn: Number(event.target.value) })}>
            {[0, 2, 3, 4, 6, 8].map((beats) => (
              <option key={beats} value={beats}>
                {beats === 0 ? 'no' : `${beats} beats`}
              </option>
            ))}
          </Select>
        </Field>
        {wish.countIn > 0 && (
          <Whole
            label="beats a minute"
            value={wish.tempo}
            set={(tempo) => change({ tempo })}
            placeholder="60"
            width="130px"
          />
        )}
      </Flex>
      {leave.fromStage && (
        <Flex gap="3" mt="6" wrap="wrap">
          <Press look="strong" onClick={() => leave.go(true)}>
            Done, back to the stage
          </Press>
          <Press onClick={() => leave.go(false)}>Back to the stage</Press>
        </Flex>
      )}
      <Text color="faded" fontSize="0.92em" mt="4" maxW="80ch">
        Draw over the picture to loop a stretch, or press A and B while it plays. Space plays and stops, ↑ and
        ↓ change the speed, ← goes back to A; the right pedal plays and stops, the left one goes back.
      </Text>
    </Page>
  )
}

const sayTenths = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${(seconds % 60).toFixed(1).padStart(4, '0')}`
