import { ask, client } from '../../api/client'
import { useSaved } from '../../api/saved'
import { useProblem } from '../../ui/refusal'
import type { Leave } from '../practice/useDesk'

/** A question in passing counts as a spare minute when it was answered. */
export function useSpareLeave(leave: Leave, isSpare: boolean): Leave {
  const saved = useSaved()
  const { run } = useProblem()
  if (!isSpare) return leave
  const go = async (done: boolean) => {
    const body = { id: crypto.randomUUID(), thing: 'ear', right: null }
    if (done) await run(() => ask(client.POST('/api/spare', { body })))
    await saved()
    await leave.go(done)
  }
  return { ...leave, go }
}
