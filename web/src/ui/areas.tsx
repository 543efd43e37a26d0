import type { Area } from '../api/client'
import { areaColours } from '../theme/colours'

/** An area always has a colour, a glyph and a place, so that none of them has to carry the meaning alone. */
export interface AreaLook {
  name: string
  short: string
  colour: string
  onDark: string
}

export const areaLooks: Record<Area, AreaLook> = {
  Play: { name: 'Play', short: 'Play', ...areaColours.Play },
  WarmUp: { name: 'Warm-up', short: 'Warm', ...areaColours.WarmUp },
  SightReading: { name: 'Sight reading', short: 'Read', ...areaColours.SightReading },
  Technique: { name: 'Technique', short: 'Tech', ...areaColours.Technique },
  Repertoire: { name: 'Repertoire', short: 'Rep', ...areaColours.Repertoire },
  Ear: { name: 'Ear training', short: 'Ear', ...areaColours.Ear },
}

/** From the ledger line above the staff down to the lowest line. */
export const staffOrder: Area[] = ['Play', 'WarmUp', 'SightReading', 'Technique', 'Repertoire', 'Ear']

const glyphs: Record<Area, React.ReactNode> = {
  Play: <path d="M1 9c2-8 5-8 7-2s5 6 7-2" />,
  WarmUp: <ellipse cx="8" cy="8" rx="6.5" ry="4.5" />,
  SightReading: (
    <>
      <path d="M1 8c4-6 10-6 14 0-4 6-10 6-14 0z" />
      <circle cx="8" cy="8" r="1.8" fill="currentColor" />
    </>
  ),
  Technique: <path d="M1 13h4V9h4V5h4V2" />,
  Repertoire: <path d="M3 2v12M8 2v12M12 2v12M14 2v12" />,
  Ear: <path d="M3 6v4M7 4c2 2 2 6 0 8M11 2c4 3 4 9 0 12" />,
}

export function AreaGlyph({ area, size = 18, dark = false }: { area: Area; size?: number; dark?: boolean }) {
  const look = areaLooks[area]
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 16 16"
      fill="none"
      stroke="currentColor"
      strokeWidth="2"
      strokeLinecap="round"
      style={{ color: dark ? look.onDark : look.colour, flex: 'none' }}
      role="img"
      aria-label={look.name}
    >
      {glyphs[area]}
    </svg>
  )
}
