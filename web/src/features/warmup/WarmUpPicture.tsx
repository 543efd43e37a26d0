import type { Schemas } from '../../api/client'
import { areaLooks } from '../../ui/areas'
import { elements, type Part } from './elements'
import { colours } from '../../theme/colours'

interface Props {
  parts: Part[]
  cut: Schemas['CutView']
}

const width = 560
const left = 134
const line = 26

/** Four lines, one for each element, time from left to right; what is left out stands behind the double bar, hollow. */
export function WarmUpPicture({ parts, cut }: Props) {
  const rows = (places: number[]) =>
    places.map((place) => (place < 0 ? 0 : elements.findIndex(({ id }) => id === parts[place]?.element)))
  const gone = parts.filter((_, place) => !cut.stretches.some((stretch) => stretch.places.includes(place)))
  const unit = (width - left - 16 - gone.length * 26) / Math.max(1, cut.minutes)
  const end = left + cut.minutes * unit
  const starts = cut.stretches.map((_, i) =>
    cut.stretches.slice(0, i).reduce((sum, one) => sum + one.minutes, 0),
  )
  const said = cut.stretches.map((one) => `${one.title}, ${one.minutes} min`).join('; ')
  return (
    <svg
      viewBox={`0 0 ${width} ${line * 4 + 28}`}
      role="img"
      aria-label={`${said}.${cut.leftOut.length > 0 ? ` Left out: ${cut.leftOut.join(', ')}.` : ''}`}
      style={{ width: '100%', maxWidth: width }}
    >
      {elements.map(({ id, name }, row) => (
        <g key={id}>
          <text x={left - 10} y={line * row + 23} textAnchor="end" fontSize="14" fill={colours.faded}>
            {name}
          </text>
          <line x1={left} x2={width} y1={line * row + 18} y2={line * row + 18} stroke={colours.edge} />
        </g>
      ))}
      <line x1={left} x2={left} y1={18} y2={line * 3 + 18} stroke={colours.ink} />
      {[0, 5].map((gap) => (
        <line
          key={gap}
          x1={end + gap}
          x2={end + gap}
          y1={18}
          y2={line * 3 + 18}
          stroke={colours.ink}
          strokeWidth={gap ? 3 : 1}
        />
      ))}
      {cut.stretches.map((stretch, i) => {
        const all = rows(stretch.places)
        const each = (stretch.minutes * unit) / all.length
        return all.map((row, j) => (
          <rect
            key={`${i}-${j}`}
            x={left + (starts[i] ?? 0) * unit + each * j + 2}
            y={line * row + 9}
            width={Math.max(4, each - 4)}
            height={18}
            rx={9}
            fill={areaLooks.WarmUp.colour}
          />
        ))
      })}
      {cut.stretches.map((stretch, i) => (
        <text
          key={i}
          x={left + ((starts[i] ?? 0) + stretch.minutes / 2) * unit}
          y={line * 4 + 20}
          textAnchor="middle"
          fontSize="13"
          fill={colours.faded}
        >
          {stretch.minutes}′
        </text>
      ))}
      {gone.map((part, i) => (
        <rect
          key={i}
          x={end + 12 + i * 26}
          y={line * elements.findIndex(({ id }) => id === part.element) + 10}
          width={20}
          height={16}
          rx={8}
          fill={colours.paper}
          stroke={colours.edge}
          strokeDasharray="3 3"
        />
      ))}
    </svg>
  )
}
