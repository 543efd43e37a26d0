import { Box, Grid, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { api } from '../../api/client'
import { chooseSimulated, simulated } from '../../sound/simulated'
import { Outline } from '../../ui/Outline'
import { Page } from '../../ui/Page'
import { HeardTakes } from './HeardTakes'
import { MicrophoneDelay } from './MicrophoneDelay'
import { PitchHabits } from './PitchHabits'
import { SimulatedPlayer } from './SimulatedPlayer'
import { TuneIn } from './TuneIn'
import { VerdictRules } from './VerdictRules'

/** What the microphone is for: tuned by it here, listened to on the stage. */
export function ListeningPage() {
  const choices = api.useQuery('get', '/api/technique/choices')
  const [player, setPlayer] = useState(simulated)
  if (!choices.data) return <Outline />
  return (
    <Page title="Listening">
      <Text maxW="72ch" mb="6">
        On the stage, H listens to your takes: how early or late, how far from the pitch, clean or missed.
        Sound never leaves this machine; what H hears is not kept.
      </Text>
      <Grid templateColumns={{ base: '1fr', lg: 'repeat(2, minmax(0,1fr))' }} columnGap="12" rowGap="8">
        <Stack>
          {choices.data.isPitched && <TuneIn />}
          <MicrophoneDelay key={String(player.on)} />
          <VerdictRules />
        </Stack>
        <Stack>
          {choices.data.isPitched && <PitchHabits />}
          <HeardTakes title="Heard last" />
          <SimulatedPlayer
            chosen={player}
            choose={(next) => {
              chooseSimulated(next)
              setPlayer(next)
            }}
          />
        </Stack>
      </Grid>
    </Page>
  )
}

function Stack({ children }: { children: React.ReactNode }) {
  return (
    <Box display="flex" flexDirection="column" gap="8">
      {children}
    </Box>
  )
}
