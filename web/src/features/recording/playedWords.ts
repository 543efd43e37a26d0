import { sayMinutes } from '../../ui/words'

/** How much of a song was played so far, in words; empty for nothing. */
export const playedWords = (rounds: number, seconds: number) =>
  [
    rounds > 0 && `${rounds} ${rounds === 1 ? 'round' : 'rounds'}`,
    seconds >= 60 ? sayMinutes(Math.round(seconds / 60)) : seconds > 0 && 'under a minute',
  ]
    .filter(Boolean)
    .join(' · ')
