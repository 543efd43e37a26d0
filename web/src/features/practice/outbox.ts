import { ask, client, Problem, type Schemas } from '../../api/client'

type Act = Schemas['ActWish']

interface Listener {
  /** Where the session stands after an act. */
  answered: (session: Schemas['SessionView']) => void
  /** What was pressed and cannot be done. */
  refused: (problem: Problem) => void
  /** Whether the program answers. */
  away: (away: boolean) => void
  /** The session is over: nothing of it is sent any more. */
  over: (problem: Problem) => void
}

/**
 * Acts of one session in the order in which they were pressed. Each has an id and is sent again until it is answered,
 * across reloads too, so that nothing pressed is lost or counted twice while the program is away.
 */
export class Outbox {
  private busy = false
  private stopped = false

  constructor(
    private readonly session: number,
    private readonly listener: Listener,
  ) {
    void this.send()
  }

  add(act: Act) {
    this.keep([...this.waiting(), act])
    void this.send()
  }

  /** Nobody listens any more; what waits is sent by the next outbox of this session. */
  stop() {
    this.stopped = true
  }

  private get place() {
    return `stage-outbox:${this.session}`
  }

  private waiting() {
    return JSON.parse(sessionStorage.getItem(this.place) ?? '[]') as Act[]
  }

  private keep(acts: Act[]) {
    if (acts.length > 0) sessionStorage.setItem(this.place, JSON.stringify(acts))
    else sessionStorage.removeItem(this.place)
  }

  private drop(act: Act) {
    this.keep(this.waiting().filter((one) => one.id !== act.id))
  }

  private async send() {
    if (this.busy) return
    this.busy = true
    for (let act = this.waiting()[0]; act && !this.stopped; act = this.waiting()[0]) {
      try {
        const session = await ask(client.POST('/api/session/act', { body: act }))
        this.drop(act)
        if (this.stopped) break
        this.listener.away(false)
        this.listener.answered(session)
      } catch (error) {
        if (!(error instanceof Problem)) throw error
        if (!(await this.failed(act, error))) break
      }
    }
    this.busy = false
  }

  /** Whether to go on: away is waited out, a refused act goes, a session that is over takes all of it along. */
  private async failed(act: Act, problem: Problem) {
    if (problem.status === 0 || problem.status >= 500) {
      this.listener.away(true)
      if (problem.status > 0) this.listener.refused(problem)
      await new Promise((next) => setTimeout(next, 700))
      return true
    }
    this.listener.away(false)
    if (problem.field === 'session') {
      this.keep([])
      this.listener.over(problem)
      return false
    }
    this.drop(act)
    this.listener.refused(problem)
    return true
  }
}
