import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { api, ask, client, type Schemas } from '../../api/client'
import { usePitched } from '../../api/usePitched'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Tick } from '../../ui/Tick'
import { Refusal, useProblem } from '../../ui/refusal'

type Rules = Schemas['VerdictRules']

const most = 20
const passing = [
  ['mostWrong', 'wrong notes'],
  ['mostMissing', 'notes left out'],
  ['mostAdditional', 'notes too many'],
] as const

/** What a take that is listened to is missed for. */
export function VerdictRules() {
  const isPitched = usePitched()
  const rules = api.useQuery('get', '/api/heard/rules').data
  const queries = useQueryClient()
  const { problem, run } = useProblem()
  if (!rules) return null
  const change = async (part: Partial<Rules>) => {
    const kept = await run(() => ask(client.PUT('/api/heard/rules', { body: { ...rules, ...part } })))
    if (kept) queries.setQueryData(api.queryOptions('get', '/api/heard/rules').queryKey, kept)
  }
  return (
    <Box as="section" aria-label="What a take is missed for">
      <chakra.h2 fontSize="subheading">What a take is missed for</chakra.h2>
      <Text maxW="60ch" fontSize="0.95em" mb="2">
        On the stage, with H, a take is heard as clean or missed by these rules. It is told where it was not
        as written in any case, and you say how it was.
      </Text>
      <Flex gap="4" wrap="wrap">
        {passing
          .filter(([name]) => isPitched || name !== 'mostWrong')
          .map(([name, label]) => (
            <Field key={name} label={`${label} that pass`} width="170px" name={name}>
              <NumberInput
                value={rules[name] ?? 0}
                min={0}
                max={most}
                onChange={(value) => void change({ [name]: value })}
              />
            </Field>
          ))}
      </Flex>
      <Flex direction="column" gap="1" mt="2">
        <Tick
          label="a stop misses it"
          on={rules.stopsCount ?? true}
          set={(stopsCount) => void change({ stopsCount })}
        />
        <Tick
          label="a lost beat misses it, where there is a click"
          on={rules.lostBeatCounts ?? true}
          set={(lostBeatCounts) => void change({ lostBeatCounts })}
        />
      </Flex>
      <Refusal problem={problem} />
    </Box>
  )
}
