/**
 * How yellow a filling is: the yolk's colour against what scatters light over it, milk fat above all, white a little.
 * Ordered by how cooks see them; the numbers are judgement (L).
 */
import { hasTrait, part } from '../../base/ingredients/ingredients'
import type { Mix } from './mix'

export const COLOURS = ['ivory', 'pale', 'yellow', 'deep'] as const
export type ColourWord = (typeof COLOURS)[number]
const EDGES = [0.12, 0.35, 0.6] as const
/** Light that is lost to white, against that which a per cent of yolk colours: milk fat, egg white, and any mix. */
const PALES = { milkFat: 0.35, white: 0.5, any: 4 } as const
/** Yolk of a whole egg, share (the grades' own: 17 of 50 g); the rest is white. */
const YOLK_OF_EGG = 0.34

/** Colour to stir in, g/kg: drops in what holds water; in cocoa butter and chocolate only what dissolves in fat. */
export const DOSE_G_PER_KG = { water: 1, fat: 5 } as const
/** Drier than this it takes fat-soluble colour, water share. */
const DRY = 0.05

export interface Colour {
  word: ColourWord
  /** 0 white to 1 all yolk. */
  yellow: number
  /** What would colour it, and how much of it for the whole, g. */
  dose: { kind: keyof typeof DOSE_G_PER_KG, massG: number }
}

/**
 * Colour of a mix. @example colourOf(cream).word // 'ivory'
 */
export function colourOf(m: Mix): Colour {
  const percent = (g: number) => (100 * g) / Math.max(1e-9, m.massG)
  const of = (share: (id: string) => number) => percent(m.parts.reduce((s, p) => s + p.massG * share(p.row.id), 0))
  const isWhole = (id: string) => hasTrait(id, 'wholeEgg')
  const yolk = of(id => (isWhole(id) ? YOLK_OF_EGG : hasTrait(id, 'yolk') ? 1 : 0))
  const white = of(id => (isWhole(id) ? 1 - YOLK_OF_EGG : hasTrait(id, 'white') ? 1 : 0))
  const milkFat = percent(m.parts.reduce((s, p) => s + (p.massG * part(p.row, 'milkFat')) / 100, 0))
  const yellow = yolk / (yolk + PALES.milkFat * milkFat + PALES.white * white + PALES.any)
  const kind = m.grams.water / Math.max(1e-9, m.massG) < DRY ? 'fat' : 'water'
  return {
    word: COLOURS[EDGES.filter(e => yellow >= e).length]!, yellow,
    dose: { kind, massG: (DOSE_G_PER_KG[kind] * m.massG) / 1000 },
  }
}
