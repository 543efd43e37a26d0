import { Box } from '@chakra-ui/react'
import { useEffect, useRef } from 'react'
import type { Schemas } from '../../api/client'
import { StageMusic } from '../practice/StageMusic'
import { cover, isCovered } from './cover'
import { pointedAt, type Thing } from './pointing'
import { writeLateness } from './lateness'

/** More than these are smaller, so that all of it is in sight: nobody turns a page. */
const manyBars = 8

/** Pixels of a staff: all of it stays in sight, with two staves and with keys beside it. */
const staffHeight = ({ bars, bothHands }: Schemas['NewMusicView'], beside = false) =>
  bothHands ? (beside ? 28 : 36) : bars > manyBars || beside ? 40 : 60

/** Unseen music: its bars covered as they begin to sound, and under its notes how late they were. */
export function Unseen({
  music,
  sounding,
  ahead,
  notes,
  beside,
  point,
}: {
  music: Schemas['NewMusicView']
  sounding: number | null
  ahead: number | null
  notes: readonly Schemas['FollowedNote'][]
  /** Something else needs room beside it. */
  beside?: boolean
  /** Told what of the five things was pointed at. */
  point?: (thing: Thing) => void
}) {
  const place = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (place.current) cover(place.current, music.bars, (bar) => isCovered(bar, sounding, ahead))
  }, [music.bars, sounding, ahead])
  useEffect(() => {
    if (place.current) writeLateness(place.current, notes)
  }, [notes])
  return (
    // What is pointed at here stands beside it as buttons, for whoever has no hand for it.
    <Box
      ref={place}
      data-testid="unseen"
      my="auto"
      pb="6"
      onPointerDown={({ currentTarget, clientX, clientY }) => {
        if (point) for (const thing of pointedAt(currentTarget, clientX, clientY, music.look)) point(thing)
      }}
    >
      <StageMusic abc={music.abc} label={`${music.title}, engraved`} height={staffHeight(music, beside)} />
    </Box>
  )
}
