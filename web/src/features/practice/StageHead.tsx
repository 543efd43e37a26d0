import { Flex, Text } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { AreaGlyph, areaLooks } from '../../ui/areas'
import { sayClock, sayTempo } from '../../ui/words'

type Area = Schemas['Area']

/** Of what is done: its area, or a break. */
export const areaName = (area: Area | null) => (area ? areaLooks[area].name : 'Break')

interface Props {
  session: Schemas['SessionView']
  /** The minute of the sitting. */
  minute: number
  /** Whether a page lies over the rest of the stage: then the head says what else one needs. */
  page: boolean
  /** Seconds left of the drill. */
  left: number
}

/** Where one is in the sitting. */
export function StageHead({ session, minute, page, left }: Props) {
  const drill = session.drills[session.position]!
  const target = session.target
  return (
    <Flex justify="space-between" color="stageFaded" gap="4" wrap="wrap">
      <Flex gap="3" align="center">
        {drill.area && <AreaGlyph area={drill.area} dark />}
        <Text>
          {page ? session.cue!.title : drill.block || areaName(drill.area)}
          {!page && drill.method && ` · ${drill.method}`}
          {page && session.cue!.count && ` · ${session.cue!.count}`}
          {page && target?.tempo && ` · ${sayTempo(target.tempo, target.beat)}`}
        </Text>
      </Flex>
      <Text>
        {page ? `${left >= 0 ? '' : '+'}${sayClock(Math.abs(Math.ceil(left)))} · ` : ''}
        drill {session.position + 1} of {session.drills.length} · {minute} of {session.plannedMinutes} min
      </Text>
    </Flex>
  )
}
