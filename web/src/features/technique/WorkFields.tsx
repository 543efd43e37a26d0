import { Box, chakra, Flex, Grid, Input, Text, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { Field } from '../../ui/Field'
import { NumberInput, Whole } from '../../ui/NumberInput'
import { Select } from '../../ui/Select'
import { weekdays } from '../../ui/words'
import { Tick } from '../../ui/Tick'
import { ProgressionFields } from './ProgressionFields'
import { StepsFields } from './StepsFields'
import { plainSheet, type Draft, type Work } from './work'

interface Props {
  draft: Draft
  set: (part: Partial<Draft>) => void
}

/** The fields that belong to the kind of exercise. */
export function WorkFields({ draft, set }: Props) {
  const { work } = draft
  const change = (part: Partial<Work>) => set({ work: { ...work, ...part } })
  switch (work.kind) {
    case 'Groove':
      return (
        <Written
          label="Strokes: x, X strong, o soft, . silent; a line for each sound"
          work={work}
          change={change}
        />
      )
    case 'Notation':
      return (
        <>
          <Written label="Music in ABC" work={work} change={change} />
          <Tick
            mt="3"
            label="through the keys, one after the other"
            on={draft.inKeys}
            set={(inKeys) => set({ inKeys })}
          />
        </>
      )
    case 'Patterns':
      return <PatternFields draft={draft} set={set} />
    case 'Numbers':
      return <NumberFields work={work} change={change} />
    case 'Inversions':
      return (
        <Grid templateColumns={{ base: '1fr', md: '1fr 130px 150px' }} gap="4" alignItems="end">
          <Items label="Chords, separated by commas" work={work} change={change} />
          <Field label="Seconds for one">
            <NumberInput
              label="Seconds for one"
              value={work.limitSeconds ?? 30}
              min={5}
              max={300}
              width="100%"
              onChange={(limitSeconds) => change({ limitSeconds })}
            />
          </Field>
          <VoicingField work={work} change={change} />
        </Grid>
      )
    case 'Steps':
      return (
        <>
          <StepsFields draft={draft} set={set} />
          {(work.by ?? 'Words') === 'Words' && (
            <Items label="Steps, separated by commas" work={work} change={change} />
          )}
        </>
      )
    default:
      return (
        <>
          <Grid templateColumns={{ base: '1fr', md: '1fr 130px' }} gap="4" alignItems="end">
            <Items
              key={(work.items ?? []).join()}
              label={
                work.kind === 'Shuttle'
                  ? 'Keys or chords, separated by commas'
                  : 'Chords, separated by commas'
              }
              work={work}
              change={change}
            />
            <Field label="Beats for each">
              <NumberInput
                label="Beats for each"
                value={work.beats ?? 4}
                min={1}
                max={16}
                width="100%"
                onChange={(beats) => change({ beats })}
              />
            </Field>
          </Grid>
          {work.kind === 'Changes' && <ProgressionFields draft={draft} set={set} />}
        </>
      )
  }
}

interface PartProps {
  work: Work
  change: (part: Partial<Work>) => void
}

function Items({ label, work, change }: PartProps & { label: string }) {
  const [typed, setTyped] = useState((work.items ?? []).join(', '))
  const commit = () =>
    change({
      items: typed
        .split(',')
        .map((item) => item.trim())
        .filter((item) => item.length > 0),
    })
  return (
    <Field label={label}>
      <Input
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => event.key === 'Enter' && commit()}
      />
    </Field>
  )
}

function NumberFields({ work, change }: PartProps) {
  const book = work.numbers
  if (!book) return null
  const set = (part: Partial<typeof book>) => change({ numbers: { ...book, ...part } })
  return (
    <Flex gap="4" wrap="wrap">
      <Whole
        label="numbers in the book"
        width="170px"
        name="numbers"
        value={book.count}
        set={(count) => set({ count: count ?? 0 })}
      />
      <Whole
        label="bars of one, about"
        width="170px"
        name="bars"
        value={book.bars ?? 16}
        set={(bars) => set({ bars: bars ?? 0 })}
      />
    </Flex>
  )
}

