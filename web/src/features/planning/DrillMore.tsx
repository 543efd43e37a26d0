import { Box, Flex, Text } from '@chakra-ui/react'
import { Lock, LockOpen, Repeat2, X } from 'lucide-react'
import { Link } from 'react-router'
import type { Schemas } from '../../api/client'
import { Press } from '../../ui/Press'
import { offer } from '../../ui/removal'
import { MethodChoice } from './MethodChoice'
import { Written } from './Written'
import type { Today } from './useToday'

interface Props {
  drill: Schemas['DrillView']
  state: Today
}

/** A drill opened: how it goes, what was written about it, and every way to overrule it. */
export function DrillMore({ drill, state }: Props) {
  const leaveOut = async () => {
    const view = await state.change({ kind: 'LeaveOut', drillId: drill.id })
    if (view) offer({ what: `Left out today: ${drill.title}`, back: () => state.back(view.version) })
  }
  const place = drill.area === 'Technique' ? 'craft' : 'music'
  const measured = drill.targets.filter(
    (target, i) =>
      target.tempo &&
      target.materialId &&
      drill.targets.findIndex((one) => one.materialId === target.materialId) === i,
  )
  const notes = [...new Set(drill.targets.map((target) => target.note).filter(Boolean))]
  return (
    <Box
      className="no-print"
      ml={{ base: '0', md: '98px' }}
      mb="3"
      borderLeft="4px solid"
      borderColor="accent"
      pl="4"
      role="group"
      aria-label={`More about ${drill.title}`}
    >
      <Text maxW="76ch">
        {drill.how} {drill.sum && <Text as="span">{drill.sum}.</Text>}
      </Text>
      {notes.map((note) => (
        <Text key={note} color="accent" maxW="76ch">
          {note}
        </Text>
      ))}
      {drill.written.map((line) => (
        <Written key={line.entryId} line={line} />
      ))}
      {measured.length > 0 && (
        <Text color="faded" fontSize="0.92em">
          How the tempo went:{' '}
          {measured.map((target, i) => (
            <span key={target.key}>
              {i > 0 && ', '}
              <Link to={`/${place}/${target.materialId}/tempo`}>{target.title}</Link>
            </span>
          ))}
        </Text>
      )}
      {(drill.area === 'Repertoire' || drill.area === 'Technique') && (
        <MethodChoice drill={drill} state={state} />
      )}
      <Flex gap="1" wrap="wrap" ml="-2">
        {drill.area && (
          <>
            <Press
              look="quiet"
              aria-pressed={drill.locked}
              aria-label={`${drill.locked ? 'Unlock' : 'Lock'} ${drill.title}`}
              onClick={() => state.change({ kind: 'Lock', drillId: drill.id })}
            >
              {drill.locked ? <Lock size={16} /> : <LockOpen size={16} />}
              {drill.locked ? 'Unlock' : 'Lock'}
            </Press>
            <Press
              look="quiet"
              aria-label={`Swap ${drill.title} for something else`}
              onClick={() => state.change({ kind: 'Swap', drillId: drill.id })}
            >
              <Repeat2 size={16} />
              Swap
            </Press>
          </>
        )}
        <Press look="quiet" aria-label={`Leave out ${drill.title}`} onClick={leaveOut}>
          <X size={16} />
          Leave out
        </Press>
      </Flex>
    </Box>
  )
}
