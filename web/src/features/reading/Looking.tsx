import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import type { Schemas } from '../../api/client'

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

/** Half a minute at most, with what one looks for; each is told when it is touched. */
export function Looking({ music }: { music: Schemas['NewMusicView'] }) {
  const [told, setTold] = useState<string[]>([])
  const { time, key, highest, highestBar, oddest, oddestBar } = music.look
  const things = [
    ['time', time],
    ['key', key],
    ['highest', highest && `${highest}, bar ${highestBar}`],
    ['oddest', `${oddest}, bar ${oddestBar}`],
  ].filter(([, answer]) => answer) as [string, string][]
  return (
    <Flex gap="6" align="center">
      <Box as="ul" listStyleType="none" minW="200px">
        {things.map(([name, answer]) => (
          <chakra.li key={name}>
            <chakra.button
              minH="32px"
              textAlign="left"
              cursor="pointer"
              color={told.includes(name) ? 'stageText' : 'stageFaded'}
              aria-pressed={told.includes(name)}
              onClick={() => setTold((all) => [...all, name])}
            >
              {told.includes(name) ? '✓' : '·'} {name}
              {told.includes(name) && `: ${answer}`}
            </chakra.button>
          </chakra.li>
        ))}
      </Box>
      <LookLeft seconds={music.lookSeconds} />
    </Flex>
  )
}
