import { Box, Grid, Text } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { colours } from '../../theme/colours'
import { sayDate, weekdayNumber, weekdays } from '../../ui/words'

/** Four weeks ahead: a bar of minutes for each day, and what stands in it. */
export function Strip({ days }: { days: Schemas['StripDay'][] }) {
  const most = Math.max(30, ...days.map((day) => day.minutes))
  const lead = days[0] ? weekdayNumber(days[0].day) : 0
  const marked = days.filter((day) => day.marks.some((mark) => !isUsual(mark)) || day.off)
  return (
    <Box as="section" aria-label="Four weeks ahead">
      <Grid templateColumns="repeat(7, 1fr)" gap="1px" maxW="640px">
        {weekdays.map((name) => (
          <Text key={name} fontSize="0.78em" color="faded" textAlign="center">
            {name}
          </Text>
        ))}
        {Array.from({ length: lead }, (_, i) => (
          <span key={`lead${i}`} />
        ))}
        {days.map((day) => (
          <Cell key={day.day} day={day} most={most} />
        ))}
      </Grid>
      <Text fontSize="0.88em" color="faded" mt="1">
        Bars are minutes; a ring is the review or the lesson, a flag what stands below.
      </Text>
      {marked.map((day) => (
        <Text key={day.day} fontSize="0.92em">
          {sayDate(day.day)}:{' '}
          {[day.off, ...day.marks.filter((mark) => !isUsual(mark))].filter(Boolean).join(', ')}
        </Text>
      ))}
    </Box>
  )
}

/** What comes every week needs no line of its own. */
const isUsual = (mark: string) => mark === 'The week’s review' || mark === 'Lesson or rehearsal'

function Cell({ day, most }: { day: Schemas['StripDay']; most: number }) {
  const height = Math.round((day.minutes / most) * 30)
  const said = [`${day.minutes} minutes`, day.off, ...day.marks].filter(Boolean).join(', ')
  return (
    <svg viewBox="0 0 60 46" width="100%" role="img" aria-label={`${sayDate(day.day)}: ${said}`}>
      <title>{`${sayDate(day.day)}: ${said}`}</title>
      <rect x="2" y="44" width="56" height="1.5" fill={colours.line} />
      <rect x="20" y={44 - height} width="20" height={height} fill={day.off ? colours.line : colours.faded} />
      <text x="3" y="12" style={{ fontSize: 11 }} fill={colours.faded}>
        {Number(day.day.slice(8))}
      </text>
      {day.marks.map((mark, i) =>
        isUsual(mark) ? (
          <circle
            key={mark}
            cx={52}
            cy={7 + i * 10}
            r={3}
            fill="none"
            stroke={colours.accent}
            strokeWidth={2}
          />
        ) : (
          <path key={mark} d={`M48 ${3 + i * 10}l8 4-8 4z`} fill={colours.accent} />
        ),
      )}
    </svg>
  )
}
