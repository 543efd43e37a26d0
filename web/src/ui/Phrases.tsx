import { Box, Flex, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { api, ask, client } from '../api/client'
import { useSaved } from '../api/saved'
import { Press } from './Press'
import { Refusal, useProblem } from './refusal'

/** Phrases of one's own beside what is written: one press puts a phrase in. */
export function Phrases({ add, dark }: { add: (phrase: string) => void; dark?: boolean }) {
  const phrases = api.useQuery('get', '/api/journal/phrases').data?.phrases ?? []
  const [isOpen, setOpen] = useState(false)
  return (
    <Box mt="2">
      <Flex gap="2" wrap="wrap" align="center" role="group" aria-label="Phrases">
        {phrases.map((phrase) => (
          <Press
            key={phrase}
            minH="34px"
            px="3"
            fontWeight={500}
            fontSize="0.92em"
            borderColor={dark ? 'stageLine' : 'line'}
            onClick={() => add(phrase)}
          >
            {phrase}
          </Press>
        ))}
        {!dark && (
          <Press look="quiet" minH="34px" fontSize="0.88em" onClick={() => setOpen(!isOpen)}>
            {phrases.length > 0 ? 'change the phrases' : 'phrases you write often'}
          </Press>
        )}
      </Flex>
      {isOpen && <Change phrases={phrases} close={() => setOpen(false)} />}
    </Box>
  )
}

/** Adds a phrase to what is written already. */
export const withPhrase = (text: string, phrase: string) =>
  text.trim() === '' ? phrase : `${text.trimEnd()}${/[.!?,;:]$/.test(text.trimEnd()) ? '' : '.'} ${phrase}`

function Change({ phrases, close }: { phrases: string[]; close: () => void }) {
  const [text, setText] = useState(phrases.join('\n'))
  const { problem, run } = useProblem()
  const saved = useSaved()
  const keep = async () => {
    const body = { phrases: text.split('\n') }
    if (!(await run(() => ask(client.PUT('/api/journal/phrases', { body }))))) return
    await saved('/api/journal/phrases')
    close()
  }
  return (
    <Box mt="2" maxW="520px">
      <Textarea
        aria-label="Phrases, a line each"
        placeholder="one phrase a line"
        rows={5}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Refusal problem={problem} />
      <Flex gap="3" mt="2">
        <Press onClick={keep}>Keep the phrases</Press>
        <Press look="quiet" onClick={close}>
          Leave them
        </Press>
      </Flex>
    </Box>
  )
}
