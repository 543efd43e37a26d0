import { Box, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ask, client, type Schemas } from '../../api/client'
import { usePitched } from '../../api/usePitched'
import { Outline } from '../../ui/Outline'
import { useSound } from '../../sound/useSound'
import { NumberInput } from '../../ui/NumberInput'
import { Page } from '../../ui/Page'
import { Slide } from '../../ui/Slide'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Calibrate } from './Calibrate'
import { CyclePicture } from './CyclePicture'
import { Loudness } from './Loudness'
import { ClickSettings } from './ClickSettings'
import { DroneSettings } from './DroneSettings'
import { useTap } from './useTap'

export type Settings = Schemas['SoundSettings']

/** Click and drone: tried here, kept for the stage. */
export function SoundPage() {
  const view = api.useQuery('get', '/api/sound')
  const queries = useQueryClient()
  const { problem, run } = useProblem()
  const isPitched = usePitched()
  const [tempo, setTempo] = useState(72)
  const sound = useSound(view.data)
  const choose = (bpm: number) => {
    const next = Math.min(400, Math.max(20, Math.round(bpm)))
    setTempo(next)
    sound.setTempo(next)
  }
  const tap = useTap(choose)
  if (!view.data) return <Outline />
  const { settings } = view.data
  const change = async (part: Partial<Settings>) => {
    const kept = await run(() => ask(client.PUT('/api/sound', { body: { ...settings, ...part } })))
    if (kept) queries.setQueryData(api.queryOptions('get', '/api/sound').queryKey, kept)
  }
  return (
    <Page title={isPitched ? 'Click and drone' : 'Click'} problem={problem}>
      <Grid templateColumns={{ base: '1fr', lg: '380px minmax(0,1fr)' }} gap="10">
        <Box>
          <Flex align="baseline" gap="3">
            <chakra.output fontFamily="heading" fontWeight={700} fontSize="5.65rem" lineHeight={1}>
              {tempo}
            </chakra.output>
            <Text color="faded">a minute</Text>
          </Flex>
          <Box my="3">
            <Slide label="Tempo" min={20} max={400} value={tempo} slide={choose} />
          </Box>
          <Flex gap="2" align="center" mb="5" wrap="wrap">
            <NumberInput label="Tempo, in figures" value={tempo} min={20} max={400} onChange={choose} />
            {[-5, -1, 1, 5].map((step) => (
              <Press
                key={step}
                px="3"
                aria-label={`Tempo ${step > 0 ? '+' : ''}${step}`}
                onClick={() => choose(tempo + step)}
              >
                {step > 0 ? `+${step}` : `−${-step}`}
              </Press>
            ))}
            <Press onClick={tap}>Tap</Press>
          </Flex>
          <Loudness />
          <Flex gap="3" mt="5" wrap="wrap">
            <Press
              look="strong"
              minH="54px"
              px="6"
              aria-pressed={sound.clicking}
              onClick={() => (sound.clicking ? sound.stopClick() : void sound.startClick(tempo))}
            >
              {sound.clicking ? 'Stop the click' : 'Start the click'}
            </Press>
            {isPitched && (
              <Press
                minH="54px"
                px="6"
                disabled={view.data.droneHertz.length === 0}
                aria-pressed={sound.droning}
                onClick={() => (sound.droning ? sound.stopDrone() : void sound.startDrone())}
              >
                {sound.droning ? 'Stop the drone' : 'Start the drone'}
              </Press>
            )}
          </Flex>
          <Text mt="5" color="faded" fontSize="0.9em" maxW="44ch">
            Loud rooms and headphones wear the ears: at 85 dBA eight hours are the limit, at 94 one, at 100 a
            quarter of an hour (NIOSH). Protect them, and ask a doctor when they ring.
          </Text>
        </Box>
        <Box>
          <CyclePicture settings={settings} touches={view.data.touches} sound={sound} change={change} />
          <ClickSettings settings={settings} change={change} />
          {isPitched && <DroneSettings settings={settings} change={change} sounds={view.data.droneSounds} />}
          <Calibrate />
          <Refusal />
        </Box>
      </Grid>
    </Page>
  )
}
