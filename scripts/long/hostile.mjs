// Sends what nobody should, and counts what comes of it. See ./hostile; the figures are kept in docs/reliability.md.
import { randomUUID } from 'node:crypto'
import fs from 'node:fs'
import net from 'node:net'
import path from 'node:path'
import zlib from 'node:zlib'
import { folder, leave, player, root, Server, sleep } from './own-server.mjs'

const sample = process.argv.includes('--sample')
const seedGiven = process.argv.find((word) => /^\d+$/.test(word))
let seed = Number(seedGiven ?? Date.now() % 1e9)
let failures = 0

/** Mulberry32 (public domain): the same seed sends the same requests. */
function random() {
  seed = (seed + 0x6d2b79f5) | 0
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed)
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296
}
const pick = (list) => list[Math.floor(random() * list.length)]

const told = new Set()

/** Says what is wrong, once for each address with what the server said of it, and counts it. */
function wrong(what, place = what, one) {
  failures++
  if (told.has(place)) return
  told.add(place)
  console.log(`  WRONG: ${what}${one ? `\n    it said: ${one.said.slice(Math.max(0, one.said.lastIndexOf('fail:'))).slice(0, 1500)}` : ''}`)
}

const memory = (one) => Number(/VmRSS:\s+(\d+)/.exec(fs.readFileSync(`/proc/${one.process.pid}/status`, 'utf8'))[1]) / 1024

const api = JSON.parse(fs.readFileSync(path.join(root, 'src/TuningFork.Server/openapi/tuning-fork.json'), 'utf8'))
const resolve = (schema) => (schema?.$ref ? api.components.schemas[schema.$ref.split('/').pop()] : schema)

const texts = ['', ' ', 'x'.repeat(20_001), '<script>alert(1)</script>', "'; DROP TABLE Takes;--", '\u0000\uffff\u202e', '2031-02-30', '-1', 'NaN', '𝄞'.repeat(40), '../../etc/passwd', 'm:1:k:', '{"a":1}']
const numbers = [0, 1, -1, 2, 7, 400, 1e9, -1e9, 2147483648, 0.5, 1e308]
const junk = () => pick([null, true, [], {}, pick(texts), pick(numbers), [[[]]], { $: 1 }])

/** A value that fits a schema, or now and then one that does not. */
function value(schema, depth = 0) {
  const it = resolve(schema) ?? {}
  if (random() < 0.12 || depth > 5) return junk()
  if (it.enum) return random() < 0.9 ? pick(it.enum) : pick(texts)
  const kinds = [].concat(it.type ?? (it.properties ? 'object' : pick(['string', 'integer']))).filter((kind) => kind !== 'null')
  switch (kinds[0]) {
    case 'object': {
      const made = {}
      for (const [name, part] of Object.entries(it.properties ?? {})) if (random() < 0.85) made[name] = value(part, depth + 1)
      return made
    }
    case 'array':
      return Array.from({ length: pick([0, 1, 2, 3, 7, 40]) }, () => value(it.items, depth + 1))
    case 'integer':
    case 'number':
      return random() < 0.7 ? Math.floor(random() * 60) : pick(numbers)
    case 'boolean':
      return random() < 0.5
    default:
      if (it.format === 'uuid') return randomUUID()
      if (it.format === 'date') return `2031-0${1 + Math.floor(random() * 9)}-1${Math.floor(random() * 9)}`
      return random() < 0.5 ? pick(['Ferry', 'Bb major', 'C4', '30', 'eighth', 'major', 'a']) : pick(texts)
  }
}

/** What would stop the round itself, or turn its clock, is not asked. */
const skipped = /testing|begin-anew|restore|\/second/
const operations = Object.entries(api.paths).flatMap(([place, methods]) =>
  Object.entries(methods)
    .filter(() => !skipped.test(place))
    .map(([method, operation]) => ({ place, method: method.toUpperCase(), operation })),
)

function request({ place, method, operation }) {
  const fill = (parameter) =>
    random() < 0.75 && resolve(parameter.schema)?.type !== 'string' ? Math.floor(random() * 40) : value(parameter.schema)
  const parameters = operation.parameters ?? []
  let address = place.replace(/\{([^}]+)\}/g, (_, name) =>
    encodeURIComponent(String(fill(parameters.find((one) => one.name === name.replace(/:.*/, '')) ?? { schema: {} })).slice(0, 300)),
  )
  const query = parameters.filter((one) => one.in === 'query' && random() < 0.6).map((one) => `${one.name}=${encodeURIComponent(String(fill(one)).slice(0, 300))}`)
  if (query.length > 0) address += `?${query.join('&')}`
  const content = operation.requestBody?.content ?? {}
  const type = Object.keys(content)[0]
  if (!type) return { address, method }
  const body =
    type === 'application/json'
      ? random() < 0.03 ? pick(['{', '[1,', 'null', '']) : JSON.stringify(value(content[type].schema))
      : pick(['X:1\nK:C\nCDEF|', '<score-partwise/>', 'MThd', '', '%PDF-1.4', 'PK\x03\x04'])
  return { address, method, body, type }
}

