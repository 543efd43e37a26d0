import { Box } from '@chakra-ui/react'
import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts'
import type { Schemas } from '../../api/client'
import { areaColours, colours } from '../../theme/colours'

type Tempo = Schemas['TempoView']

const dayMs = 86_400_000
const at = (day: string) => Date.parse(`${day}T00:00:00Z`)
const say = (time: number) =>
  new Date(time).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' })

/**
 * What is within reach as a line, clean visits as dots, unclean ones as crosses, slow work as a line of its own, the target, and
 * the days on which it may come.
 */
export function TempoChart({ tempo }: { tempo: Tempo }) {
  const points = tempo.points.map((point) => ({
    time: at(point.day),
    reach: point.reach ?? undefined,
    clean: point.slow ? undefined : (point.clean ?? undefined),
    slow: point.slow ? (point.clean ?? undefined) : undefined,
    missed: point.clean === null && !point.slow ? (point.tried ?? undefined) : undefined,
  }))
  const values = tempo.points
    .flatMap((point) => [point.clean, point.tried, point.reach])
    .filter((one) => one !== null)
  const low = Math.floor((Math.min(...values, tempo.target ?? 400) - 4) / 10) * 10
  const high = Math.ceil((Math.max(...values, tempo.target ?? 0) + 4) / 10) * 10
  const forecast = tempo.forecast
  const last = points.at(-1)?.time ?? 0
  const farthest = last + 240 * dayMs
  // A day that nobody can tell is not drawn; the words below say so.
  const inSight = forecast !== null && at(forecast.likely) < farthest
  const reach = inSight
    ? Math.min(farthest, at(forecast.latest ?? forecast.likely) + 3 * dayMs)
    : last + 3 * dayMs
  return (
    <Box role="img" aria-label={describe(tempo)} height="330px" data-testid="tempo-chart">
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={points} margin={{ top: 12, right: 24, bottom: 8, left: 0 }}>
          <CartesianGrid stroke={colours.line} vertical={false} />
          <XAxis
            dataKey="time"
            type="number"
            domain={[points[0]?.time ?? 0, reach]}
            tickFormatter={say}
            stroke={colours.faded}
            tick={{ fontSize: 14 }}
            allowDataOverflow
          />
          <YAxis domain={[low, high]} stroke={colours.faded} tick={{ fontSize: 14 }} width={44} />
          {tempo.target && (
            <ReferenceLine
              y={tempo.target}
              stroke={colours.accent}
              strokeWidth={2}
              strokeDasharray="8 5"
              label={{
                value: `target ${tempo.target}`,
                position: 'insideTopLeft',
                fill: colours.accent,
                fontSize: 14,
              }}
            />
          )}
          {inSight && tempo.target && (
            <ReferenceArea
              x1={Math.min(reach, at(forecast.earliest))}
              x2={Math.min(reach, at(forecast.latest ?? forecast.likely))}
              y1={low}
              y2={high}
              fill={areaColours.Technique.colour}
              fillOpacity={0.14}
              label={{
                value: 'target may come',
                position: 'insideBottom',
                fill: areaColours.Technique.colour,
                fontSize: 14,
              }}
            />
          )}
          <Line
            dataKey="reach"
            stroke={areaColours.Technique.colour}
            strokeWidth={2.5}
            dot={false}
            connectNulls
            isAnimationActive={false}
          />
          <Line
            dataKey="slow"
            stroke={colours.faded}
            strokeWidth={1}
            strokeDasharray="3 5"
            dot={{ r: 3, fill: colours.faded }}
            connectNulls
            isAnimationActive={false}
          />
          <Scatter dataKey="clean" fill={areaColours.Technique.colour} isAnimationActive={false} />
          <Scatter dataKey="missed" shape="cross" fill={colours.wrong} isAnimationActive={false} />
        </ComposedChart>
      </ResponsiveContainer>
    </Box>
  )
}

function describe(tempo: Tempo) {
  const clean = tempo.points.filter((point) => point.clean !== null)
  const first = clean[0]
  const last = clean.at(-1)
  const path = first && last ? `clean from ${first.clean} to ${last.clean}` : 'nothing clean yet'
  return `Tempo of ${tempo.title} over ${tempo.points.length} visits: ${path}${tempo.target ? `, target ${tempo.target}` : ''}.`
}
