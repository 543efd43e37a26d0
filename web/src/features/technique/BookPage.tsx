import { Box, chakra, Flex, Grid, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { api, type Schemas } from '../../api/client'
import { Field } from '../../ui/Field'
import { Whole } from '../../ui/NumberInput'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Pick } from '../../ui/Pick'
import { Press } from '../../ui/Press'
import { Refusal } from '../../ui/refusal'
import { Tick } from '../../ui/Tick'
import { lookNames, useMark } from './numbers'

type Cell = Schemas['NumberCell']

const days = (count: number) => (count === 1 ? 'one day' : `${count} days`)

/** A book of technique: every number with what was thought of it, its tempo, and whether it is done. */
export function BookPage() {
  const id = Number(useParams().id)
  const navigate = useNavigate()
  const books = api.useQuery('get', '/api/technique/books')
  const [chosen, setChosen] = useState<number | null>(null)
  if (!books.data) return <Outline />
  const book = books.data.find((one) => one.materialId === id)
  if (!book)
    return (
      <Page title="Book of technique">
        <Empty>
          This book rests, or is not there. All books stand among the <Link to="/craft">exercises</Link>.
        </Empty>
      </Page>
    )
  const cell = book.cells.find((one) => one.number === chosen)
  return (
    <Page title={book.title}>
      <Text maxW="70ch">{stands(book)}</Text>
      <Flex gap="3" mt="3" mb="5" wrap="wrap">
        {book.unseen > 0 && (
          <Press look="strong" onClick={() => navigate(`/craft/${id}/look`)}>
            {book.unseen === book.cells.length ? 'Look through it' : 'Go on looking through it'}
          </Press>
        )}
        <Press onClick={() => navigate(`/craft/${id}/tempo`)}>Tempo and notes</Press>
      </Flex>
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0,1fr) 270px' }} columnGap="10" rowGap="6">
        <Grid
          as="ol"
          aria-label="Numbers"
          templateColumns="repeat(auto-fill, minmax(112px, 1fr))"
          gap="2"
          listStyleType="none"
          alignContent="start"
        >
          {book.cells.map((one) => (
            <NumberCell
              key={one.number}
              cell={one}
              chosen={one.number === chosen}
              choose={() => setChosen(one.number)}
            />
          ))}
        </Grid>
        <Box as="section" aria-label="Number at hand" order={{ base: -1, lg: 0 }}>
          {cell ? (
            <OneNumber key={cell.number} book={book} cell={cell} />
          ) : (
            <Text color="faded">
              Touch a number to say what it is, to give it a tempo, or to be done with it.
            </Text>
          )}
        </Box>
      </Grid>
    </Page>
  )
}

const stands = ({ done, cells, unseen, daysLeft }: Schemas['NumberGrid']) =>
  `${done} of ${cells.length} done` +
  (unseen > 0 ? `, ${unseen} not looked at` : '') +
  (daysLeft > 0
    ? `; ${days(daysLeft)} of work left at least. Two hard ones and the next in order take turns, what is for later comes last.`
    : '.')

/** Its state in two or three words. */
const state = (cell: Cell) =>
  cell.done ? 'done' : cell.days > 0 ? `${cell.reach ?? '–'} · ${days(cell.days)}` : 'not yet'

function NumberCell({ cell, chosen, choose }: { cell: Cell; chosen: boolean; choose: () => void }) {
  return (
    <chakra.li>
      <chakra.button
        display="block"
        width="100%"
        textAlign="left"
        cursor="pointer"
        aria-pressed={chosen}
        border={cell.today ? '2.5px solid' : '1px solid'}
        borderColor={cell.today ? 'accent' : 'line'}
        bg={cell.done ? 'line' : 'sheet'}
        outline={chosen ? '2px solid' : undefined}
        borderRadius="6px"
        px="2.5"
        py="1.5"
        onClick={choose}
      >
        <Text fontWeight={700}>
          {cell.number}{' '}
          <chakra.span fontWeight={cell.look === 'Hard' ? 700 : 400} fontSize="0.85em">
            {cell.look === 'None' ? '' : lookNames[cell.look]}
          </chakra.span>
        </Text>
        <Text fontSize="0.85em" color="faded">
          {state(cell)}
          {cell.today && ' · next'}
        </Text>
      </chakra.button>
    </chakra.li>
  )
}

const looks = (Object.keys(lookNames) as Schemas['NumberLook'][]).map((id) => ({ id, name: lookNames[id] }))

function OneNumber({ book, cell }: { book: Schemas['NumberGrid']; cell: Cell }) {
  const { problem, mark } = useMark(book.materialId)
  return (
    <Box borderTop="2px solid" borderColor="ink" pt="2">
      <chakra.h2 fontSize="subheading">Number {cell.number}</chakra.h2>
      <Text color="faded" mb="3">
        {cell.days === 0
          ? 'Not played yet.'
          : `${days(cell.days)}${cell.lastClean ? `, clean at ${cell.lastClean}` : ', not clean yet'}.`}{' '}
        It is done after {days(cell.leastDays)}
        {(cell.target ?? book.target) ? `, at ${cell.target ?? book.target}` : ', when it is clean'}.
      </Text>
      <Field label="what it is">
        <Pick value={cell.look} options={looks} pick={(look) => void mark(cell, { look })} />
      </Field>
      <Box mt="3">
        <Whole
          label={book.target ? `tempo of its own, else ${book.target}` : 'target tempo'}
          width="140px"
          name="target"
          value={cell.target ?? null}
          set={(target) => void mark(cell, { target })}
        />
      </Box>
      <Tick mt="3" label="I have done with it" on={cell.byHand} set={(done) => void mark(cell, { done })} />
      <Refusal problem={problem} />
    </Box>
  )
}
