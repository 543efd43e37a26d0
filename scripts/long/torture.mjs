// Breaks what can break, and counts what comes of it. See ./torture; the figures are kept in docs/reliability.md.
import { execFileSync, spawnSync } from 'node:child_process'
import { randomInt, randomUUID } from 'node:crypto'
import fs from 'node:fs'
import path from 'node:path'
import { act, built, close, folder, leave, player, Server, sleep, work } from './own-server.mjs'

const sample = process.argv.includes('--sample')
const count = (full, few) => (sample ? few : full)
const bench = built('bench', 'TuningFork.Bench')
let failures = 0

/** Says what is wrong, and counts it. */
function wrong(what, server) {
  failures++
  console.log(`  WRONG: ${what}${server ? `\n    it said: ${server.said.trim().slice(-400)}` : ''}`)
  return 1
}

function report(what, figures) {
  const words = Object.entries(figures).map(([name, value]) => `${value} ${name}`)
  console.log(`${what}: ${words.join(', ')}`)
}

/** A book with a player, things to practise and some notes. */
async function filled(at) {
  const one = new Server(at)
  await one.up()
  await one.ask('PUT', '/api/profile', player)
  for (const title of ['C major', 'Long shifts', 'Trills'])
    await one.ask('POST', '/api/materials', { kind: 'Exercise', title, target: 100 })
  for (let i = 0; i < 20; i++) await note(one, `Begun ${i}`)
  return one
}

/** How long a start takes that nobody kills, in milliseconds. */
async function timeOf(at) {
  const one = new Server(at)
  const { after } = await one.up()
  await one.kill()
  return after
}

const note = (one, text) => one.ask('POST', '/api/journal', { key: randomUUID(), text })

async function notes(one) {
  const texts = []
  for (let before = ''; ; ) {
    const { body } = await one.ask('GET', `/api/journal${before && `?before=${before}`}`)
    texts.push(...body.days.flatMap((day) => day.entries.map((entry) => entry.text)))
    if (!body.more) return texts
    before = body.more
  }
}

/** Kills first starts at any moment; each has to come up afterwards, and quickly. */
async function starts(kills) {
  const whole = await timeOf(folder())
  let down = 0
  for (let i = 0; i < kills; i++) {
    const at = folder()
    const first = new Server(at)
    await sleep(whole * (0.25 + 0.8 * Math.random()))
    await first.kill(i % 3 === 2 ? 'SIGTERM' : 'SIGKILL')
    const again = new Server(at)
    const up = await again.up()
    if (!up || up.trouble) down += wrong('a first start killed stays down', again)
    await again.kill()
  }
  report('first starts killed', { kills, 'that stay down': down })
}

/** Kills upgrades of a book of some megabytes; nothing of it may be missing afterwards. */
async function upgrades(kills, size) {
  const older = path.join(folder(), 'own.db')
  execFileSync('dotnet', [bench, 'older-book', older, String(size)])
  const copy = (at) => fs.copyFileSync(older, path.join(at, 'own.db'))
  const measured = folder()
  copy(measured)
  const whole = await timeOf(measured)
  let down = 0
  let lost = 0
  for (let i = 0; i < kills; i++) {
    const at = folder()
    copy(at)
    for (let again = 0; again < 2; again++) {
      const one = new Server(at)
      await sleep(whole * (0.3 + 0.75 * Math.random()))
      await one.kill()
    }
    const last = new Server(at)
    const up = await last.up()
    const there = up && !up.trouble ? (await notes(last)).length : -1
    if (there < 0) down += wrong('an upgrade killed stays down', last)
    else if (there !== size) lost += wrong(`${size - there} notes lost in an upgrade`, last)
    await last.kill()
    fs.rmSync(at, { recursive: true, force: true })
  }
  report(`upgrades killed twice each (${Math.round(fs.statSync(older).size / 1e6)} MB)`, { kills: 2 * kills, 'that stay down': down, 'that lost something': lost })
}

/** Kills backups and restores under way: every backup in the folder is whole, and so is the book. */
async function backups(kills) {
  const at = folder()
  let one = await filled(at)
  await one.ask('POST', '/api/backups')
  let torn = 0
  let down = 0
  for (let i = 0; i < kills; i++) {
    const { body } = await one.ask('GET', '/api/backups')
    const restore = i % 2 === 1
    const work = restore ? one.ask('POST', `/api/backups/${body.backups[0].name}/restore`) : one.ask('POST', '/api/backups')
    work.catch(() => {})
    await sleep(Math.random() * 60)
    await one.kill()
    one = new Server(at)
    const up = await one.up()
    if (!up) {
      down += wrong('after a killed backup or restore it stays down', one)
      break
    }
    // Between the old book and the new there may be none for a moment: then the backup is offered.
    if (up.trouble) await one.ask('POST', `/api/backups/${up.trouble.offer?.name}/restore`)
    const all = (await one.ask('GET', '/api/backups')).body.backups
    torn += all.filter((backup) => !backup.readable).length
    if ((await notes(one)).length < 20) torn += wrong('the book lacks notes after a killed restore', one)
    await sleep(1100)
  }
  await one.kill()
  report('backups and restores killed', { kills, 'torn copies': torn, 'that stay down': down })
}

