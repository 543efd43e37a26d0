// A server of one's own on a folder of its own, for scripts that are not gentle with it.
import { spawn } from 'node:child_process'
import { randomInt, randomUUID } from 'node:crypto'
import fs from 'node:fs'
import os from 'node:os'
import path from 'node:path'

export const root = path.resolve(import.meta.dirname, '../..')
export const work = fs.mkdtempSync(path.join(os.tmpdir(), 'tuning-fork-long-'))
export const sleep = (ms) => new Promise((next) => setTimeout(next, ms))

/** A copy of what was built, or of the folder it was built to: a build beside it changes nothing here. */
export function built(project, name, folder = path.join(root, project, 'bin/Release/net10.0')) {
  fs.cpSync(folder, path.join(work, name), { recursive: true })
  return path.join(work, name, `${name}.dll`)
}

const server = built('src/TuningFork.Server', 'TuningFork.Server', process.env.TUNING_FORK_SERVER)
// Below the ports that the system gives to whoever asks for any.
let port = 10000 + randomInt(20000)
const running = new Set()

/** A server of its own on a folder; what it says is kept for when something goes wrong. */
export class Server {
  constructor(folder, ...extra) {
    this.address = `http://127.0.0.1:${++port}`
    this.said = ''
    this.began = performance.now()
    this.process = spawn('dotnet', [server, '--urls', this.address, '--data', folder, '--own', '--testing', ...extra], {
      // As ./run starts it.
      env: { ...process.env, DOTNET_GCgen0size: '0x1000000' },
    })
    for (const stream of [this.process.stdout, this.process.stderr])
      stream.on('data', (text) => (this.said += text))
    running.add(this.process)
    this.ended = new Promise((next) => this.process.on('exit', next)).then(() => running.delete(this.process))
  }

  async up(seconds = 60) {
    const until = performance.now() + seconds * 1000
    while (performance.now() < until && this.process.exitCode === null) {
      const about = await this.ask('GET', '/api/about').catch(() => null)
      if (about?.status === 200) return { ...about.body, after: performance.now() - this.began }
      await sleep(25)
    }
    return null
  }

  async ask(method, place, body) {
    const answer = await fetch(this.address + place, {
      method,
      headers: { 'Content-Type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    })
    const text = await answer.text()
    return { status: answer.status, body: text && text.startsWith('<') === false ? JSON.parse(text) : null }
  }

  async kill(signal = 'SIGKILL') {
    this.process.kill(signal)
    await this.ended
  }
}

export const folder = () => fs.mkdtempSync(path.join(work, 'book-'))

export const player = { instrument: 'Viola', family: 'strings', weekdayMinutes: [30, 30, 30, 30, 30, 30, 30] }

export const act = (session, kind, playedSeconds) => ({
  id: randomUUID(),
  sessionId: session.id,
  position: session.position,
  playedSeconds,
  kind,
  key: session.target?.key,
})

export const close = (one, session) => one.ask('POST', '/api/session/close', { id: randomUUID(), sessionId: session.id })

/** Stops what still runs and removes what was written. */
export function leave() {
  for (const one of running) one.kill('SIGKILL')
  fs.rmSync(work, { recursive: true, force: true })
}
