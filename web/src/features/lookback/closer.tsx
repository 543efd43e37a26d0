import { Box, Flex, Grid, Text } from '@chakra-ui/react'
import { api, type Schemas } from '../../api/client'
import { colours } from '../../theme/colours'
import { areaLooks, staffOrder } from '../../ui/areas'
import { OutlineLines } from '../../ui/Outline'
import { RoutineScore } from '../../ui/RoutineScore'
import { sayDate } from '../../ui/words'
import { Part, Things } from './parts'

type Closer = Schemas['CloserView']

/** A stretch of days looked at more closely: weeks, readiness, methods, hours, keys, dates, strands and cures. */
export function Closer({ from, to, isWide }: { from: string; to: string; isWide: boolean }) {
  const closer = api.useQuery('get', '/api/look-back/closer', { params: { query: { from, to } } })
  if (!closer.data) return <OutlineLines />
  const { conditions, dates, strands, confused, keys, retries, cures } = closer.data
  return (
    <Grid templateColumns={{ base: '1fr', md: isWide ? '1fr 1fr' : '1fr' }} columnGap="12" rowGap="7" mt="8">
      <Weeks weeks={closer.data.weeks} />
      <Readiness closer={closer.data} />
      <Methods closer={closer.data} />
      <Part title="Hour, length, second sittings" words="">
        {conditions.map((line) => (
          <Text key={line} mb="1">
            {line}
          </Text>
        ))}
      </Part>
      {dates.length > 0 && (
        <Part title="Pieces and dates" words="">
          {dates.map((line) => (
            <Text key={line} mb="1">
              {line}
            </Text>
          ))}
        </Part>
      )}
      {(strands.length > 0 || confused.length > 0) && (
        <Part title="Reading and ear" words={sayStrands(strands)}>
          {strands.map((one) => (
            <Share
              key={one.strand}
              name={strandNames[one.strand]}
              all={one.bars}
              right={one.right}
              unit="bars"
            />
          ))}
          {confused.map((line) => (
            <Text key={line} mt="1">
              {line}
            </Text>
          ))}
        </Part>
      )}
      <Things title="Keys" words="What goes through the keys, and what was left out." things={keys} />
      <Things
        title="Step by step"
        words="Steps and octaves that did not come at the first try."
        things={retries}
      />
      <Things
        title="Exercises and their passages"
        words="Whether what they are for has gained."
        things={cures}
      />
    </Grid>
  )
}

const strandNames: Record<Schemas['Strand'], string> = {
  Range: 'range and leaps',
  Keys: 'keys and signs',
  Rhythm: 'metre and rhythm',
  Texture: 'several notes',
}

