import { Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useChoices } from '../../api/choices'
import { ask, client } from '../../api/client'
import { useSaved } from '../../api/saved'
import { NumberInput } from '../../ui/NumberInput'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'

/** Some minutes, at any time: a plan for just these, at once. */
export function MinutesNow() {
  const [minutes, setMinutes] = useState(20)
  const { leastMinutes, mostMinutes } = useChoices()
  const { problem, run } = useProblem()
  const saved = useSaved()
  const navigate = useNavigate()
  const plan = async () => {
    const done = await run(async () => {
      const { version } = await ask(client.GET('/api/today'))
      return ask(client.PUT('/api/today', { body: { version, minutes, letGo: false } }))
    })
    if (!done) return
    await saved()
    await navigate('/')
  }
  return (
    <Flex gap="2" align="center" wrap="wrap">
      <Text>I have</Text>
      <NumberInput
        label="Minutes now"
        value={minutes}
        min={leastMinutes}
        max={mostMinutes}
        onChange={setMinutes}
      />
      <Press onClick={plan}>minutes now</Press>
      <Refusal problem={problem} />
    </Flex>
  )
}
