import { describe, expect, it } from 'vitest'
import type { KeyedPart } from './PartRow'
import { bare } from './WarmUpEditor'

describe('the parts of a warm-up as they are kept', () => {
  it('are what the editor shows, the drone of each part too', () => {
    const part: KeyedPart = {
      key: 'a',
      element: 'Movement',
      title: 'Shift drill',
      how: 'one octave up and down',
      minutes: 3,
      core: true,
      fromRepertoire: false,
      materialId: null,
      drone: 'With',
    }
    const shown: Partial<KeyedPart> = { ...part }
    delete shown.key
    expect(bare([part])).toEqual([shown])
  })
})
