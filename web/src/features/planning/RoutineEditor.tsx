import { Box, chakra, Flex, Input, Text } from '@chakra-ui/react'
import { DndContext, closestCenter, type DragEndEvent } from '@dnd-kit/core'
import { SortableContext, arrayMove, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { useEffect, useState } from 'react'
import { useChoices } from '../../api/choices'
import { api, ask, client, refusalOf, type Area, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { BlockRow, type KeyedBlock } from './BlockRow'
import { dragWords } from '../../ui/dragWords'
import { useDragSensors } from '../../ui/useDragSensors'
import { RoutineScore } from '../../ui/RoutineScore'
import { areaLooks, staffOrder } from '../../ui/areas'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Page } from '../../ui/Page'
import { Tick } from '../../ui/Tick'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Select } from '../../ui/Select'
import { weekdays as dayNames } from '../../ui/words'
import { removeRow } from '../../ui/removal'

type Block = KeyedBlock

const keyed = (blocks: Schemas['Block'][]): Block[] =>
  blocks.map((block) => ({ ...block, key: crypto.randomUUID() }))
const bare = (blocks: Block[]): Schemas['Block'][] =>
  blocks.map((block) => {
    const one: Partial<Block> = { ...block }
    delete one.key
    return one as Schemas['Block']
  })

/** Builds a day shape by drag and keyboard; the arithmetic follows at once. */
export function RoutineEditor({
  start,
  close,
}: {
  start: Schemas['RoutineView']
  /** @param taken what its days have taken from others, in words; empty for nothing */
  close: (taken: string) => void
}) {
  const [name, setName] = useState(start.name)
  const [interwoven, setInterwoven] = useState(start.interwoven)
  const [weekdays, setWeekdays] = useState(start.weekdays)
  const [blocks, setBlocks] = useState(() => keyed(start.blocks))
  const [minutes, setMinutes] = useState(30)
  const { problem, run } = useProblem()
  const { leastMinutes, mostMinutes } = useChoices()
  // The list may have been scrolled; the editor begins at its top.
  useEffect(() => {
    window.scrollTo(0, 0)
  }, [])
  const changed = useSaved()
  const fit = api.useQuery(
    'post',
    '/api/routines/fit',
    { body: { blocks: bare(blocks), minutes } },
    { placeholderData: (before: Schemas['FitView'] | undefined) => before, retry: false },
  )
  const refused = refusalOf(fit.error)
  const sensors = useDragSensors()
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return
    const at = (id: unknown) => blocks.findIndex((block) => block.key === id)
    setBlocks(arrayMove(blocks, at(active.id), at(over.id)))
  }
  const change = (key: string, part: Partial<Block>) =>
    setBlocks(blocks.map((block) => (block.key === key ? { ...block, ...part } : block)))
  const save = async () => {
    const body = { name, interwoven, weekdays, blocks: bare(blocks), version: start.version }
    const saved = await run(() =>
      start.id === 0
        ? ask(client.POST('/api/routines', { body }))
        : ask(client.PUT('/api/routines/{id}', { params: { path: { id: start.id } }, body })),
    )
    if (!saved) return
    await changed()
    close(saved.taken)
  }
  return (
    <Page title={start.id === 0 ? 'A new routine' : start.name} problem={problem}>
      <Flex gap="5" wrap="wrap" align="end" mb="4">
        <Box width="280px">
          <Field label="Name" name="name">
            <Input value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />
          </Field>
        </Box>
        <Tick
          label="mix the short drills of technique, repertoire and ear"
          on={interwoven}
          set={setInterwoven}
        />
        <Flex gap="1" wrap="wrap" role="group" aria-label="Used on">
          {dayNames.map((day, i) => (
            <Press
              key={day}
              px="2.5"
              aria-pressed={weekdays.includes(i)}
              look={weekdays.includes(i) ? 'strong' : undefined}
              onClick={() =>
                setWeekdays(
                  weekdays.includes(i) ? weekdays.filter((one) => one !== i) : [...weekdays, i].sort(),
                )
              }
            >
              {day}
            </Press>
          ))}
        </Flex>
      </Flex>
      <Flex align="center" gap="3" mb="2" wrap="wrap">
        <Text color="faded">on a day of</Text>
        <NumberInput
          label="Minutes to try"
          value={minutes}
          min={leastMinutes}
          max={mostMinutes}
          onChange={(value) => setMinutes(Math.min(mostMinutes, Math.max(leastMinutes, value)))}
        />
        <Text color="faded">
          minutes, {fit.data?.breaks ?? 0} of them breaks; the musts need {fit.data?.least ?? 0}
        </Text>
      </Flex>
      {(refused || fit.data?.warning) && (
        <Text role="alert" color="wrong" fontWeight={600} mb="2">
          {refused ?? fit.data?.warning}
        </Text>
      )}
      {fit.data && (
        <RoutineScore
          notes={blocks
            .map((block, i) => ({ area: block.area, minutes: fit.data.minutes[i] ?? 0, title: block.area }))
            .filter((note) => note.minutes > 0)}
        />
      )}
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={drop}
        accessibility={dragWords(blocks.map(({ key, area }) => ({ id: key, name: areaLooks[area].name })))}
      >
        <SortableContext items={blocks.map((block) => block.key)} strategy={verticalListSortingStrategy}>
          <chakra.ol listStyleType="none" mt="3" aria-label="Blocks">
            {blocks.map((block, i) => (
              <BlockRow
                key={block.key}
                block={block}
                minutes={fit.data?.minutes[i]}
                rounds={fit.data?.rounds[i]}
                change={(part) => change(block.key, part)}
                remove={() => removeRow(areaLooks[block.area].name, blocks, i, setBlocks)}
              />
            ))}
          </chakra.ol>
        </SortableContext>
      </DndContext>
      <Refusal />
      <Flex gap="3" mt="4" wrap="wrap" align="center">
        <Select
          aria-label="Add a block"
          width="auto"
          value=""
          onChange={(event) =>
            setBlocks([
              ...blocks,
              ...keyed([{ area: event.target.value as Area, least: 2, wanted: 5, most: 20, must: false }]),
            ])
          }
        >
          <option value="">Add a block …</option>
          {staffOrder.map((area) => (
            <option key={area} value={area}>
              {areaLooks[area].name}
            </option>
          ))}
        </Select>
        <Press look="strong" onClick={() => save()}>
          Keep
        </Press>
        <Press look="quiet" onClick={() => close('')}>
          Leave as it was
        </Press>
      </Flex>
    </Page>
  )
}
