import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { DndContext, closestCenter, type DragEndEvent } from '@dnd-kit/core'
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { ChevronDown, ChevronRight, Lock, LockOpen, Repeat2, Route, X } from 'lucide-react'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { AreaGlyph } from '../../ui/areas'
import { NumberInput, Press } from '../../ui/fields'
import { useOffer } from '../../ui/removal'
import { useDragSensors } from '../../ui/useDragSensors'
import { useSortableItem } from '../../ui/useSortableItem'
import { sayTempo } from '../../ui/words'
import { MethodChoice } from './MethodChoice'
import type { Today } from './useToday'

interface Props {
  state: Today
  today: Schemas['TodayView']
}

/** The list under the routine score: what, how, at which tempo and why; every drill can be overruled where it stands. */
export function DrillList({ state, today }: Props) {
  const sensors = useDragSensors()
  const [opened, setOpened] = useState(false)
  const ids = today.drills.map((drill) => drill.id)
  const count = today.drills.findIndex((drill) => drill.area !== 'WarmUp')
  const warmUp = today.drills.slice(0, count < 0 ? today.drills.length : count)
  const rows = warmUp.length > 1 && !opened ? today.drills.slice(warmUp.length) : today.drills
  const drop = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id)
      void state.change({ kind: 'Move', drillId: String(active.id), value: ids.indexOf(String(over.id)) })
  }
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={rows.map((drill) => drill.id)} strategy={verticalListSortingStrategy}>
        <chakra.ol listStyleType="none" aria-label="Today's drills">
          {warmUp.length > 1 && (
            <WarmUpLine drills={warmUp} opened={opened} toggle={() => setOpened(!opened)} />
          )}
          {rows.map((drill) => (
            <Row key={drill.id} drill={drill} state={state} />
          ))}
        </chakra.ol>
      </SortableContext>
    </DndContext>
  )
}

const columns = {
  base: '28px 58px 22px minmax(0,1fr)',
  md: '28px 34px 76px 22px minmax(0,1.5fr) minmax(0,1fr) 148px',
  _print: '34px 34px 22px minmax(0,1.5fr) minmax(0,1fr) 130px',
}

interface WarmUpProps {
  drills: Schemas['DrillView'][]
  opened: boolean
  toggle: () => void
}

/** The whole warm-up in one line; its parts when it is opened. */
function WarmUpLine({ drills, opened, toggle }: WarmUpProps) {
  const minutes = drills.reduce((sum, drill) => sum + drill.minutes, 0)
  return (
    <chakra.li
      py="1"
      display="grid"
      gridTemplateColumns={columns}
      columnGap={{ base: '10px', md: '12px' }}
      rowGap="2px"
      alignItems="center"
    >
      <Press
        look="icon"
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
      <Text pl="2.5" data-testid="warm-up-minutes">
        {minutes}
      </Text>
      <AreaGlyph area="WarmUp" />
      <Box minW="0">
        <Text fontWeight={700}>Warm-up</Text>
        <Text fontSize="0.88em" color="faded" lineClamp={1}>
          {drills.map((drill) => drill.title).join(' · ')}
        </Text>
      </Box>
      <Text gridColumn={{ base: '4', md: 'auto', _print: 'auto' }} fontSize="0.92em" color="faded">
        {drills[0]?.reason}
      </Text>
    </chakra.li>
  )
}

function Row({ drill, state }: { drill: Schemas['DrillView']; state: Today }) {
  const { item, handle } = useSortableItem(drill.id, drill.title)
  const [choosing, setChoosing] = useState(false)
  const offer = useOffer()
  const leaveOut = async () => {
    const view = await state.change({ kind: 'LeaveOut', drillId: drill.id })
    if (view) offer({ what: `Left out today: ${drill.title}`, back: () => state.back(view.version) })
  }
  return (
    <chakra.li
      {...item}
      py="1"
      display="grid"
      gridTemplateColumns={columns}
      breakInside="avoid"
      columnGap={{ base: '10px', md: '12px' }}
      rowGap="2px"
      alignItems="center"
    >
      {handle}
      <Text color="faded" fontSize="0.88em" display={{ base: 'none', md: 'block', _print: 'block' }}>
        {drill.at}′
      </Text>
      <NumberInput
        label={`Minutes of ${drill.title}`}
        value={drill.minutes}
        min={1}
        max={60}
        width="56px"
        dense
        onChange={(value) => void state.change({ kind: 'Minutes', drillId: drill.id, value })}
      />
      {drill.area ? <AreaGlyph area={drill.area} /> : <Box bg="faded" width="12px" height="8px" ml="3px" />}
      <Box minW="0">
        <Text fontWeight={700}>{drill.title}</Text>
        <Text fontSize="0.88em" color="faded" title={drill.how}>
          {drill.block && `${drill.block} · `}
          {drill.method || drill.how}
          {tempos(drill)}
          {drill.sum && ` · ${drill.sum}`}
        </Text>
      </Box>
      <Text gridColumn={{ base: '4', md: 'auto', _print: 'auto' }} fontSize="0.92em" color="faded">
        {drill.reason}
      </Text>
      <Box className="only-print" borderBottom="1px dotted" borderColor="faded" alignSelf="end" />
      <Flex
        className="no-print"
        gridColumn={{ base: '4', md: 'auto' }}
        gap="0"
        justify={{ base: 'start', md: 'end' }}
      >
        {(drill.area === 'Repertoire' || drill.area === 'Technique') && (
          <Press
            look="icon"
            aria-expanded={choosing}
            title="Another method"
            aria-label={`Another method for ${drill.title}`}
            onClick={() => setChoosing(!choosing)}
          >
            <Route size={17} opacity={0.7} />
          </Press>
        )}
        {drill.area && (
          <>
            <Press
              look="icon"
              aria-pressed={drill.locked}
              title={drill.locked ? 'Locked: stays when planned anew' : 'Lock'}
              aria-label={`${drill.locked ? 'Unlock' : 'Lock'} ${drill.title}`}
              onClick={() => state.change({ kind: 'Lock', drillId: drill.id })}
            >
              {drill.locked ? <Lock size={17} /> : <LockOpen size={17} opacity={0.6} />}
            </Press>
            <Press
              look="icon"
              title="Something else instead"
              aria-label={`Swap ${drill.title}`}
              onClick={() => state.change({ kind: 'Swap', drillId: drill.id })}
            >
              <Repeat2 size={17} opacity={0.7} />
            </Press>
          </>
        )}
        <Press look="icon" title="Leave out today" aria-label={`Leave out ${drill.title}`} onClick={leaveOut}>
          <X size={17} opacity={0.7} />
        </Press>
      </Flex>
      {choosing && <MethodChoice drill={drill} state={state} close={() => setChoosing(false)} />}
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
