import { Box } from '@chakra-ui/react'
import { useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { Press } from '../../ui/Press'
import { RecordingItem } from './RecordingItem'

interface Props {
  /** Only of one thing; null for all. */
  materialId: number | null
  empty: React.ReactNode
  named?: boolean
}

/** Recordings, the newest first, some at a time. */
export function RecordingList({ materialId, empty, named }: Props) {
  const of = materialId === null ? {} : { materialId }
  const [before, setBefore] = useState<number[]>([])
  const first = api.useQuery('get', '/api/recordings', { params: { query: of } })
  if (!first.data) return null
  if (first.data.recordings.length === 0) return <Box color="faded">{empty}</Box>
  return (
    <Box>
      {first.data.recordings.map((one) => (
        <RecordingItem key={one.id} recording={one} named={named} />
      ))}
      {before.map((id) => (
        <Older key={id} of={{ ...of, before: id }} named={named} />
      ))}
      <More last={before.at(-1)} first={first.data} of={of} older={(id) => setBefore([...before, id])} />
    </Box>
  )
}

interface Query {
  materialId?: number
  before?: number
}

function Older({ of, named }: { of: Query; named?: boolean }) {
  const older = api.useQuery('get', '/api/recordings', { params: { query: of } })
  return older.data?.recordings.map((one) => <RecordingItem key={one.id} recording={one} named={named} />)
}

interface MoreProps {
  last: number | undefined
  first: Schemas['RecordingsView']
  of: Query
  older: (before: number) => void
}

/** A button for those before the last ones that are shown. */
function More({ last, first, of, older }: MoreProps) {
  const page = api.useQuery('get', '/api/recordings', {
    params: { query: last === undefined ? of : { ...of, before: last } },
  })
  const shown = last === undefined ? first : page.data
  if (!shown?.more) return null
  return (
    <Press mt="3" onClick={() => older(shown.recordings.at(-1)!.id)}>
      Older ones
    </Press>
  )
}
