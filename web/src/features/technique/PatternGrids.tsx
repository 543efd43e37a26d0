import { Box, Grid, Text, chakra } from '@chakra-ui/react'
import { api, type Schemas } from '../../api/client'
import { sayDay } from '../../ui/words'

/** Every pattern plan as a grid: what is done, what is on today, at which tempo and on how many days. */
export function PatternGrids() {
  const grids = api.useQuery('get', '/api/technique/patterns')
  return (grids.data ?? []).map((grid) => <OneGrid key={grid.materialId} grid={grid} />)
}

function OneGrid({ grid }: { grid: Schemas['PatternGrid'] }) {
  return (
    <Box as="section" aria-label={grid.title} borderTop="2px solid" borderColor="ink" pt="3" mb="8">
      <chakra.h2 fontSize="heading">{grid.title}</chakra.h2>
      <Text color="faded" mb="3">
        {grid.done} of {grid.cells.length} done
        {grid.until && `, all of them about ${sayDay(grid.until)}`}. One is done after {grid.leastDays} days
        {grid.target ? `, at ${grid.target}` : ', when it is clean'}; until then it stays.
      </Text>
      <Grid as="ol" templateColumns="repeat(auto-fill, minmax(124px, 1fr))" gap="2" listStyleType="none">
        {grid.cells.map((cell) => (
          <Cell key={cell.numbers} cell={cell} />
        ))}
      </Grid>
    </Box>
  )
}

function Cell({ cell }: { cell: Schemas['PatternCell'] }) {
  return (
    <chakra.li
      border={cell.today ? '2.5px solid' : '1px solid'}
      borderColor={cell.today ? 'accent' : 'line'}
      bg={cell.done ? 'line' : 'sheet'}
      borderRadius="6px"
      px="2.5"
      py="1.5"
    >
      <Text fontWeight={700}>
        {cell.figures}{' '}
        <chakra.span fontWeight={400} fontSize="0.8em" color="faded">
          {cell.numbers}
        </chakra.span>
      </Text>
      <Text fontSize="0.85em" color="faded">
        {cell.days === 0
          ? 'not yet'
          : `${cell.reach ?? '–'} · ${cell.days} ${cell.days === 1 ? 'day' : 'days'}`}
        {cell.done && ' · done'}
        {cell.today && ' · today'}
      </Text>
    </chakra.li>
  )
}
