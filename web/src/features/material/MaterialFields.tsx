import { Box, chakra, Flex, Input, Textarea } from '@chakra-ui/react'
import { useChoices } from '../../api/choices'
import { api, type Schemas } from '../../api/client'
import { ReadinessSign, readinessOrder, readinessWords } from '../../ui/Readiness'
import { Field } from '../../ui/Field'
import { Tick, Ticks } from '../../ui/Tick'
import { Press } from '../../ui/Press'
import { RefusalOf } from '../../ui/refusal'
import { Select } from '../../ui/Select'
import { Whole } from '../../ui/NumberInput'
import { useTap } from '../sound/useTap'
import { Dates } from './DateFields'
import type { Wish } from './wish'

interface PartProps {
  wish: Wish
  set: (change: Partial<Wish>) => void
}

export function What({
  wish,
  set,
  pieces,
  fixed,
}: PartProps & { pieces: Schemas['MaterialView'][]; fixed: boolean }) {
  const choices = useChoices()
  if (wish.kind === 'Passage')
    return (
      <>
        <Field label="Piece" width="220px" name="pieceId">
          <Select
            value={wish.pieceId ?? ''}
            disabled={fixed}
            onChange={(event) => set({ pieceId: Number(event.target.value) })}
          >
            {pieces.map((piece) => (
              <option key={piece.id} value={piece.id}>
                {piece.title}
              </option>
            ))}
          </Select>
        </Field>
        <Box>
          <Flex gap="2">
            <Whole label="From bar" value={wish.fromBar} set={(fromBar) => set({ fromBar: fromBar ?? 0 })} />
            <Whole label="To bar" value={wish.toBar} set={(toBar) => set({ toBar: toBar ?? 0 })} />
          </Flex>
          <RefusalOf field={['fromBar', 'toBar']} />
        </Box>
        <Field label="What is hard" width="170px" name="difficulty">
          <Input
            list="difficulties"
            maxLength={60}
            placeholder="choose, or your own word"
            value={wish.difficulty}
            onChange={(event) => set({ difficulty: event.target.value })}
          />
          <datalist id="difficulties">
            {choices.difficulties.map((one) => (
              <option key={one} value={one} />
            ))}
          </datalist>
        </Field>
      </>
    )
  return (
    <>
      <Box width="280px">
        <Field label="Title" name="title">
          <Input autoFocus value={wish.title} onChange={(event) => set({ title: event.target.value })} />
        </Field>
      </Box>
      {wish.kind === 'Piece' && (
        <Box>
          <Flex gap="2" align="end">
            <Whole label="Bars" value={wish.toBar} set={(toBar) => set({ toBar: toBar ?? 0 })} />
            <Tick label="upbeat" on={wish.fromBar === 0} set={(on) => set({ fromBar: on ? 0 : 1 })} />
          </Flex>
          <RefusalOf field={['fromBar', 'toBar']} />
        </Box>
      )}
      {wish.kind === 'Piece' && (
        <Field label="Chords or keys" width="220px" name="harmony">
          <Input
            placeholder="G, C, D7 or F major"
            value={wish.harmony}
            onChange={(event) => set({ harmony: event.target.value })}
          />
        </Field>
      )}
      {wish.kind === 'Exercise' && (
        <>
          <Field label="Area" width="140px" name="area">
            <Select
              value={wish.area ?? 'Technique'}
              onChange={(event) => set({ area: event.target.value as Schemas['Area'] })}
            >
              <option value="Technique">technique</option>
              <option value="WarmUp">warm-up</option>
              <option value="Play">play</option>
            </Select>
          </Field>
          <Whole label="Bars" value={wish.toBar} set={(toBar) => set({ toBar: toBar ?? 0 })} />
          <Tick mt="5" label="scale or arpeggio" on={wish.isScale} set={(isScale) => set({ isScale })} />
          <Serves chosen={wish.serves ?? []} set={(serves) => set({ serves })} />
        </>
      )}
    </>
  )
}

