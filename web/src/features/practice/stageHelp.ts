import type { Schemas } from '../../api/client'

/** What can be done after three misses; the server knows them by these numbers. */
export const helpValues = { none: 0, slower: 1, smaller: 2, break: 3 } as const

export type HelpChoice = keyof typeof helpValues

/** What is offered, each with its figure key. */
export function helpChoices({ canSlow, halfTo }: Schemas['HelpCue']) {
  const choices: { id: HelpChoice; figure: string; name: string }[] = []
  if (canSlow) choices.push({ id: 'slower', figure: '1', name: 'slower' })
  if (halfTo !== null && halfTo !== undefined)
    choices.push({ id: 'smaller', figure: '2', name: `to bar ${halfTo} only` })
  choices.push({ id: 'break', figure: '3', name: 'something else for 3 min' })
  choices.push({ id: 'none', figure: '0', name: 'go on' })
  return choices
}

/** The choice of a figure, or of the pedals: right for the first that is offered, left to go on. */
export function helpOf(help: Schemas['HelpCue'], key: string): HelpChoice | null {
  const choices = helpChoices(help)
  if (key === 'yes') return choices[0]!.id
  if (key === 'no') return 'none'
  return choices.find(({ figure }) => figure === key)?.id ?? null
}
