import { beforeEach, expect, test, vi } from 'vitest'
import { client, type Schemas } from '../../api/client'
import { Outbox } from './outbox'

type Act = Schemas['ActWish']
const act = (id: string): Act => ({ id, sessionId: 7, position: 0, playedSeconds: 3, kind: 'Clean' })
const answer = (status: number, body: object) => ({
  data: status < 300 ? body : undefined,
  error: status < 300 ? undefined : body,
  response: new Response(null, { status }),
})
const refusal = (field: string) => ({ errors: { [field]: [`${field} says no`] } })

const listener = () => ({ answered: vi.fn(), refused: vi.fn(), away: vi.fn(), over: vi.fn() })
/** What the server does with each act sent, one after the other; the last for all that follow. */
function server(...does: (() => unknown)[]) {
  const sent: string[] = []
  vi.spyOn(client, 'POST').mockImplementation((async (_: string, { body }: { body: Act }) => {
    sent.push(body.id)
    return does[Math.min(sent.length, does.length) - 1]!()
  }) as never)
  return sent
}
const good = () => answer(200, { id: 7 })
const away = () => {
  throw new TypeError('fetch failed')
}
const settle = () => vi.advanceTimersByTimeAsync(5000)

beforeEach(() => {
  sessionStorage.clear()
  vi.useFakeTimers()
})

test('acts go out in the order in which they were pressed, one at a time', async () => {
  const sent = server(good)
  const told = listener()
  const box = new Outbox(7, told)
  for (const id of ['a', 'b', 'c']) box.add(act(id))
  await settle()
  expect(sent).toEqual(['a', 'b', 'c'])
  expect(told.answered).toHaveBeenCalledTimes(3)
  expect(sessionStorage.getItem('stage-outbox:7')).toBeNull()
})

test('while the program is away an act is sent again under the same id, and what follows waits behind it', async () => {
  const sent = server(away, away, good)
  const told = listener()
  const box = new Outbox(7, told)
  box.add(act('a'))
  box.add(act('b'))
  await vi.advanceTimersByTimeAsync(100)
  expect(told.away).toHaveBeenLastCalledWith(true)
  await settle()
  expect(sent).toEqual(['a', 'a', 'a', 'b'])
  expect(told.away).toHaveBeenLastCalledWith(false)
  expect(told.refused).not.toHaveBeenCalled()
})

test('a refused act goes and is told; the next is sent all the same', async () => {
  const sent = server(() => answer(409, refusal('position')), good)
  const told = listener()
  const box = new Outbox(7, told)
  box.add(act('a'))
  box.add(act('b'))
  await settle()
  expect(sent).toEqual(['a', 'b'])
  expect(told.refused.mock.calls[0]![0]).toMatchObject({ field: 'position', message: 'position says no' })
})

test('when the session is over nothing of it is sent any more', async () => {
  const sent = server(() => answer(409, refusal('session')))
  const told = listener()
  const box = new Outbox(7, told)
  box.add(act('a'))
  box.add(act('b'))
  await settle()
  expect(sent).toEqual(['a'])
  expect(told.over).toHaveBeenCalledOnce()
  expect(sessionStorage.getItem('stage-outbox:7')).toBeNull()
})

test('what was not answered when the page was left is sent by the next page of the same session, and by no other', async () => {
  server(away)
  const first = new Outbox(7, listener())
  first.add(act('a'))
  await vi.advanceTimersByTimeAsync(100)
  first.stop()
  await settle()

  const sent = server(good)
  new Outbox(8, listener())
  await settle()
  expect(sent).toEqual([])
  new Outbox(7, listener())
  await settle()
  expect(sent).toEqual(['a'])
})
