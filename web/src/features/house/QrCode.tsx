import { chakra } from '@chakra-ui/react'
import { colours } from '../../theme/colours'

/** A QR code: dark on light whatever the page looks like, or cameras do not read it. */
export function QrCode({ rows, label }: { rows: string[]; label: string }) {
  const dark = rows.flatMap((row, y) =>
    [...row].flatMap((sign, x) => (sign === '1' ? [`M${x} ${y}h1v1h-1z`] : [])),
  )
  return (
    <chakra.svg
      viewBox={`0 0 ${rows.length} ${rows.length}`}
      width="260px"
      height="260px"
      role="img"
      aria-label={label}
      shapeRendering="crispEdges"
    >
      <rect width="100%" height="100%" fill={colours.white} />
      <path d={dark.join('')} fill={colours.ink} />
    </chakra.svg>
  )
}
