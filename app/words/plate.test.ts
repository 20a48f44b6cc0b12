import { describe, expect, it } from 'vitest'
import { DESSERT_KINDS, dessertOf } from '#core/plate/kinds'
import { type Plate, plateOf } from '#core/plate/plate'
import { counter, kitchen } from '../../tests/support/core'
import {
  BEGUN_NAMES, buildWords, hoursWords, KIND_WORDS, leakWords, partName, plateVerdict, spareWords, standsWords,
} from './plate'

const fmt = {
  temp: (c: number) => `${Math.round(c)} °C`, duration: (s: number) => `${Math.round(s / 60)} min`,
  grams: (g: number) => `${g.toFixed(1)} g`, percent: (s: number) => `${Math.round(100 * s)} %`,
} as never
const plates = new Map(DESSERT_KINDS.map(k => [k, plateOf(dessertOf(k, kitchen, BEGUN_NAMES, counter(k)), kitchen)]))
const trifle = plates.get('trifle')!
const over = (more: Partial<Plate>): Plate => ({ ...trifle, ...more })

describe('a whole dessert in words', () => {
  it.each(DESSERT_KINDS)('%s: every step, leak and part is said whole, with no key and no hole in it', (kind) => {
    const plate = plates.get(kind)!
    const said = [
      KIND_WORDS[kind].name, KIND_WORDS[kind].how, plateVerdict(plate),
      ...plate.build.flatMap(s => [buildWords(s, plate.parts, fmt).what, buildWords(s, plate.parts, fmt).why]),
      ...plate.leaks.map(l => leakWords(l, plate.parts, fmt)),
      ...plate.spares.uses.map(u => spareWords(u, plate.parts, fmt)),
      ...plate.parts.flatMap(p => [partName(p), standsWords(p, fmt)]),
    ]
    for (const text of said) expect(text).not.toMatch(/plate\.[A-Za-z]|\{|undefined|NaN/)
    for (const s of plate.build) expect(buildWords(s, plate.parts, fmt).what.length).toBeGreaterThan(3)
  })
  it('a bowl too small says its litres, up for what is needed, down for what there is, and the factor down', () => {
    const room = { neededM3: 0.003401, holdsM3: 0.002599, factor: 0.7642 }
    expect(plateVerdict(over({ verdict: { code: 'overflows', partId: null }, room })))
      .toBe('It needs 3.5 l and there is room for 2.5 l: a larger vessel, or × .76.')
  })
  it('names the part that fails, sinks or goes soft, with its hours', () => {
    const [sponge] = trifle.parts
    const verdict = (code: 'partFails' | 'sinks') => plateVerdict(over({ verdict: { code, partId: sponge!.id } }))
    expect([verdict('partFails'), verdict('sinks')].every(t => t.startsWith('Sponge layer'))).toBe(true)
    const leak = { ...trifle.leaks[0]!, intoId: sponge!.id, softH: 6.4 }
    expect(plateVerdict(over({ verdict: { code: 'goesSoft', partId: sponge!.id }, leaks: [leak] }))).toContain('6 h')
    expect([hoursWords(1.9), hoursWords(2)]).toEqual(['114 min', '2 h'])
  })
  it('a pour says its limits, and that it must cool first', () => {
    const pour = { code: 'pour' as const, partId: null, onId: null, leastC: 22, mostC: 36, fromC: 60, timeS: 0, why: null }
    expect(buildWords(pour, [], fmt).how).toBe('at 22 °C to 36 °C; it leaves its heat at 60 °C, so let it cool first')
    expect(buildWords({ ...pour, leastC: null, fromC: 30 }, [], fmt).how).toBe('at 36 °C or cooler')
    expect(buildWords({ ...pour, mostC: null, fromC: 20 }, [], fmt).how)
      .toBe('at 22 °C or warmer; it leaves its heat at 20 °C: warm it a little')
  })
})
