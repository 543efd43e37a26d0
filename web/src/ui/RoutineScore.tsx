import { useEffect, useRef, useState } from 'react'
import type { Area } from '../api/client'
import { AreaGlyph, areaLooks, staffOrder } from './areas'
import { colours } from '../theme/colours'

export interface ScoreNote {
  area: Area | null
  minutes: number
  /** Minutes really played, where they are known. */
  played?: number
  title: string
  /** Drawn pale: already over, or left out. */
  past?: boolean
}

interface Props {
  notes: ScoreNote[]
  /** Minutes shown; the notes' sum when left out. */
  minutes?: number
  /** Where the playhead stands, in minutes. */
  playhead?: number
  size?: 'large' | 'stage' | 'small'
  dark?: boolean
}

const sizes = {
  large: { gap: 27, note: 23, label: 138, foot: 26, text: 13 },
  stage: { gap: 17, note: 15, label: 0, foot: 22, text: 12 },
  small: { gap: 9, note: 7, label: 0, foot: 4, text: 0 },
}

/** The day as a five-line staff: one line an area, time from left to right, a drill a long note, a break a rest. */
export function RoutineScore({ notes, minutes, playhead, size = 'large', dark = false }: Props) {
  const [box, width] = useWidth()
  const total = Math.max(
    minutes ?? 0,
    notes.reduce((sum, note) => sum + note.minutes, 0),
    1,
  )
  const look = sizes[size]
  const left = look.label ? (width > 600 ? look.label : 30) : size === 'small' ? 2 : 12
  const scale = Math.max(1, width - left - 12) / total
  const y = (area: Area) => look.note / 2 + 2 + staffOrder.indexOf(area) * look.gap
  const top = y('WarmUp')
  const bottom = y('Ear')
  const line = dark ? colours.stageLine : colours.line
  const faded = dark ? colours.stageFaded : colours.faded
  const starts = notes.map((_, i) => notes.slice(0, i).reduce((sum, note) => sum + note.minutes, 0))
  // However long a day is said to be, its figures stand apart.
  const bar = total > 100 ? 15 * Math.ceil(total / 240) : total > 45 ? 10 : 5
  const bars = Array.from({ length: Math.floor(total / bar) + 1 }, (_, i) => i * bar)
  return (
    <div
      ref={box}
      role="img"
      aria-label={describe(notes, total)}
      // As wide as its place, and never the reason why that is wider.
      style={{ width: '100%', contain: 'inline-size', overflow: 'hidden' }}
    >
      <svg width={width} height={bottom + look.note / 2 + look.foot} aria-hidden style={{ display: 'block' }}>
        {staffOrder.slice(1).map((area) => (
          <line
            key={area}
            x1={left}
            x2={left + total * scale}
            y1={y(area)}
            y2={y(area)}
            stroke={line}
            strokeWidth={size === 'small' ? 1 : 1.6}
          />
        ))}
        {bars.map((at) => (
          <line
            key={at}
            x1={left + at * scale}
            x2={left + at * scale}
            y1={top}
            y2={bottom}
            stroke={line}
            strokeWidth={at === 0 ? 2 : 1}
          />
        ))}
        <line
          x1={left + total * scale}
          x2={left + total * scale}
          y1={top}
          y2={bottom}
          stroke={line}
          strokeWidth={2}
        />
        {look.text > 0 &&
          bars.map((at) => (
            <text
              key={at}
              x={left + at * scale}
              y={bottom + look.note / 2 + 18}
              fill={faded}
              style={{ fontSize: look.text }}
              textAnchor="middle"
            >
              {at}′
            </text>
          ))}
        {look.label > 0 && <Labels y={y} wide={width > 600} faded={faded} dark={dark} />}
        {notes.map((note, i) => (
          <Note
            key={i}
            note={note}
            x={left + (starts[i] ?? 0) * scale}
            width={note.minutes * scale}
            y={y}
            height={look.note}
            text={look.text}
            dark={dark}
            line={line}
          />
        ))}
        {playhead !== undefined && (
          <g
            stroke={dark ? colours.stageAccent : colours.accent}
            fill={dark ? colours.stageAccent : colours.accent}
            strokeWidth={2}
          >
            <line
              x1={left + playhead * scale}
              x2={left + playhead * scale}
              y1={0}
              y2={bottom + look.note / 2}
            />
            <path d={`M${left + playhead * scale - 6} 0h12l-6 8z`} strokeWidth={0} />
          </g>
        )}
      </svg>
    </div>
  )
}

function Labels({
  y,
  wide,
  faded,
  dark,
}: {
  y: (area: Area) => number
  wide: boolean
  faded: string
  dark: boolean
}) {
  return staffOrder.map((area) => (
    <g key={area}>
      <g transform={`translate(2 ${y(area) - 8})`}>
        <AreaGlyph area={area} size={16} dark={dark} />
      </g>
      {wide && (
        <text x={26} y={y(area) + 5} style={{ fontSize: 14 }} fill={faded}>
          {areaLooks[area].name}
        </text>
      )}
    </g>
  ))
}

interface NoteProps {
  note: ScoreNote
  x: number
  width: number
  y: (area: Area) => number
  height: number
  text: number
  dark: boolean
  line: string
}

function Note({ note, x, width, y, height, text, dark, line }: NoteProps) {
  if (note.area === null) {
    const middle = (y('SightReading') + y('Technique')) / 2
    return (
      <rect
        x={x + width / 2 - Math.min(width, 18) / 2}
        y={middle - height / 4}
        width={Math.min(width, 18)}
        height={height / 2}
        fill={dark ? colours.stageFaded : colours.faded}
      />
    )
  }
  const at = y(note.area)
  const inner = Math.max(2, width - 2)
  return (
    <g opacity={note.past ? 0.42 : 1}>
      {note.area === 'Play' && (
        <line x1={x - 5} x2={x + width + 5} y1={at} y2={at} stroke={line} strokeWidth={1.6} />
      )}
      <rect
        x={x + 1}
        y={at - height / 2}
        width={inner}
        height={height}
        rx={Math.min(height / 2, inner / 2)}
        fill={areaLooks[note.area].colour}
        stroke={dark ? areaLooks[note.area].onDark : 'none'}
        strokeWidth={dark ? 1 : 0}
      />
      {text > 0 && width > 16 && (
        <text
          x={x + width / 2}
          y={at + text * 0.36}
          style={{ fontSize: text, fontWeight: 700 }}
          fill={colours.white}
          textAnchor="middle"
        >
          {note.minutes}
        </text>
      )}
      {note.played !== undefined && (
        <rect
          x={x + 1}
          y={at + height / 2 + 1.5}
          width={Math.min(inner * 1.5, (inner * note.played) / note.minutes)}
          height={Math.max(2, height / 7)}
          fill={dark ? colours.stageText : colours.ink}
        />
      )}
    </g>
  )
}

function describe(notes: ScoreNote[], total: number) {
  const parts = notes.map((note) => `${note.area ? areaLooks[note.area].name : 'Break'} ${note.minutes} min`)
  return `${Math.round(total)} minutes: ${parts.join(', ')}`
}

function useWidth(): [React.RefObject<HTMLDivElement | null>, number] {
  const box = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(600)
  useEffect(() => {
    const element = box.current
    if (!element) return
    const observer = new ResizeObserver(() => setWidth(element.clientWidth))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  return [box, width]
}