/** Kills sessions: acknowledged takes and notes stay, and at most a second of play is missing. */
async function sessions(kills) {
  const at = folder()
  let one = await filled(at)
  let lost = 0
  let most = 0
  let doubled = 0
  let written = 20
  for (let i = 0; i < kills; i++) {
    let session = (await one.ask('POST', '/api/session', { version: (await one.ask('GET', '/api/today')).body.version })).body
    while (session.cue && !session.cue.countsTakes)
      session = (await one.ask('POST', '/api/session/act', act(session, 'Skip', 0))).body
    if (!session.cue) {
      await close(one, session)
      continue
    }
    const drill = session.drills[session.position]
    const began = performance.now()
    const played = () => drill.playedSeconds + (performance.now() - began) / 1000
    let takes = drill.takes
    let sent = null
    const stop = performance.now() + 700 + Math.random() * 1800
    // As on the stage: once a second, whatever else is under way.
    const pulse = setInterval(() => {
      one.ask('POST', '/api/session/pulse', { sessionId: session.id, position: session.position, playedSeconds: played() }).catch(() => {})
    }, 1000)
    while (performance.now() < stop) {
      if (Math.random() < 0.2) {
        sent = act(session, 'Missed', played())
        const answer = await one.ask('POST', '/api/session/act', sent)
        if (answer.body.position !== session.position) break
        takes = answer.body.drills[session.position].takes
      }
      if (Math.random() < 0.2 && (await note(one, `Note ${written}`)).status === 200) written++
      await sleep(40)
    }
    const seconds = played()
    clearInterval(pulse)
    await one.kill()
    one = new Server(at)
    if (!(await one.up())) {
      wrong('a killed session stays down', one)
      break
    }
    const after = (await one.ask('GET', '/api/session')).body
    const saved = after.drills[session.position]
    if (after.position === session.position) most = Math.max(most, seconds - saved.playedSeconds)
    if (saved.takes < takes) lost += wrong(`${takes - saved.takes} takes lost`, one)
    // Sent again because its answer could have been lost: it counts once.
    if (sent) await one.ask('POST', '/api/session/act', sent)
    const twice = (await one.ask('GET', '/api/session')).body.drills[session.position].takes
    if (twice > saved.takes) doubled += wrong('a take counted twice', one)
    if (i % 4 === 3) await close(one, after)
  }
  const there = (await notes(one)).filter((text) => /^(Note|Begun)/.test(text)).length
  if (there < written) lost += wrong(`${written - there} notes lost`, one)
  await one.kill()
  report('sessions killed', { kills, 'acknowledged things lost': lost, 'takes counted twice': doubled, 's of play missing at most': most.toFixed(2) })
}


/** Flips bytes, zeroes pages, cuts: the program comes up, says so or works, and a backup brings everything back. */
async function damage(times) {
  const at = folder()
  const one = await filled(at)
  await one.ask('POST', '/api/backups')
  await one.kill('SIGTERM')
  const book = path.join(at, 'own.db')
  const whole = fs.readFileSync(book)
  let down = 0
  let told = 0
  let back = 0
  for (let i = 0; i < times; i++) {
    const bytes = Buffer.from(whole)
    const kind = i % 5
    if (kind === 0) bytes[randomInt(bytes.length)] ^= 0xff
    if (kind === 1) for (let n = 0; n < 200; n++) bytes[randomInt(bytes.length)] ^= 1 + randomInt(255)
    if (kind === 2) bytes.fill(0, 4096 * (1 + randomInt(8)), 4096 * (9 + randomInt(20)))
    fs.writeFileSync(book, kind === 3 ? bytes.subarray(0, randomInt(bytes.length)) : kind === 4 ? 'This is a letter.' : bytes)
    for (const part of ['-wal', '-shm']) fs.rmSync(book + part, { force: true })
    const again = new Server(at)
    const up = await again.up()
    if (!up) down += wrong('with a damaged book it stays down', again)
    else {
      if (/ {3}at |Unhandled/.test(again.said)) wrong('a stack trace is shown', again)
      if (up.trouble) told++
      const { body } = await again.ask('GET', '/api/backups')
      const answer = await again.ask('POST', `/api/backups/${body.backups.filter((one) => one.readable).at(-1).name}/restore`)
      if (answer.status === 200 && (await notes(again)).length === 20) back++
      else wrong(`not brought back: ${answer.status} ${JSON.stringify(answer.body)}`, again)
    }
    await again.kill()
  }
  report('damaged books', { times, 'that stay down': down, 'told at the start': told, 'brought back by a backup': back })
}

