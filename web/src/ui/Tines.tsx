import type { Area, Schemas } from '../api/client'
import { AreaGlyph, areaLooks, staffOrder } from './areas'
import { colours } from '../theme/colours'

interface Props {
  tines: Schemas['AreaBalance'][]
  small?: boolean
  title?: string
}

/** One bar an area hanging from a common bar: its length what was wanted, filled what was played. */
export function Tines({ tines, small = false, title = 'Last seven days' }: Props) {
  const byArea = new Map<Area, Schemas['AreaBalance']>(tines.map((tine) => [tine.area, tine]))
  const most = Math.max(1, ...tines.map((tine) => Math.max(tine.wanted, tine.played)))
  // Three figures of minutes need more room.
  const [width, height, gap] = small ? [5, 26, 9] : [16, 116, most < 100 ? 42 : 56]
  const said = staffOrder.map(
    (area) =>
      `${areaLooks[area].name} ${Math.round(byArea.get(area)?.played ?? 0)} of ${Math.round(byArea.get(area)?.wanted ?? 0)} minutes`,
  )
  return (
    <svg
      width={gap * 6 + 2}
      height={height + (small ? 5 : 66)}
      role="img"
      aria-label={`${title}: ${said.join(', ')}`}
    >
      <rect x={0} y={0} width={gap * 6 + 2} height={small ? 3 : 8} rx={small ? 1.5 : 4} fill={colours.ink} />
      {staffOrder.map((area, i) => {
        const tine = byArea.get(area)
        const look = areaLooks[area]
        const x = gap * i + (gap - width) / 2 + 1
        const top = small ? 4 : 11
        const wanted = ((tine?.wanted ?? 0) / most) * height
        const played = ((tine?.played ?? 0) / most) * height
        return (
          <g key={area}>
            <rect
              x={x}
              y={top}
              width={width}
              height={Math.max(2, wanted)}
              rx={width / 2}
              fill="none"
              stroke={look.colour}
              strokeWidth={small ? 1 : 2}
            />
            <rect
              x={x}
              y={top}
              width={width}
              height={Math.max(1, played)}
              rx={width / 2}
              fill={look.colour}
            />
            {!small && (
              <>
                <g transform={`translate(${x - 1} ${height + 20})`}>
                  <AreaGlyph area={area} size={18} />
                </g>
                <text
                  x={x + width / 2}
                  y={height + 58}
                  style={{ fontSize: 12.5 }}
                  textAnchor="middle"
                  fill={colours.faded}
                >
                  {Math.round(tine?.played ?? 0)}/{Math.round(tine?.wanted ?? 0)}
                </text>
              </>
            )}
          </g>
        )
      })}
    </svg>
  )
}
