import { Box, Grid, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Fold } from '../../ui/Fold'
import { Field } from '../../ui/Field'
import { NumberInput } from '../../ui/NumberInput'
import { Select } from '../../ui/Select'
import type { Settings } from './SoundPage'

interface Props {
  settings: Settings
  change: (part: Partial<Settings>) => Promise<void>
}

/** When the click belongs to a drill; and the bar in figures. */
export function ClickSettings({ settings, change }: Props) {
  const [open, setOpen] = useState(false)
  return (
    <Box mt="4">
      <Fold open={open} toggle={() => setOpen(!open)}>
        In figures, and more: parts of a beat, counting in, a tempo that changes by itself
      </Fold>
      {open && <Figures settings={settings} change={change} />}
      <Field label="with the drills of the day" mt="4" maxW="460px">
        <Select
          value={settings.school}
          onChange={(event) => void change({ school: event.target.value as Settings['school'] })}
        >
          <option value="Always">always, where there is a tempo</option>
          <option value="NotAtFirst">not in the first two weeks of something new</option>
          <option value="Weaning">fewer and fewer: 2 and 4, first of the bar, every other bar, none</option>
          <option value="ByKey">only when I press M</option>
        </Select>
      </Field>
      <Text color="faded" fontSize="0.9em" mt="1" maxW="60ch">
        It counts a bar in; another tempo comes after a stop. M on the stage says otherwise for one thing, and
        that is remembered.
      </Text>
    </Box>
  )
}

/** The same in figures, for who wants them. */
function Figures({ settings, change }: Props) {
  const groups = (settings.groups ?? []).join(' + ')
  return (
    <Grid templateColumns="repeat(auto-fill, minmax(150px, 1fr))" gap="4" alignItems="end">
      <Count label="beats in a bar" part="beats" min={1} max={32} settings={settings} change={change} />
      <Field label="in groups of" name="groups">
        <Groups key={groups} text={groups} change={change} />
      </Field>
      <Field label="each beat parted into" name="subdivision">
        <Select
          value={settings.subdivision}
          onChange={(event) => void change({ subdivision: Number(event.target.value) })}
        >
          {[1, 2, 3, 4, 5, 6].map((parts) => (
            <option key={parts} value={parts}>
              {parts === 1 ? 'the beat alone' : `${parts} parts`}
            </option>
          ))}
        </Select>
      </Field>
      <Field label="heard on" name="on">
        <Select
          value={settings.on}
          onChange={(event) => void change({ on: event.target.value as Settings['on'], touches: [] })}
        >
          <option value="EveryBeat">every beat</option>
          <option value="TwoAndFour">2 and 4</option>
          <option value="FirstOfBar">the first of the bar</option>
        </Select>
      </Field>
      <Field label="voice">
        <Select
          value={settings.voice}
          onChange={(event) => void change({ voice: event.target.value as Settings['voice'] })}
        >
          <option value="Click">click</option>
          <option value="Drums">drums</option>
        </Select>
      </Field>
      <Count
        label="one bar heard of every"
        part="everyNthBar"
        min={1}
        max={16}
        settings={settings}
        change={change}
      />
      <Count label="bars heard" part="soundBars" min={0} max={16} settings={settings} change={change} />
      <Count
        label="then bars silent"
        part="silentBars"
        min={0}
        max={16}
        settings={settings}
        change={change}
      />
      <Count label="bars counted in" part="countInBars" min={0} max={8} settings={settings} change={change} />
      <Count
        label="tempo changes by"
        part="gainStep"
        min={-20}
        max={20}
        settings={settings}
        change={change}
      />
      <Count
        label="every so many bars"
        part="gainBars"
        min={1}
        max={64}
        settings={settings}
        change={change}
      />
      <Count label="until" part="gainTo" min={20} max={400} settings={settings} change={change} />
    </Grid>
  )
}

interface CountProps extends Props {
  label: string
  part:
    'beats' | 'everyNthBar' | 'soundBars' | 'silentBars' | 'countInBars' | 'gainStep' | 'gainBars' | 'gainTo'
  min: number
  max: number
}

function Count({ label, part, min, max, settings, change }: CountProps) {
  return (
    <Field label={label} name={part}>
      <NumberInput
        value={settings[part] ?? 0}
        min={min}
        max={max}
        width="100%"
        onChange={(value) =>
          void change(part === 'beats' ? { beats: value, touches: [] } : { [part]: value })
        }
      />
    </Field>
  )
}

/** "3 + 2 + 2", typed as one likes. */
function Groups({ text, change }: { text: string; change: Props['change'] }) {
  const [typed, setTyped] = useState(text)
  const commit = () => {
    if (typed === text) return
    const groups = typed.match(/\d+/g)?.map(Number) ?? []
    const beats = groups.reduce((sum, group) => sum + group, 0)
    void change(groups.length > 0 && beats <= 32 ? { groups, beats, touches: [] } : { groups, touches: [] })
  }
  return (
    <Input
      value={typed}
      placeholder="3 + 2 + 2"
      onChange={(event) => setTyped(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
    />
  )
}