function sayStrands(strands: Schemas['StrandRead'][]) {
  const enough = strands.filter((one) => one.bars >= 8)
  if (enough.length < 2)
    return enough.length === 1 ? 'One strand was read often enough to say something.' : ''
  const weakest = enough.reduce((low, one) => (one.right / one.bars < low.right / low.bars ? one : low))
  return `${capital(strandNames[weakest.strand])} was right least often.`
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** A bar filled as far as it was right. */
function Share({ name, all, right, unit }: { name: string; all: number; right: number; unit: string }) {
  return (
    <Grid templateColumns="150px minmax(0,1fr) 130px" gap="3" alignItems="center" py="0.5">
      <Text>{name}</Text>
      <Box bg="line" h="10px" borderRadius="5px">
        <Box bg="accent" h="100%" borderRadius="5px" w={`${all > 0 ? (100 * right) / all : 0}%`} />
      </Box>
      <Text fontVariantNumeric="tabular-nums">
        {right} of {all} {unit}
      </Text>
    </Grid>
  )
}

/** The weeks as small scores: one note an area, as long as it had minutes. */
function Weeks({ weeks }: { weeks: Schemas['WeekPlayed'][] }) {
  const sums = weeks.map((week) => week.areas.reduce((sum, one) => sum + one.minutes, 0))
  const most = Math.max(30, ...sums)
  const fullest = weeks[sums.indexOf(Math.max(...sums))]
  return (
    <Part
      title="Week by week"
      words={
        sums.some((sum) => sum > 0) && fullest
          ? `Most was played in the week from ${sayDate(fullest.from)}: ${Math.round(Math.max(...sums))} minutes.`
          : 'Nothing was played in these weeks.'
      }
    >
      <Grid
        templateColumns={`repeat(${weeks.length > 4 ? 4 : Math.max(1, weeks.length)}, minmax(0,1fr))`}
        gap="3"
      >
        {weeks.map((week, i) => (
          <Box key={week.from} minW="0">
            <Text fontSize="0.85em" color="faded">
              {sayDate(week.from)}, {Math.round(sums[i] ?? 0)} min
            </Text>
            <RoutineScore
              size="small"
              minutes={most}
              notes={staffOrder
                .map((area) => week.areas.find((one) => one.area === area))
                .filter((one) => one !== undefined && one.minutes > 0)
                .map((one) => ({ area: one!.area, minutes: one!.minutes, title: areaLooks[one!.area].name }))}
            />
          </Box>
        ))}
      </Grid>
    </Part>
  )
}

const columnHeight = 84

/** A column a week: ready below, then under way, raw on top. */
function Readiness({ closer: { readiness, readinessWords } }: { closer: Closer }) {
  const most = Math.max(1, ...readiness.map((week) => week.raw + week.shaping + week.ready))
  const height = (count: number) => `${(count / most) * columnHeight}px`
  return (
    <Part title="Readiness" words={readinessWords}>
      <Flex
        gap="2"
        align="end"
        role="img"
        aria-label={readiness
          .map(
            (week) => `${sayDate(week.day)}: ${week.ready} ready, ${week.shaping} under way, ${week.raw} raw`,
          )
          .join('; ')}
      >
        {readiness.map((week) => (
          <Box key={week.day} flex="1" maxW="54px">
            <Box height={height(week.raw)} border="1.5px solid" borderColor="edge" bg="paper" />
            <Box
              height={height(week.shaping)}
              border="1.5px solid"
              borderColor="edge"
              backgroundImage={`repeating-linear-gradient(45deg, ${colours.faded} 0 2px, transparent 2px 7px)`}
            />
            <Box height={height(week.ready)} bg="ink" />
            <Text fontSize="0.72em" color="faded" textAlign="center">
              {Number(week.day.slice(8))}
            </Text>
          </Box>
        ))}
      </Flex>
      <Text fontSize="0.85em" color="faded">
        Filled: ready. Striped: under way. Empty: raw.
      </Text>
    </Part>
  )
}

/** What methods brought for ten minutes, with the range in which that likely lies. */
function Methods({ closer: { methods, methodWords } }: { closer: Closer }) {
  const low = Math.min(0, ...methods.map((one) => one.low))
  const high = Math.max(1, ...methods.map((one) => one.high))
  const x = (value: number) => ((value - low) / (high - low)) * 100
  return (
    <Part title="What methods brought" words={methodWords}>
      {methods.map((one) => (
        <Grid
          key={one.method}
          templateColumns="minmax(0,1fr) minmax(0,1fr) 120px"
          gap="3"
          alignItems="center"
          py="1"
          borderBottom="1px solid"
          borderColor="line"
        >
          <Text>{one.method}</Text>
          <svg viewBox="0 0 100 10" width="100%" height="10" preserveAspectRatio="none" aria-hidden>
            <line x1={x(0)} x2={x(0)} y1="0" y2="10" stroke={colours.faded} strokeWidth="0.5" />
            <rect x={x(one.low)} y="3.5" width={x(one.high) - x(one.low)} height="3" fill={colours.line} />
            <rect x={x(one.gain) - 0.8} y="0.5" width="1.6" height="9" fill={colours.accent} />
          </svg>
          <Text fontVariantNumeric="tabular-nums" fontSize="0.92em">
            {one.gain.toFixed(1)} % in {one.visits} visits
          </Text>
        </Grid>
      ))}
      {methods.length > 0 && (
        <Text fontSize="0.85em" color="faded" mt="1">
          Gain of what can be done for ten minutes; the bar is where it lies four times in five. Methods are
          chosen by how a thing stands, not by lot: it is a hint, no proof.
        </Text>
      )}
    </Part>
  )
}
