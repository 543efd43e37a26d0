import { Flex, Text, chakra } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'
import { sayClock, sayTempo } from '../../ui/words'
import { Beat } from './Beat'
import { low, lower } from './low'

interface Props {
  session: Schemas['SessionView']
  left: number
  played: number
  sound: {
    /** The beat of the click, while it sounds. */
    beat: () => number | null
    /** What there is to say about the click. */
    word: string
    droning: boolean
  }
}

/** What is left of the drill, and the tempo of the next take. */
export function StageTime({ session, left, played, sound }: Props) {
  const period = session.cue?.period
  const saved = session.drills[session.position]?.savedSeconds ?? 0
  // The drill's own minutes first, then those that others have left it.
  const own = left - saved
  const rest = saved > 0 && own > 0 ? own : left
  const shown = period ? Math.min(left, period.endsAtSeconds - played) : rest
  return (
    <Flex
      direction={{ base: 'row', md: 'column' }}
      align="center"
      justify="space-between"
      wrap="wrap"
      columnGap="5"
      // On a phone the time comes first.
      order={{ base: -1, md: 0 }}
      minW={{ base: '100%', lg: '430px' }}
      css={{ [low]: { minWidth: '220px' } }}
    >
      <chakra.div
        role="timer"
        aria-label={
          period ? (session.cue?.resting ? 'Left of this rest' : 'Left of this work') : 'Left of this drill'
        }
        fontFamily="heading"
        fontWeight={600}
        fontSize={{ base: '4.4rem', md: '11.53rem' }}
        css={{ [lower]: { fontSize: { base: '4.4rem', md: '6.6rem' } }, [low]: { fontSize: '4.4rem' } }}
        lineHeight={1}
        fontVariantNumeric="tabular-nums"
        color={session.running ? 'stageText' : 'stageFaded'}
        data-testid="stage-left"
      >
        {shown >= 0 ? sayClock(shown) : `+${sayClock(-shown)}`}
      </chakra.div>
      <Text
        fontSize="heading"
        color="stageAccent"
        minH={{ md: '34px' }}
        // A clock that is read aloud each second is noise.
        aria-live={period ? 'off' : 'polite'}
      >
        {!session.running
          ? 'paused: space goes on'
          : left < 0
            ? 'time: finish this take'
            : period
              ? `${sayClock(left)} of the drill`
              : saved > 0
                ? own > 0
                  ? `+${sayClock(saved)} saved`
                  : 'saved time'
                : ''}
      </Text>
      {session.target?.tempo && (
        <Flex align="center" gap="5" mt="1">
          <Beat tempo={session.target.tempo} running={session.running} beat={sound.beat} />
          <Text
            fontSize={{ base: '1.9rem', md: '3.29rem' }}
            css={{ [lower]: { fontSize: { base: '1.9rem', md: '2.4rem' } }, [low]: { fontSize: '1.9rem' } }}
            lineHeight={1.2}
            data-testid="stage-tempo"
          >
            {sayTempo(session.target.tempo, session.target.beat)}
          </Text>
        </Flex>
      )}
      {sound.word && (
        <Text color="stageFaded" data-testid="click-word">
          {sound.word}
        </Text>
      )}
      {sound.droning && session.sound && (
        <Text color="stageFaded" data-testid="drone-word">
          the drone {session.sound.droneSounds}
        </Text>
      )}
    </Flex>
  )
}
