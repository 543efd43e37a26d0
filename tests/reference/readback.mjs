// Reads every .mid, .musicxml and .abc of a folder with outside readers and prints their notes as JSON:
// MIDI with npm's @tonejs/midi, MusicXML with npm's musicxml-io, ABC with Debian's abc2midi and then as MIDI.
import { execFileSync } from 'node:child_process'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import midi from '@tonejs/midi'
import { parse, validate } from 'musicxml-io'

const folder = process.argv[2]
const steps = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 }

function ofMidi(bytes) {
  const file = new midi.Midi(bytes)
  const notes = file.tracks.flatMap((track) => track.notes)
  return {
    division: file.header.ppq,
    tempo: file.header.tempos[0]?.bpm ?? null,
    key: file.header.keySignatures[0] ?? null,
    notes: notes.map((note) => [note.midi, note.ticks, note.durationTicks]).sort((a, b) => a[1] - b[1] || a[0] - b[0]),
  }
}

function ofMusicXml(text) {
  const score = parse(text)
  const notes = []
  let divisions = 1
  let at = 0
  for (const measure of score.parts[0].measures) {
    divisions = measure.attributes?.divisions ?? divisions
    let last = at
    for (const entry of measure.entries) {
      if (entry.type !== 'note') continue
      const start = entry.chord ? last : at
      if (entry.pitch) notes.push([12 * (entry.pitch.octave + 1) + steps[entry.pitch.step] + (entry.pitch.alter ?? 0), start, entry.duration])
      last = start
      if (!entry.chord) at += entry.duration
    }
  }
  const checked = validate(score)
  return { division: divisions, errors: (checked.errors ?? []).map((error) => error.message ?? String(error)), notes }
}

const found = {}
for (const file of readdirSync(folder).sort()) {
  const path = join(folder, file)
  if (file.endsWith('.mid') && !file.endsWith('.abc.mid')) found[file] = ofMidi(readFileSync(path))
  if (file.endsWith('.musicxml')) found[file] = ofMusicXml(readFileSync(path, 'utf8'))
  if (file.endsWith('.abc')) {
    // Without this it breaks chords a little, as a hand would.
    writeFileSync(path, readFileSync(path, 'utf8').replace('X:1\n', 'X:1\n%%MIDI chordattack 0\n'))
    const said = execFileSync('abc2midi', [path, '-o', `${path}.mid`], { encoding: 'utf8' })
    const read = ofMidi(readFileSync(`${path}.mid`))
    // abc2midi begins every note one tick late and ends it on time.
    read.notes = read.notes.map(([pitch, at, length]) => [pitch, at - 1, length + 1])
    found[file] = { ...read, said: said.split('\n').filter((line) => /error|warning/i.test(line)) }
  }
}
process.stdout.write(JSON.stringify(found))