async function fuzz(one, times) {
  const counts = {}
  let slowest = 0
  const pages = operations.filter((operation) => operation.method === 'GET' && !operation.place.includes('{')).map((one) => one.place)
  for (let i = 0; i < times; i++) {
    const sent = request(pick(operations))
    const began = performance.now()
    const answer = await fetch(one.address + sent.address, {
      method: sent.method,
      headers: sent.type ? { 'Content-Type': sent.type } : {},
      body: sent.body,
    }).catch((problem) => wrong(`${sent.method} ${sent.address}: ${problem.message}`))
    if (!answer) continue
    const text = await answer.text()
    slowest = Math.max(slowest, performance.now() - began)
    counts[answer.status] = (counts[answer.status] ?? 0) + 1
    if (answer.status >= 500) wrong(`${answer.status} ${sent.method} ${sent.address} ${sent.body?.slice(0, 400)} ${text.slice(0, 200)}`, new URL(one.address + sent.address).pathname, one)
    // What was accepted must not break what is shown.
    if (answer.ok && sent.method !== 'GET' && i % 4 === 0) {
      const page = pick(pages)
      const shown = await fetch(one.address + page)
      await shown.arrayBuffer()
      if (shown.status >= 500) wrong(`${shown.status} GET ${page} after ${sent.method} ${sent.address} ${sent.body?.slice(0, 400)}`, page, one)
    }
  }
  console.log(`random requests: ${times}, ${Object.entries(counts).map(([status, count]) => `${count} x ${status}`).join(', ')}; slowest ${Math.round(slowest)} ms`)
}

/** A zip with one entry, written by hand (APPNOTE 6.3). */
function zip(name, bytes) {
  const packed = zlib.deflateRawSync(bytes, { level: 9 })
  const crc = zlib.crc32 ? zlib.crc32(bytes) : 0
  const local = Buffer.alloc(30)
  local.writeUInt32LE(0x04034b50, 0), local.writeUInt16LE(20, 4), local.writeUInt16LE(8, 8), local.writeUInt32LE(crc, 14)
  local.writeUInt32LE(packed.length, 18), local.writeUInt32LE(bytes.length, 22), local.writeUInt16LE(name.length, 26)
  const head = Buffer.alloc(46)
  head.writeUInt32LE(0x02014b50, 0), head.writeUInt16LE(20, 4), head.writeUInt16LE(20, 6), head.writeUInt16LE(8, 10), head.writeUInt32LE(crc, 16)
  head.writeUInt32LE(packed.length, 20), head.writeUInt32LE(bytes.length, 24), head.writeUInt16LE(name.length, 28)
  const end = Buffer.alloc(22)
  end.writeUInt32LE(0x06054b50, 0), end.writeUInt16LE(1, 8), end.writeUInt16LE(1, 10), end.writeUInt32LE(46 + name.length, 12)
  end.writeUInt32LE(30 + name.length + packed.length, 16)
  return Buffer.concat([local, Buffer.from(name), packed, head, Buffer.from(name), end])
}

async function bombs(one, piece) {
  const laughs = `<!DOCTYPE x [<!ENTITY a "ha">${Array.from({ length: 30 }, (_, i) => `<!ENTITY ${'b'.repeat(i + 1)} "${`&${i ? 'b'.repeat(i) : 'a'};`.repeat(10)}">`).join('')}]><score-partwise>&${'b'.repeat(30)};</score-partwise>`
  const outside = '<!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/hostname">]><score-partwise><work><work-title>&a;</work-title></work></score-partwise>'
  const zeros = Buffer.alloc(sample ? 64 << 20 : 1 << 30)
  const files = [
    ['entities in entities', Buffer.from(laughs)],
    ['an entity from outside', Buffer.from(outside)],
    ['a zip of a gigabyte of zeros', zip('score.xml', zeros)],
  ]
  for (const [what, bytes] of files) {
    for (const place of [`/api/pieces/${piece}/music/file?name=a.mxl`, '/api/archive']) {
      const [before, began] = [memory(one), performance.now()]
      const answer = await fetch(one.address + place, { method: 'POST', headers: { 'Content-Type': 'application/octet-stream' }, body: bytes })
      const text = await answer.text()
      if (answer.status !== 400) wrong(`${what} to ${place}: ${answer.status} ${text.slice(0, 200)}`)
      if (text.includes(fs.readFileSync('/etc/hostname', 'utf8').trim())) wrong(`${what} was read from outside`)
      console.log(`${what} (${bytes.length} bytes) to ${place.split('?')[0]}: ${answer.status} in ${Math.round(performance.now() - began)} ms, ${Math.round(memory(one) - before)} MB more`)
    }
  }
}

