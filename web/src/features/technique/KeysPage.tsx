import { Box, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { Outline } from '../../ui/Outline'
import { Empty, Field, NumberInput, Page, Refusal, Select, useProblem } from '../../ui/fields'
import { KeyWheel } from './KeyWheel'
import { PatternGrids } from './PatternGrids'

type Plan = Schemas['KeyPlanView']

/** Exercises on their way through the keys: which come next, and which have not been touched for how long. */
export function KeysPage() {
  const [minutes, setMinutes] = useState(6)
  const plans = api.useQuery(
    'get',
    '/api/technique/keys',
    { params: { query: { minutes } } },
    { placeholderData: (before: Plan[] | undefined) => before },
  )
  if (!plans.data) return <Outline />
  return (
    <Page
      title="Keys and patterns"
      aside={
        <Flex gap="3" align="center">
          <Text color="faded">at</Text>
          <NumberInput label="Minutes a day" value={minutes} min={1} max={60} onChange={setMinutes} />
          <Text color="faded">minutes a day</Text>
        </Flex>
      }
    >
      {plans.data.length === 0 && (
        <Empty>
          Here you will see which keys have had their turn. Make a sheet, tick &ldquo;through all keys&rdquo;
          and keep it: <Link to="/craft/sheets">to the sheets</Link>.
        </Empty>
      )}
      {plans.data.map((plan) => (
        <PlanPicture key={plan.materialId} plan={plan} />
      ))}
      <PatternGrids />
      <SameFingers />
    </Page>
  )
}

function PlanPicture({ plan }: { plan: Plan }) {
  return (
    <Box as="section" aria-label={plan.title} borderTop="2px solid" borderColor="ink" pt="3" mb="8">
      <chakra.h2 fontSize="26px">{plan.title}</chakra.h2>
      <Grid templateColumns={{ base: '1fr', md: '420px minmax(0,1fr)' }} gap="8" mt="3" alignItems="center">
        <KeyWheel plan={plan} />
        <Box>
          <Text fontSize="22px" fontFamily="heading" fontWeight={600}>
            Next: {plan.next.join(', ')}
          </Text>
          <Text color="faded" mb="4">
            all {plan.plan.withMinors ? 24 : 12} keys in {plan.daysToCover} days at {plan.minutes} minutes a
            day
          </Text>
          <Choices plan={plan} />
          <Longest plan={plan} />
        </Box>
      </Grid>
    </Box>
  )
}

function Choices({ plan }: { plan: Plan }) {
  const queries = useQueryClient()
  const { problem, run } = useProblem()
  const change = async (part: Partial<Schemas['KeyPlan']>) => {
    const path = { id: plan.materialId }
    const body = { ...plan.plan, ...part }
    await run(() => ask(client.PUT('/api/technique/exercises/{id}/keys', { params: { path }, body })))
    await queries.invalidateQueries()
  }
  return (
    <Grid templateColumns="repeat(auto-fill, minmax(160px, 1fr))" gap="4">
      <Field label="how many">
        <Select
          value={plan.plan.school}
          onChange={(event) => void change({ school: event.target.value as Schemas['KeySchool'] })}
        >
          <option value="SeveralADay">several a day</option>
          <option value="OneADay">one a day</option>
          <option value="OneAWeek">one a week</option>
        </Select>
      </Field>
      <Field label="in the order of">
        <Select
          value={plan.plan.order}
          onChange={(event) => void change({ order: event.target.value as Schemas['KeyOrder'] })}
        >
          <option value="Fourths">fourths</option>
          <option value="Fifths">fifths</option>
          <option value="HalfSteps">half steps</option>
          <option value="Shuffled">shuffled</option>
        </Select>
      </Field>
      <Field label="which">
        <Select
          value={plan.plan.withMinors ? 'both' : plan.plan.minor ? 'minor' : 'major'}
          onChange={(event) =>
            void change({ withMinors: event.target.value === 'both', minor: event.target.value === 'minor' })
          }
        >
          <option value="major">majors</option>
          <option value="minor">minors</option>
          <option value="both">majors and minors</option>
        </Select>
      </Field>
      <Refusal problem={problem} />
    </Grid>
  )
}

/** The same picture in words. */
function Longest({ plan }: { plan: Plan }) {
  const keys = plan.keys.filter((key) => plan.plan.withMinors || key.isMinor === plan.plan.minor)
  const never = keys.filter((key) => key.daysSince === null)
  const waited = keys
    .filter((key) => key.daysSince !== null)
    .sort((a, b) => (b.daysSince ?? 0) - (a.daysSince ?? 0))
    .slice(0, 3)
  return (
    <Box mt="4">
      {never.length > 0 && <Text>Not touched yet: {never.map((key) => key.name).join(', ')}.</Text>}
      {waited.length > 0 && (
        <Text>
          Waiting longest:{' '}
          {waited
            .map((key) => `${key.name} (${key.daysSince === 0 ? 'today' : `${key.daysSince} d`})`)
            .join(', ')}
          .
        </Text>
      )}
    </Box>
  )
}

/** On a keyboard: the scales that share their fingers, so that one learns them together. */
function SameFingers() {
  const choices = api.useQuery('get', '/api/technique/choices')
  const groups = api.useQuery(
    'get',
    '/api/technique/fingerings',
    {},
    { enabled: choices.data?.family === 'keys' },
  )
  if (!groups.data) return null
  return (
    <Box as="section" aria-label="Scales with the same fingers" mt="6">
      <chakra.h2 fontSize="22px">Scales with the same fingers</chakra.h2>
      {groups.data
        .filter((group) => group.length > 1)
        .map((group) => (
          <Text key={group.join()}>{group.join(', ')}</Text>
        ))}
    </Box>
  )
}
