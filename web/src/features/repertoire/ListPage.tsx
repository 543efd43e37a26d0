import { Box, Flex, Table, Text, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { api, ask, client, refusalOf, type Schemas } from '../../api/client'
import { areaColours } from '../../theme/colours'
import { Outline } from '../../ui/Outline'
import { Empty, Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { ReadinessSign } from '../../ui/Readiness'
import { sayDate, sayDay } from '../../ui/words'
import { RateNow } from './RateNow'

type List = Schemas['ListView']

/** All that is to be ready for one day, rated over the weeks; and a minute in which all of it is rated anew. */
export function ListPage() {
  const date = useParams().date ?? ''
  const [search] = useSearchParams()
  const [rating, setRating] = useState(search.has('rate'))
  const params = { path: { date } }
  const list = api.useQuery('get', '/api/lists/{date}', { params }, { retry: false, throwOnError: false })
  const queries = useQueryClient()
  if (list.isError)
    return (
      <Page title="No list for that day" aside={<Link to="/music">All music</Link>}>
        <Empty>{refusalOf(list.error) ?? 'It could not be loaded. Try again.'}</Empty>
      </Page>
    )
  if (!list.data) return <Outline />
  const rate = async (body: Schemas['ListRating']) => {
    const next = await ask(client.PUT('/api/lists/{date}', { params, body }))
    queries.setQueryData(api.queryOptions('get', '/api/lists/{date}', { params }).queryKey, next)
  }
  const { lines, daysLeft, ready } = list.data
  return (
    <Page
      title={`For ${sayDay(date)}`}
      aside={
        <Flex gap="5" align="center" wrap="wrap">
          <Link to="/week">The week</Link>
          {!rating && (
            <Press look="strong" onClick={() => setRating(true)}>
              Rate now
            </Press>
          )}
        </Flex>
      }
    >
      <Text mb="4" fontSize="lead">
        {ready} of {lines.length} concert-ready
        {daysLeft > 0 ? `, ${daysLeft === 1 ? 'one day' : `${daysLeft} days`} left.` : '.'} What is rated
        lower gets more of the time.
      </Text>
      {rating && <RateNow lines={lines} rate={rate} close={() => setRating(false)} />}
      <Grid list={list.data} />
    </Page>
  )
}

function Grid({ list }: { list: List }) {
  return (
    <Box overflowX="auto">
      <Table.Root width="auto" minW="60%">
        <Table.Header>
          <Table.Row>
            <Table.ColumnHeader minW="200px">piece and bars</Table.ColumnHeader>
            {list.columns.map((day) => (
              <Table.ColumnHeader key={day}>{sayDate(day)}</Table.ColumnHeader>
            ))}
            <Table.ColumnHeader>now</Table.ColumnHeader>
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {list.lines.map((line) => (
            <Table.Row key={line.materialId}>
              <Table.Cell pl={line.isPiece ? undefined : '8'} fontWeight={line.isPiece ? 700 : undefined}>
                <chakra.span>
                  <Link to={`/music/${line.pieceId}`}>{line.title}</Link>
                </chakra.span>
              </Table.Cell>
              {line.ratings.map((one, i) => (
                <Table.Cell key={list.columns[i]} color={areaColours.Repertoire.colour}>
                  {one && <ReadinessSign value={one} />}
                </Table.Cell>
              ))}
              <Table.Cell color={areaColours.Repertoire.colour}>
                <ReadinessSign value={line.readiness} />
              </Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </Box>
  )
}
