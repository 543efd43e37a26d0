import type { Schemas } from '../../api/client'
import { areaColours, colours } from '../../theme/colours'

type Plan = Schemas['KeyPlanView']
type KeyView = Schemas['KeyView']

const size = 420
const centre = size / 2

/** The keys round the circle of fifths, majors outside, minors inside: the longer untouched, the paler; the next ones ringed. */
export function KeyWheel({ plan }: { plan: Plan }) {
  const ring = (key: KeyView) => (plan.plan.withMinors || key.isMinor === plan.plan.minor ? 1 : 0.28)
  return (
    <svg
      viewBox={`0 0 ${size} ${size}`}
      width="100%"
      style={{ maxWidth: size }}
      role="img"
      aria-label={`Keys of ${plan.title} by days since`}
    >
      {plan.keys.map((key) => {
        const turn = (key.fifths * Math.PI) / 6
        const radius = key.isMinor ? 99 : 166
        const x = centre + radius * Math.sin(turn)
        const y = centre - radius * Math.cos(turn)
        const look = shade(key.daysSince)
        return (
          <g key={key.key} opacity={ring(key)}>
            <circle
              cx={x}
              cy={y}
              r={key.isMinor ? 24 : 38}
              fill={look.fill}
              stroke={areaColours.Technique.colour}
              strokeWidth={1.2}
            />
            {key.today && (
              <circle
                cx={x}
                cy={y}
                r={key.isMinor ? 28 : 42}
                fill="none"
                stroke={colours.accent}
                strokeWidth={3.5}
                strokeDasharray="7 4"
              />
            )}
            <text
              x={x}
              y={y - (key.daysSince === null ? -6 : 2)}
              textAnchor="middle"
              fill={look.text}
              style={{ fontSize: key.isMinor ? 14 : 21, fontWeight: 700 }}
            >
              {key.short}
            </text>
            {key.daysSince !== null && (
              <text
                x={x}
                y={y + (key.isMinor ? 13 : 16)}
                textAnchor="middle"
                fill={look.text}
                style={{ fontSize: key.isMinor ? 11 : 13 }}
              >
                {key.daysSince === 0 ? 'today' : `${key.daysSince} d`}
              </text>
            )}
          </g>
        )
      })}
    </svg>
  )
}

/** Full colour today, fading over three weeks; white when never. */
function shade(days: number | null) {
  if (days === null) return { fill: colours.sheet, text: colours.ink }
  const part = Math.max(0.12, 1 - days / 21)
  const mix = (from: number, to: number) => Math.round(to + (from - to) * part)
  const fill = `rgb(${mix(0x0b, 0xfb)}, ${mix(0x6b, 0xf8)}, ${mix(0x6b, 0xf0)})`
  return { fill, text: part > 0.55 ? colours.white : colours.ink }
}
