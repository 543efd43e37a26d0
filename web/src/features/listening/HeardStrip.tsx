import { chakra } from '@chakra-ui/react'
import type { Schemas } from '../../api/client'

const width = 320
const height = 84
/** What the numbers of the bars need below the notes. */
const foot = 16
/** What the words beside the notes need. */
const side = 68
/** Numbers that fit side by side. */
const mostNumbers = 12
/** Milliseconds from the middle to the edge; what is further off lies at the edge. */
const most = 100
/** Where a dotted line shows how far that is. */
const shown = 50
const dot = 4

/** The notes of a take on a line: above it late, below it early. */
export function HeardStrip({ heard }: { heard: Schemas['HeardView'] }) {
  if (heard.late.length === 0) return null
  const y = (ms: number) => height / 2 - (Math.max(-most, Math.min(most, ms)) / most) * (height / 2 - dot - 1)
  const line = heard.withClick ? 'the click' : 'its own line'
  const latest = Math.max(...heard.late.map((note) => note.lateMs))
  const earliest = Math.min(...heard.late.map((note) => note.lateMs))
  const x = (at: number) => dot + at * (width - 2 * dot)
  const every = Math.ceil(heard.bars.length / mostNumbers)
  const whole = height + (heard.bars.length > 0 ? foot : 0)
  return (
    <chakra.svg
      viewBox={`0 0 ${width + side} ${whole}`}
      width={`${width + side}px`}
      maxWidth="100%"
      role="img"
      aria-label={`${heard.late.length} notes beside ${line}: from ${words(earliest)} to ${words(latest)}`}
      data-testid="heard-strip"
    >
      {heard.bars.map((bar, i) => (
        <g key={`${i} ${bar.number}`}>
          <line
            x1={x(bar.at) - dot}
            x2={x(bar.at) - dot}
            y1="0"
            y2={whole}
            stroke="currentColor"
            strokeWidth="0.7"
          />
          {i % every === 0 && (
            <text x={x(bar.at) - dot + 3} y={whole - 2} fontSize="12" fill="currentColor">
              {bar.number}
            </text>
          )}
        </g>
      ))}
      <line x1="0" x2={width} y1={height / 2} y2={height / 2} stroke="currentColor" strokeWidth="1.5" />
      {[-shown, shown].map((ms) => (
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
      <text x={width + 4} y={height / 2 + 4} fontSize="12" fill="currentColor">
        ±{shown} ms
      </text>
      {heard.late.map((note) => (
        <circle key={note.at} cx={x(note.at)} cy={y(note.lateMs)} r={dot} fill="currentColor" />
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
