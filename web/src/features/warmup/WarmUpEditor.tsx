import { Box, chakra, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { DndContext, closestCenter, type DragEndEvent } from '@dnd-kit/core'
import { SortableContext, arrayMove, verticalListSortingStrategy } from '@dnd-kit/sortable'
import { useEffect, useState } from 'react'
import { api, ask, client, refusalOf, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Field } from '../../ui/Field'
import { Page } from '../../ui/Page'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { removeRow } from '../../ui/removal'
import { dragWords } from '../../ui/dragWords'
import { useDragSensors } from '../../ui/useDragSensors'
import { PartRow, type KeyedPart } from './PartRow'
import { WarmUpPicture } from './WarmUpPicture'
import { TriedDay, type Tried } from './TriedDay'
import { elements, inOrder, type Element, type Part } from './elements'

interface Props {
  start: Schemas['WarmUpView']
  tried: Tried
  setTried: (tried: Tried) => void
  close: () => void
}

/** The parts as they are kept: all of them but the key that dragging needs. */
export const bare = (parts: KeyedPart[]): Part[] =>
  parts.map((keyed) => {
    const part: Partial<KeyedPart> = { ...keyed }
    delete part.key
    return part as Part
  })
const sorted = (parts: KeyedPart[]): KeyedPart[] => inOrder<KeyedPart>(parts).map(({ part }) => part)

const newPart = (element: Element): KeyedPart => ({
  element,
  title: '',
  how: '',
  minutes: 1,
  core: true,
  fromRepertoire: false,
  key: crypto.randomUUID(),
})

/** Builds one version; how it is cut on the day that is tried follows at once. */
export function WarmUpEditor({ start, tried, setTried, close }: Props) {
  const [name, setName] = useState(start.name)
  const [parts, setParts] = useState<KeyedPart[]>(() =>
    inOrder(start.parts).map(({ part }) => ({ ...part, key: crypto.randomUUID() })),
  )
  const { problem, run } = useProblem()
  const changed = useSaved()
  useEffect(() => {
    window.scrollTo(0, 0)
  }, [])
  const cut = api.useQuery(
    'post',
    '/api/warm-ups/cut',
    // A part that has no name yet is no mistake before it is kept.
    { body: { parts: bare(parts).map((part) => ({ ...part, title: part.title || 'new part' })), ...tried } },
    { placeholderData: (before: Schemas['CutView'] | undefined) => before, retry: false },
  )
  const refused = refusalOf(cut.error)
  const change = (key: string, part: Partial<KeyedPart>) =>
    setParts(sorted(parts.map((one) => (one.key === key ? { ...one, ...part } : one))))
  const add = (element: Element) => setParts(sorted([...parts, newPart(element)]))
  const save = async () => {
    const body = { name, parts: bare(parts), version: start.version }
    const path = { id: start.id }
    const saved = await run(() =>
      ask(
        start.id === 0
          ? client.POST('/api/warm-ups', { body })
          : client.PUT('/api/warm-ups/{id}', { params: { path }, body }),
      ),
    )
    if (!saved) return
    await changed()
    close()
  }
  return (
    <Page
      title={start.id === 0 ? 'New warm-up' : `Warm-up: ${start.name}`}
      problem={problem}
      aside={<TriedDay tried={tried} set={setTried} />}
    >
      <Grid
        templateColumns={{ base: '1fr', md: 'minmax(0, 560px) minmax(200px, 1fr)' }}
        columnGap="8"
        rowGap="3"
      >
        {cut.data && !refused ? <WarmUpPicture parts={bare(parts)} cut={cut.data} /> : <Box minH="132px" />}
        <Box>
          <Field label="Name" name="name">
            <Input value={name} onChange={(event) => setName(event.target.value)} />
          </Field>
          <Text
            color={refused ? 'wrong' : 'faded'}
            mt="2"
            role={refused ? 'alert' : undefined}
            data-testid="cut"
          >
            {refused ?? cut.data?.words}
          </Text>
        </Box>
      </Grid>
      {elements.map((element) => (
        <Stretch
          key={element.id}
          element={element}
          parts={parts.filter((part) => part.element === element.id)}
          change={change}
          add={() => add(element.id)}
          remove={(key) => {
            const at = parts.findIndex((one) => one.key === key)
            removeRow(parts[at]?.title ?? '', parts, at, setParts)
          }}
          move={(from, to) =>
            setParts(
              arrayMove(
                parts,
                parts.findIndex((part) => part.key === from),
                parts.findIndex((part) => part.key === to),
              ),
            )
          }
        />
      ))}
      <Refusal />
      <Flex gap="3" mt="6">
        <Press look="strong" onClick={() => save()}>
          Keep it
        </Press>
        <Press onClick={close}>Leave it as it was</Press>
      </Flex>
    </Page>
  )
}

interface StretchProps {
  element: (typeof elements)[number]
  parts: KeyedPart[]
  change: (key: string, part: Partial<KeyedPart>) => void
  add: () => void
  remove: (key: string) => void
  move: (from: string, to: string) => void
}

/** The parts of one element, in the order in which they are played. */
function Stretch({ element, parts, change, add, remove, move }: StretchProps) {
  const sensors = useDragSensors()
  const drop = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) move(String(active.id), String(over.id))
  }
  return (
    <Box as="section" aria-label={element.name} mt="5" borderTop="2px solid" borderColor="ink" pt="2">
      <Flex align="baseline" gap="3" wrap="wrap">
        <chakra.h2 fontSize="subheading">{element.name}</chakra.h2>
        <Text color="faded" flex="1">
          {element.about}
        </Text>
        <Press look="quiet" aria-label={`Add to ${element.name}`} onClick={add}>
          add
        </Press>
      </Flex>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={drop}
        accessibility={dragWords(parts.map(({ key, title }) => ({ id: key, name: title })))}
      >
        <SortableContext items={parts.map((part) => part.key)} strategy={verticalListSortingStrategy}>
          <chakra.ol>
            {parts.map((part) => (
              <PartRow
                key={part.key}
                part={part}
                change={(some) => change(part.key, some)}
                remove={() => remove(part.key)}
              />
            ))}
          </chakra.ol>
        </SortableContext>
      </DndContext>
      {parts.length === 0 && (
        <Text color="faded" fontStyle="italic">
          nothing yet
        </Text>
      )}
    </Box>
  )
}
