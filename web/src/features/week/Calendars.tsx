import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { chosenBook } from '../../api/book'
import { ask, client } from '../../api/client'
import { useSaved } from '../../api/saved'
import { FileChoice } from '../../ui/FileChoice'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { save } from '../../ui/save'
import type { Ahead } from './useAhead'

interface Props {
  ahead: Ahead
  feed: string
  taken: number
}

/** Calendars of other programs: the week goes out, hours that are taken come in. */
export function Calendars({ ahead, feed, taken }: Props) {
  const { problem, run } = useProblem()
  const saved = useSaved()
  const [came, setCame] = useState('')
  const read = async (file: File) => {
    const body = { text: await file.text() }
    const answer = await run(() => ask(client.POST('/api/week/calendar', { body })))
    if (!answer) return
    setCame(
      `${answer.taken} ${answer.taken === 1 ? 'stretch is' : 'stretches are'} taken in the coming four weeks${
        answer.wholeDays > 0 ? `; ${answer.wholeDays} of whole days take no hour` : ''
      }.`,
    )
    await saved()
  }
  const forget = async () => {
    await run(async () => {
      await ask(client.DELETE('/api/week/calendar'))
      return true
    })
    setCame('')
    await saved()
  }
  const write = async () => {
    const text = await run(() => ask(client.GET('/api/week/calendar', { parseAs: 'blob' })))
    if (text) save(text as unknown as Blob, 'practice.ics')
  }
  const book = chosenBook()
  return (
    <Box>
      <Flex gap="4" wrap="wrap" align="center">
        <Press look="quiet" onClick={write}>
          Save four weeks as a calendar file
        </Press>
        <FileChoice
          label="A calendar file (.ics)"
          accept=".ics,text/calendar"
          take={(file) => void read(file)}
        >
          Read what is taken from a calendar file
        </FileChoice>
        {taken > 0 && (
          <Press look="quiet" onClick={forget}>
            Forget what is taken
          </Press>
        )}
      </Flex>
      {came && <Text role="status">{came}</Text>}
      <Refusal problem={problem} />
      {feed ? (
        <Text mt="2" overflowWrap="anywhere">
          For calendars on this machine:{' '}
          <chakra.code fontSize="0.9em">
            {window.location.origin}
            {feed}
            {book && `?book=${book}`}
          </chakra.code>{' '}
          <Press
            look="quiet"
            minH="34px"
            onClick={() => ahead.change(() => ask(client.PUT('/api/week/feed', { body: { on: false } })))}
          >
            close this address
          </Press>
        </Text>
      ) : (
        <Press
          look="quiet"
          onClick={() => ahead.change(() => ask(client.PUT('/api/week/feed', { body: { on: true } })))}
        >
          Open an address for calendars on this machine
        </Press>
      )}
      <Text color="faded" fontSize="0.92em" maxW="66ch">
        The address is secret: whoever has it, on this machine, can read when you play. Nothing leaves the
        machine.
      </Text>
    </Box>
  )
}
