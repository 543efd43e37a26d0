// Writes ear.json: what the items of the ear sound like by npm's tonal 6.5.0, as semitones. Run: npm ci && node ear.mjs
import { readFileSync, writeFileSync } from 'node:fs'
import { runInThisContext } from 'node:vm'

runInThisContext(readFileSync('node_modules/tonal/browser/tonal.min.js', 'utf8'))
const { Chord, Interval, Key, Note, RomanNumeral, Scale } = globalThis.Tonal ?? runInThisContext('Tonal')

const intervals = Object.fromEntries(
  Object.entries({
    'minor second': '2m', 'major second': '2M', 'minor third': '3m', 'major third': '3M', fourth: '4P', tritone: '4A', fifth: '5P',
    'minor sixth': '6m', 'major sixth': '6M', 'minor seventh': '7m', 'major seventh': '7M', octave: '8P',
  }).map(([name, short]) => [name, Interval.semitones(short)]),
)
const chords = Object.fromEntries(
  Object.entries({
    major: 'M', minor: 'm', diminished: 'dim', augmented: 'aug', 'dominant-seventh': '7', 'major-seventh': 'maj7',
    'minor-seventh': 'm7', 'half-diminished': 'm7b5', 'diminished-seventh': 'dim7', 'minor-major-seventh': 'mMaj7',
  }).map(([id, name]) => [id, Chord.getChord(name, 'C').intervals.map(Interval.semitones)]),
)
const scales = Object.fromEntries(
  Object.entries({
    major: 'major', 'natural-minor': 'aeolian', 'harmonic-minor': 'harmonic minor', 'major-pentatonic': 'major pentatonic',
    dorian: 'dorian', 'minor-pentatonic': 'minor pentatonic', mixolydian: 'mixolydian', 'melodic-minor': 'melodic minor',
    phrygian: 'phrygian', lydian: 'lydian', blues: 'minor blues', 'whole-tone': 'whole tone', locrian: 'locrian',
  }).map(([id, name]) => [id, Scale.get(`C ${name}`).intervals.map(Interval.semitones)]),
)
const above = (notes) => notes.map((note) => Note.chroma(note))
const major = above(Key.majorKey('C').scale)
const minor = above(Key.minorKey('C').natural.scale)
const romans = Object.fromEntries(
  ['I', 'ii', 'iii', 'IV', 'V', 'vi', 'i', 'iv'].map((name) => {
    const root = RomanNumeral.get(name)
    const notes = Chord.getChord(root.major ? 'M' : 'm', Note.transpose('C', root.interval)).notes
    return [name, above(notes)]
  }),
)
writeFileSync('ear.json', JSON.stringify({ intervals, chords, scales, major, minor, romans }))
