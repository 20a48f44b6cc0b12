/**
 * Gums and pectins: gels and thickeners by what each of them needs (common practice and memory, L; σ of ln .5).
 *
 *   τ = k·(c − c₀)₊^n·need,   c g per 100 g of aqueous phase
 *
 * A jelly pectin needs sugar and acid: 60 to 68 % of solids, pH 2.8 to 3.4. A low-methoxyl one needs calcium, 30 mg a
 * gram; iota carrageenan is soft without it; soya and pea protein gel once they were hot. Xanthan and guar thicken
 * whatever they meet.
 */
import type { Gum } from '../../base/ingredients/types'
import { PASTE } from './bands'
import type { Mix } from '../matter/mix'

/** Calcium that comes with milk's casein, mg a gram (milk has 120 mg and 2.6 g in 100 g; USDA). */
const CALCIUM_PER_CASEIN_MG = 46
/** Calcium that a low-methoxyl pectin wants, mg a gram (20–40, from memory M). */
const CALCIUM_WANTED_MG = 30

/** Soya and pea proteins unfold and gel here, °C (75–90, from memory M–L). */
const PROTEIN_GELS_C = 80

const rise = (x: number, at: number, width: number) => 1 / (1 + Math.exp((at - x) / width))

/**
 * What of a gum's strength its surroundings let come.
 * @param sugarShare sugars over sugars and water @param calciumMg for each gram of it
 * @example gumNeedMet('sugarAcid', { sugarShare: 0.65, pH: 3.1, calciumMg: 0, peakC: 20 }) > 0.8 // true
 */
export function gumNeedMet(
  need: Gum['needs'],
  { sugarShare, pH, calciumMg, peakC }: { sugarShare: number, pH: number, calciumMg: number, peakC: number },
): number {
  switch (need) {
    // Half met at .57 of sugar in water and at pH 3.55, so that 60 % and pH 3.4 are enough (fitted to those, L).
    case 'sugarAcid':
      return rise(sugarShare, 0.57, 0.02) * rise(-pH, -3.55, 0.08)
    case 'calcium':
      return Math.min(1, calciumMg / CALCIUM_WANTED_MG)
    // Two fifths come without any (judgement).
    case 'someCalcium':
      return 0.4 + 0.6 * Math.min(1, calciumMg / CALCIUM_WANTED_MG)
    case 'heat':
      return rise(peakC, PROTEIN_GELS_C, 2.5)
    case 'nothing':
      return 1
  }
}

export interface GumSet {
  /** Strength of all of them, Pa. */
  pa: number
  /** Share of it that is an elastic gel, and where that tears, of its modulus. */
  elastic: number
  tearsAt: number
}

/**
 * What gums and pectins carry in a mix. @param blended set, then blended
 * @example gumsOf(m, { pH: 3, sugarShare: 0.5, peakC: 80, blended: false }).pa // 0
 */
export function gumsOf(
  m: Mix,
  { pH, sugarShare, peakC, blended }: { pH: number, sugarShare: number, peakC: number, blended: boolean },
): GumSet {
  const aqueousG = m.massG - m.grams.fat
  const gums = m.parts.filter(p => p.row.gum && p.massG > 0)
  const all = gums.reduce((sum, p) => sum + p.massG, 0)
  const calciumMg = all > 0 ? (CALCIUM_PER_CASEIN_MG * m.grams.casein) / all : 0
  let pa = 0
  let elastic = 0
  let tears = 0
  for (const { row, massG } of gums) {
    const g = row.gum!
    const strength =
      g.pa *
      Math.max(0, (100 * massG) / aqueousG - g.least) ** g.exponent *
      gumNeedMet(g.needs, { sugarShare, pH, calciumMg, peakC }) *
      (blended ? g.blended : 1)
    pa += strength
    if (g.tearsAt === null) continue
    elastic += strength
    tears += strength * g.tearsAt
  }
  return { pa, elastic: pa > 0 ? elastic / pa : 0, tearsAt: elastic > 0 ? tears / elastic : PASTE.tearsAt }
}
