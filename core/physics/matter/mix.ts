/**
 * Mixing: lines of known composition become one composition. Mass is conserved; nothing is rounded.
 */
import { InputError, within } from '../../base/errors'
import { FIELDS } from '../../base/fields'
import { acidLogSigma, findIngredient, part, withBrix, withFat } from '../../base/ingredients/ingredients'
import { COMPOSITION_KEYS, type CompositionKey, type Ingredient, type Strength } from '../../base/ingredients/types'

/** One σ of ln(acidity) of a measured juice: a titration read to 3 % (judgement). */
export const LN_MEASURED_ACID_SIGMA = 0.03

/** One σ of ln(acidity) of a part. */
export const acidSigmaOf = (p: MixPart): number =>
  p.strength.kind === 'typical' || p.strength.acidPercent === undefined
    ? acidLogSigma(p.row)
    : (p.strength.acidLnSigma ?? LN_MEASURED_ACID_SIGMA)

export interface MixPart {
  row: Ingredient
  massG: number
  strength: Strength
}

/** Masses of every component in grams, for the whole mix. */
export interface Mix {
  massG: number
  grams: Record<CompositionKey, number>
  /** Titratable acid, g as citric. */
  acidG: number
  /** Milk fat that came as butter, g (it can harden as butter does). */
  butterFatG: number
  /** Ethanol, g. */
  ethanolG: number
  parts: MixPart[]
}

/**
 * Titratable acidity of a part, % w/w of its kind of acid.
 * @example acidPercentOf(m.parts[2]) // 5.5
 */
export const acidPercentOf = (p: MixPart): number =>
  (p.strength.kind === 'typical' ? undefined : p.strength.acidPercent) ?? p.row.acid?.typical ?? 0

/** Citric equivalents per gram of the acid in which a row's acidity is given (equivalent weights, CRC Handbook). */
const CITRIC_PER_G = {
  citric: 1, lactic: 64.04 / 90.08, tartaricMalic: 64.04 / 71.0, tartaric: 64.04 / 75.05, acetic: 64.04 / 60.05,
}

/** Citric acid that one milliequivalent of an alkali takes up, g (its equivalent weight, CRC Handbook). */
const CITRIC_G_PER_MEQ = 0.06404

/** A row with the solids and fat that were measured of it. */
function asMeasured(row: Ingredient, s: Strength): Ingredient {
  if (s.kind === 'typical') return row
  const fat = s.fatPercent === undefined ? row : withFat(row, s.fatPercent)
  return s.brix === undefined ? fat : withBrix(fat, s.brix, s.acidPercent ?? row.acid?.typical ?? 0)
}

const LINE_G = FIELDS['components.*.lines.*.massG']

/** What is weighed into a mix. */
export interface Weighed {
  ingredientId: string
  massG: number
}

/** Resolves lines into parts. @throws {InputError} for an unknown ingredient or an impossible mass */
export function toParts<L extends Weighed>(
  lines: readonly L[],
  strengths: (line: L) => Strength,
  path = 'lines',
): MixPart[] {
  return lines.map((line, i) => {
    const row = findIngredient(line.ingredientId)
    if (!row) throw new InputError('unknownIngredient', `${path}.${i}.ingredientId`, { id: line.ingredientId })
    const strength = strengths(line)
    return { row: asMeasured(row, strength), massG: within(line.massG, `${path}.${i}.massG`, LINE_G.min, LINE_G.max), strength }
  })
}

/**
 * Sums parts into a mix.
 * @example mix(m.parts).massG // 595
 */
export function mix(parts: readonly MixPart[]): Mix {
  const grams = Object.fromEntries(COMPOSITION_KEYS.map(k => [k, 0])) as Record<CompositionKey, number>
  let massG = 0
  let acidG = 0
  let butterFatG = 0
  let ethanolG = 0
  for (const p of parts) {
    massG += p.massG
    for (const key of COMPOSITION_KEYS) grams[key] += (p.massG * part(p.row, key)) / 100
    if (p.row.acid) acidG += ((p.massG * acidPercentOf(p)) / 100) * CITRIC_PER_G[p.row.acid.kind]
    else acidG -= (p.massG / 100) * (p.row.strongIonMEq ?? 0) * CITRIC_G_PER_MEQ
    if (p.row.group === 'butter') butterFatG += (p.massG * part(p.row, 'milkFat')) / 100
    ethanolG += (p.massG * (p.row.ethanol ?? 0)) / 100
  }
  return { massG, grams, acidG: Math.max(0, acidG), butterFatG, ethanolG, parts: [...parts] }
}

/**
 * The mix after `waterG` of water has left as steam (never more than it holds, less a gram).
 * @example evaporate(m, 20).massG // 575
 */
export function evaporate(m: Mix, waterG: number): Mix {
  const lost = Math.max(0, Math.min(waterG, m.grams.water - 1))
  return { ...m, massG: m.massG - lost, grams: { ...m.grams, water: m.grams.water - lost } }
}

/** How much richer in ethanol the steam of a weak wine is than the wine (from memory, M). */
const ETHANOL_LEAVES = 10
/**
 * Share of a pot's ethanol that is left when this share of its water has boiled off: (1 − x)^10 (Rayleigh).
 * @example ethanolLeft(0.1) // 0.3487
 */
export const ethanolLeft = (steamShare: number): number =>
  (1 - Math.min(Math.max(steamShare, 0), 1)) ** ETHANOL_LEAVES

/**
 * Sugars that sweeten and hold water, g.
 * @example sugarsG(m) // 175.5
 */
export const sugarsG = (m: Mix): number => m.grams.sucrose + m.grams.monosaccharides + m.grams.lactose

/**
 * All protein, g.
 * @example proteinG(m) // 27.1
 */
export const proteinG = (m: Mix): number =>
  m.grams.casein + m.grams.whey + m.grams.eggWhiteProtein + m.grams.yolkProtein + m.grams.otherProtein

/**
 * Fat as share of the whole, 0–1.
 * @example fatFraction(m) // 0.1843
 */
export const fatFraction = (m: Mix): number => m.grams.fat / m.massG

/**
 * °Brix a corrected refractometer would show: dissolved solids of the aqueous phase, g per 100 g.
 * Sugars, acids, salts and a juice's amino acids count; 1 % acid reads about 0.8 °Bx (Stevens & Baier 1939, from
 * memory), which is added back.
 * @example brix(m) // 41.69
 */
export function brix(m: Mix): number {
  const ofJuice = m.parts.filter(p => p.row.group === 'juice')
  const amino = ofJuice.reduce((sum, p) => sum + (p.massG * part(p.row, 'otherProtein')) / 100, 0)
  const solids = sugarsG(m) + m.acidG + m.grams.ash + amino
  return (100 * solids) / (solids + m.grams.water)
}
