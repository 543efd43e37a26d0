import { Flex, Text } from '@chakra-ui/react'
import { useNavigate } from 'react-router'
import { ask, client } from '../../api/client'
import { Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { textsOf, type Written } from './useCloseDraft'

interface Props {
  left: Written
  discard: () => void
  forget: () => void
}

/** Lines written for a session that was closed in another window meanwhile. */
export function LeftOver({ left, discard, forget }: Props) {
  const navigate = useNavigate()
  const { problem, run } = useProblem()
  const text = textsOf(left).join('\n')
  const keep = async () => {
    const body = { key: left.id, text, kind: 'Session', sessionId: left.sessionId } as const
    if (!(await run(() => ask(client.POST('/api/journal', { body }))))) return
    forget()
    await navigate('/journal')
  }
  return (
    <Page title="This session was closed elsewhere">
      <Text maxW="64ch">What you had written here is not in the journal yet:</Text>
      <Text whiteSpace="pre-wrap" borderLeft="4px solid" borderColor="accent" pl="4" my="4" maxW="64ch">
        {text}
      </Text>
      <Refusal problem={problem} />
      <Flex gap="3" mt="2">
        <Press look="strong" onClick={keep}>
          Keep it in the journal of that day
        </Press>
        <Press onClick={discard}>Throw it away</Press>
      </Flex>
    </Page>
  )
}
