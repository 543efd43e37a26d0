import { Box } from '@chakra-ui/react'
import { useEffect, useRef } from 'react'
import type { Region } from 'wavesurfer.js/plugins/regions'
import { colours } from '../../theme/colours'

interface Props {
  label: string
  peaks: Float32Array
  /** What it shows, in seconds. */
  seconds: number
  /** A stretch of it, in seconds; null for none. */
  loop: readonly [from: number, to: number] | null
  /** Chosen by drawing over it, or by moving an end. */
  choose: (loop: readonly [number, number]) => void
  /** Where it is played, in seconds; null while nothing is. */
  place: () => number | null
  /** Pressed at a place. */
  go: (seconds: number) => void
  height?: number
}

const shade = `${colours.accent}33`
const shortest = 0.3

/** The picture of a sound, with the stretch that is looped and where it is played. */
export function Wave({ label, peaks, seconds, loop, choose, place, go, height = 84 }: Props) {
  const box = useRef<HTMLDivElement>(null)
  const line = useRef<HTMLDivElement>(null)
  const region = useRef<Region | null>(null)
  const shown = useRef(loop)
  const latest = useRef({ choose, go, place })
  useEffect(() => {
    latest.current = { choose, go, place }
  })
  const draw = useRef<(loop: Props['loop']) => void>(() => {})

  useEffect(() => {
    let left = false
    let end = () => {}
    const make = async () => {
      const [{ default: WaveSurfer }, { default: Regions }] = await Promise.all([
        import('wavesurfer.js'),
        import('wavesurfer.js/plugins/regions'),
      ])
      if (left || !box.current) return
      const regions = Regions.create()
      const wave = WaveSurfer.create({
        container: box.current,
        peaks: [peaks],
        duration: seconds,
        height,
        normalize: true,
        waveColor: colours.faded,
        progressColor: colours.faded,
        cursorWidth: 0,
        cspNonce: document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content,
        plugins: [regions],
      })
      end = () => wave.destroy()
      regions.enableDragSelection({ color: shade }, 8)
      const told = (one: Region) => latest.current.choose([one.start, one.end])
      regions.on('region-created', (one) => {
        if (one === region.current) return
        region.current?.remove()
        region.current = one
        told(one)
      })
      regions.on('region-updated', told)
      wave.on('click', (part) => latest.current.go(part * seconds))
      draw.current = (next) => {
        const now = region.current
        if (!next) {
          now?.remove()
          region.current = null
        } else if (!now) {
          const [start, until] = next
          region.current = regions.addRegion({ start, end: until, color: shade, minLength: shortest })
        } else if (Math.abs(now.start - next[0]) > 0.01 || Math.abs(now.end - next[1]) > 0.01)
          now.setOptions({ start: next[0], end: next[1] })
      }
      wave.on('ready', () => draw.current(shown.current))
    }
    void make()
    return () => {
      left = true
      region.current = null
      draw.current = () => {}
      end()
    }
  }, [peaks, seconds, height])

  useEffect(() => {
    shown.current = loop
    draw.current(loop)
  }, [loop])

  useEffect(() => {
    let frame = 0
    const look = () => {
      const at = latest.current.place()
      if (line.current) {
        line.current.style.opacity = at === null ? '0' : '1'
        line.current.style.left = `${(100 * (at ?? 0)) / seconds}%`
      }
      frame = requestAnimationFrame(look)
    }
    frame = requestAnimationFrame(look)
    return () => cancelAnimationFrame(frame)
  }, [seconds])

  return (
    <Box
      position="relative"
      bg="sheet"
      border="1px solid"
      borderColor="line"
      borderRadius="8px"
      overflow="hidden"
      role="img"
      aria-label={label}
    >
      <Box ref={box} minH={`${height}px`} />
      <Box
        ref={line}
        position="absolute"
        insetY="0"
        width="2px"
        bg="accent"
        pointerEvents="none"
        aria-hidden
      />
    </Box>
  )
}
