import { Box, Flex, Grid, Input, Text } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { AreaGlyph } from '../../ui/areas'
import { Tick } from '../../ui/Tick'

interface LineProps {
  drill: Schemas['SessionDrillView']
  text: string
  asked: boolean
  write: (text: string) => void
  ask: (on: boolean) => void
  /** The single things that are asked for, of all drills. */
  keys: string[]
  askFor: (keys: string[]) => void
}

/** A drill at the close: what it came to, a line about it, and what of it is to come tomorrow. */
export function CloseLine({ drill, text, asked, write, ask: setAsked, keys, askFor }: LineProps) {
  return (
    <Grid
      templateColumns={{ base: '22px minmax(0,1fr)', md: '22px minmax(0,1.1fr) minmax(0,1fr) 110px' }}
      columnGap="14px"
      rowGap="2px"
      alignItems="center"
      py="1.5"
      borderTop="1px solid"
      borderColor="line"
    >
      {drill.area && <AreaGlyph area={drill.area} />}
      <Box minW="0">
        <Text fontWeight={700}>{drill.title}</Text>
        <Text fontSize="0.86em" color="faded">
          {(drill.playedSeconds / 60).toFixed(0)} of {drill.minutes} min
          {drill.takes > 0 && ` · ${drill.cleanTakes} of ${drill.takes} clean`}
          {drill.state === 'Skipped' && ' · skipped'}
        </Text>
      </Box>
      <Input
        gridColumn={{ base: '2', md: 'auto' }}
        aria-label={`A line on ${drill.title}`}
        placeholder="a line, if you like"
        value={text}
        onChange={(event) => write(event.target.value)}
      />
      {drill.things.length > 0 ? (
        <Things things={drill.things} keys={keys} askFor={askFor} />
      ) : drill.canAsk ? (
        <Tick
          gridColumn={{ base: '2', md: 'auto' }}
          fontSize="0.92em"
          label="tomorrow"
          on={asked}
          set={setAsked}
        />
      ) : (
        <span />
      )}
    </Grid>
  )
}

/** Of a drill about several things each can be asked for by itself. */
function Things({
  things,
  keys,
  askFor,
}: {
  things: Schemas['ThingView'][]
  keys: string[]
  askFor: (keys: string[]) => void
}) {
  return (
    <Flex
      gridColumn={{ base: '2', md: '2 / -1' }}
      columnGap="18px"
      rowGap="1"
      align="center"
      wrap="wrap"
      role="group"
      aria-label="Tomorrow"
    >
      <Text fontSize="0.92em" color="faded">
        tomorrow:
      </Text>
      {things.map(({ key, title }) => (
        <Tick
          key={key}
          fontSize="0.92em"
          label={title}
          on={keys.includes(key)}
          set={(on) => askFor(on ? [...keys, key] : keys.filter((one) => one !== key))}
        />
      ))}
    </Flex>
  )
}
