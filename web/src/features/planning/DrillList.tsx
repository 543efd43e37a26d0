import { Box, Text, chakra } from '@chakra-ui/react'
import { DndContext, closestCenter, type DragEndEvent } from '@dnd-kit/core'
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { ChevronDown, ChevronRight, Lock } from 'lucide-react'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { AreaGlyph } from '../../ui/areas'
import { dragWords } from '../../ui/dragWords'
import { NumberInput } from '../../ui/NumberInput'
import { Press } from '../../ui/Press'
import { useDragSensors } from '../../ui/useDragSensors'
import { useSortableItem } from '../../ui/useSortableItem'
import { sayTempo } from '../../ui/words'
import { WrittenLine } from '../../ui/WrittenLine'
import { DrillMore } from './DrillMore'
import type { Today } from './useToday'

interface Props {
  state: Today
  today: Schemas['TodayView']
}

/** The list under the routine score: one line a drill, with its reason; opened, it can be overruled where it stands. */
export function DrillList({ state, today }: Props) {
  const sensors = useDragSensors()
  const [opened, setOpened] = useState(false)
  const [more, setMore] = useState<string[]>([])
  const ids = today.drills.map((drill) => drill.id)
  const count = today.drills.findIndex((drill) => drill.area !== 'WarmUp')
  const warmUp = today.drills.slice(0, count < 0 ? today.drills.length : count)
  const rows = warmUp.length > 1 && !opened ? today.drills.slice(warmUp.length) : today.drills
  const drop = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id)
      void state.change({ kind: 'Move', drillId: String(active.id), value: ids.indexOf(String(over.id)) })
  }
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      // Rows of one height: what is opened would be in the way.
      onDragStart={() => setMore([])}
      onDragEnd={drop}
      accessibility={dragWords(rows.map((drill) => ({ id: drill.id, name: drill.title })))}
    >
      <SortableContext items={rows.map((drill) => drill.id)} strategy={verticalListSortingStrategy}>
        <chakra.ol listStyleType="none" aria-label="Today's drills">
          {warmUp.length > 1 && (
            <WarmUpLine drills={warmUp} opened={opened} toggle={() => setOpened(!opened)} />
          )}
          {rows.map((drill) => (
            <Row
              key={drill.id}
              drill={drill}
              state={state}
              more={more.includes(drill.id)}
              toggle={() =>
                setMore((old) =>
                  old.includes(drill.id) ? old.filter((id) => id !== drill.id) : [...old, drill.id],
                )
              }
            />
          ))}
        </chakra.ol>
      </SortableContext>
    </DndContext>
  )
}

const columns = {
  base: '28px 52px 22px minmax(0,1fr)',
  md: '28px 34px 52px 22px minmax(0,1fr)',
  _print: '34px 34px 22px minmax(0,1fr) 130px',
}

/** The words of a row: what and how, then why; on a narrow screen one under the other. */
const words = {
  base: 'minmax(0,1fr) 20px',
  md: 'minmax(0,1.75fr) minmax(0,1fr) 20px',
  _print: 'minmax(0,1.5fr) minmax(0,1fr)',
}

const Line = chakra('div', {
  base: {
    display: 'grid',
    gridTemplateColumns: columns,
    columnGap: { base: '8px', md: '10px' },
    alignItems: 'center',
    minH: '39px',
  },
})

interface WarmUpProps {
  drills: Schemas['DrillView'][]
  opened: boolean
  toggle: () => void
}

