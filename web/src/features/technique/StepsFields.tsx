import { Grid } from '@chakra-ui/react'
import { api, type Schemas } from '../../api/client'
import { Field } from '../../ui/Field'
import { Pick } from '../../ui/Pick'
import { Select } from '../../ui/Select'
import { plainSheet, type Draft } from './work'

type By = NonNullable<Schemas['StepsBy']>

const ways: { id: By; name: string }[] = [
  { id: 'Octaves', name: 'one octave after the other' },
  { id: 'Notes', name: 'the notes of a scale' },
  { id: 'Key', name: 'all of a key' },
  { id: 'Words', name: 'words of my own' },
]

/** What the steps are: made from a scale and its octaves, or from a key; or typed. */
export function StepsFields({ draft, set }: { draft: Draft; set: (part: Partial<Draft>) => void }) {
  const choices = api.useQuery('get', '/api/technique/choices')
  const by = draft.work.by ?? 'Words'
  const sheet = draft.sheet ?? plainSheet
  const play = (part: Partial<Schemas['SheetRequest']>) => set({ sheet: { ...sheet, ...part } })
  if (!choices.data) return null
  const scales = choices.data.scales.filter(
    ({ id }) => by !== 'Key' || id === 'major' || id === 'harmonic-minor',
  )
  return (
    <Grid templateColumns="repeat(auto-fill, minmax(178px, 1fr))" gap="4" mb="4">
      <Field label="steps are">
        <Pick
          value={by}
          options={choices.data.isPitched ? ways : ways.filter(({ id }) => id === 'Words')}
          pick={(to) =>
            set({ work: { ...draft.work, by: to, items: to === 'Words' ? draft.work.items : [] }, sheet })
          }
        />
      </Field>
      {by !== 'Words' && (
        <>
          <Field label={by === 'Key' ? 'key is' : 'scale'}>
            <Pick
              value={sheet.kind ?? 'major'}
              options={
                by === 'Key'
                  ? scales.map(({ id }) => ({ id, name: id === 'major' ? 'major' : 'minor' }))
                  : scales
              }
              pick={(kind) => play({ kind })}
            />
          </Field>
          <Field label="first note, written">
            <Select value={sheet.tonic} onChange={(event) => play({ tonic: event.target.value })}>
              {choices.data.tonics.map((tonic) => (
                <option key={tonic}>{tonic}</option>
              ))}
            </Select>
          </Field>
          <Field label="octaves" name="octaves">
            <Select value={sheet.octaves} onChange={(event) => play({ octaves: Number(event.target.value) })}>
              {[1, 2, 3, 4].map((octaves) => (
                <option key={octaves}>{octaves}</option>
              ))}
            </Select>
          </Field>
          {by !== 'Notes' && (
            <Field label="rhythm">
              <Pick
                value={sheet.rhythm ?? 'eighth'}
                options={choices.data.rhythms}
                pick={(rhythm) => play({ rhythm })}
              />
            </Field>
          )}
        </>
      )}
    </Grid>
  )
}
