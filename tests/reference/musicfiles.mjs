// Reads music files of a folder with outside readers and prints their notes as JSON: MusicXML with npm's musicxml-io, MIDI with npm's
// midi-file, each tune of an ABC file with Debian's abc2midi and then as MIDI. A note is [MIDI number, begin, length] in whole notes.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { extname, join } from 'node:path'
import { parseMidi } from 'midi-file'
import { parseAuto } from 'musicxml-io'

const folder = process.argv[2]
const steps = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 }

function pitchOf(entry) {
  const at = entry.pitch ?? { step: entry.unpitched.displayStep ?? 'B', octave: entry.unpitched.displayOctave ?? 4 }
  return 12 * (at.octave + 1) + steps[at.step] + Math.round(at.alter ?? 0)
}

const isTied = (entry) =>
  [entry.tie, ...(entry.ties ?? [])].some((tie) => tie?.type === 'start') ||
  (entry.notations ?? []).some((one) => one.type === 'tied' && one.tiedType === 'start')

function ofPart(part) {
  const heads = []
  let [divisions, bar] = [1, 0]
  for (const measure of part.measures) {
    divisions = measure.attributes?.divisions ?? divisions
    let [at, last, end] = [0, 0, 0]
    for (const entry of measure.entries) {
      if (entry.type === 'attributes') divisions = entry.attributes?.divisions ?? divisions
      if (entry.type === 'backup') at -= entry.duration / divisions / 4
      if (entry.type === 'forward') at += entry.duration / divisions / 4
      if (entry.type === 'note' && !entry.grace) {
        const length = (entry.duration ?? 0) / divisions / 4
        const begin = entry.chord ? last : at
        if ((entry.pitch || entry.unpitched) && !entry.cue && entry.printObject !== false) heads.push({ pitch: pitchOf(entry), at: bar + begin, length, tied: isTied(entry) })
        last = begin
        if (!entry.chord) at += length
      }
      end = Math.max(end, at)
    }
    bar += end
  }
  return joined(heads)
}

// Heads that are tied sound as one note.
function joined(heads) {
  heads.sort((a, b) => a.at - b.at || a.pitch - b.pitch)
  const notes = []
  let held = []
  for (const head of heads) {
    const before = held.find((note) => note[0] === head.pitch && Math.abs(note[1] + note[2] - head.at) < 0.004)
    let note = [head.pitch, head.at, head.length]
    if (before) {
      held = held.filter((other) => other !== before)
      before[2] += head.length
      note = before
    } else notes.push(note)
    if (head.tied) held.push(note)
  }
  return notes
}

// The notes of each channel of each track; a note that is struck again while it sounds ends there.
function ofMidi(bytes) {
  const file = parseMidi(bytes)
  const whole = 4 * file.header.ticksPerBeat
  return file.tracks.flatMap((track) => {
    const channels = new Map()
    const open = new Map()
    let tick = 0
    for (const event of track) {
      tick += event.deltaTime
      if (event.type !== 'noteOn' && event.type !== 'noteOff') continue
      const key = `${event.channel} ${event.noteNumber}`
      const begun = open.get(key)
      open.delete(key)
      if (begun !== undefined && tick > begun) {
        if (!channels.has(event.channel)) channels.set(event.channel, [])
        channels.get(event.channel).push([event.noteNumber, begun / whole, (tick - begun) / whole])
      }
      if (event.type === 'noteOn' && event.velocity > 0) open.set(key, tick)
    }
    return [...channels].sort((a, b) => a[0] - b[0]).map(([, notes]) => ({ notes }))
  })
}

// What is no note of the tune, or changes how a program plays it, is taken away: accompaniment, ornaments, swing.
const plain = (tune) =>
  tune
    .split('\n')
    .filter((line) => !/^(%%(?!score|staves)|R:|[wWsNHOZCSDFABrI]:)/.test(line))
    .map((line) =>
      /^[A-Za-z]:/.test(line)
        ? line.replace(/\[(V:[^\]]*)\]/g, '[$1]')
        : line
            .replace(/"[^"]*"/g, '')
            .replace(/!(?!\/)[^!\n\s]*!/g, '')
            .replace(/\{[^}]*\}/g, '')
            .replace(/[~HLMOPRSTuvJ.]+(?=[\^_=A-Ga-g[({"])/g, ''),
    )
    .map((line) => (/^K:/.test(line) ? `${line}\n%%MIDI gchordoff\n%%MIDI chordattack 0\n%%MIDI nobeataccents` : line))
    .join('\n')

function tunesOf(text) {
  const lines = text.replace(/\r\n?/g, '\n').split('\n')
  const [head, tunes] = [[], []]
  let open = null
  for (const line of lines) {
    if (/^X:/.test(line)) tunes.push((open = [line]))
    else if (open && line.trim() === '') open = null
    else if (open) open.push(line)
    else if (tunes.length === 0 && /^[ML]:/.test(line)) head.push(line)
  }
  return tunes.filter((tune) => tune.some((line) => /^K:/.test(line))).map((tune) => [tune[0], ...head, ...tune.slice(1)].join('\n'))
}

function ofAbc(text) {
  const work = mkdtempSync(join(tmpdir(), 'tunes-'))
  const found = tunesOf(text).map((tune) => {
    const path = join(work, 'tune.abc')
    writeFileSync(path, `${plain(tune)}\n`)
    let said = ''
    try {
      said = execFileSync('abc2midi', [path, '-o', `${path}.mid`, '-silent'], { encoding: 'utf8', timeout: 20000 })
      const tracks = ofMidi(readFileSync(`${path}.mid`))
      return { said: said.split('\n').filter((line) => /error/i.test(line)), notes: tracks.flatMap((track) => track.notes) }
    } catch (problem) {
      return { said: [String(problem.message).slice(0, 200)], notes: [] }
    }
  })
  rmSync(work, { recursive: true })
  return found
}

const found = {}
for (const file of readdirSync(folder).sort()) {
  const bytes = readFileSync(join(folder, file))
  try {
    if (['.xml', '.mxl', '.musicxml'].includes(extname(file))) found[file] = parseAuto(new Uint8Array(bytes)).parts.map((part) => ({ notes: ofPart(part) }))
    if (extname(file) === '.mid') found[file] = ofMidi(bytes)
    if (extname(file) === '.abc') found[file] = ofAbc(bytes.toString('latin1').includes('Ã') ? bytes.toString('utf8') : bytes.toString('latin1'))
  } catch (problem) {
    found[file] = { failed: String(problem.message) }
  }
}
process.stdout.write(JSON.stringify(found))
