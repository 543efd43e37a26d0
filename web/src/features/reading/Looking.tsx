import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import type { Schemas } from '../../api/client'
import { sayTempo } from '../../ui/words'
import type { Thing } from './pointing'

/** Half a minute at most, counted down. */
export function LookLeft({ seconds }: { seconds: number }) {
  const [left, setLeft] = useState(seconds)
  useEffect(() => {
    const timer = setInterval(() => setLeft((now) => Math.max(0, now - 1)), 1000)
    return () => clearInterval(timer)
  }, [])
  return (
    <Text
      fontFamily="heading"
      fontWeight={600}
      fontSize="5rem"
      lineHeight={1}
      fontVariantNumeric="tabular-nums"
      data-testid="look-left"
      role="timer"
      aria-label={`${left} seconds to look`}
    >
      {left}
    </Text>
  )
}

/** Half a minute at most, with what one looks for; each is told when it is touched here, or pointed at in the music. */
export function Looking({
  music,
  found,
  find,
}: {
  music: Schemas['NewMusicView']
  found: Thing[]
  find: (thing: Thing) => void
}) {
  const { time, key, highest, highestBar, oddest, oddestBar } = music.look
  const things = [
    ['time', time],
    ['key', key],
    ['title', `${music.title}, ${sayTempo(music.tempo, music.beat)}`],
    ['highest', highest && `${highest}, bar ${highestBar}`],
    ['oddest', `${oddest}, bar ${oddestBar}`],
  ].filter(([, answer]) => answer) as [Thing, string][]
  return (
    <Flex gap="6" align="center">
      <Box as="ul" listStyleType="none" minW="200px">
        {things.map(([name, answer]) => (
          <chakra.li key={name}>
            <chakra.button
              minH="32px"
              textAlign="left"
              cursor="pointer"
              color={found.includes(name) ? 'stageText' : 'stageFaded'}
              aria-pressed={found.includes(name)}
              onClick={() => find(name)}
            >
              {found.includes(name) ? '✓' : '·'} {names[name]}
              {found.includes(name) && `: ${answer}`}
            </chakra.button>
          </chakra.li>
        ))}
      </Box>
      <LookLeft seconds={music.lookSeconds} />
    </Flex>
  )
}

const names: Record<Thing, string> = {
  time: 'time',
  key: 'key',
  title: 'title and tempo',
  highest: 'highest note',
  oddest: 'oddest place',
}
