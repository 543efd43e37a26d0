import { Flex, Table, Text, chakra } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { areaColours } from '../../theme/colours'
import { ReadinessSign, readinessOrder, readinessWords } from '../../ui/Readiness'
import { sayDate } from '../../ui/words'

type Piece = Schemas['PieceView']
type Passage = Schemas['PassageView']

interface Props {
  piece: Piece
  chosen: number | null
  choose: (id: number) => void
  rate: (id: number, readiness: Schemas['Readiness']) => void
}

/** Readiness by date; the last column is today's and can be changed. */
export function ReadinessGrid({ piece, chosen, choose, rate }: Props) {
  return (
    <Table.Root width="100%">
      <Table.Header>
        <Table.Row>
          <Table.ColumnHeader>bars</Table.ColumnHeader>
          <Table.ColumnHeader minW="150px">what is hard</Table.ColumnHeader>
          {piece.columns.map((day) => (
            <Table.ColumnHeader key={day}>{day === piece.today ? 'today' : sayDate(day)}</Table.ColumnHeader>
          ))}
        </Table.Row>
      </Table.Header>
      <Table.Body>
        {piece.passages.map((passage) => (
          <Table.Row
            key={passage.id}
            bg={chosen === passage.id ? 'sheet' : undefined}
            color={passage.resting ? 'faded' : undefined}
          >
            <Table.Cell>
              <chakra.button
                fontWeight={700}
                cursor="pointer"
                whiteSpace="nowrap"
                minH="34px"
                textDecoration="underline"
                textUnderlineOffset="3px"
                onClick={() => choose(passage.id)}
              >
                {passage.bars}
              </chakra.button>
            </Table.Cell>
            <Table.Cell>
              {passage.resting ? 'resting' : passage.difficulty || '–'}
              {passage.doubt && (
                <Text fontSize="0.85em" color="accent">
                  {passage.doubt}
                </Text>
              )}
            </Table.Cell>
            {piece.columns.map((day) => (
              <Table.Cell key={day} color={areaColours.Repertoire.colour}>
                {day === piece.today ? (
                  <Today passage={passage} rate={rate} />
                ) : (
                  <Past passage={passage} day={day} />
                )}
              </Table.Cell>
            ))}
          </Table.Row>
        ))}
      </Table.Body>
    </Table.Root>
  )
}

/** What it was rated by that day; nothing before its first rating. */
function Past({ passage, day }: { passage: Passage; day: string }) {
  const rating = passage.ratings.filter((one) => one.day <= day).at(-1)
  return rating ? <ReadinessSign value={rating.readiness} /> : null
}

function Today({ passage, rate }: { passage: Passage; rate: Props['rate'] }) {
  return (
    <Flex role="group" aria-label={`How far is ${passage.bars}`}>
      {readinessOrder.map((one) => (
        <chakra.button
          key={one}
          aria-label={`${passage.bars} ${readinessWords[one]}`}
          aria-pressed={passage.readiness === one}
          title={readinessWords[one]}
          onClick={() => rate(passage.id, one)}
          p="1.5"
          minW="30px"
          minH="34px"
          cursor="pointer"
          borderRadius="6px"
          color={passage.readiness === one ? undefined : 'edge'}
          bg={passage.readiness === one ? 'chosen' : undefined}
        >
          <ReadinessSign value={one} />
        </chakra.button>
      ))}
    </Flex>
  )
}
