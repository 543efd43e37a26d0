import { Flex, Text, chakra } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { ReadinessSign, readinessOrder, readinessWords } from '../../ui/Readiness'
import { sayDay } from '../../ui/words'

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
    <chakra.table
      width="100%"
      css={{
        '& th, & td': { textAlign: 'left', padding: '6px 8px 6px 0', borderBottom: '1px solid #d8cfb9' },
        '& th': { fontSize: '0.8em', color: '#5d594e', fontWeight: 600 },
      }}
    >
      <thead>
        <tr>
          <th>bars</th>
          <th>what is hard</th>
          {piece.columns.map((day) => (
            <th key={day}>{day === piece.today ? 'today' : sayDay(day).split(' ').slice(1).join(' ')}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {piece.passages.map((passage) => (
          <chakra.tr
            key={passage.id}
            bg={chosen === passage.id ? 'sheet' : undefined}
            color={passage.resting ? 'faded' : undefined}
          >
            <td>
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
            </td>
            <td>
              {passage.resting ? 'resting' : passage.difficulty || '–'}
              {passage.doubt && (
                <Text fontSize="0.85em" color="accent">
                  {passage.doubt}
                </Text>
              )}
            </td>
            {piece.columns.map((day) => (
              <chakra.td key={day} color="#74366b">
                {day === piece.today ? (
                  <Today passage={passage} rate={rate} />
                ) : (
                  <Past passage={passage} day={day} />
                )}
              </chakra.td>
            ))}
          </chakra.tr>
        ))}
      </tbody>
    </chakra.table>
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
          opacity={passage.readiness === one ? 1 : 0.42}
          bg={passage.readiness === one ? 'rgba(116,54,107,0.14)' : undefined}
        >
          <ReadinessSign value={one} />
        </chakra.button>
      ))}
    </Flex>
  )
}
