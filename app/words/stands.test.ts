import { beforeEach, describe, expect, it } from 'vitest'
import { assess } from '#core/pipeline/assess'
import { pieceFigures, type PieceFigures } from '#core/pipeline/summary'
import type { UseKind } from '#core/physics/set/bands'
import { formula, kitchen, YOLK_CURD } from '../../tests/support/core'
import type { KitchenRecord } from '../../shared/kitchen'
import { useFormat } from '../composables/useFormat'
import { useKitchenStore } from '../stores/kitchen'
import { coldWords, faceWord, plateWords, rangeWords, wantedWords } from './stands'
import { besideWords, eggWords, packWords } from './stock'

const state = { slump: 0, tempC: 4, standsM: 0.0583, cutsM: 0.0291, ringSlumpM: 0.0124 }
const piece = (use: UseKind, over: Partial<PieceFigures> = {}): PieceFigures => ({
  use, heightM: 0.025, widthM: 0.06, crustM: 0, crustForm: 'shell', cold: state, plate: { ...state, standsM: 0.014 }, ...over,
})

describe('what a set does, in millimetres', () => {
  const fmt = () => useFormat()
  beforeEach(() => useKitchenStore().take({ settings: { temperatureUnit: 'C' } } as unknown as KitchenRecord))
  it.each([
    ['cut', 'cuts to 29 mm', 'does not cut'],
    ['turnedOut', 'turns out to 29 mm', 'does not turn out'],
    ['piped', 'pipes to 29 mm', 'holds no peak'],
    ['glass', 'a ring sinks 12 mm', 'a ring sinks 12 mm'],
    ['spooned', 'a ring sinks 12 mm', 'a ring sinks 12 mm'],
  ] as const)('%s: from the fridge “%s”, or “%s”', (use, words, none) => {
    expect(coldWords(piece(use), fmt())).toBe(words)
    // Just under a millimetre is no piece; just over is one.
    expect(coldWords(piece(use, { cold: { ...state, cutsM: 0.00099 } }), fmt())).toBe(none)
    expect(coldWords(piece(use, { cold: { ...state, cutsM: 0.00101 } }), fmt())).not.toBe(use === 'cut' ? none : '')
  })
  it('on the plate it stands to so much; nobody cuts over 20 cm', () => {
    expect(plateWords(piece('cut'), fmt())).toBe('stands to 14 mm')
    expect(coldWords(piece('cut', { cold: { ...state, cutsM: 0.21 } }), fmt())).toBe('cuts to over 200 mm')
  })
  it('under the drawing: a slice sags, a glass keeps a spoon\'s hole or not, a heap settles', () => {
    const words = (use: UseKind, slump: number) => faceWord(piece(use), { slump }, false, fmt())
    expect([words('cut', 0), words('cut', 0.2), words('cut', 0.8)]).toEqual(['stands', 'sags 5 mm', 'runs'])
    expect([words('glass', 0), words('glass', 0.3), words('glass', 0.8)])
      .toEqual(['a spoon’s hole stays', 'a spoon’s hole rounds', 'a spoon’s hole fills'])
    expect(words('spooned', 0.2)).toBe('a spoonful settles to 20 mm')
    expect(words('spooned', 0.01)).toBe('a spoonful stands')
    expect(words('cut', 0.0049)).toBe('stands')
    expect(words('cut', 0.0051)).toBe('sags 1 mm')
  })
  it('a sauce may run, and is said to; one that holds is measured', () => {
    const over = (over: object) => piece('over', over)
    expect(coldWords(over({ cold: { ...state, slump: 0.8 } }), fmt())).toBe('runs')
    expect(coldWords(over({ cold: { ...state, slump: 0.7, ringSlumpM: 0.03 } }), fmt())).toBe('a ring sinks 30 mm')
    expect(plateWords(over({ plate: { ...state, slump: 0.76 } }), fmt())).toBe('runs')
    const doc = formula(YOLK_CURD, () => {}, { use: 'over' })
    const a = assess(doc, kitchen)
    expect(wantedWords(a, pieceFigures(doc, a), fmt())).toMatch(/^It may run; a ring sinks \d+ mm or more\.$/)
    expect([rangeWords(a, 'over', [1, 2], fmt()), rangeWords(a, 'over', [1, 200], fmt())])
      .toEqual(['it runs', expect.stringMatching(/^a ring sinks /)])
  })
  it('packs are counted, one is one', () => {
    expect([1, 5, 2.4].map(n => packWords(n, fmt()))).toEqual(['1 pack', '5 packs', '2.4 packs'])
  })
  it('what is wanted, and where eight in ten lie, belong to what was computed', () => {
    for (const use of ['cut', 'glass'] as const) {
      const doc = formula(YOLK_CURD, () => {}, { use })
      const a = assess(doc, kitchen)
      const p = pieceFigures(doc, a)
      expect(wantedWords(a, p, fmt())).toMatch(use === 'cut' ? /^Yours is \d+ mm high\.$/ : /^Wanted: (\d+–\d+ mm|\d+ mm at most), cold\.$/)
      const tau = a.verdict.plate.tauPa.value
      // At the very stress it has, the range is what it stands to, or how far its ring sinks.
      const shown = Math.round(1000 * (use === 'cut' ? a.verdict.plate.standsM : a.verdict.plate.ringSlumpM))
      expect(rangeWords(a, use, [tau, tau], fmt())).toContain(`${shown}–${shown} mm`)
    }
  })
})

describe('cups, spoons and shells in words', () => {
  it('quarters of a cup, halves of a spoon; one yolk, nine yolks', () => {
    expect(besideWords({ ml: 0, cups: 1.25, tablespoons: 2, teaspoons: 0.5 })).toBe('1¼ cups + 2 tbsp + ½ tsp')
    expect(besideWords({ ml: 0, cups: 0.75, tablespoons: 0, teaspoons: 0 })).toBe('¾ cup')
    expect(besideWords({ ml: 0, cups: 0, tablespoons: 0, teaspoons: 0 })).toBe('')
    expect([eggWords('yolk', 1), eggWords('yolk', 9), eggWords('whole', 2)]).toEqual(['1 yolk', '9 yolks', '2 eggs'])
  })
})
