import { Box, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Field } from '../../ui/Field'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'

/** What is still missing of a passage: the cause, what helps, and the method that comes of it. */
export function Missing({ passage }: { passage: Schemas['PassageView'] }) {
  const causes = api.useQuery('get', '/api/pieces/causes')
  const saved = useSaved()
  const { problem, run } = useProblem()
  const [cause, setCause] = useState(passage.missing)
  const [remedy, setRemedy] = useState(passage.remedy)
  const known = causes.data ?? []
  const pick = (name: string) => {
    setCause(name)
    const found = known.find((one) => one.name === name)
    if (found) setRemedy(found.remedy)
  }
  const method = known.find((one) => one.name === cause)
  const keep = async () => {
    const path = { id: passage.id }
    const body = { cause, remedy, method: method?.method ?? passage.proposed }
    if (
      await run(
        async () => (
          await ask(client.PUT('/api/pieces/passages/{id}/missing', { params: { path }, body })),
          true
        ),
      )
    )
      await saved()
  }
  const changed = cause !== passage.missing || remedy !== passage.remedy
  return (
    <Box
      borderLeft="4px solid"
      borderColor="accent"
      pl="4"
      py="1"
      mt="5"
      as="section"
      aria-label="What is still missing"
    >
      <Text fontWeight={700} fontSize="1.1em">
        {passage.bars}: what is still missing?
      </Text>
      <Text color="faded" fontSize="0.92em" mb="2">
        {[
          passage.note,
          passage.takes > 0 && `${passage.clean} of ${passage.takes} takes clean`,
          passage.lastClean && `${passage.standing}${passage.growing ? ', growing' : ''}`,
          passage.putBack > 0 &&
            ['', 'stands with the bars around it', 'stands in its section', 'stands in the piece'][
              passage.putBack
            ],
        ]
          .filter(Boolean)
          .join(' · ')}
      </Text>
      <Grid templateColumns={{ base: '1fr', md: '190px minmax(0,1fr)' }} gap="3">
        <Field label="the cause">
          <Input
            list="causes"
            value={cause}
            placeholder="rushing …"
            onChange={(event) => pick(event.target.value)}
          />
          <datalist id="causes">
            {known.map((one) => (
              <option key={one.name}>{one.name}</option>
            ))}
          </datalist>
        </Field>
        <Field label="what helps">
          <Input value={remedy} onChange={(event) => setRemedy(event.target.value)} />
        </Field>
      </Grid>
      <Flex gap="4" align="center" mt="2" wrap="wrap">
        <Press minH="36px" disabled={!changed} onClick={() => keep()}>
          Keep
        </Press>
        {method?.methodName && (
          <Text color="faded">Every other visit then goes by: {method.methodName}.</Text>
        )}
      </Flex>
      <Refusal problem={problem} />
      {problem?.field === 'cause' && (
        <Flex gap="2" wrap="wrap" mt="2" role="group" aria-label="Causes">
          {known.map((one) => (
            <Press key={one.name} minH="36px" onClick={() => pick(one.name)}>
              {one.name}
            </Press>
          ))}
        </Flex>
      )}
    </Box>
  )
}
