import { ask, client, Problem, type Schemas } from '../../api/client'

type Act = Schemas['ActWish']

const place = 'stage-outbox'

/**
 * Acts in the order in which they were pressed. Each has an id and is sent again until it is answered, across reloads
 * too, so that nothing pressed is lost or counted twice while the program is away.
 */
export class Outbox {
  private waiting: Act[] = JSON.parse(sessionStorage.getItem(place) ?? '[]') as Act[]
  private busy = false

  constructor(
    private readonly answered: (session: Schemas['SessionView']) => void,
    private readonly refused: (problem: Problem | null) => void,
  ) {
    void this.send()
  }

  add(act: Act) {
    this.waiting.push(act)
    this.keep()
    void this.send()
  }

  private keep() {
    sessionStorage.setItem(place, JSON.stringify(this.waiting))
  }

  private async send() {
    if (this.busy) return
    this.busy = true
    for (let act = this.waiting[0]; act; act = this.waiting[0]) {
      try {
        const session = await ask(client.POST('/api/session/act', { body: act }))
        this.drop()
        this.refused(null)
        this.answered(session)
      } catch (error) {
        if (!(error instanceof Problem)) throw error
        this.refused(error)
        if (error.status === 0 || error.status >= 500) await new Promise((next) => setTimeout(next, 700))
        else this.drop()
      }
    }
    this.busy = false
  }

  private drop() {
    this.waiting.shift()
    this.keep()
  }
}
