import { Flex, Grid, Input, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Press } from '../../ui/Press'
import { Select } from '../../ui/Select'
import { Tick } from '../../ui/Tick'
import type { SheetWish } from './SheetPage'

interface Props {
  choices: Schemas['SheetChoices']
  wish: SheetWish
  change: (part: Partial<SheetWish>) => void
}

const figures = [
  ['scale', 'scale', 'major'],
  ['arpeggio', 'arpeggio', 'major'],
  ['pattern', 'pattern', 'major'],
  ['shape', 'thirds and chords', 'major'],
] as const

/** What is moved through the scale, and how it is broken. */
function Shape({ choices, wish, change }: Props) {
  return (
    <Grid templateColumns="1fr 1fr" gap="3">
      <Pick
        label="through the scale in"
        value={wish.shape}
        options={choices.shapes}
        pick={(shape) => change({ shape })}
      />
      <Field label="each">
        <Select
          value={wish.way}
          onChange={(event) => change({ way: event.target.value as Schemas['ShapeWay'] })}
        >
          <option value="Up">upwards</option>
          <option value="Down">downwards</option>
          <option value="Mixed">in turns</option>
        </Select>
      </Field>
    </Grid>
  )
}

/** What the sheet is to show: all picked, nothing typed. */
export function SheetChoice({ choices, wish, change }: Props) {
  const kinds = wish.figure === 'arpeggio' ? choices.chords : choices.scales
  return (
    <Flex direction="column" gap="4">
      <Flex gap="1.5" wrap="wrap" role="group" aria-label="Figure">
        {figures.map(([figure, name, kind]) => (
          <Press
            key={figure}
            px="3"
            aria-pressed={wish.figure === figure}
            look={wish.figure === figure ? 'strong' : undefined}
            onClick={() => change({ figure, kind })}
          >
            {name}
          </Press>
        ))}
      </Flex>
      <Tonics choices={choices} wish={wish} change={change} />
      <Pick label="kind" value={wish.kind} options={kinds} pick={(kind) => change({ kind })} />
      <Grid templateColumns="1fr 1fr" gap="3">
        <Field label="octaves">
          <Select value={wish.octaves} onChange={(event) => change({ octaves: Number(event.target.value) })}>
            {[1, 2, 3, 4].map((octaves) => (
              <option key={octaves} value={octaves}>
                {octaves}
              </option>
            ))}
          </Select>
        </Field>
        <Field label="click">
          <NumberInput
            label="click"
            value={wish.tempo}
            min={20}
            max={400}
            width="100%"
            onChange={(tempo) => change({ tempo })}
          />
        </Field>
      </Grid>
      {wish.figure === 'pattern' ? (
        <PatternNumbers choices={choices} wish={wish} change={change} />
      ) : wish.figure === 'shape' ? (
        <Shape choices={choices} wish={wish} change={change} />
      ) : (
        <Tick
          label="one octave at a time, then joined"
          on={wish.order === 'ByOctavesThenJoined'}
          set={(on) => change({ order: on ? 'ByOctavesThenJoined' : 'UpAndDown' })}
        />
      )}
      <Pick
        label="rhythm"
        value={wish.rhythm}
        options={choices.rhythms}
        pick={(rhythm) => change({ rhythm })}
      />
      <Pick
        label="articulation"
        value={wish.joining}
        options={choices.joinings}
        pick={(joining) => change({ joining })}
      />
      {choices.family === 'Keys' && (
        <Field label="hand">
          <Select
            value={wish.together ?? wish.hand ?? ''}
            onChange={(event) => change(handsOf(event.target.value))}
          >
            <option value="">either, no fingers</option>
            <option value="Right">right hand</option>
            <option value="Left">left hand</option>
            {choices.hasTwoStaves && <option value="Parallel">both, together</option>}
            {choices.hasTwoStaves && <option value="Contrary">both, in contrary motion</option>}
          </Select>
        </Field>
      )}
      <Flex gap="3">
        {(['lowest', 'highest'] as const).map((end) => (
          <End
            key={end}
            label={`${end} note`}
            usual={end === 'lowest' ? 'as usual' : choices.highest}
            note={wish[end] ?? ''}
            change={(note) => change({ [end]: note })}
          />
        ))}
      </Flex>
      <Tick label="names under the notes" on={wish.names} set={(names) => change({ names })} />
      {choices.soundsBelow !== 0 && (
        <Tick label="show concert pitch" on={wish.concert} set={(concert) => change({ concert })} />
      )}
    </Flex>
  )
}

interface EndProps {
  label: string
  usual: string
  note: string
  change: (note: string) => void
}

/** One end of the range: counts when the field is left, or with Enter. */
function End({ label, usual, note, change }: EndProps) {
  const [typed, setTyped] = useState(note)
  const commit = () => typed !== note && change(typed)
  return (
    <Field label={label} width="110px">
      <Input
        placeholder={usual}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => event.key === 'Enter' && commit()}
      />
    </Field>
  )
}

function PatternNumbers({ choices, wish, change }: Props) {
  const most = choices.patternCounts[wish.patternSize] ?? 1
  return (
    <Grid templateColumns="1fr 1fr 1fr" gap="3" alignItems="end">
      <Field label="degrees">
        <Select
          value={wish.patternSize}
          onChange={(event) =>
            change({ patternSize: Number(event.target.value), patternNumber: 1, pairedWith: null })
          }
        >
          {Object.keys(choices.patternCounts).map((size) => (
            <option key={size} value={size}>
              {size}
            </option>
          ))}
        </Select>
      </Field>
      <Field label={`number, 1–${most}`}>
        <NumberInput
          label="pattern number"
          value={wish.patternNumber}
          min={1}
          max={most}
          width="100%"
          onChange={(patternNumber) => change({ patternNumber })}
        />
      </Field>
      <Field label="joined to">
        <Select
          value={wish.pairedWith ?? ''}
          onChange={(event) => change({ pairedWith: event.target.value ? Number(event.target.value) : null })}
        >
          <option value="">none</option>
          {Array.from({ length: most }, (_, i) => (
            <option key={i} value={i + 1}>
              {i + 1}
            </option>
          ))}
        </Select>
      </Field>
    </Grid>
  )
}

/** The tonics along the line of fifths, as signatures grow. */
function Tonics({ choices, wish, change }: Props) {
  return (
    <chakra.fieldset>
      <chakra.legend fontSize="0.85em" color="faded" mb="1">
        first note, written
      </chakra.legend>
      <Grid templateColumns="repeat(5, 1fr)" gap="1.5">
        {choices.tonics.map((tonic) => (
          <Press
            key={tonic}
            px="1"
            minH="38px"
            aria-pressed={wish.tonic === tonic}
            look={wish.tonic === tonic ? 'strong' : undefined}
            onClick={() => change({ tonic })}
          >
            {tonic.replace('b', '♭').replace('#', '♯')}
          </Press>
        ))}
      </Grid>
    </chakra.fieldset>
  )
}

interface PickProps {
  label: string
  value: string
  options: Schemas['ChoiceView'][]
  pick: (id: string) => void
}

function Pick({ label, value, options, pick }: PickProps) {
  return (
    <Field label={label}>
      <Select value={value} onChange={(event) => pick(event.target.value)}>
        {options.map((option) => (
          <option key={option.id} value={option.id}>
            {option.name}
          </option>
        ))}
      </Select>
    </Field>
  )
}

/** One hand, or both and how they go. */
function handsOf(value: string): Partial<SheetWish> {
  return value === 'Parallel' || value === 'Contrary'
    ? { together: value, hand: null }
    : { together: null, hand: (value as Schemas['Hand']) || null }
}
