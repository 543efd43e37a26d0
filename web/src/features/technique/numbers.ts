import { ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { useProblem } from '../../ui/refusal'

type Cell = Schemas['NumberCell']

export const lookNames: Record<Schemas['NumberLook'], string> = {
  None: 'not looked at',
  Easy: 'easy',
  Hard: 'hard',
  Later: 'for later',
}

/** Notes something of a number of a book of technique. */
export function useMark(book: number) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const mark = async (cell: Cell, part: Partial<Schemas['NumberWish']>) => {
    const params = { path: { id: book, number: cell.number } }
    const body = { look: cell.look, done: cell.byHand, target: cell.target, ...part }
    const kept = await run(() =>
      ask(client.PUT('/api/technique/books/{id}/numbers/{number}', { params, body })),
    )
    if (kept) await saved()
    return kept
  }
  return { problem, mark }
}
