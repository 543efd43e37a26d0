import { Box, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { ChevronDown, ChevronRight } from 'lucide-react'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { AreaGlyph } from '../../ui/areas'
import { Press } from '../../ui/Press'
import { Tick } from '../../ui/Tick'
import { noCauses, type Causes } from './useCloseDraft'

interface LineProps {
  drill: Schemas['SessionDrillView']
  text: string
  asked: boolean
  write: (text: string) => void
  /** Why, what helps, next time; undefined while nothing of it is said. */
  more: Causes | undefined
  writeMore: (more: Causes) => void
  ask: (on: boolean) => void
  /** The single things that are asked for, of all drills. */
  keys: string[]
  askFor: (keys: string[]) => void
}

/** A drill at the close: what it came to, a line about it, and what of it is to come tomorrow. */
export function CloseLine(props: LineProps) {
  const { drill, text, asked, write, more, writeMore, ask: setAsked, keys, askFor } = props
  const [isOpen, setOpen] = useState(more !== undefined)
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
      <Flex gridColumn={{ base: '2', md: 'auto' }} align="center" gap="1">
        <Input
          aria-label={`A line on ${drill.title}`}
          placeholder="a line, if you like"
          value={text}
          onChange={(event) => write(event.target.value)}
        />
        <Press
          look="icon"
          aria-expanded={isOpen}
          aria-label={`Why, what helps, next time: ${drill.title}`}
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? <ChevronDown size={18} aria-hidden /> : <ChevronRight size={18} aria-hidden />}
        </Press>
      </Flex>
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
      {isOpen && <More title={drill.title} more={more ?? noCauses} write={writeMore} />}
    </Grid>
  )
}

/** Why it went as it did, what helps against it, and what to do next time: that line comes back with the drill. */
function More({ title, more, write }: { title: string; more: Causes; write: (more: Causes) => void }) {
  const fields = [
    ['cause', 'why'],
    ['remedy', 'what helps'],
    ['nextTime', 'next time'],
  ] as const
  return (
    <Grid
      gridColumn={{ base: '2', md: '2 / -1' }}
      templateColumns={{ base: '1fr', md: '1fr 1fr 1fr' }}
      gap="2"
      mt="1"
    >
      {fields.map(([name, label]) => (
        <Input
          key={name}
          aria-label={`${label}: ${title}`}
          placeholder={label}
          value={more[name]}
          onChange={(event) => write({ ...more, [name]: event.target.value })}
        />
      ))}
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
