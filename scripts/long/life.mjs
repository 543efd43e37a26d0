// Three hundred days through one server that never stops. See ./life; the figures are kept in docs/reliability.md.
import { randomUUID } from 'node:crypto'
import fs from 'node:fs'
import path from 'node:path'
import { act, close, folder, leave, player, Server, sleep } from './own-server.mjs'

const days = Number(process.argv[3] ?? 300)
const minutes = Number(process.argv[2] ?? 90)
const first = Date.UTC(2031, 0, 6, 17)
const DAY = 24 * 3600 * 1000
let requests = 0
let failed = 0

const at = folder()
const one = new Server(at)
const status = (name) => Number(new RegExp(`${name}:\\s+(\\d+)`).exec(fs.readFileSync(`/proc/${one.process.pid}/status`, 'utf8'))[1]) / 1024
const size = () => ['own.db', 'own.db-wal'].map((name) => path.join(at, name)).filter((file) => fs.existsSync(file)).reduce((sum, file) => sum + fs.statSync(file).size, 0) / 1e6

async function ask(method, place, body) {
  requests++
  const answer = await one.ask(method, place, body)
  if (answer.status >= 500) {
    failed++
    console.log(`  WRONG: ${answer.status} ${method} ${place} ${JSON.stringify(answer.body).slice(0, 300)}`)
  }
  return answer.body
}

const date = (day) => new Date(first + day * DAY).toISOString().slice(0, 10)

/** Four weeks, up to a day. */
const back = (day) => `/api/look-back?from=${date(day - 27)}&to=${date(day)}`

const clock = (day, minute) => ask('PUT', '/api/testing/clock', { now: new Date(first + day * DAY + minute * 60_000).toISOString() })

/** One evening: the plan, every drill with its takes, a note, the close. */
async function live(day) {
  let minute = 0
  await clock(day, minute)
  const today = await ask('GET', '/api/today')
  let session = await ask('POST', '/api/session', { version: today.version })
  for (let presses = 0; session?.cue && presses < 60; presses++) {
    const drill = session.drills[session.position]
    await clock(day, (minute += 0.4))
    const played = drill.playedSeconds + 24
    if (presses % 5 === 4) await ask('POST', '/api/session/pulse', { sessionId: session.id, position: session.position, playedSeconds: played })
    const kind = !session.cue.countsTakes || played > 240 ? 'Done' : Math.random() < 0.8 ? 'Clean' : 'Missed'
    session = await ask('POST', '/api/session/act', act(session, kind, played))
  }
  await ask('POST', '/api/journal', { key: randomUUID(), text: `Day ${day}: better than the one before, slower than I think.` })
  const now = await ask('GET', '/api/session')
  if (now?.id) await close(one, now)
  requests++
  for (const place of ['/api/journal', '/api/week', '/api/materials', back(day), '/api/about']) await ask('GET', place)
}

/** Milliseconds of the middle one of some askings of each of these. */
async function speeds(day) {
  const found = {}
  for (const place of ['/api/today', '/api/journal', '/api/week', back(day), '/api/materials']) {
    const times = []
    for (let i = 0; i < 15; i++) {
      const began = performance.now()
      await ask('GET', place)
      times.push(performance.now() - began)
    }
    found[place.split('?')[0]] = times.sort((a, b) => a - b)[7]
  }
  return found
}

try {
  await one.up()
  await ask('PUT', '/api/profile', player)
  const began = performance.now()
  for (const title of ['Mill Song', 'Low Bridge', 'Seven Doors']) {
    const piece = await ask('POST', '/api/materials', { kind: 'Piece', title, toBar: 48, target: 96 })
    for (let bar = 1; bar < 40; bar += 8) await ask('POST', '/api/materials', { kind: 'Passage', title: '', pieceId: piece.id, fromBar: bar, toBar: bar + 1, target: 96 })
  }
  for (const title of ['Shifts', 'Trills', 'Long bows']) await ask('POST', '/api/materials', { kind: 'Exercise', title, target: 100 })
  let begin
  for (let day = 0; day < days; day++) {
    await live(day)
    if (day === Math.min(29, days - 1)) begin = { speed: await speeds(day), memory: status('VmRSS'), size: size() }
    if (day % 30 === 29) console.log(`day ${day + 1}: ${requests} requests, ${Math.round(status('VmRSS'))} MB (${Math.round(status('VmHWM'))} at most), file ${size().toFixed(1)} MB`)
    const due = ((day + 1) / days) * minutes * 60_000
    await sleep(Math.max(0, due - (performance.now() - began)))
  }
  const end = { speed: await speeds(days - 1), memory: status('VmRSS'), size: size() }
  console.log(`${requests} requests in ${Math.round((performance.now() - began) / 60_000)} minutes, ${failed} failed`)
  console.log(`memory: ${Math.round(begin.memory)} MB after 30 days, ${Math.round(end.memory)} after ${days}; file ${begin.size.toFixed(1)} and ${end.size.toFixed(1)} MB: ${(((end.size - begin.size) * 1000) / Math.max(1, days - 30)).toFixed(1)} kB a day`)
  for (const [place, ms] of Object.entries(end.speed)) console.log(`${place}: ${begin.speed[place].toFixed(1)} ms, at the end ${ms.toFixed(1)}`)
  await one.kill()
} finally {
  leave()
}
process.exit(failed === 0 ? 0 : 1)