export function TempoFields({ wish, set }: PartProps) {
  const { beats } = useChoices()
  const tap = useTap((bpm) => set({ target: Math.round(bpm) }))
  return (
    <>
      <Box>
        <Flex gap="2" wrap="wrap">
          {wish.kind !== 'Passage' && (
            <>
              <Whole
                label="Beats a bar"
                value={wish.beatsPerBar}
                set={(beatsPerBar) => set({ beatsPerBar: beatsPerBar ?? 0 })}
              />
              <Field label="Beat" width="140px">
                <Select value={wish.beat} onChange={(event) => set({ beat: event.target.value })}>
                  {beats.map((one) => (
                    <option key={one}>{one}</option>
                  ))}
                </Select>
              </Field>
            </>
          )}
          <Whole
            label="Target tempo"
            placeholder={wish.kind === 'Passage' ? 'the piece’s' : ''}
            value={wish.target ?? null}
            set={(target) => set({ target })}
            width="120px"
          />
          {(wish.kind === 'Exercise' || wish.kind === 'Passage') && (
            <Whole
              label="Clean today at"
              name="cleanAt"
              placeholder="if you know"
              value={wish.cleanAt ?? null}
              set={(cleanAt) => set({ cleanAt })}
              width="120px"
            />
          )}
          <Press
            type="button"
            look="quiet"
            mt="5"
            title="Tap the tempo it should have in the end"
            onClick={tap}
          >
            tap it
          </Press>
        </Flex>
        <RefusalOf field={['target', 'beat', 'beatsPerBar']} />
      </Box>
      {wish.kind === 'Piece' && <Dates wish={wish} set={set} />}
    </>
  )
}

export function BookFields({ wish, set }: PartProps) {
  const choices = api.useQuery('get', '/api/technique/choices', undefined, { throwOnError: false })
  const isPitched = choices.data?.isPitched ?? true
  return (
    <Box>
      <Flex gap="2" wrap="wrap">
        <Whole label="Examples" value={wish.examples} set={(examples) => set({ examples: examples ?? 0 })} />
        <Whole
          label="Next one"
          value={wish.nextExample}
          set={(nextExample) => set({ nextExample: nextExample ?? 0 })}
        />
        <Whole label="A day" value={wish.perDay} set={(perDay) => set({ perDay: perDay ?? 0 })} />
      </Flex>
      <RefusalOf field={['examples', 'nextExample', 'perDay']} />
      <Field
        label="What some have in common"
        name="bookParts"
        mt="3"
        hint={isPitched ? '1-20 C major; 21-40 G major, two voices' : '1-20 in 6/8; 21-40 with triplets'}
      >
        <Textarea
          rows={2}
          value={wish.bookParts}
          onChange={(event) => set({ bookParts: event.target.value })}
        />
      </Field>
      <RefusalOf field={['bookParts']} />
      {isPitched && (
        <Tick
          label="first what is in a key of today's technique"
          mt="2"
          on={wish.todaysKey}
          set={(todaysKey) => set({ todaysKey })}
        />
      )}
    </Box>
  )
}

export function ReadinessField({ wish, set }: PartProps) {
  return (
    <chakra.fieldset>
      <chakra.legend fontSize="0.85em" color="faded" mb="0.5">
        How far
      </chakra.legend>
      <Flex gap="1" wrap="wrap">
        {readinessOrder.map((value) => (
          <Press
            key={value}
            type="button"
            px="3"
            fontWeight={500}
            aria-pressed={wish.readiness === value}
            look={wish.readiness === value ? 'strong' : undefined}
            onClick={() => set({ readiness: value })}
          >
            <ReadinessSign value={value} /> {readinessWords[value]}
          </Press>
        ))}
      </Flex>
    </chakra.fieldset>
  )
}

/** The difficulties of passages that an exercise helps with, one's own words among them. */
export function Serves({ chosen, set }: { chosen: string[]; set: (chosen: string[]) => void }) {
  const { served } = useChoices()
  const all = [...served, ...chosen.filter((one) => !served.includes(one))]
  return (
    <Ticks legend="It helps with" options={all.map((one) => [one, one] as const)} chosen={chosen} set={set} />
  )
}
