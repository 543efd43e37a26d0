import { Box, Flex, Grid, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { api, ask, client } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Field } from '../../ui/Field'
import { Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Select } from '../../ui/Select'
import { AddFile } from './AddFile'
import { ApartOffers } from './Apart'
import { chooseMicrophone, chosenMicrophone, microphoneWords } from './microphone'
import { RecordingLight } from './RecordingLight'
import { RecordingList } from './RecordingList'
import { useRecorder } from './useRecorder'

/** All recordings, the room they take, and the microphone. */
export function RecordingsPage() {
  return (
    <Page title="Recordings">
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 340px' }} gap="10">
        <Box minW="0">
          <ApartOffers />
          <RecordingList
            materialId={null}
            named
            empty="Nothing yet. R on the stage records the next take; hearing oneself is the surest help there is."
          />
        </Box>
        <Flex direction="column" gap="7">
          <RecordNow />
          <Room />
          <Microphones />
        </Flex>
      </Grid>
    </Page>
  )
}

/** Something without a plan: it is recorded here, or comes as a file. */
function RecordNow() {
  const recording = useRecorder()
  const saved = useSaved()
  const { state, word, kept, start, stop } = recording
  useEffect(() => {
    if (kept) void saved('/api/recordings', '/api/recordings/room')
  }, [kept, saved])
  return (
    <Box as="section" aria-label="Record something">
      <Flex gap="4" align="center" wrap="wrap">
        {state === 'on' ? (
          <Press look="strong" onClick={() => stop()}>
            Stop recording
          </Press>
        ) : (
          <Press
            disabled={state !== 'off'}
            onClick={async () => {
              await start({ materialId: null, name: 'Something played' })
            }}
          >
            Record something
          </Press>
        )}
        <AddFile kind="Added" materialId={null}>
          Add a file
        </AddFile>
      </Flex>
      <Box color="wrong">
        <RecordingLight recording={recording} />
      </Box>
      {word && <Text role="alert">{word}</Text>}
    </Box>
  )
}

const rooms = [200, 500, 1000, 2000, 5000, 20_000]

function Room() {
  const room = api.useQuery('get', '/api/recordings/room')
  const saved = useSaved()
  const { problem, run } = useProblem()
  if (!room.data) return null
  const { megabytes, words, rule } = room.data
  const set = async (next: number) => {
    if (await run(() => ask(client.PUT('/api/recordings/room', { body: { megabytes: next } }))))
      await saved('/api/recordings', '/api/recordings/room')
  }
  return (
    <Box as="section" aria-label="Room">
      <Field label="Room for recordings">
        <Select value={megabytes} onChange={(event) => void set(Number(event.target.value))}>
          {[...new Set([...rooms, megabytes])]
            .sort((a, b) => a - b)
            .map((one) => (
              <option key={one} value={one}>
                {one >= 1000 ? `${one / 1000} GB` : `${one} MB`}
              </option>
            ))}
        </Select>
      </Field>
      <Text mt="1">{words}</Text>
      <Text color="faded" fontSize="0.92em" mt="1">
        {rule} What you record stays on this machine.
      </Text>
      <Refusal problem={problem} />
    </Box>
  )
}

/** Which microphone; their names are known once one was allowed. */
function Microphones() {
  const [found, setFound] = useState<MediaDeviceInfo[]>([])
  const [chosen, setChosen] = useState(chosenMicrophone)
  const [word, setWord] = useState('')
  const look = async () => {
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ audio: true })
      for (const track of stream.getTracks()) track.stop()
      const all = await navigator.mediaDevices.enumerateDevices()
      setFound(all.filter((one) => one.kind === 'audioinput' && one.deviceId !== ''))
      setWord('')
    } catch (error) {
      setWord(microphoneWords(error))
    }
  }
  return (
    <Box as="section" aria-label="Microphone">
      {found.length === 0 ? (
        <Press look="quiet" px="0" onClick={look}>
          Choose a microphone
        </Press>
      ) : (
        <Field label="Microphone">
          <Select
            value={chosen}
            onChange={(event) => {
              chooseMicrophone(event.target.value)
              setChosen(event.target.value)
            }}
          >
            <option value="">the usual one</option>
            {found.map((one) => (
              <option key={one.deviceId} value={one.deviceId}>
                {one.label}
              </option>
            ))}
          </Select>
        </Field>
      )}
      {word && <Text role="alert">{word}</Text>}
    </Box>
  )
}
