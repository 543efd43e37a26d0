import { Box, Text, chakra } from '@chakra-ui/react'
import { api } from '../../api/client'

/** Cents to both sides that the picture shows. */
const scale = 30

/** Which notes are high or low by habit: what the stage heard over four weeks. */
export function PitchHabits() {
  const habits = api.useQuery('get', '/api/heard/pitch').data
  if (!habits) return null
  return (
    <Box as="section" aria-label="High or low by habit">
      <chakra.h2 fontSize="subheading">High or low by habit</chakra.h2>
      <Text maxW="60ch" fontSize="0.95em" mb="2">
        {habits.words}
      </Text>
      {habits.notes.length > 0 && (
        <chakra.table width="100%" maxW="460px">
          <chakra.thead srOnly>
            <tr>
              <th scope="col">note</th>
              <th scope="col">cents</th>
              <th scope="col">heard</th>
            </tr>
          </chakra.thead>
          <tbody>
            {habits.notes.map((note) => (
              <tr key={note.name}>
                <chakra.th scope="row" textAlign="start" width="64px" fontWeight={note.isOff ? 700 : 400}>
                  {note.name}
                </chakra.th>
                <td>
                  <Span cents={note.cents} plusMinus={note.plusMinus} isOff={note.isOff} />
                </td>
                <chakra.td textAlign="end" ps="3" whiteSpace="nowrap" fontWeight={note.isOff ? 700 : 400}>
                  {note.cents > 0 ? '+' : note.cents < 0 ? '−' : ''}
                  {Math.round(Math.abs(note.cents))} ± {Math.round(note.plusMinus)}
                </chakra.td>
                <chakra.td textAlign="end" ps="3" color="faded" whiteSpace="nowrap" fontSize="0.85em">
                  {note.days} days
                </chakra.td>
              </tr>
            ))}
          </tbody>
        </chakra.table>
      )}
    </Box>
  )
}

/** Where the note lies between flat and sharp, and how far that may be off. */
function Span({ cents, plusMinus, isOff }: { cents: number; plusMinus: number; isOff: boolean }) {
  const at = (value: number) => 50 + (50 * Math.max(-scale, Math.min(scale, value))) / scale
  const [from, to] = [at(cents - plusMinus), at(cents + plusMinus)]
  return (
    <Box position="relative" height="16px" minW="120px" aria-hidden>
      <Box position="absolute" insetY="0" left="50%" width="1px" bg="edge" />
      <Box
        position="absolute"
        top="6px"
        height="4px"
        borderRadius="2px"
        left={`${from}%`}
        width={`${Math.max(1, to - from)}%`}
        bg={isOff ? 'wrong' : 'faded'}
      />
    </Box>
  )
}
