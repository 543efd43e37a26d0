import { Box, Flex, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Field } from '../../ui/Field'
import { Empty } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { useRemoval } from '../../ui/removal'
import { Select } from '../../ui/Select'

const degrees = [1, 2, 3, 4, 5, 6, 7]

/** Tunes one knows, to be found on the instrument; what waited longest comes first. */
export function Tunes() {
  const tunes = api.useQuery('get', '/api/ear/tunes')
  return (
    <Box>
      {tunes.data?.length === 0 && (
        <Empty>
          Tunes you know by heart, found by ear: the key and the first note are given, the rest is yours. Each
          time in another key.
        </Empty>
      )}
      {tunes.data?.map((tune) => (
        <Tune key={tune.id} tune={tune} />
      ))}
      <NewTune />
    </Box>
  )
}

function Tune({ tune }: { tune: Schemas['TuneView'] }) {
  const removal = useRemoval()
  const { problem, run } = useProblem()
  const params = { path: { id: tune.id } }
  const remove = () =>
    run(() =>
      removal(
        tune.title,
        () => ask(client.DELETE('/api/ear/tunes/{id}', { params })),
        () => ask(client.POST('/api/ear/tunes/{id}/back', { params })),
      ),
    )
  return (
    <Flex py="2" borderBottom="1px solid" borderColor="line" gap="4" align="baseline" wrap="wrap">
      <Box flex="1" minW="200px">
        <Link to={`/ear/tune/${tune.id}`} style={{ fontWeight: 600, textDecoration: 'underline' }}>
          {tune.title}, in {tune.key}
        </Link>
        {tune.last && (
          <Text color="faded" fontSize="0.92em">
            {tune.last}
          </Text>
        )}
      </Box>
      <Press look="quiet" minH="30px" aria-label={`Remove ${tune.title}`} onClick={remove}>
        remove
      </Press>
      <Refusal problem={problem} />
    </Flex>
  )
}

function NewTune() {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [title, setTitle] = useState('')
  const [startDegree, setStart] = useState(1)
  const [isMinor, setMinor] = useState(false)
  const keep = async () => {
    const body = { title, startDegree, isMinor }
    if (!(await run(() => ask(client.POST('/api/ear/tunes', { body }))))) return
    setTitle('')
    setStart(1)
    setMinor(false)
    await saved()
  }
  return (
    <Flex gap="3" mt="3" align="end" wrap="wrap">
      <Field label="A tune you know" width="220px" name="title">
        <Input value={title} onChange={(event) => setTitle(event.target.value)} />
      </Field>
      <Field label="begins on" width="110px">
        <Select value={startDegree} onChange={(event) => setStart(Number(event.target.value))}>
          {degrees.map((degree) => (
            <option key={degree}>{degree}</option>
          ))}
        </Select>
      </Field>
      <Field label="mode" width="110px">
        <Select
          value={isMinor ? 'minor' : 'major'}
          onChange={(event) => setMinor(event.target.value === 'minor')}
        >
          <option>major</option>
          <option>minor</option>
        </Select>
      </Field>
      <Press disabled={title.trim() === ''} onClick={keep}>
        Add it
      </Press>
      <Refusal problem={problem} />
    </Flex>
  )
}
