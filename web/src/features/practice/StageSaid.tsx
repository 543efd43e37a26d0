import { Text } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'

/** What was decided by key about the thing that was played last: tomorrow, later today, less of it. */
export function StageSaid({ session }: { session: Schemas['SessionView'] }) {
  const { forTomorrow, laterToday, relief } = session
  const said = [
    ['for-tomorrow', forTomorrow && `${forTomorrow} comes first tomorrow.`],
    ['relief-said', relief],
    ['later-today', laterToday && `${laterToday} comes again in a later sitting today.`],
  ] as const
  return said.map(
    ([id, words]) =>
      words && (
        <Text key={id} fontSize="subheading" color="stageAccent" mt="2" data-testid={id}>
          {words}
        </Text>
      ),
  )
}
