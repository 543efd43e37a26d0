import { Box, chakra, Flex, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useChoices } from '../../api/choices'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { staffLines } from '../../theme/staff'
import { Form } from '../../ui/Form'
import { OutlineLines } from '../../ui/Outline'
import { Empty } from '../../ui/Page'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Pick } from '../../ui/Pick'
import { Select } from '../../ui/Select'
import { useRemoval } from '../../ui/removal'
import { sayDate, sayDay } from '../../ui/words'
import { areaColours, colours } from '../../theme/colours'

type Goal = Schemas['GoalView']
type Kind = Schemas['GoalKind']

/** Dated aims, each with its weekly steps and where it stands. */
export function Goals() {
  const goals = api.useQuery('get', '/api/goals')
  const [adding, setAdding] = useState(false)
  if (!goals.data) return <OutlineLines />
  const open = goals.data.filter((goal) => !goal.reached)
  const reached = goals.data.filter((goal) => goal.reached)
  return (
    <Box as="section" aria-label="Goals" mt="8">
      <Flex justify="space-between" align="baseline" gap="4" mb="2">
        <chakra.h2 fontSize="heading">Goals</chakra.h2>
        {!adding && <Press onClick={() => setAdding(true)}>New goal</Press>}
      </Flex>
      {adding && <GoalForm close={() => setAdding(false)} />}
      {goals.data.length === 0 && !adding && (
        <Empty>
          A goal has a number and a day: a tempo, passages that are ready, keys that are clean. It is cut into
          weekly steps, and the drills of each day say which step they serve.
        </Empty>
      )}
      {open.map((goal) => (
        <Row key={goal.id} goal={goal} />
      ))}
      {reached.length > 0 && (
        <>
          <chakra.h3 fontSize="subheading" mt="8" mb="1">
            Reached
          </chakra.h3>
          {reached.map((goal) => (
            <Row key={goal.id} goal={goal} />
          ))}
        </>
      )}
    </Box>
  )
}

function Row({ goal }: { goal: Goal }) {
  const { problem, run } = useProblem()
  const removal = useRemoval()
  const remove = async () => {
    const params = { path: { id: goal.id } }
    await run(() =>
      removal(
        `the goal ${goal.about}`,
        () => ask(client.DELETE('/api/goals/{id}', { params })),
        () => ask(client.POST('/api/goals/{id}/back', { params })),
      ),
    )
  }
  return (
    <Box as="section" aria-label={`Goal ${goal.about}`} borderTop="1px solid" borderColor="line" py="4">
      <Flex align="baseline" gap="3" wrap="wrap">
        <chakra.h3 fontSize="subheading" fontWeight={700}>
          {goal.about}: {goal.aim}
        </chakra.h3>
        <Text color="faded">by {sayDay(goal.until)}</Text>
        <Box flex="1" />
        <Press look="quiet" minH="34px" aria-label={`Remove the goal ${goal.about}`} onClick={() => remove()}>
          Remove
        </Press>
      </Flex>
      <Refusal problem={problem} />
      <Text mb="2">
        {goal.reached
          ? `Reached on ${sayDay(goal.reached)}.`
          : goal.state === 'Missed'
            ? `Missed: it stands at ${goal.now}. Move its day, or let it go.`
            : `Stands at ${goal.now}. This week’s ${goal.week}.`}
      </Text>
      {goal.state === 'Missed' && <Move goal={goal} />}
      <Steps goal={goal} />
    </Box>
  )
}

/** Another day for a goal whose day is past. */
function Move({ goal }: { goal: Goal }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [until, setUntil] = useState('')
  const move = async () => {
    const params = { path: { id: goal.id } }
    const body = { kind: goal.kind, materialId: goal.materialId, to: goal.to, until, version: goal.version }
    if (await run(() => ask(client.PUT('/api/goals/{id}', { params, body })))) await saved()
  }
  return (
    <Flex gap="3" align="end" mb="3" wrap="wrap">
      <Field label="to the day" width="170px">
        <Input type="date" value={until} onChange={(event) => setUntil(event.target.value)} />
      </Field>
      <Press disabled={!until} onClick={() => move()}>
        Move
      </Press>
      <Refusal problem={problem} />
    </Flex>
  )
}

/** The weeks as cells in a line, like bars: each with what it asks; those that are met are filled. */
function Steps({ goal }: { goal: Goal }) {
  return (
    <chakra.ol display="flex" flexWrap="wrap" rowGap="2" listStyleType="none" aria-label="Weekly steps">
      {goal.steps.map(({ by, value, met }) => {
        return (
          <chakra.li
            key={by}
            flex="0 1 84px"
            minW="64px"
            borderRight="1.5px solid"
            borderColor="ink"
            backgroundImage={staffLines}
            height="46px"
            position="relative"
          >
            <chakra.span
              position="absolute"
              inset="4px 3px"
              borderRadius="8px"
              border={`2px solid ${areaColours.Repertoire.colour}`}
              bg={met ? areaColours.Repertoire.colour : colours.sheet}
              color={met ? colours.sheet : areaColours.Repertoire.colour}
              display="flex"
              flexDirection="column"
              alignItems="center"
              justifyContent="center"
              lineHeight={1.05}
            >
              <Text as="span" fontWeight={700}>
                {value}
              </Text>
              <Text as="span" fontSize="0.68em">
                {sayDate(by)}
                <chakra.span srOnly>{met ? ', met' : ', not met yet'}</chakra.span>
              </Text>
            </chakra.span>
          </chakra.li>
        )
      })}
    </chakra.ol>
  )
}

function GoalForm({ close }: { close: () => void }) {
  const aims = api.useQuery('get', '/api/goals/aims')
  const choices = useChoices()
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [kind, setKind] = useState<Kind>('Ready')
  const [material, setMaterial] = useState('')
  const [to, setTo] = useState(3)
  const [until, setUntil] = useState('')
  const fitting = (aims.data ?? []).filter((aim) => aim.kind === kind)
  const aim = fitting.find((one) => one.materialId === Number(material))
  const keep = async () => {
    const body = { kind, materialId: Number(material), to, until: until || '0001-01-01', version: 0 }
    if (!(await run(() => ask(client.POST('/api/goals', { body }))))) return
    await saved()
    close()
  }
  return (
    <Form
      submit={keep}
      problem={problem}
      bg="sheet"
      border="1px solid"
      borderColor="line"
      borderRadius="8px"
      p="5"
      mb="5"
    >
      <Flex gap="4" wrap="wrap" align="end">
        <Field label="what is to be reached" width="190px">
          <Pick
            value={kind}
            options={choices.goals}
            pick={(next) => {
              setKind(next)
              setMaterial('')
            }}
          />
        </Field>
        <Field label="of" width="260px" name="materialId">
          <Select value={material} onChange={(event) => setMaterial(event.target.value)}>
            <option value="">choose …</option>
            {fitting.map((one) => (
              <option key={one.materialId} value={one.materialId}>
                {one.title}
              </option>
            ))}
          </Select>
        </Field>
        <Field label={aim?.unit ?? 'how much'} name="to" hint={aim && `now ${aim.now}, at most ${aim.most}`}>
          <NumberInput value={to} min={1} max={400} onChange={setTo} />
        </Field>
        <Field label="by" width="170px" name="until">
          <Input type="date" value={until} onChange={(event) => setUntil(event.target.value)} />
        </Field>
        <Press look="strong" type="submit" disabled={!material}>
          Keep
        </Press>
        <Press look="quiet" type="button" onClick={close}>
          Leave
        </Press>
      </Flex>
      <Refusal />
    </Form>
  )
}
