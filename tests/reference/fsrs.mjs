// Writes fsrs.json: review sequences replayed by ts-fsrs 5.4.2 (FSRS-6), short-term steps and fuzz off.
// Run: npm ci && node fsrs.mjs
import { writeFileSync } from 'node:fs'
import { fsrs, generatorParameters, createEmptyCard } from 'ts-fsrs'

let seed = 20240615
const next = () => ((seed = (seed * 1103515245 + 12345) % 2147483648) / 2147483648)
const sequences = []
for (const retention of [0.8, 0.9, 0.95]) {
  for (let n = 0; n < 40; n++) {
    const scheduler = fsrs(
      generatorParameters({
        request_retention: retention,
        enable_fuzz: false,
        enable_short_term: false,
        maximum_interval: 36500,
      }),
    )
    let card = createEmptyCard(new Date('2020-01-01T12:00:00Z'))
    let now = new Date('2020-01-01T12:00:00Z')
    const visits = []
    for (let step = 0; step < 12; step++) {
      const grade = 1 + Math.floor(next() * 4)
      const gap = step === 0 ? 0 : 1 + Math.floor(next() * (step % 3 === 0 ? 60 : 8))
      now = new Date(now.getTime() + gap * 86400000)
      const before = step === 0 ? null : scheduler.get_retrievability(card, now, false)
      card = scheduler.next(card, now, grade).card
      visits.push({
        gap,
        grade,
        retrievability: before,
        stability: card.stability,
        difficulty: card.difficulty,
        interval: card.scheduled_days,
      })
    }
    sequences.push({ retention, visits })
  }
}
writeFileSync(new URL('fsrs.json', import.meta.url), JSON.stringify(sequences))
