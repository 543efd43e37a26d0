import type { Schemas } from '../api/client'
import { colours } from '../theme/colours'

interface Props {
  groove: Schemas['Groove']
  dark?: boolean
  /** The place that sounds now, or null. */
  now?: number | null
}

const width = 760
const left = 96
const row = 38

/** A groove as a grid: a line for each sound, a full round for a stroke, larger and crossed for a strong one, a ring for a soft one. */
export function GrooveGrid({ groove, dark = false, now = null }: Props) {
  const places = groove.lines[0]?.strokes.length ?? 0
  const bar = groove.beatsPerBar * groove.placesPerBeat
  const unit = (width - left - 8) / places
  const ink = dark ? colours.stageText : colours.ink
  const faint = dark ? colours.stageLine : colours.line
  const height = row * groove.lines.length + 26
  const x = (place: number) => left + place * unit
  const said = groove.lines
    .map((line) => `${line.name}: ${line.strokes.filter((stroke) => stroke !== 'None').length} strokes`)
    .join(', ')
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={said}
      style={{ width: '100%', maxWidth: width, display: 'block' }}
      data-testid="groove"
    >
      {now !== null && (
        <rect
          x={x(now)}
          y={0}
          width={unit}
          height={row * groove.lines.length}
          fill={dark ? colours.stageChosen : colours.chosen}
        />
      )}
      {Array.from({ length: places + 1 }, (_, place) => {
        const strong = place % bar === 0
        if (!strong && place % groove.placesPerBeat !== 0) return null
        return (
          <line
            key={place}
            x1={x(place)}
            x2={x(place)}
            y1={0}
            y2={row * groove.lines.length}
            stroke={strong ? ink : faint}
            strokeWidth={strong ? 2 : 1}
          />
        )
      })}
      {Array.from({ length: places / groove.placesPerBeat }, (_, beat) => (
        <text
          key={beat}
          x={x(beat * groove.placesPerBeat) + unit / 2}
          y={height - 6}
          fontSize="15"
          textAnchor="middle"
          fill={dark ? colours.stageFaded : colours.faded}
        >
          {(beat % groove.beatsPerBar) + 1}
        </text>
      ))}
      {groove.lines.map((line, i) => (
        <g key={line.name}>
          <text x={left - 12} y={row * i + 25} textAnchor="end" fontSize="17" fontWeight={600} fill={ink}>
            {line.name}
          </text>
          <line x1={left} x2={width - 8} y1={row * i + 21} y2={row * i + 21} stroke={faint} />
          {line.strokes.map((stroke, place) => (
            <Stroke
              key={place}
              stroke={stroke}
              x={x(place) + unit / 2}
              y={row * i + 21}
              size={Math.min(11, unit / 2 - 1)}
              ink={ink}
            />
          ))}
        </g>
      ))}
    </svg>
  )
}

interface StrokeProps {
  stroke: Schemas['Stroke']
  x: number
  y: number
  size: number
  ink: string
}

function Stroke({ stroke, x, y, size, ink }: StrokeProps) {
  if (stroke === 'None') return null
  if (stroke === 'Soft')
    return <circle cx={x} cy={y} r={size * 0.62} fill="none" stroke={ink} strokeWidth={2} />
  return (
    <>
      <circle cx={x} cy={y} r={stroke === 'Strong' ? size * 0.9 : size * 0.7} fill={ink} />
      {stroke === 'Strong' && (
        <path
          d={`M${x - 7} ${y - size - 6} L${x + 7} ${y - size - 3.5} L${x - 7} ${y - size - 1}`}
          fill="none"
          stroke={ink}
          strokeWidth={1.6}
        />
      )}
    </>
  )
}
