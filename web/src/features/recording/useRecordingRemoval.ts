import { ask, client, type Schemas } from '../../api/client'
import { useRemoval } from '../../ui/removal'

/** Removes a recording, and offers to take that back. */
export function useRecordingRemoval(recording: Schemas['RecordingView'], what: string) {
  const removal = useRemoval()
  const params = { path: { id: recording.id } }
  return () =>
    removal(
      what,
      () => ask(client.DELETE('/api/recordings/{id}', { params })),
      () => ask(client.POST('/api/recordings/{id}/back', { params })),
    )
}
