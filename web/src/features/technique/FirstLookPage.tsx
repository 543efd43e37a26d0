import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useParams } from 'react-router'
import { api, type Schemas } from '../../api/client'
import { Outline } from '../../ui/Outline'
import { Refusal } from '../../ui/refusal'
import { useTitle } from '../../ui/usePageChange'
import { DeskFrame } from '../practice/DeskFrame'
import { DeskKey } from '../practice/DeskKey'
import { useDesk } from '../practice/useDesk'
import { useStageKeys } from '../practice/useStageKeys'
import { lookNames, useMark } from './numbers'

/** The first look through a book of technique: a number at a time, one key each. */
export function FirstLookPage() {
  const id = Number(useParams().id)
  const books = api.useQuery('get', '/api/technique/books')
  const book = books.data?.find((one) => one.materialId === id)
  if (!books.data) return <Outline />
  return book ? <Look book={book} /> : <chakra.main p="8">This book rests, or is not there.</chakra.main>
}

function Look({ book }: { book: Schemas['NumberGrid'] }) {
  const leave = useDesk('FirstLook', book.materialId, {
    name: 'back to the book',
    to: `/craft/${book.materialId}/book`,
  })
  const { problem, mark } = useMark(book.materialId)
  // The numbers said here, so that the last one can be taken back.
  const [said, setSaid] = useState<number[]>([])
  const next = book.cells.find((cell) => cell.look === 'None' && !cell.done)
  const last = book.cells.find((cell) => cell.number === said.at(-1))
  const say = async (look: Schemas['NumberLook']) => {
    if (!next) await leave.go(true)
    else if (await mark(next, { look })) setSaid([...said, next.number])
  }
  const back = async () => {
    if (last && (await mark(last, { look: 'None' }))) setSaid(said.slice(0, -1))
  }
  const end = () => void leave.go(said.length > 0)
  useStageKeys(
    {
      yes: () => void say('Easy'),
      no: () => void say('Hard'),
      pause: end,
      letters: { ArrowDown: () => void say('Later'), z: () => void back(), Enter: end, Escape: end },
    },
    true,
  )
  useTitle(`${book.title}, first look`)
  const seen = book.cells.length - book.unseen
  return (
    <DeskFrame>
      <Text color="stageFaded">{book.title} · first look</Text>
      <Flex align="center" gap="8" wrap="wrap" justify="space-between" flex="1">
        <Box flex="1" minW="280px">
          <chakra.h1 fontSize={{ base: '2.1rem', md: '3rem' }} lineHeight={1.15}>
            {next ? 'Its first line, once. What is it?' : 'All of it was looked at.'}
          </chakra.h1>
          <Text fontSize="heading" color="stageFaded" mt="3" aria-live="polite" data-testid="seen">
            {seen} of {book.cells.length} looked at{last && `; ${last.number}: ${lookNames[last.look]}`}
          </Text>
          <Refusal problem={problem} />
        </Box>
        {next && (
          <Flex align="baseline" gap="5">
            <Text color="stageFaded" fontSize="heading">
              number
            </Text>
            <Text
              fontFamily="heading"
              fontWeight={600}
              fontSize={{ base: '7rem', md: '11.53rem' }}
              lineHeight={1}
              fontVariantNumeric="tabular-nums"
              data-testid="number"
            >
              {next.number}
            </Text>
          </Flex>
        )}
      </Flex>
      <Flex gap="3" wrap="wrap" mt="auto">
        {next && (
          <>
            <DeskKey name="hard" keys="←" press={() => void say('Hard')} />
            <DeskKey name="easy" keys="→" press={() => void say('Easy')} />
            <DeskKey name="later" keys="↓" press={() => void say('Later')} />
          </>
        )}
        {last && <DeskKey name={`take ${last.number} back`} keys="z" press={() => void back()} />}
        <DeskKey name={leave.name} keys="enter" press={end} />
      </Flex>
    </DeskFrame>
  )
}
