import type { Schemas } from '../api/client'

type Value = Schemas['Readiness']

export const readinessWords: Record<Value, string> = {
  Raw: 'raw',
  Shaping: 'taking shape',
  Ready: 'concert-ready',
}
export const readinessOrder: Value[] = ['Raw', 'Shaping', 'Ready']

/** Empty, half and full: told apart by shape, not by colour. */
export function ReadinessSign({ value, size = 18 }: { value: Value; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 16 16"
      role="img"
      aria-label={readinessWords[value]}
      style={{ flex: 'none' }}
    >
      <circle
        cx="8"
        cy="8"
        r="6.5"
        fill={value === 'Ready' ? 'currentColor' : 'none'}
        stroke="currentColor"
        strokeWidth="2"
      />
      {value === 'Shaping' && <path d="M8 2v12a6 6 0 0 0 0-12z" fill="currentColor" />}
    </svg>
  )
}
