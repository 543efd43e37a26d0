import { Flex, Text } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { sayDay } from '../../ui/words'
import { AskChoice } from './AskChoice'

/** What was decided by key about the thing that was played last: tomorrow, later today, less of it. */
export function StageSaid({ session }: { session: Schemas['SessionView'] }) {
  const { forTomorrow, laterToday, relief, endedBefore, position, savedSeconds } = session
  const saved = Math.floor(savedSeconds / 60)
  const said = [
    [
      'ended-before',
      position === 0 &&
        endedBefore &&
        `The session of ${sayDay(endedBefore)} was still open. It ended where you left it; the journal takes what you want to add.`,
    ],
    ['saved-over', saved > 0 && `You have saved ${saved} min today. E gives this drill one of them.`],
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

interface StationProps {
  station: Schemas['StationView']
  goOn: () => void
}

/** An exercise whose takes speak for its next station: one key goes there. */
export function StationSaid({ station, goOn }: StationProps) {
  return (
    <Flex gap="3" align="center" wrap="wrap" mt="2" data-testid="station-said">
      <Text fontSize="subheading" color="stageAccent">
        {station.title}: {station.why}. From {station.words} to {station.nextWords}?
      </Text>
      <AskChoice figure="Y" name={station.nextWords} press={goOn} />
    </Flex>
  )
}
