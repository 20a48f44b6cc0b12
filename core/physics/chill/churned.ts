/**
 * A mix churned and frozen: its sugar, solids and freezing point, how much of it is ice in the scooping cabinet, and
 * what that means for the scoop. Ice by its freezing point, as everything frozen here (`freezing.ts`).
 */
import { findIngredient } from '../../base/ingredients/ingredients'
import { bracketOf } from '../../base/solveFor'
import { brix, mix, type Mix, type MixPart } from '../matter/mix'
import { waterActivityOf } from '../matter/solutes'
import { fractionsOf } from '../thermal/properties'
import { freezingOf } from './freezing'

/** A scooping cabinet, °C (common practice). */
export const CABINET_C = -12
export const SCOOPS = ['runs', 'scoops', 'hard'] as const
export type Scoop = (typeof SCOOPS)[number]
/** Ice of the whole weight in the cabinet: under the first it runs, over the second it is hard (fitted to practice). */
export const SCOOP_ICE: readonly [number, number] = [0.4, 0.56]
/** Solids under the first are icy, over the second gummy, shares (common practice). */
export const SOLIDS: readonly [number, number] = [0.22, 0.42]

export interface Churned {
  brix: number
  /** Share of its weight that is neither water nor alcohol. */
  solids: number
  freezingC: number
  /** Ice at the cabinet's temperature, share of the whole weight. */
  ice: number
  scoop: Scoop
  body: 'icy' | 'good' | 'gummy'
  /** Where it scoops, °C. */
  scoopsAtC: number
  /** Sugar to add to all of it for the scoop (negative: to leave out), g; null: it scoops, or none of it helps. */
  sugarG: number | null
}

/** Ice of a mix at a temperature, share of its weight. */
export function iceShare(m: Mix, tempC: number): number {
  const f = fractionsOf(m)
  return Math.max(0, f.water - 0.4 * f.protein) * freezingOf(f, waterActivityOf(m)).ice(tempC)
}
const scoopOf = (ice: number): Scoop => (ice < SCOOP_ICE[0] ? 'runs' : ice > SCOOP_ICE[1] ? 'hard' : 'scoops')
const MIDDLE = (SCOOP_ICE[0] + SCOOP_ICE[1]) / 2
const LOWEST_C = -30

/** Grams of sugar that bring the ice to the middle of what scoops. */
function sugarFor(m: Mix): number | null {
  const row = findIngredient('sugar')!
  const plain = { kind: 'typical' as const }
  const has = m.parts.find(p => p.row.id === 'sugar')?.massG ?? 0
  const at0 = m.parts.findIndex(p => p.row.id === 'sugar')
  const withMore = (g: number): Mix => mix(at0 < 0
    ? [...m.parts, { row, massG: g, strength: plain } as MixPart]
    : m.parts.map((p, i) => (i === at0 ? { ...p, massG: p.massG + g } : p)))
  const most = m.massG
  const at = (g: number) => iceShare(withMore(g), CABINET_C)
  if (at(-has * 0.999) < MIDDLE || at(most) > MIDDLE) return null
  return bracketOf(g => at(g) > MIDDLE, -has * 0.999, most).middle
}

/**
 * A mix as it comes out of the churn. @example churnedOf(cream).scoop // 'scoops'
 */
export function churnedOf(m: Mix): Churned {
  const f = fractionsOf(m)
  const ice = iceShare(m, CABINET_C)
  const scoop = scoopOf(ice)
  const solids = 1 - f.water - m.ethanolG / m.massG
  return {
    brix: brix(m), solids, freezingC: freezingOf(f, waterActivityOf(m)).freezingC, ice, scoop,
    body: solids < SOLIDS[0] ? 'icy' : solids > SOLIDS[1] ? 'gummy' : 'good',
    scoopsAtC: bracketOf(t => iceShare(m, t) > MIDDLE, LOWEST_C, -0.1).middle,
    sugarG: scoop === 'scoops' ? null : sugarFor(m),
  }
}
