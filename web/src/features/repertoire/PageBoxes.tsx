import { Box, Flex, Input, Text, chakra } from '@chakra-ui/react'
import { useRef, useState } from 'react'
import { bookQuery } from '../../api/book'
import { ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Field } from '../../ui/Field'
import { Form } from '../../ui/Form'
import { NumberInput } from '../../ui/NumberInput'
import { Press } from '../../ui/Press'
import { useProblem } from '../../ui/refusal'
import { useRemoval } from '../../ui/removal'
import { between, type Area } from './pageBox'

interface Props {
  page: Schemas['PageView']
  piece: Schemas['PieceView']
}

/** A picture of a page: a box drawn round some bars becomes a passage, and is what the stage shows of it. */
export function PageBoxes({ page, piece }: Props) {
  const [draft, setDraft] = useState<Area | null>(null)
  const from = useRef<{ x: number; y: number } | null>(null)
  // The fields come and the button goes when the hand is lifted: before, they would push the page away under it.
  const [asked, setAsked] = useState(false)
  const begin = (event: React.PointerEvent<HTMLElement>) => {
    // A finger scrolls, until a box was asked for.
    if (!event.isPrimary || event.button !== 0 || (event.pointerType === 'touch' && !asked)) return
    if ((event.target as HTMLElement).closest('button')) return
    event.currentTarget.setPointerCapture(event.pointerId)
    from.current = place(event)
  }
  const lift = () => {
    from.current = null
    setAsked(draft !== null)
  }
  const set = (area: Area | null) => {
    setDraft(area)
    setAsked(area !== null)
  }
  const place = (event: React.PointerEvent<HTMLElement>) => {
    const frame = event.currentTarget.getBoundingClientRect()
    return { x: (event.clientX - frame.left) / frame.width, y: (event.clientY - frame.top) / frame.height }
  }
  return (
    <>
      <Flex gap="4" align="center" wrap="wrap" mt="2">
        <Text color="faded" fontSize="0.92em">
          Draw a box round hard bars: they become a passage, and the stage shows them as they stand here.
        </Text>
        {!asked && (
          <Press
            look="quiet"
            minH="36px"
            visibility={draft ? 'hidden' : 'visible'}
            onClick={() => set({ x: 0.05, y: 0.1, width: 0.9, height: 0.12 })}
          >
            New box
          </Press>
        )}
      </Flex>
      {draft && asked && <NewBox page={page} piece={piece} area={draft} set={set} />}
      <Box
        position="relative"
        mt="2"
        border="1px solid"
        borderColor="line"
        touchAction={asked ? 'none' : 'auto'}
        cursor="crosshair"
        data-testid="page-picture"
        onPointerDown={begin}
        onPointerMove={(event) => from.current && setDraft(between(from.current, place(event)))}
        onPointerUp={lift}
        onPointerCancel={lift}
      >
        <chakra.img
          src={bookQuery(`/api/pages/${page.id}`)}
          alt={page.name || 'Page'}
          width="100%"
          draggable={false}
          userSelect="none"
        />
        {page.boxes.map((box) => (
          <Drawn key={box.id} box={box} />
        ))}
        {draft && <Frame area={draft} borderColor="accent" borderStyle="dashed" pointerEvents="none" />}
      </Box>
    </>
  )
}

const percent = (part: number) => `${part * 100}%`

function Frame({ area, ...rest }: { area: Area } & React.ComponentProps<typeof Box>) {
  return (
    <Box
      position="absolute"
      left={percent(area.x)}
      top={percent(area.y)}
      width={percent(area.width)}
      height={percent(area.height)}
      border="2.5px solid"
      borderRadius="4px"
      {...rest}
    />
  )
}

/** A box with its bars; pressed it can be removed. The passage stays. */
function Drawn({ box }: { box: Schemas['BoxView'] }) {
  const removal = useRemoval()
  const params = { path: { id: box.id } }
  return (
    <Frame area={box} borderColor="accent" pointerEvents="none">
      <Press
        minH="28px"
        px="2"
        fontSize="0.85em"
        position="absolute"
        bottom="100%"
        left="-2px"
        bg="sheet"
        pointerEvents="auto"
        aria-label={`Remove the box of bars ${box.bars}`}
        title="Remove the box; the passage stays"
        onClick={() =>
          void removal(
            `the box of bars ${box.bars}`,
            () => ask(client.DELETE('/api/boxes/{id}', { params })),
            () => ask(client.POST('/api/boxes/{id}/back', { params })),
          )
        }
      >
        {box.bars} ×
      </Press>
    </Frame>
  )
}

const sides = [
  ['x', 'left'],
  ['y', 'top'],
  ['width', 'width'],
  ['height', 'height'],
] as const

/** Which bars a new box holds, and where exactly it lies. */
function NewBox({ page, piece, area, set }: Props & { area: Area; set: (area: Area | null) => void }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const last = piece.passages.at(-1)
  const [from, setFrom] = useState(Math.min(piece.toBar, (last?.toBar ?? piece.fromBar - 1) + 1))
  const [to, setTo] = useState(Math.min(piece.toBar, from + 1))
  const [difficulty, setDifficulty] = useState('')
  const keep = async () => {
    const params = { path: { id: page.id } }
    const body = { ...area, from, to, difficulty }
    if (!(await run(() => ask(client.POST('/api/pages/{id}/boxes', { params, body }))))) return
    set(null)
    await saved()
  }
  return (
    <Form problem={problem} submit={keep} display="flex" gap="3" alignItems="end" flexWrap="wrap" mt="2">
      <Field label="bars from" name="from" width="90px">
        <NumberInput value={from} min={0} max={10000} width="90px" onChange={setFrom} />
      </Field>
      <Field label="to" name="to" width="90px">
        <NumberInput value={to} min={0} max={10000} width="90px" onChange={setTo} />
      </Field>
      <Field label="what is hard, if you know" name="difficulty" width="220px">
        <Input value={difficulty} onChange={(event) => setDifficulty(event.target.value)} />
      </Field>
      {sides.map(([side, label]) => (
        <Field key={side} label={`${label}, %`} name="box" width="96px">
          <NumberInput
            value={Math.round(area[side] * 100)}
            min={0}
            max={100}
            width="96px"
            onChange={(value) => set({ ...area, [side]: value / 100 })}
          />
        </Field>
      ))}
      <Press look="strong" type="submit">
        Keep the box
      </Press>
      <Press look="quiet" onClick={() => set(null)}>
        Not now
      </Press>
    </Form>
  )
}
