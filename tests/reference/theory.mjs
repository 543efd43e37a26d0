// Writes theory.json: scales, chords, intervals and keys as npm's tonal 6.5.0 spells them. Run: npm ci && node theory.mjs
import { readFileSync, writeFileSync } from 'node:fs'
import { runInThisContext } from 'node:vm'

// The package names an entry that it does not hold; its bundle for browsers is whole.
runInThisContext(readFileSync('node_modules/tonal/browser/tonal.min.js', 'utf8'))
const { Chord, Interval, Key, Scale } = globalThis.Tonal ?? runInThisContext('Tonal')

const majors = ['Cb', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#']
const minors = ['Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#', 'G#', 'D#', 'A#']
const kinds = {
  major: 'major',
  'natural-minor': 'aeolian',
  'harmonic-minor': 'harmonic minor',
  'melodic-minor': 'melodic minor',
  dorian: 'dorian',
  phrygian: 'phrygian',
  lydian: 'lydian',
  mixolydian: 'mixolydian',
  locrian: 'locrian',
  'major-pentatonic': 'major pentatonic',
  'minor-pentatonic': 'minor pentatonic',
  blues: 'minor blues',
  'whole-tone': 'whole tone',
  'half-whole': 'half-whole diminished',
  'whole-half': 'whole-half diminished',
}
const chords = {
  major: 'M',
  minor: 'm',
  diminished: 'dim',
  augmented: 'aug',
  'dominant-seventh': '7',
  'major-seventh': 'maj7',
  'minor-seventh': 'm7',
  'half-diminished': 'm7b5',
  'diminished-seventh': 'dim7',
  'minor-major-seventh': 'mMaj7',
  'augmented-major-seventh': 'maj7#5',
}
const symbols = [
  '5', 'sus2', 'sus4', '6', 'm6', '69', 'm69', 'Madd9', 'madd9', '7sus4', '9sus4', '9', 'maj9', 'm9', 'mMaj9', '11', 'm11', '13',
  'maj13', 'm13', '7b5', '7#5', '7b9', '7#9', '7#11', '7b13', '7#5b9', '7#5#9', '9#11', 'maj7#11', 'maj9#11', 'alt7',
]
const tonicsOf = (id) => (/minor|dorian|phrygian|locrian|blues/.test(id) ? minors : majors)
const scales = Object.entries(kinds).flatMap(([id, name]) =>
  tonicsOf(id).map((tonic) => ({ id, tonic, notes: Scale.get(`${tonic} ${name}`).notes })),
)
const spelled = Object.entries(chords).flatMap(([id, name]) =>
  majors.map((root) => ({ id, root, notes: Chord.getChord(name, root).notes })),
)
const written = symbols.flatMap((name) =>
  majors.map((root) => ({ id: name, root, notes: Chord.getChord(name, root).notes })),
)
const names = 'CDEFGAB'.split('').flatMap((letter) => ['bb', 'b', '', '#', '##'].map((sign) => letter + sign))
const intervals = names.flatMap((from) =>
  names.map((to) => {
    const name = Interval.distance(`${from}4`, `${to}5`)
    return { from: `${from}4`, to: `${to}5`, name, semitones: Interval.semitones(name) }
  }),
)
const signatures = [
  ...majors.map((tonic) => ({ tonic, minor: false, alteration: Key.majorKey(tonic).alteration, relative: Key.majorKey(tonic).minorRelative })),
  ...minors.map((tonic) => ({ tonic, minor: true, alteration: Key.minorKey(tonic).alteration, relative: Key.minorKey(tonic).relativeMajor })),
]
const degrees = majors.map((tonic) => ({ tonic, triads: Key.majorKey(tonic).triads, sevenths: Key.majorKey(tonic).chords }))
writeFileSync('theory.json', JSON.stringify({ scales, chords: spelled, symbols: written, intervals, signatures, degrees }))
