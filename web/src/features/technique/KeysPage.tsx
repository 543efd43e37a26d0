import { Box, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import { useChoices } from '../../api/choices'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Refusal, useProblem } from '../../ui/refusal'
import { Pick } from '../../ui/Pick'
import { Select } from '../../ui/Select'
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
      <chakra.h2 fontSize="heading">{plan.title}</chakra.h2>
      <Grid templateColumns={{ base: '1fr', md: '420px minmax(0,1fr)' }} gap="8" mt="3" alignItems="center">
        <KeyWheel plan={plan} />
        <Box>
          <Text fontSize="subheading" fontFamily="heading" fontWeight={600}>
            Next: {plan.next.join(', ')}
          </Text>
          <Text color="faded" mb="4">
            all {plan.count} keys in {plan.daysToCover} days at {plan.minutes} minutes a day
          </Text>
          <Choices plan={plan} />
          <Longest plan={plan} />
        </Box>
      </Grid>
    </Box>
  )
}

function Choices({ plan }: { plan: Plan }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const choices = useChoices()
  const isKeyboard = useIsKeyboard()
  const change = async (part: Partial<Schemas['KeyPlan']>) => {
    const path = { id: plan.materialId }
    const body = { ...plan.plan, ...part }
    await run(() => ask(client.PUT('/api/technique/exercises/{id}/keys', { params: { path }, body })))
    await saved()
  }
  return (
    <Grid templateColumns="repeat(auto-fill, minmax(160px, 1fr))" gap="4">
      <Field label="how many">
        <Pick
          value={plan.plan.school ?? 'SeveralADay'}
          options={choices.keySchools}
          pick={(school) => void change({ school })}
        />
      </Field>
      <Field label="in the order of">
        <Pick
          value={plan.plan.order ?? 'Fourths'}
          options={choices.keyOrders.filter(({ id }) => id !== 'Fingers' || isKeyboard)}
          pick={(order) => void change({ order })}
        />
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
  const say = ({ name, days }: Schemas['WaitingKeyView']) => `${name} (${days === 0 ? 'today' : `${days} d`})`
  return (
    <Box mt="4">
      {plan.untouched.length > 0 && <Text>Not touched yet: {plan.untouched.join(', ')}.</Text>}
      {plan.waiting.length > 0 && <Text>Waiting longest: {plan.waiting.map(say).join(', ')}.</Text>}
    </Box>
  )
}

const useIsKeyboard = () => api.useQuery('get', '/api/technique/choices').data?.family === 'Keys'

/** On a keyboard: the scales that share their fingers, so that one learns them together. */
function SameFingers() {
  const isKeyboard = useIsKeyboard()
  const groups = api.useQuery('get', '/api/technique/fingerings', {}, { enabled: isKeyboard })
  if (!groups.data) return null
  return (
    <Box as="section" aria-label="Scales with the same fingers" mt="6">
      <chakra.h2 fontSize="subheading">Scales with the same fingers</chakra.h2>
      <Text color="faded" maxW="70ch">
        Learn a family before the next one, the largest first: what the fingers know from one key they know in
        the others. An exercise takes this order when its keys come &ldquo;in the order of families of
        fingers&rdquo;.
      </Text>
      {groups.data
        .filter((group) => group.length > 1)
        .map((group) => (
          <Text key={group.join()}>{group.join(', ')}</Text>
        ))}
    </Box>
  )
}
