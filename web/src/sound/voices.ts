import type { Schemas } from '../api/client'

type Voice = Schemas['ClickVoice']

const clicks = [
  { hertz: 880, loud: 0.16 },
  { hertz: 1320, loud: 0.4 },
  { hertz: 1760, loud: 0.5 },
  { hertz: 2093, loud: 0.62 },
]

const made = new WeakMap<BaseAudioContext, Map<string, AudioBuffer>>()

/** A sound is reckoned once and then kept: a groove strikes it hundreds of times. */
function once(context: BaseAudioContext, name: string, make: () => AudioBuffer): AudioBuffer {
  const all = made.get(context) ?? new Map<string, AudioBuffer>()
  made.set(context, all)
  const kept = all.get(name) ?? make()
  all.set(name, kept)
  return kept
}

export const clickBuffer = (context: BaseAudioContext, voice: Voice, level: number) =>
  once(context, `${voice} ${level}`, () => makeClick(context, voice, level))

export const strokeBuffer = (
  context: BaseAudioContext,
  line: number,
  lines: number,
  stroke: Schemas['Stroke'],
) => once(context, `${line} of ${lines}, ${stroke}`, () => makeStroke(context, line, lines, stroke))

/** Every sound starts at once with its first sample, so that what is heard is where it was put. */
function makeClick(context: BaseAudioContext, voice: Voice, level: number): AudioBuffer {
  const length = Math.round(context.sampleRate * (voice === 'Drums' ? 0.16 : 0.045))
  const buffer = context.createBuffer(1, length, context.sampleRate)
  const data = buffer.getChannelData(0)
  for (let i = 0; i < length; i++) {
    const at = i / context.sampleRate
    data[i] = voice === 'Drums' ? drum(at, level) : beep(at, level)
  }
  return buffer
}

function beep(at: number, level: number) {
  const { hertz, loud } = clicks[level] ?? clicks[1]!
  return loud * Math.cos(2 * Math.PI * hertz * at) * Math.exp(-at * 110)
}

/** First beat and group: a low drum; other beats: a snare; parts of a beat: a hat. */
function drum(at: number, level: number) {
  if (level >= 2)
    return 0.8 * Math.cos(2 * Math.PI * (52 + 70 * Math.exp(-at * 38)) * at) * Math.exp(-at * 24)
  const noise = pseudoNoise(at * 44100)
  return level === 1
    ? 0.42 * (0.55 * noise + 0.45 * Math.cos(2 * Math.PI * 190 * at)) * Math.exp(-at * 34)
    : 0.14 * noise * Math.exp(-at * 90)
}

/** The same noise every time; the first sample is at full height. */
function pseudoNoise(index: number) {
  const value = Math.sin(Math.floor(index) * 12.9898 + 1.57) * 43758.5453
  return index < 1 ? 1 : 2 * (value - Math.floor(value)) - 1
}

const strokes = { None: 0, Soft: 0.22, Plain: 0.45, Strong: 0.75 }

/** A stroke of a groove: the lowest line a low drum, the highest a dry one, between them in steps. */
function makeStroke(
  context: BaseAudioContext,
  line: number,
  lines: number,
  stroke: Schemas['Stroke'],
): AudioBuffer {
  const length = Math.round(context.sampleRate * 0.2)
  const buffer = context.createBuffer(1, length, context.sampleRate)
  const data = buffer.getChannelData(0)
  const height = lines === 1 ? 0.5 : 1 - line / (lines - 1)
  const hertz = 75 * 2 ** (height * 2.2)
  for (let i = 0; i < length; i++) {
    const at = i / context.sampleRate
    const tone = Math.cos(2 * Math.PI * hertz * (1 + 0.6 * Math.exp(-at * 60)) * at)
    const skin = pseudoNoise(at * 44100) * Math.exp(-at * 160)
    data[i] =
      strokes[stroke] * ((1 - 0.5 * height) * tone + 0.5 * height * skin) * Math.exp(-at * (18 + 26 * height))
  }
  return buffer
}
