import { Box, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { ChevronLeft, ChevronRight } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { ask, client, type Schemas } from '../../api/client'
import { AreaGlyph } from '../../ui/areas'
import { Press } from '../../ui/Press'
import { RoutineScore } from '../../ui/RoutineScore'
import { dayAfter, sayDate, weekdayOf } from '../../ui/words'
import type { Ahead } from './useAhead'

type Day = Schemas['AheadDay']

/** Minutes that one press moves to the day before or after. */
const step = 5

/** Seven days side by side: minutes and hour, what is likely planned, what stands in them. */
export function AheadDays({ ahead, days }: { ahead: Ahead; days: Day[] }) {
  const [open, setOpen] = useState<string | null>(null)
  const shown = days.find((day) => day.day === open)
  const longest = Math.max(...days.map((day) => day.minutes), 30)
  return (
    <Box>
      <Grid
        templateColumns={{ base: 'repeat(2, minmax(0, 1fr))', md: 'repeat(4, 1fr)', xl: 'repeat(7, 1fr)' }}
        gap="2"
      >
        {days.map((day, i) => (
          <DayCard
            key={day.day}
            day={day}
            isToday={i === 0}
            longest={longest}
            isOpen={open === day.day}
            toggle={() => setOpen(open === day.day ? null : day.day)}
            move={(by) =>
              ahead.change(() =>
                ask(
                  client.POST('/api/week/moved', {
                    body: { from: day.day, to: dayAfter(day.day, by), minutes: Math.min(step, day.minutes) },
                  }),
                ),
              )
            }
            isFirst={i === 0}
          />
        ))}
      </Grid>
      {shown && <Likely day={shown} isToday={shown === days[0]} />}
    </Box>
  )
}

interface CardProps {
  day: Day
  isToday: boolean
  isFirst: boolean
  longest: number
  isOpen: boolean
  toggle: () => void
  move: (by: number) => unknown
}

function DayCard({ day, isToday, isFirst, longest, isOpen, toggle, move }: CardProps) {
  const name = isToday ? 'today' : weekdayOf(day.day)
  return (
    <Box
      as="section"
      aria-label={`${weekdayOf(day.day)} ${sayDate(day.day)}`}
      border="1px solid"
      borderColor={isOpen ? 'ink' : 'line'}
      bg={isToday ? 'sheet' : undefined}
      borderRadius="6px"
      p="2.5"
      minW="0"
    >
      <Text fontWeight={700}>{isToday ? 'Today' : weekdayOf(day.day)}</Text>
      <Text color="faded" fontSize="0.88em">
        {sayDate(day.day)}
        {day.hour && `, ${day.hour}`}
      </Text>
      <Flex align="center" justify="space-between" mt="1">
        <Press
          look="icon"
          aria-label={`Move ${step} minutes of ${name} to the day before`}
          disabled={isFirst || day.minutes === 0}
          onClick={() => move(-1)}
        >
          <ChevronLeft size={16} aria-hidden />
        </Press>
        <Text fontWeight={700} fontSize="subheading" data-testid="day-minutes" whiteSpace="nowrap">
          {day.minutes > 0 ? `${day.minutes} min` : 'free'}
        </Text>
        <Press
          look="icon"
          aria-label={`Move ${step} minutes of ${name} to the day after`}
          disabled={day.minutes === 0}
          onClick={() => move(1)}
        >
          <ChevronRight size={16} aria-hidden />
        </Press>
      </Flex>
      <Text color="faded" fontSize="0.85em" minH="1.3em">
        {[day.sittings > 1 && day.minutes > 0 && `${day.sittings} sittings`, day.isMoved && 'moved']
          .filter(Boolean)
          .join(', ')}
      </Text>
      {day.drills.length > 0 && (
        <RoutineScore
          size="small"
          minutes={longest}
          notes={day.drills.map(({ area, minutes, title }) => ({ area, minutes, title }))}
        />
      )}
      {day.off && <Text fontWeight={600}>{day.off}</Text>}
      {day.marks.map((mark) => (
        <Text key={mark} fontSize="0.88em" color="accent" fontWeight={600}>
          {mark}
        </Text>
      ))}
      {day.hourWords && <Text fontSize="0.88em">{day.hourWords}</Text>}
      {day.drills.length > 0 && (
        <Press
          look="quiet"
          minH="34px"
          px="0"
          fontSize="0.88em"
          aria-expanded={isOpen}
          aria-label={`${isToday ? 'The plan' : 'What is likely'}, ${name}`}
          onClick={toggle}
        >
          {isToday ? 'the plan' : 'what is likely'}
        </Press>
      )}
    </Box>
  )
}

/** What is likely planned for a day, and why. */
function Likely({ day, isToday }: { day: Day; isToday: boolean }) {
  return (
    <Box as="section" aria-label="Likely planned" mt="3" maxW="80ch">
      <chakra.h3 fontSize="subheading">
        {isToday ? (
          <Link to="/">Today’s plan</Link>
        ) : (
          `Likely on ${weekdayOf(day.day)}, if the days before go as they usually do`
        )}
      </chakra.h3>
      {day.drills
        .filter((drill) => drill.area)
        .map((drill, i) => (
          <Flex key={i} gap="3" align="center" py="0.5">
            {drill.area && <AreaGlyph area={drill.area} />}
            <Text width="52px" textAlign="right">
              {drill.minutes} min
            </Text>
            <Text fontWeight={600}>{drill.title}</Text>
            <Text color="faded" truncate>
              {drill.reason}
            </Text>
          </Flex>
        ))}
    </Box>
  )
}
