import { Box, Flex, chakra } from '@chakra-ui/react'
import type { Problem, Schemas } from '../../api/client'
import { ReadinessSign, readinessOrder, readinessWords } from '../../ui/Readiness'
import { Field, Press, Refusal, Select, TextInput } from '../../ui/fields'
import { Whole } from '../../ui/Whole'
import { useTap } from '../sound/useTap'
import { Dates } from './DateFields'
import type { Wish } from './wish'

const difficulties = ['fingering', 'shift', 'rhythm', 'coordination', 'intonation', 'tone', 'memory', 'join']

interface PartProps {
  wish: Wish
  set: (change: Partial<Wish>) => void
  problem: Problem | null
}

export function What({
  wish,
  set,
  pieces,
  fixed,
  problem,
}: PartProps & { pieces: Schemas['MaterialView'][]; fixed: boolean }) {
  if (wish.kind === 'Passage')
    return (
      <>
        <Field label="Piece" width="220px">
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
          <Refusal problem={problem} field={['fromBar', 'toBar']} />
        </Box>
        <Field label="What is hard" width="170px">
          <TextInput
            list="difficulties"
            maxLength={60}
            placeholder="choose, or your own word"
            value={wish.difficulty}
            onChange={(event) => set({ difficulty: event.target.value })}
          />
          <datalist id="difficulties">
            {difficulties.map((one) => (
              <option key={one} value={one} />
            ))}
          </datalist>
        </Field>
      </>
    )
  return (
    <>
      <Box width="280px">
        <Field label="Title">
          <TextInput autoFocus value={wish.title} onChange={(event) => set({ title: event.target.value })} />
        </Field>
        <Refusal problem={problem} field="title" />
      </Box>
      {wish.kind === 'Piece' && (
        <Box>
          <Flex gap="2" align="end">
            <Whole label="Bars" value={wish.toBar} set={(toBar) => set({ toBar: toBar ?? 0 })} />
            <chakra.label display="flex" gap="2" minH="42px" alignItems="center">
              <input
                type="checkbox"
                checked={wish.fromBar === 0}
                onChange={(event) => set({ fromBar: event.target.checked ? 0 : 1 })}
              />{' '}
              upbeat
            </chakra.label>
          </Flex>
          <Refusal problem={problem} field={['fromBar', 'toBar']} />
        </Box>
      )}
      {wish.kind === 'Exercise' && (
        <>
          <Field label="Area" width="140px">
            <Select
              value={wish.area ?? 'Technique'}
              onChange={(event) => set({ area: event.target.value as Schemas['Area'] })}
            >
              <option value="Technique">technique</option>
              <option value="WarmUp">warm-up</option>
            </Select>
          </Field>
          <Whole label="Bars" value={wish.toBar} set={(toBar) => set({ toBar: toBar ?? 0 })} />
          <chakra.label display="flex" gap="2" minH="42px" alignItems="center" mt="5">
            <input
              type="checkbox"
              checked={wish.isScale}
              onChange={(event) => set({ isScale: event.target.checked })}
            />{' '}
            scale or arpeggio
          </chakra.label>
          <Serves chosen={wish.serves ?? []} set={(serves) => set({ serves })} />
        </>
      )}
    </>
  )
}

export function TempoFields({ wish, set, problem }: PartProps) {
  const tap = useTap((bpm) => set({ target: Math.round(bpm) }))
  return (
    <>
      <Box>
        <Flex gap="2">
          {wish.kind !== 'Passage' && (
            <>
              <Whole
                label="Beats a bar"
                value={wish.beatsPerBar}
                set={(beatsPerBar) => set({ beatsPerBar: beatsPerBar ?? 0 })}
              />
              <Field label="Beat" width="140px">
                <Select value={wish.beat} onChange={(event) => set({ beat: event.target.value })}>
                  {['half', 'dotted quarter', 'quarter', 'eighth'].map((one) => (
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
        <Refusal problem={problem} field={['target', 'beat', 'beatsPerBar']} />
      </Box>
      {wish.kind === 'Piece' && <Dates wish={wish} set={set} problem={problem} />}
    </>
  )
}

export function BookFields({ wish, set, problem }: PartProps) {
  return (
    <Box>
      <Flex gap="2">
        <Whole label="Examples" value={wish.examples} set={(examples) => set({ examples: examples ?? 0 })} />
        <Whole
          label="Next one"
          value={wish.nextExample}
          set={(nextExample) => set({ nextExample: nextExample ?? 0 })}
        />
        <Whole label="A day" value={wish.perDay} set={(perDay) => set({ perDay: perDay ?? 0 })} />
      </Flex>
      <Refusal problem={problem} field={['examples', 'nextExample', 'perDay']} />
    </Box>
  )
}

export function ReadinessField({ wish, set }: Omit<PartProps, 'problem'>) {
  return (
    <chakra.fieldset>
      <chakra.legend fontSize="0.85em" color="faded" mb="0.5">
        How far
      </chakra.legend>
      <Flex gap="1">
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

/** Those that a movement or the ear can be trained for. */
const listed = difficulties.slice(0, 6)

/** The difficulties of passages that an exercise helps with, one's own words among them. */
export function Serves({ chosen, set }: { chosen: string[]; set: (chosen: string[]) => void }) {
  return (
    <chakra.fieldset>
      <chakra.legend fontSize="0.85em" color="faded">
        It helps with
      </chakra.legend>
      <Flex columnGap="3.5" wrap="wrap">
        {[...listed, ...chosen.filter((one) => !listed.includes(one))].map((one) => (
          <chakra.label key={one} display="flex" gap="1.5" minH="42px" alignItems="center">
            <input
              type="checkbox"
              checked={chosen.includes(one)}
              onChange={(event) =>
                set(event.target.checked ? [...chosen, one] : chosen.filter((other) => other !== one))
              }
            />
            {one}
          </chakra.label>
        ))}
      </Flex>
    </chakra.fieldset>
  )
}
