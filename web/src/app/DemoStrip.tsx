import { Flex, Text } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { keepBook } from '../api/book'
import { api, ask, client } from '../api/client'
import { Press } from '../ui/Press'
import { Refusal, useProblem } from '../ui/refusal'

/** In a demo: how long it lasts, and the way to a book of one's own with what was entered here. */
export function DemoStrip() {
  const about = api.useQuery('get', '/api/about', undefined, { throwOnError: false })
  const queries = useQueryClient()
  const navigate = useNavigate()
  const { problem, run } = useProblem()
  const entered = about.data?.entered
  if (!entered) return null
  const mine = [
    entered.materials > 0 &&
      `${entered.materials} ${entered.materials === 1 ? 'thing' : 'things'} to practise`,
    entered.notes > 0 && `${entered.notes} ${entered.notes === 1 ? 'note' : 'notes'}`,
  ].filter(Boolean)
  const begin = async () => {
    if (mine.length > 0 && !(await run(() => ask(client.POST('/api/own/from-demo', {}))))) return
    keepBook('Own')
    await queries.resetQueries()
    await navigate('/')
  }
  return (
    <Flex
      as="aside"
      aria-label="The demo"
      className="no-print"
      bg="sheet"
      borderBottom="1px solid"
      borderColor="line"
      px={{ base: '4', md: '8' }}
      py="1"
      columnGap="4"
      rowGap="0"
      align="center"
      wrap="wrap"
      fontSize="0.9em"
    >
      <Text color="faded">
        A made-up player. The demo is made anew tomorrow, and what you write in it goes then.
      </Text>
      <Press look="quiet" minH="34px" px="0" onClick={begin}>
        {mine.length > 0 ? `Start my own book with my ${mine.join(' and ')}` : 'Start my own book'}
      </Press>
      <Refusal problem={problem} />
    </Flex>
  )
}
