import { Box, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { keepPreviousData } from '@tanstack/react-query'
import { useState } from 'react'
import { useChoices } from '../../api/choices'
import { api, ask, client, type Schemas } from '../../api/client'
import { RoutineScore } from '../../ui/RoutineScore'
import { NumberInput } from '../../ui/NumberInput'
import { Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { useRemoval } from '../../ui/removal'
import { RoutineEditor } from './RoutineEditor'

type Routine = Schemas['RoutineView']

const days = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

/** Day shapes, each shown at the length one asks for. */
export function RoutinesPage() {
  const { leastMinutes, mostMinutes } = useChoices()
  const routines = api.useQuery('get', '/api/routines')
  const [minutes, setMinutes] = useState(30)
  const [editing, setEditing] = useState<Routine | null>(null)
  const fresh: Routine = {
    id: 0,
    name: '',
    purpose: '',
    word: '',
    taken: '',
    interwoven: false,
    weekdays: [],
    version: 0,
    blocks: [{ area: 'WarmUp', least: 1, wanted: 5, most: 15, must: true }],
  }
  const [taken, setTaken] = useState('')
  if (editing)
    return (
      <RoutineEditor
        start={editing}
        close={(said) => {
          setTaken(said)
          setEditing(null)
        }}
      />
    )
  return (
    <Page
      title="Routines"
      aside={
        <Flex gap="3" align="center">
          <Text color="faded">shown at</Text>
          <NumberInput
            label="Minutes to show"
            value={minutes}
            min={leastMinutes}
            max={mostMinutes}
            onChange={(value) => setMinutes(Math.min(mostMinutes, Math.max(leastMinutes, value)))}
          />
          <Text color="faded">minutes</Text>
          <Press onClick={() => setEditing(fresh)}>New routine</Press>
        </Flex>
      }
    >
      {taken && (
        <Text role="status" data-testid="taken" fontWeight={600} mb="4">
          {taken}
        </Text>
      )}
      <Grid templateColumns={{ base: '1fr', md: 'repeat(2, minmax(0, 1fr))' }} gap="6">
        {routines.data?.map((routine) => (
          <Card key={routine.id} routine={routine} minutes={minutes} edit={() => setEditing(routine)} />
        ))}
      </Grid>
    </Page>
  )
}

function Card({ routine, minutes, edit }: { routine: Routine; minutes: number; edit: () => void }) {
  const { problem, run } = useProblem()
  const removal = useRemoval()
  const fit = api.useQuery(
    'post',
    '/api/routines/fit',
    { body: { blocks: routine.blocks, minutes } },
    { placeholderData: keepPreviousData },
  )
  const remove = async () => {
    const params = { path: { id: routine.id } }
    await run(() =>
      removal(
        routine.name,
        () => ask(client.DELETE('/api/routines/{id}', { params })),
        () => ask(client.POST('/api/routines/{id}/back', { params })),
      ),
    )
  }
  const used =
    routine.weekdays.length === 7 ? 'every day' : routine.weekdays.map((day) => days[day]).join(', ')
  return (
    <Box as="section" borderTop="2px solid" borderColor="ink" pt="3" aria-label={routine.name}>
      <Flex justify="space-between" align="baseline" gap="3" wrap="wrap">
        <chakra.h2 fontSize="subheading">{routine.name}</chakra.h2>
        <Text color="accent" fontWeight={600} fontSize="0.9em">
          {used}
        </Text>
      </Flex>
      <Text color="faded" fontSize="0.92em" minH="2.7em">
        {routine.purpose || (routine.interwoven ? 'Short drills are mixed.' : 'Areas stay whole.')}{' '}
        {routine.word}
      </Text>
      {/* The picture's place is kept until its minutes are known, so that the rows below do not move under the hand. */}
      <Box visibility={fit.data ? undefined : 'hidden'}>
        <RoutineScore
          size="stage"
          notes={routine.blocks
            .map((block, i) => ({
              area: block.area,
              minutes: fit.data ? (fit.data.minutes[i] ?? 0) : block.wanted,
              title: block.area,
            }))
            .filter((note) => note.minutes > 0)}
        />
      </Box>
      {fit.data?.warning && (
        <Text color="wrong" fontSize="0.92em">
          {fit.data.warning}
        </Text>
      )}
      <Flex mt="1" align="center">
        <Text color="faded" fontSize="0.88em" flex="1">
          fits from {fit.data?.least ?? '…'} min
          {(fit.data?.breaks ?? 0) > 0 && `; ${fit.data?.breaks} min of breaks at ${minutes}`}
        </Text>
        <Press look="quiet" aria-label={`Change ${routine.name}`} onClick={edit}>
          change
        </Press>
        <Press look="quiet" aria-label={`Remove ${routine.name}`} onClick={() => remove()}>
          remove
        </Press>
      </Flex>
      <Refusal problem={problem} />
    </Box>
  )
}
