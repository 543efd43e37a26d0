import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import type { Sound } from '../../sound/useSound'
import { Press } from '../../ui/Press'
import { barsOf, groupsOf, moveBorder, nextTouch, regrouped, toggleBorder, type Touch } from './cycle'
import type { Settings } from './SoundPage'

interface Props {
  settings: Settings
  /** Each beat as it is heard. */
  touches: Touch[]
  sound: Sound
  change: (part: Partial<Settings>) => Promise<void>
}

const heights: Record<Touch, number> = { Loud: 92, Soft: 56, Silent: 92 }
const touchNames: Record<Touch, string> = { Loud: 'loud', Soft: 'soft', Silent: 'silent' }
const mostBeats = 32
const mostBars = 16
const border = 24

/** The bar as it is heard: strokes that are touched to be loud, soft or silent, groups whose borders move, bars heard and silent. */
export function CyclePicture({ settings, touches, sound, change }: Props) {
  const beats = settings.beats ?? 4
  const groups = groupsOf(settings)
  const now = useBeatNow(sound, beats)
  const touch = (beat: number) =>
    void change({ touches: touches.map((one, i) => (i === beat ? nextTouch[one] : one)) })
  const setBeats = (count: number) => void change({ beats: count, groups: [], touches: [], on: 'EveryBeat' })
  return (
    <Box role="group" aria-label="The bar">
      <Flex align="flex-end" wrap="wrap" rowGap="4">
        {touches.map((one, beat) => (
          <Flex key={beat} align="flex-end">
            {beat > 0 && (
              <Border beat={beat} groups={groups} set={(next) => void change(regrouped(settings, next))} />
            )}
            <Stroke
              number={beat + 1}
              touch={one}
              parts={settings.subdivision ?? 1}
              lit={now === beat}
              press={() => touch(beat)}
            />
          </Flex>
        ))}
        <Flex gap="1" ml="3">
          <Press aria-label="a beat less" px="3" disabled={beats <= 1} onClick={() => setBeats(beats - 1)}>
            −
          </Press>
          <Press
            aria-label="a beat more"
            px="3"
            disabled={beats >= mostBeats}
            onClick={() => setBeats(beats + 1)}
          >
            +
          </Press>
        </Flex>
      </Flex>
      <Text color="faded" fontSize="0.9em" mt="2">
        Touch a stroke: loud, soft, silent. Touch between two to part the bar there; drag the mark to move it.
      </Text>
      <Bars settings={settings} change={change} />
    </Box>
  )
}

/** The beat that sounds now, or -1. */
function useBeatNow({ clicking, beat }: Sound, beats: number) {
  const [now, setNow] = useState(-1)
  useEffect(() => {
    if (!clicking) return
    let frame = 0
    const look = () => {
      const at = beat()
      setNow(at === null ? -1 : ((Math.floor(at) % beats) + beats) % beats)
      frame = requestAnimationFrame(look)
    }
    frame = requestAnimationFrame(look)
    return () => cancelAnimationFrame(frame)
  }, [clicking, beat, beats])
  return clicking ? now : -1
}

interface StrokeProps {
  number: number
  touch: Touch
  parts: number
  lit: boolean
  press: () => void
}

function Stroke({ number, touch, parts, lit, press }: StrokeProps) {
  const silent = touch === 'Silent'
  return (
    <chakra.button
      onClick={press}
      aria-label={`beat ${number}: ${touchNames[touch]}`}
      minW="34px"
      h="124px"
      display="flex"
      flexDirection="column"
      justifyContent="flex-end"
      alignItems="center"
      cursor="pointer"
      borderRadius="6px"
      bg={lit ? 'sheet' : undefined}
      _hover={{ bg: 'sheet' }}
    >
      <Flex align="flex-end" gap="3px" h={`${heights.Loud}px`}>
        <Box
          w="12px"
          h={`${heights[touch]}px`}
          borderRadius="4px 4px 0 0"
          border="2px solid"
          borderStyle={silent ? 'dashed' : 'solid'}
          borderColor={lit && !silent ? 'accent' : 'ink'}
          bg={silent ? 'transparent' : lit ? 'accent' : 'ink'}
        />
        {!silent &&
          Array.from({ length: parts - 1 }, (_, part) => (
            <Box key={part} w="3px" h="22px" bg="faded" borderRadius="1px" />
          ))}
      </Flex>
      <Text as="span" fontSize="0.85em" color="faded" aria-hidden>
        {number}
      </Text>
    </chakra.button>
  )
}

