import { Box, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { api, ask, client, type Schemas } from '../../api/client'
import { colours } from '../../theme/colours'
import { NumberInput } from '../../ui/NumberInput'
import { Outline } from '../../ui/Outline'
import { Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { sayDate, sayDay } from '../../ui/words'
import { Part } from './parts'

const tensions = ['none', 'a little', 'some', 'much']

/** Body, load and ears: what was told, how minutes grew, how much sound a day bears. */
export function HealthPage() {
  const health = api.useQuery('get', '/api/health').data
  if (!health) return <Outline />
  return (
    <Page title="Body and ears">
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} columnGap="12" rowGap="7">
        <Body health={health} />
        <Weeks health={health} />
        <Noise levels={health.levels} />
        <Part title="Worth knowing" words="">
          {health.cautions.map((line) => (
            <Text key={line} mb="1">
              {line}
            </Text>
          ))}
        </Part>
      </Grid>
    </Page>
  )
}

/** A mark a day: how high is how tense; filled where it hurt. */
function Body({ health }: { health: Schemas['HealthView'] }) {
  const days = health.body.slice(-40)
  const [height, gap] = [70, 14]
  return (
    <Part title="Tension and pain" words={health.bodyWords}>
      {days.length > 0 && (
        <svg
          viewBox={`0 0 ${Math.max(200, 70 + days.length * gap)} ${height + 26}`}
          width="100%"
          style={{ maxWidth: 1.3 * Math.max(200, 70 + days.length * gap) }}
          role="img"
          aria-label={days
            .map((day) => `${sayDate(day.day)}: ${day.pain ? 'pain' : `tension ${tensions[day.tension]}`}`)
            .join('; ')}
        >
          {tensions.map((word, i) => (
            <g key={word}>
              <line x1="56" x2="100%" y1={height - i * 20} y2={height - i * 20} stroke={colours.line} />
              <text x="0" y={height - i * 20 + 4} style={{ fontSize: 11 }} fill={colours.faded}>
                {word}
              </text>
            </g>
          ))}
          <text x="62" y={height + 20} style={{ fontSize: 11 }} fill={colours.faded}>
            {days[0] && sayDate(days[0].day)} to {sayDate(days[days.length - 1]!.day)}
          </text>
          {days.map((day, i) =>
            day.pain ? (
              <path
                key={day.day}
                d={`M${62 + i * gap} ${height - day.tension * 20 - 6}l6 10h-12z`}
                fill={colours.wrong}
              />
            ) : (
              <circle
                key={day.day}
                cx={62 + i * gap}
                cy={height - day.tension * 20}
                r="4"
                fill={colours.faded}
              />
            ),
          )}
        </svg>
      )}
      {days.some((day) => day.pain) && (
        <Text fontSize="0.9em">
          {days
            .filter((day) => day.pain)
            .map((day) => `${sayDay(day.day)}${day.where && `: ${day.where}`}`)
            .join('; ')}
        </Text>
      )}
    </Part>
  )
}

/** Minutes of twelve weeks; a steep one has a mark. */
function Weeks({ health }: { health: Schemas['HealthView'] }) {
  const most = Math.max(30, ...health.weeks.map((week) => week.minutes))
  return (
    <Part title="Minutes a week" words={health.loadWords}>
      <Flex
        align="end"
        gap="1.5"
        role="img"
        aria-label={health.weeks
          .map(
            (week) =>
              `${sayDate(week.from)}: ${Math.round(week.minutes)} minutes${week.isSteep ? ', steep' : ''}`,
          )
          .join('; ')}
      >
        {health.weeks.map((week) => (
          <Box key={week.from} flex="1" maxW="44px" textAlign="center">
            {week.isSteep && (
              <Text fontSize="0.8em" fontWeight={700} color="accent">
                steep
              </Text>
            )}
            <Box
              bg={week.isSteep ? 'accent' : 'faded'}
              height={`${Math.max(2, (week.minutes / most) * 84)}px`}
              borderRadius="2px 2px 0 0"
            />
            <Text fontSize="0.72em" color="faded">
              {Math.round(week.minutes)}
            </Text>
          </Box>
        ))}
      </Flex>
    </Part>
  )
}

/** How much of a day's sound some loud things use up. */
function Noise({ levels }: { levels: Schemas['LevelView'][] }) {
  const [sources, setSources] = useState([{ level: 94, minutes: 30 }])
  const [view, setView] = useState<Schemas['NoiseView'] | null>(null)
  const { problem, run } = useProblem()
  const change = (at: number, part: Partial<{ level: number; minutes: number }>) => {
    setSources(sources.map((one, i) => (i === at ? { ...one, ...part } : one)))
    setView(null)
  }
  const reckon = async () => {
    const answer = await run(() => ask(client.POST('/api/health/noise', { body: { sources } })))
    if (answer) setView(answer)
  }
  return (
    <Part
      title="How loud is your day?"
      words="A day bears 85 dBA for eight hours, half as long for each 3 dB more. What is loud in a day adds up."
    >
      <Text fontSize="0.92em" color="faded" mb="2">
        {levels.map((one) => `${one.level} dBA ${one.allowed}`).join(' · ')}
      </Text>
      {sources.map((source, i) => (
        <Flex key={i} gap="2" align="center" mb="1" wrap="wrap">
          <NumberInput
            label={`Level ${i + 1} in dBA`}
            value={source.level}
            min={40}
            max={140}
            onChange={(level) => change(i, { level })}
          />
          <Text>dBA for</Text>
          <NumberInput
            label={`Minutes ${i + 1}`}
            value={source.minutes}
            min={0}
            max={1440}
            onChange={(minutes) => change(i, { minutes })}
          />
          <Text>minutes</Text>
          {view && <chakra.span fontWeight={600}>{Math.round(100 * (view.shares[i] ?? 0))} %</chakra.span>}
          {sources.length > 1 && (
            <Press
              look="quiet"
              minH="34px"
              onClick={() => {
                setSources(sources.filter((_, at) => at !== i))
                setView(null)
              }}
            >
              remove
            </Press>
          )}
        </Flex>
      ))}
      <Flex gap="3" mt="2">
        <Press onClick={reckon}>Add it up</Press>
        <Press look="quiet" onClick={() => setSources([...sources, { level: 85, minutes: 60 }])}>
          something else loud
        </Press>
      </Flex>
      {view && (
        <Text role="status" mt="2" fontWeight={600} maxW="60ch">
          {view.words}
        </Text>
      )}
      <Refusal problem={problem} />
    </Part>
  )
}
