import { Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { api, ask, client, type Schemas } from '../../api/client'
import { Refusal, useProblem } from '../../ui/refusal'
import { AskChoice } from './AskChoice'
import { helpChoices, type HelpChoice } from './stageHelp'

interface Props {
  help: Schemas['HelpCue']
  give: (choice: HelpChoice) => void
}

/** Asked after three misses running: one thing, a key or a tap answers it. */
export function HelpAsk({ help, give }: Props) {
  const [why, setWhy] = useState(false)
  return (
    <Flex gap="2" align="center" wrap="wrap" role="group" aria-label="Missed three times" data-testid="help">
      <Text fontSize="heading" color="stageAccent" mr="2">
        {help.title}: missed three times. What now?
      </Text>
      {why ? (
        <Why material={help.materialId!} done={() => give('none')} />
      ) : (
        <>
          {helpChoices(help).map((choice) => (
            <AskChoice
              key={choice.id}
              figure={choice.figure}
              name={choice.name}
              press={() => give(choice.id)}
            />
          ))}
          {help.canSayWhy && <AskChoice figure="" name="say why" press={() => setWhy(true)} />}
        </>
      )}
    </Flex>
  )
}

/** "Wrong notes" says what, not why: a cause out of the list is kept with the passage, and what helps comes of it. */
function Why({ material, done }: { material: number; done: () => void }) {
  const causes = api.useQuery('get', '/api/pieces/causes')
  const { problem, run } = useProblem()
  const keep = async (cause: Schemas['CauseView']) => {
    const params = { path: { id: material } }
    const body = { cause: cause.name, remedy: cause.remedy, method: cause.method }
    const kept = await run(async () => {
      await ask(client.PUT('/api/pieces/passages/{id}/missing', { params, body }))
      return true
    })
    if (kept) done()
  }
  return (
    <>
      {(causes.data ?? []).map((cause) => (
        <AskChoice key={cause.name} figure="" name={cause.name} press={() => void keep(cause)} />
      ))}
      <AskChoice figure="0" name="go on" press={done} />
      <Refusal problem={problem} />
    </>
  )
}