/** The whole warm-up in one line; its parts when it is opened. */
function WarmUpLine({ drills, opened, toggle }: WarmUpProps) {
  const minutes = drills.reduce((sum, drill) => sum + drill.minutes, 0)
  const cut = [...new Set(drills.map((drill) => drill.sum).filter(Boolean))]
  return (
    <li>
      <Line>
        <Press
          look="icon"
          minW="28px"
          className="no-print"
          aria-expanded={opened}
          aria-label={opened ? 'Close the warm-up' : 'Open the warm-up'}
          onClick={toggle}
        >
          {opened ? <ChevronDown size={18} /> : <ChevronRight size={18} />}
        </Press>
        <Text color="faded" fontSize="0.88em" display={{ base: 'none', md: 'block', _print: 'block' }}>
          0′
        </Text>
        <Text pl="1.5" data-testid="warm-up-minutes">
          {minutes}
        </Text>
        <AreaGlyph area="WarmUp" />
        <Box display="grid" gridTemplateColumns={words} columnGap="12px">
          <Text lineClamp={1}>
            <b>Warm-up</b>{' '}
            <chakra.span color="faded" fontSize="0.9em">
              {drills.map((drill) => drill.title).join(' · ')}
            </chakra.span>
          </Text>
          <Text
            gridColumn={{ base: '1', md: 'auto', _print: 'auto' }}
            fontSize="0.9em"
            color="faded"
            lineClamp={1}
          >
            {drills[0]?.reason}
          </Text>
        </Box>
      </Line>
      {opened &&
        cut.map((words) => (
          <Text key={words} color="faded" fontSize="0.9em" ml={{ base: '0', md: '98px' }} mb="1">
            {words}
          </Text>
        ))}
    </li>
  )
}

interface RowProps {
  drill: Schemas['DrillView']
  state: Today
  more: boolean
  toggle: () => void
}

function Row({ drill, state, more, toggle }: RowProps) {
  const { item, handle } = useSortableItem(drill.id, drill.title)
  // What is older stands in the opened row, and on the stage.
  const line = drill.written.find((one) => one.isRecent)
  return (
    <chakra.li {...item} breakInside="avoid">
      <Line>
        {handle}
        <Text color="faded" fontSize="0.88em" display={{ base: 'none', md: 'block', _print: 'block' }}>
          {drill.at}′
        </Text>
        <NumberInput
          label={`Minutes of ${drill.title}`}
          value={drill.minutes}
          min={1}
          max={60}
          width="52px"
          look="row"
          onChange={(value) => void state.change({ kind: 'Minutes', drillId: drill.id, value })}
        />
        {drill.area ? <AreaGlyph area={drill.area} /> : <Box bg="faded" width="12px" height="8px" ml="3px" />}
        <chakra.button
          display="grid"
          gridTemplateColumns={words}
          columnGap="12px"
          alignItems="center"
          textAlign="left"
          minH="38px"
          py="0.5"
          cursor="pointer"
          _hover={{ bg: 'sheet' }}
          aria-expanded={more}
          onClick={toggle}
        >
          <Box>
            <Text lineClamp={{ base: 2, md: 1 }}>
              <b data-testid="drill">{drill.title}</b>
              {drill.locked && (
                <chakra.span display="inline-block" mx="1.5" verticalAlign="-2px">
                  <Lock size={14} aria-label="locked" />
                </chakra.span>
              )}{' '}
              <chakra.span color="faded" fontSize="0.9em" data-testid={drill.area ? 'method' : undefined}>
                {drill.block && `${drill.block} · `}
                {drill.method || drill.how}
                {tempos(drill)}
              </chakra.span>
            </Text>
            {line && (
              <Text fontSize="0.9em" lineHeight={1.2}>
                <WrittenLine line={line} about={drill.targets.length > 1} lines={1} />
              </Text>
            )}
          </Box>
          <Text
            gridColumn={{ base: '1', md: 'auto', _print: 'auto' }}
            fontSize="0.9em"
            color="faded"
            lineClamp={{ base: 2, md: 1 }}
          >
            {drill.reason}
          </Text>
          <chakra.span
            className="no-print"
            color="faded"
            gridColumn={{ base: '2', md: 'auto' }}
            gridRow={{ base: '1', md: 'auto' }}
          >
            {more ? <ChevronDown size={17} aria-hidden /> : <ChevronRight size={17} aria-hidden />}
          </chakra.span>
        </chakra.button>
        <Box className="only-print" borderBottom="1px dotted" borderColor="faded" alignSelf="end" />
      </Line>
      {more && <DrillMore drill={drill} state={state} />}
    </chakra.li>
  )
}

function tempos(drill: Schemas['DrillView']) {
  const some = drill.targets.filter((target) => target.tempo)
  const first = some[0]
  if (!first?.tempo) return ''
  return some.length === 1
    ? ` · ${sayTempo(first.tempo, first.beat)}`
    : ` · at ${some.map((target) => target.tempo).join(', ')}`
}
