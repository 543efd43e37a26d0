import { chakra } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'

const width = 320
const height = 84
/** Milliseconds from the middle to the edge; what is further off lies at the edge. */
const most = 100
const dot = 4

/** The notes of a take on a line: above it late, below it early. */
export function HeardStrip({ heard }: { heard: Schemas['HeardView'] }) {
  if (heard.late.length === 0) return null
  const y = (ms: number) => height / 2 - (Math.max(-most, Math.min(most, ms)) / most) * (height / 2 - dot - 1)
  const line = heard.withClick ? 'the click' : 'its own line'
  const latest = Math.max(...heard.late.map((note) => note.lateMs))
  const earliest = Math.min(...heard.late.map((note) => note.lateMs))
  return (
    <chakra.svg
      viewBox={`0 0 ${width + 44} ${height}`}
      width={`${width + 44}px`}
      maxWidth="100%"
      role="img"
      aria-label={`${heard.late.length} notes beside ${line}: from ${words(earliest)} to ${words(latest)}`}
      data-testid="heard-strip"
    >
      <line x1="0" x2={width} y1={height / 2} y2={height / 2} stroke="currentColor" strokeWidth="1.5" />
      {[-50, 50].map((ms) => (
        <line
          key={ms}
          x1="0"
          x2={width}
          y1={y(ms)}
          y2={y(ms)}
          stroke="currentColor"
          strokeWidth="0.5"
          strokeDasharray="2 5"
        />
      ))}
      {heard.late.map((note) => (
        <circle
          key={note.at}
          cx={dot + note.at * (width - 2 * dot)}
          cy={y(note.lateMs)}
          r={dot}
          fill="currentColor"
        />
      ))}
      <text x={width + 4} y="14" fontSize="13" fill="currentColor">
        late
      </text>
      <text x={width + 4} y={height - 4} fontSize="13" fill="currentColor">
        early
      </text>
    </chakra.svg>
  )
}

const words = (ms: number) => (ms === 0 ? 'in time' : `${Math.abs(ms)} ms ${ms > 0 ? 'late' : 'early'}`)