interface BorderProps {
  beat: number
  groups: number[]
  set: (groups: number[]) => void
}

/** Between two beats: a mark where a group begins; touched it comes and goes, dragged or by the arrows it moves. */
function Border({ beat, groups, set }: BorderProps) {
  const [from, setFrom] = useState<number | null>(null)
  const { isBorder, toggled } = toggleBorder(groups, beat)
  const move = (by: number) => {
    const next = moveBorder(groups, beat, by)
    if (next) set(next)
  }
  return (
    <chakra.button
      aria-label={`a group begins with beat ${beat + 1}`}
      aria-pressed={isBorder}
      w={`${border}px`}
      h="124px"
      cursor={isBorder ? 'ew-resize' : 'pointer'}
      touchAction="none"
      display="flex"
      justifyContent="center"
      _hover={{ bg: 'sheet' }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        setFrom(event.clientX)
      }}
      onPointerUp={(event) => {
        const way = from === null ? 0 : event.clientX - from
        const { offsetWidth } = event.currentTarget.parentElement!
        setFrom(null)
        const by = Math.round(way / offsetWidth)
        if (by === 0) set(toggled)
        else if (isBorder) move(by)
      }}
      onPointerCancel={() => setFrom(null)}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault()
          set(toggled)
        } else if (isBorder && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
          event.preventDefault()
          move(event.key === 'ArrowLeft' ? -1 : 1)
        }
      }}
    >
      <Box w="3px" h="124px" bg={isBorder ? 'accent' : 'transparent'} borderRadius="2px" />
    </chakra.button>
  )
}

/** The bars of the cycle, heard ones filled, silent ones empty; each kind grows and shrinks by a press. */
function Bars({ settings, change }: Pick<Props, 'settings' | 'change'>) {
  const { heard, silent } = barsOf(settings)
  const set = (nowHeard: number, nowSilent: number) =>
    void change({ soundBars: nowSilent > 0 ? nowHeard : 0, silentBars: nowSilent, everyNthBar: 1 })
  return (
    <Flex align="center" gap="3" mt="5" wrap="wrap" role="group" aria-label="Bars heard and silent">
      <Flex gap="1.5" aria-hidden>
        {Array.from({ length: heard + silent }, (_, i) => (
          <Box
            key={i}
            w="38px"
            h="26px"
            borderRadius="4px"
            border="2px solid"
            borderStyle={i < heard ? 'solid' : 'dashed'}
            borderColor="ink"
            bg={i < heard ? 'ink' : 'transparent'}
          />
        ))}
      </Flex>
      <Text aria-live="polite">
        {silent === 0 ? 'every bar is heard' : `${sayBars(heard)} heard, then ${silent} silent`}
      </Text>
      <Flex gap="1" wrap="wrap">
        {silent > 0 && (
          <>
            <Press disabled={heard <= 1} onClick={() => set(heard - 1, silent)}>
              hear one less
            </Press>
            <Press disabled={heard >= mostBars} onClick={() => set(heard + 1, silent)}>
              hear one more
            </Press>
            <Press onClick={() => set(heard, silent - 1)}>one silent less</Press>
          </>
        )}
        <Press disabled={silent >= mostBars} onClick={() => set(heard, silent + 1)}>
          one silent more
        </Press>
      </Flex>
    </Flex>
  )
}

const sayBars = (bars: number) => (bars === 1 ? '1 bar' : `${bars} bars`)