function VoicingField({ work, change }: PartProps) {
  return (
    <Field label="Laid out">
      <Select
        value={work.voicing ?? 'Close'}
        onChange={(event) => change({ voicing: event.target.value as Schemas['Voicing'] })}
      >
        <option value="Close">close</option>
        <option value="Open">open</option>
        <option value="Shell">shell: root, third, seventh</option>
      </Select>
    </Field>
  )
}

function Written({ label, work, change }: PartProps & { label: string }) {
  return (
    <Field label={label}>
      <Textarea
        rows={7}
        spellCheck={false}
        fontFamily="ui-monospace, monospace"
        fontSize="0.95rem"
        value={work.text}
        onChange={(event) => change({ text: event.target.value })}
      />
    </Field>
  )
}

function PatternFields({ draft, set }: Props) {
  const choices = api.useQuery('get', '/api/technique/choices')
  const plan = draft.work.patterns
  if (!choices.data || !plan) return null
  if (!choices.data.isPitched)
    return (
      <Text color="faded">{choices.data.instrument} has no pitch; grooves take the place of patterns.</Text>
    )
  const sheet = draft.sheet ?? { ...plainSheet, figure: 'pattern' }
  const change = (part: Partial<NonNullable<Work['patterns']>>) =>
    set({ work: { ...draft.work, patterns: { ...plan, ...part } }, sheet })
  const play = (part: Partial<Schemas['SheetRequest']>) => set({ sheet: { ...sheet, ...part } })
  return (
    <Grid templateColumns="repeat(auto-fill, minmax(178px, 1fr))" gap="4">
      <Field label="degrees">
        <Select value={plan.size} onChange={(event) => change({ size: Number(event.target.value), from: 1 })}>
          {Object.entries(choices.data.patternCounts).map(([size, count]) => (
            <option key={size} value={size}>
              {size} ({count} patterns)
            </option>
          ))}
        </Select>
      </Field>
      <Field label="a week">
        <Select value={plan.perWeek} onChange={(event) => change({ perWeek: Number(event.target.value) })}>
          <option value={1}>one</option>
          <option value={2}>two, in turn</option>
        </Select>
      </Field>
      <Field label="first number">
        <NumberInput
          label="first number"
          value={plan.from ?? 1}
          min={1}
          max={120}
          width="100%"
          onChange={(from) => change({ from })}
        />
      </Field>
      <Field label="from the day">
        <Input
          type="date"
          value={plan.first}
          onChange={(event) => event.target.value && change({ first: event.target.value })}
        />
      </Field>
      <Field label="on the scale">
        <Select value={sheet.kind} onChange={(event) => play({ kind: event.target.value })}>
          {choices.data.scales.map((scale) => (
            <option key={scale.id} value={scale.id}>
              {scale.name}
            </option>
          ))}
        </Select>
      </Field>
      <Field label="first note, written">
        <Select value={sheet.tonic} onChange={(event) => play({ tonic: event.target.value })}>
          {choices.data.tonics.map((tonic) => (
            <option key={tonic}>{tonic}</option>
          ))}
        </Select>
      </Field>
      <Field label="octaves">
        <Select value={sheet.octaves} onChange={(event) => play({ octaves: Number(event.target.value) })}>
          {[1, 2, 3].map((octaves) => (
            <option key={octaves}>{octaves}</option>
          ))}
        </Select>
      </Field>
      <Days days={plan.weekdays ?? 127} set={(weekdays) => weekdays > 0 && change({ weekdays })} />
      <Box alignSelf="end">
        <Tick label="two joined into one" on={plan.joined} set={(joined) => change({ joined })} />
      </Box>
    </Grid>
  )
}

/** The weekdays on which it comes; one stays free. */
function Days({ days, set }: { days: number; set: (days: number) => void }) {
  return (
    <chakra.fieldset gridColumn="1 / -1">
      <chakra.legend fontSize="0.85em" color="faded">
        on these days; leave one free
      </chakra.legend>
      <Flex columnGap="3.5" wrap="wrap">
        {weekdays.map((name, day) => (
          <Tick
            key={name}
            label={name}
            on={(days & (1 << day)) !== 0}
            set={(on) => set(on ? days | (1 << day) : days & ~(1 << day))}
          />
        ))}
      </Flex>
    </chakra.fieldset>
  )
}