/** A connection of one's own, which says what it wants as slowly as it wants. */
function connect(one, text) {
  const socket = net.connect(Number(new URL(one.address).port), '127.0.0.1', () => socket.write(text))
  socket.on('error', () => {})
  return socket
}

async function connections(one) {
  const count = sample ? 40 : 1000
  const before = memory(one)
  const slow = Array.from({ length: count / 5 }, () => connect(one, 'POST /api/journal HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: 100000\r\n\r\n{'))
  const heads = Array.from({ length: count / 3 }, () => connect(one, 'GET /api/today HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Slow: '))
  const idle = Array.from({ length: count }, () => connect(one, ''))
  await sleep(1500)
  const began = performance.now()
  const answer = await one.ask('POST', '/api/journal', { key: randomUUID(), text: 'Meanwhile.' })
  if (answer.status !== 200) wrong(`with slow and idle connections: ${answer.status}`)
  console.log(`${slow.length} slow bodies, ${heads.length} half heads, ${idle.length} idle connections: a note is kept in ${Math.round(performance.now() - began)} ms, ${Math.round(memory(one) - before)} MB more`)
  for (const socket of [...slow, ...heads, ...idle]) socket.destroy()

  const megabytes = sample ? 20 : 200
  const block = Buffer.alloc(1 << 20, 'x')
  let sent = 0
  const large = new ReadableStream({
    pull(controller) {
      if (sent++ < megabytes) controller.enqueue(block)
      else controller.close()
    },
  })
  const large_before = memory(one)
  const refused = await fetch(`${one.address}/api/journal`, { method: 'POST', duplex: 'half', headers: { 'Content-Type': 'application/json' }, body: large }).catch(() => null)
  if (refused && refused.status !== 413) wrong(`a body of ${megabytes} MB: ${refused.status}`)
  console.log(`a body of ${megabytes} MB: ${refused?.status ?? 'cut off'} after ${sent} MB, ${Math.round(memory(one) - large_before)} MB more`)
}

/** What is attached can be looked at and can run nothing. */
async function attached(one, piece) {
  const script = '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'
  for (const [name, bytes, taken] of [['a.svg', script, false], ['a.html', `<html>${script}`, false], ['a.pdf', `%PDF-1.4\n${script}`, true]]) {
    const answer = await fetch(`${one.address}/api/pieces/${piece}/pages?name=${name}`, { method: 'POST', headers: { 'Content-Type': 'application/octet-stream' }, body: bytes })
    if (answer.ok !== taken) wrong(`${name}: ${answer.status}`)
    if (!answer.ok) continue
    const id = (await answer.json()).id ?? (await one.ask('GET', `/api/pieces/${piece}`)).body.pages?.at(-1)?.id
    const served = await fetch(`${one.address}/api/pages/${id}`)
    const policy = served.headers.get('content-security-policy') ?? ''
    if (!/default-src 'none'/.test(policy) || served.headers.get('x-content-type-options') !== 'nosniff' || !/^application\/pdf/.test(served.headers.get('content-type') ?? ''))
      wrong(`${name} is served as ${served.headers.get('content-type')} with ${policy}`)
  }
  console.log('attachments: pictures and PDF alone are taken, and are served so that nothing in them runs')
}

try {
  console.log(`seed ${seed}`)
  const one = new Server(folder())
  await one.up()
  await one.ask('PUT', '/api/profile', player)
  const piece = (await one.ask('POST', '/api/materials', { kind: 'Piece', title: '<b>Mill</b>', toBar: 32 })).body.id
  for (let bar = 1; bar < 9; bar++) await one.ask('POST', '/api/materials', { kind: 'Passage', title: '', pieceId: piece, fromBar: bar, toBar: bar })
  await bombs(one, piece)
  await attached(one, piece)
  await connections(one)
  await fuzz(one, sample ? 300 : Number(process.argv[3] ?? 10_000))
  if ((await one.ask('GET', '/api/today')).status !== 200) wrong('no plan any more')
  console.log(`memory at the end: ${Math.round(memory(one))} MB`)
  await one.kill()
} finally {
  leave()
}
console.log(failures === 0 ? 'nothing failed' : `${failures} WRONG`)
process.exit(failures === 0 ? 0 : 1)
