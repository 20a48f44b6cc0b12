/** What stock and balance show: the juices together, composition, acidity, sugar, taste. */
import { quantity } from '../../base/provenance'
import { fillingOf, type Bench } from '../../formula/bench'
import { acidPercentOf, acidSigmaOf, brix, type Mix, type MixPart, sugarsG } from '../../physics/matter/mix'
import { colourOf } from '../../physics/matter/colour'
import { sugarToAcid, type Taste } from '../../physics/matter/taste'
import type { Assessment, Composition } from '../assessment'
import type { Heated } from '../heated'
import type { Mixed } from '../mixed'
import type { MixPlan } from '../mixPlan'

/** The juices together: how much, how strong, how surely. */
export function stockFigures(doc: Bench, plan: MixPlan): Assessment['stock'] {
  const juices = plan.all.filter(p => p.row.group === 'juice' && p.row.acid && p.massG > 0)
  const acidOf = (p: MixPart) => (p.massG * acidPercentOf(p)) / 100
  const measured = (p: MixPart) => p.strength.kind !== 'typical' && p.strength.acidPercent !== undefined
  const juiceG = juices.reduce((s, p) => s + p.massG, 0)
  const acidG = juices.reduce((s, p) => s + acidOf(p), 0)
  const lnSigma =
    acidG > 0 ? Math.sqrt(juices.reduce((s, p) => s + ((acidOf(p) / acidG) * acidSigmaOf(p)) ** 2, 0)) : 0
  const provenance = juices.length > 0 && juices.every(measured) ? 'measured' : 'table'
  return {
    massG: plan.all.reduce((s, p) => s + p.massG, 0),
    juiceG,
    juiceAcid: quantity(juiceG > 0 ? (100 * acidG) / juiceG : 0, '% acid', provenance, { lnSigma }),
    juiceProvenance: provenance,
    lines: fillingOf(doc).lines.map((line, i) => {
      const p = plan.all[i]!
      return { id: line.id, acidPercent: p.row.acid ? acidPercentOf(p) : null, acidLnSigma: acidSigmaOf(p) }
    }),
  }
}

/** Shares of the whole, %. */
function compositionOf(m: Mix, eggG: number): Composition {
  const percent = (g: number) => (100 * g) / m.massG
  const c = {
    water: percent(m.grams.water),
    sugar: percent(sugarsG(m)),
    fat: percent(m.grams.fat),
    eggProtein: percent(eggG),
    milkProtein: percent(m.grams.casein + m.grams.whey),
    starch: percent(m.grams.starch),
    acid: percent(m.acidG),
  }
  const rest = 100 - c.water - c.sugar - c.fat - c.eggProtein - c.milkProtein - c.starch - c.acid
  return { ...c, other: Math.max(0, rest) }
}

/**
 * One σ of the model's own pH, and of pH per unit of ln(acid): the slope of the charge balance near pH 3 (judgement).
 */
const PH_SIGMA = 0.05
const PH_PER_LN_ACID = 0.3

/** The balance of an assessment. */
export function balanceFigures(
  mixed: Mixed,
  heated: Heated,
  stock: Assessment['stock'],
  flavour: Taste,
  scent: Pick<Assessment['balance'], 'aroma' | 'dissolving'>,
): Assessment['balance'] {
  const { whole, pH, eggG } = mixed
  const { finished, waterActivity } = heated
  const spread = { lnSigma: stock.juiceAcid.lnSigma ?? 0 }
  const { juiceProvenance: from } = stock
  const composition = compositionOf(whole, eggG)
  return {
    pH: quantity(pH, 'pH', 'computed', { sigma: Math.hypot(PH_SIGMA, spread.lnSigma * PH_PER_LN_ACID) }),
    acidPercent: quantity(composition.acid, '% acid', from, spread),
    brix: quantity(brix(whole), '°Bx', 'computed', { sigma: 0.5 }),
    sugarToAcid: quantity(sugarToAcid(whole), 'g/g', from, spread),
    waterActivity: quantity(waterActivity, '', 'computed', { sigma: 0.01 }),
    fatPercent: quantity(composition.fat, '%', 'table'),
    sugarPercent: quantity(composition.sugar, '%', 'table'),
    alcoholPercent: (100 * finished.ethanolG) / finished.massG,
    composition,
    taste: flavour,
    sharpness: flavour.sharpness,
    colour: colourOf(finished),
    ...scent,
  }
}
