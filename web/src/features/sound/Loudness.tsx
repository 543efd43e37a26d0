import { Box, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { loudness, setLoudness, soundings, type Sounding } from '../../sound/loudness'
import { Fold } from '../../ui/Fold'
import { Slide } from '../../ui/Slide'

const names: Record<Sounding, string> = {
  click: 'click',
  drone: 'drone',
  tones: 'questions for the ear',
  music: 'music and grooves',
  signals: 'signals between drills',
}

/** How loud everything is that sounds here, and each kind by itself; kept in this browser, because it belongs to its loudspeakers. */
export function Loudness() {
  const [open, setOpen] = useState(false)
  return (
    <Box mb="5">
      <One whose="all" label="Loudness" said="Loudness here" />
      <Fold open={open} toggle={() => setOpen(!open)}>
        Each by itself
      </Fold>
      {open &&
        soundings.map((one) => (
          <One key={one} whose={one} label={`Loudness of ${names[one]}`} said={names[one]} />
        ))}
    </Box>
  )
}

function One({ whose, label, said }: { whose: Sounding | 'all'; label: string; said: string }) {
  const [percent, setPercent] = useState(() => Math.round(100 * loudness(whose)))
  return (
    <Flex align="center" gap="3">
      <Text fontSize="0.85em" color="faded" w="150px">
        {said}, {percent} %
      </Text>
      <Box flex="1">
        <Slide
          label={label}
          min={0}
          max={100}
          step={5}
          value={percent}
          slide={(next) => {
            setPercent(next)
            setLoudness(next / 100, whose)
          }}
        />
      </Box>
    </Flex>
  )
}