/** A full disk: what was acknowledged stays, it says so in a sentence, and with room again it goes on. */
async function fullDisk() {
  const at = path.join(folder(), 'small')
  fs.mkdirSync(at)
  if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=3m', 'tmpfs', at]).status !== 0) {
    console.log('full disk: not tried, a small disk cannot be mounted here')
    return
  }
  try {
    const fill = path.join(at, 'filler')
    fs.writeFileSync(fill, Buffer.alloc(2_900_000))
    const first = new Server(at)
    const up = await first.up()
    if (up?.trouble?.kind !== 'NoRoom') wrong(`a first start on a full disk says ${JSON.stringify(up)}`, first)
    fs.rmSync(fill)
    await sleep(2200)
    if ((await first.up(8))?.trouble) wrong('with room again the first start does not go on', first)
    await first.ask('PUT', '/api/profile', player)
    let kept = 0
    let refused = 0
    fs.writeFileSync(fill, Buffer.alloc(1_500_000))
    for (let i = 0; i < 400 && refused < 5; i++) {
      const answer = await note(first, `${i} ${'x'.repeat(6000)}`)
      if (answer.status === 200) kept++
      else if (answer.status === 507) refused++
      else wrong(`a note on a full disk: ${answer.status} ${JSON.stringify(answer.body)}`, first)
    }
    await first.kill()
    const again = new Server(at)
    if (!(await again.up())) wrong('on a full disk it stays down', again)
    fs.rmSync(fill)
    await sleep(2200)
    const there = (await notes(again)).length
    if (there !== kept) wrong(`${kept - there} acknowledged notes lost on a full disk`, again)
    if ((await note(again, 'with room')).status !== 200) wrong('with room again nothing can be written', again)
    await again.kill()
    report('full disk', { 'notes acknowledged': kept, 'lost': kept - there, 'refused in a sentence': refused })
  } finally {
    spawnSync('umount', ['-l', at])
  }
}

/** A book that cannot be written is told, and goes on when it can. */
async function readOnly() {
  const at = folder()
  await (await filled(at)).kill('SIGTERM')
  const book = path.join(at, 'own.db')
  const mount = (...how) => spawnSync('mount', [...how, book]).status === 0
  if (!mount('--bind', book) || !mount('-o', 'remount,bind,ro')) {
    console.log('read-only book: not tried, nothing can be mounted here')
    return
  }
  const one = new Server(at)
  const up = await one.up()
  if (up?.trouble?.kind !== 'Unwritable') wrong(`a read-only book says ${JSON.stringify(up)}`, one)
  if (/ {3}at |Unhandled/.test(one.said)) wrong('a stack trace is shown', one)
  spawnSync('umount', ['-l', book])
  await sleep(2200)
  const after = await one.up()
  if (after?.trouble || (await notes(one)).length !== 20) wrong('writable again it does not go on', one)
  await one.kill()
  report('read-only books', { times: 1, 'told and gone on with': after?.trouble ? 0 : 1 })
}

/** Clocks set wrong and right again: everything answers. */
async function clocks(times) {
  const one = await filled(folder())
  let answers = 0
  let bad = 0
  for (let i = 0; i < times; i++) {
    const days = [-1, 1, -40, 0.4, -0.4, 1826, -1826, 2, -2, 0][i % 10]
    await one.ask('PUT', '/api/testing/clock', { now: new Date(Date.now() + days * 86400000).toISOString() })
    const today = await one.ask('GET', '/api/today')
    let session = await one.ask('POST', '/api/session', { version: today.body.version })
    if (session.status === 409) {
      await close(one, (await one.ask('GET', '/api/session')).body)
      session = await one.ask('POST', '/api/session', { version: (await one.ask('GET', '/api/today')).body.version })
    }
    const acts = [today, session]
    for (let n = 0; n < 6 && session.body?.cue; n++) {
      session = await one.ask('POST', '/api/session/act', act(session.body, session.body.cue.countsTakes ? 'Clean' : 'Done', 1))
      acts.push(session)
    }
    for (const place of ['/api/materials', '/api/journal', '/api/today', '/api/warm-ups', '/api/goals']) acts.push(await one.ask('GET', place))
    if (i % 3 === 0) acts.push(await close(one, (await one.ask('GET', '/api/session')).body))
    answers += acts.length
    bad += acts.filter((answer) => answer.status >= 500).length
  }
  if (bad > 0) wrong(`${bad} answers failed under turned clocks`, one)
  await one.kill()
  report('turned clocks', { turns: times, answers, failed: bad })
}

try {
  const parts = {
    starts: () => starts(count(60, 2)),
    upgrades: () => upgrades(count(30, 1), count(4000, 200)),
    backups: () => backups(count(30, 1)),
    sessions: () => sessions(count(50, 1)),
    damage: () => damage(count(40, 1)),
    disk: () => !sample && fullDisk(),
    readOnly: () => !sample && readOnly(),
    clocks: () => clocks(count(40, 2)),
  }
  const wished = process.argv.slice(2).filter((word) => !word.startsWith('--'))
  for (const [name, part] of Object.entries(parts)) if (wished.length === 0 || wished.includes(name)) await part()
} finally {
  leave()
}
console.log(failures === 0 ? 'nothing stayed down, nothing was lost' : `${failures} WRONG`)
process.exit(failures === 0 ? 0 : 1)
