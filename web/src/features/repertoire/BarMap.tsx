import { Box, Flex, chakra } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { staffLines } from '../../theme/staff'
import { ReadinessSign, readinessWords } from '../../ui/Readiness'
import { sayDistance } from '../../ui/words'
import { areaColours, colours } from '../../theme/colours'

export interface Range {
  from: number
  to: number
}

interface Props {
  piece: Schemas['PieceView']
  selected: Range | null
  select: (range: Range | null) => void
  /** Bars that tripped while reading. */
  marks?: number[]
}

const perLine = 8

/** Every bar a cell in lines as on paper; passages stand out with their readiness. One click begins a range, the next ends it. */
export function BarMap({ piece, selected, select, marks = [] }: Props) {
  const bars = Array.from({ length: piece.toBar - piece.fromBar + 1 }, (_, i) => piece.fromBar + i)
  const upbeat = piece.fromBar === 0 ? 1 : 0
  const lines = Array.from({ length: Math.ceil((bars.length - upbeat) / perLine) }, (_, i) =>
    bars.slice(i === 0 ? 0 : upbeat + i * perLine, upbeat + (i + 1) * perLine),
  )
  const open = piece.passages.filter((passage) => !passage.resting)
  const press = (bar: number) => {
    if (!selected || selected.from !== selected.to) select({ from: bar, to: bar })
    else if (selected.from === bar) select(null)
    else select({ from: Math.min(bar, selected.from), to: Math.max(bar, selected.from) })
  }
  return (
    <Flex direction="column" gap="2.5" role="group" aria-label="Bar map">
      {lines.map((line, i) => (
        <Flex key={i} align="center">
          <Box width="34px" color="faded" fontSize="0.85em" flex="none">
            {line[0]}
          </Box>
          {line.map((bar) => (
            <Bar
              key={bar}
              bar={bar}
              narrow={bar === 0}
              passage={open.find((one) => bar >= one.fromBar && bar <= one.toBar)}
              chosen={Boolean(selected && bar >= selected.from && bar <= selected.to)}
              marked={marks.includes(bar)}
              press={() => press(bar)}
            />
          ))}
        </Flex>
      ))}
    </Flex>
  )
}

interface BarProps {
  bar: number
  narrow: boolean
  passage?: Schemas['PassageView']
  chosen: boolean
  marked: boolean
  press: () => void
}

function Bar({ bar, narrow, passage, chosen, marked, press }: BarProps) {
  const begins = passage?.fromBar === bar
  const ends = passage?.toBar === bar
  const since = passage?.daysSince ?? null
  const joins = passage?.difficulty === 'join'
  const said = [
    `bar ${bar}`,
    passage && `passage ${passage.bars}, ${readinessWords[passage.readiness]}`,
    since !== null && `played ${sayDistance(-since)}`,
    passage?.slipped && 'slipped',
    joins && 'a join',
    marked && 'tripped',
  ]
  return (
    <chakra.button
      aria-label={said.filter(Boolean).join(', ')}
      aria-pressed={chosen}
      title={said.filter(Boolean).join(', ')}
      onClick={press}
      position="relative"
      flex={narrow ? '0 0 24px' : '0 1 66px'}
      minW="0"
      height="40px"
      cursor="pointer"
      backgroundImage={staffLines}
      backgroundColor={chosen ? colours.chosen : marked ? colours.marked : undefined}
      borderRight="1.5px solid"
      borderColor="ink"
      outlineOffset="-3px"
    >
      {passage && (
        <chakra.span
          position="absolute"
          inset="3px 0"
          left={begins ? '3px' : '0'}
          right={ends ? '3px' : '-2px'}
          bg={`${areaColours.Repertoire.colour}29`}
          border={
            joins
              ? `2px dashed ${areaColours.Repertoire.colour}`
              : `2px solid ${areaColours.Repertoire.colour}`
          }
          borderLeftWidth={begins ? '2px' : '0'}
          borderRightWidth={ends ? '2px' : '0'}
          borderLeftRadius={begins ? '8px' : '0'}
          borderRightRadius={ends ? '8px' : '0'}
          display="flex"
          alignItems="center"
          px="1.5"
          color={areaColours.Repertoire.colour}
          pointerEvents="none"
        >
          {begins && <ReadinessSign value={passage.readiness} />}
          {ends && since !== null && (
            <chakra.span ml="auto" fontSize="0.74em" fontWeight={600} whiteSpace="nowrap">
              {since === 0 ? 'today' : `${since} d`}
            </chakra.span>
          )}
        </chakra.span>
      )}
    </chakra.button>
  )
}
