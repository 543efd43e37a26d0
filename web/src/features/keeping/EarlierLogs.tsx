import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { asBytes } from '../../api/asBytes'
import { api, ask, client, type Schemas } from '../../api/client'
import { Field } from '../../ui/Field'
import { FileChoice } from '../../ui/FileChoice'
import { FileLook } from '../../ui/FileLook'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'
import { Select } from '../../ui/Select'
import { areaLooks } from '../../ui/areas'
import { sayDate } from '../../ui/words'

type Wish = Schemas['LogWish']

const columns = [
  ['date', 'the day'],
  ['minutes', 'how long'],
  ['what', 'what was practised'],
  ['area', 'the area'],
  ['note', 'a note'],
  ['tempo', 'a tempo'],
] as const

/** What was kept elsewhere before: a table is looked at, its columns are matched, then it is taken in, and can be taken out again. */
export function EarlierLogs() {
  const queries = useQueryClient()
  const logs = api.useQuery('get', '/api/earlier-logs')
  const { problem, run } = useProblem()
  const [file, setFile] = useState<File>()
  const [look, setLook] = useState<Schemas['LogLookView']>()
  const read = async (chosen: File, wish: Partial<Wish>) => {
    setFile(chosen)
    const query = Object.fromEntries(Object.entries(wish).filter(([, value]) => value !== null))
    const found = await run(() =>
      ask(client.POST('/api/earlier-logs/look', { params: { query }, ...asBytes(chosen) })),
    )
    setLook(found)
  }
  const take = async () => {
    if (!file || !look) return
    const query = {
      ...Object.fromEntries(Object.entries(look.wish).map(([name, value]) => [name, value ?? -1])),
      monthFirst: look.wish.monthFirst ?? undefined,
      name: file.name,
    }
    if (!(await run(() => ask(client.POST('/api/earlier-logs', { params: { query }, ...asBytes(file) })))))
      return
    setLook(undefined)
    await queries.invalidateQueries()
  }
  const takeOut = async (id: string) => {
    await run(() => ask(client.DELETE('/api/earlier-logs/{id}', { params: { path: { id } } })))
    await queries.invalidateQueries()
  }
  return (
    <Box>
      <FileChoice label="A log as CSV" accept=".csv,.tsv,.txt" take={(chosen) => void read(chosen, {})}>
        Read a log in from a table (CSV)
      </FileChoice>
      <Refusal problem={problem} />
      {file && look && (
        <FileLook label="The log" file={file}>
          <Text mb="3">{look.words}</Text>
          <Match look={look} change={(wish) => void read(file, wish)} />
          <Lines lines={look.first} />
          {look.problems.map((line) => (
            <Text key={line} color="wrong">
              {line}
            </Text>
          ))}
          <Flex gap="3" mt="3" wrap="wrap">
            {look.new > 0 && (
              <Press look="strong" onClick={take}>
                Take it in
              </Press>
            )}
            <Press onClick={() => setLook(undefined)}>Leave it</Press>
          </Flex>
        </FileLook>
      )}
      <chakra.ul listStyleType="none" aria-label="Logs taken in">
        {logs.data?.map((log) => (
          <chakra.li key={log.id} display="flex" gap="4" alignItems="center" flexWrap="wrap">
            <Text>
              <b>{log.name}</b>: {log.words}
            </Text>
            <Press aria-label={`Take ${log.name} out again`} onClick={() => takeOut(log.id)}>
              Take it out again
            </Press>
          </chakra.li>
        ))}
      </chakra.ul>
    </Box>
  )
}

/** Which column tells what: guessed, to be put right. */
function Match({ look, change }: { look: Schemas['LogLookView']; change: (wish: Partial<Wish>) => void }) {
  return (
    <Flex gap="3" wrap="wrap" mb="3">
      {columns.map(([name, label]) => (
        <Field key={name} label={label} width="190px">
          <Select
            value={look.wish[name] ?? -1}
            onChange={(event) => change({ ...look.wish, [name]: Number(event.target.value) })}
          >
            <option value={-1}>not in it</option>
            {look.columns.map((column, i) => (
              <option key={i} value={i}>
                {column.name}
                {column.samples[0] && `: ${column.samples[0].slice(0, 24)}`}
              </option>
            ))}
          </Select>
        </Field>
      ))}
      {look.isUnsure && (
        <Field label="3/4 in it is" width="190px" hint="all its dates could be either">
          <Select
            value={look.wish.monthFirst ? 'month' : 'day'}
            onChange={(event) => change({ ...look.wish, monthFirst: event.target.value === 'month' })}
          >
            <option value="day">the 3rd of April</option>
            <option value="month">the 4th of March</option>
          </Select>
        </Field>
      )}
    </Flex>
  )
}

function Lines({ lines }: { lines: Schemas['LogLine'][] }) {
  if (lines.length === 0) return null
  return (
    <Box overflowX="auto">
      <chakra.table fontSize="0.95em" css={{ '& td, & th': { paddingRight: '20px', textAlign: 'left' } }}>
        <thead>
          <tr>
            {['day', 'minutes', 'area', 'what', 'note'].map((head) => (
              <chakra.th key={head} fontWeight={400} color="faded">
                {head}
              </chakra.th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map((line, i) => (
            <tr key={i}>
              <td>{sayDate(line.day)}</td>
              <td>{Math.round(line.minutes * 10) / 10}</td>
              <td>{areaLooks[line.area].name}</td>
              <td>{line.what}</td>
              <td>{line.note.slice(0, 60)}</td>
            </tr>
          ))}
        </tbody>
      </chakra.table>
    </Box>
  )
}
