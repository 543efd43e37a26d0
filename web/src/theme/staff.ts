import { colours } from './colours'

/** The lines of a staff behind bars that stand in a row. */
export const staffLines = `repeating-linear-gradient(to bottom, transparent 0 6px, ${colours.line} 6px 7px)`
