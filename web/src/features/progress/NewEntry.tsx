import { Box, Flex, Input } from '@chakra-ui/react'
import { useState } from 'react'
import { api, ask, client } from '../../api/client'
import { usePracticeDay } from '../../api/practiceDay'
import { Field } from '../../ui/Field'
import { Press } from '../../ui/Press'
import { Refused, Refusal, useProblem } from '../../ui/refusal'
import { Select } from '../../ui/Select'
import { dayAfter } from '../../ui/words'
import { EntryFields, isEmpty, noWords, sent } from './EntryFields'
import { useJournalRefresh } from './useJournalRefresh'

/** Something new: about a day, a thing, for a day to come. */
export function NewEntry({ day }: { day?: string }) {
  const today = usePracticeDay()
  const [words, setWords] = useState(noWords)
  const [material, setMaterial] = useState('')
  const [carriedTo, setCarriedTo] = useState('')
  const [key, setKey] = useState(() => crypto.randomUUID())
  const { problem, run } = useProblem()
  const refresh = useJournalRefresh()
  const things = (api.useQuery('get', '/api/materials').data ?? []).filter((one) => !one.resting)
  const save = async () => {
    const body = {
      key,
      ...sent(words),
      kind: day ? 'Day' : 'Note',
      day,
      materialId: material ? Number(material) : null,
      carriedTo: carriedTo || null,
    } as const
    if (!(await run(() => ask(client.POST('/api/journal', { body }))))) return
    setWords(noWords)
    setMaterial('')
    setCarriedTo('')
    setKey(crypto.randomUUID())
    await refresh()
  }
  return (
    <Refused problem={problem}>
      <Box mb="5" className="no-print">
        <Flex gap="3" align="start">
          <Box flex="1" minW="0">
            {/* Anew after each entry, so that it opens as small as it was. */}
            <EntryFields
              key={key}
              label="Write something"
              words={words}
              write={(part) => setWords({ ...words, ...part })}
            >
              <Field label="About" name="materialId">
                <Select value={material} onChange={(event) => setMaterial(event.target.value)}>
                  <option value="">nothing in particular</option>
                  {things.map((one) => (
                    <option key={one.id} value={one.id}>
                      {one.title}
                    </option>
                  ))}
                </Select>
              </Field>
              <Field label="Carry over to" hint="stands in the plan of that day" name="carriedTo">
                <Input
                  type="date"
                  min={dayAfter(today)}
                  value={carriedTo}
                  onChange={(event) => setCarriedTo(event.target.value)}
                />
              </Field>
            </EntryFields>
          </Box>
          <Press onClick={() => save()} disabled={isEmpty(words)}>
            Keep
          </Press>
        </Flex>
        <Refusal />
      </Box>
    </Refused>
  )
}
