import { Box, Grid, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { usePitched } from '../../api/usePitched'
import { chooseSimulated, simulated } from '../../sound/simulated'
import { Page } from '../../ui/Page'
import { HeardTakes } from './HeardTakes'
import { MicrophoneDelay } from './MicrophoneDelay'
import { PitchHabits } from './PitchHabits'
import { SimulatedPlayer } from './SimulatedPlayer'
import { TuneIn } from './TuneIn'
import { VerdictRules } from './VerdictRules'

/** What the microphone is for: tuned by it here, listened to on the stage. */
export function ListeningPage() {
  const isPitched = usePitched()
  const [player, setPlayer] = useState(simulated)
  return (
    <Page title="Listening">
      <Text maxW="72ch" mb="6">
        On the stage, H listens to your takes: how early or late, {isPitched && 'how far from the pitch, '}
        clean or missed. Sound never leaves this machine; what H hears is not kept.
      </Text>
      <Grid templateColumns={{ base: '1fr', lg: 'repeat(2, minmax(0,1fr))' }} columnGap="12" rowGap="8">
        <Stack>
          {isPitched && <TuneIn />}
          <MicrophoneDelay key={String(player.on)} />
          <VerdictRules />
        </Stack>
        <Stack>
          {isPitched && <PitchHabits />}
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
