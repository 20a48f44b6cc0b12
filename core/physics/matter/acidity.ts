/**
 * pH by charge balance, per kg of mix:
 *
 *   SID + W·([H⁺] − [OH⁻]) − Σ C_a·n̄_a(pH) − Σ c_s / (1 + 10^(pK_s − pH)) = 0        (mmol; W kg of water)
 *
 * SID is the strong-ion difference in mEq; C_a are weak acids with mean charge n̄_a; c_s are buffering sites of
 * proteins. Solved in a bracket on pH 1–11. Removing water leaves pH as it is within this model's reach: reduction
 * never acidifies.
 */
import { InputError } from '../../base/errors'
import { findIngredient, is, part } from '../../base/ingredients/ingredients'
import type { Ingredient } from '../../base/ingredients/types'
import { bracketOf } from '../../base/solveFor'
import { mix, type Mix, type MixPart } from './mix'

/** pK at 25 °C, CRC Handbook of Chemistry and Physics, from memory (H). */
export const PK = {
  citric: [3.13, 4.76, 6.4],
  malic: [3.4, 5.11],
  tartaric: [2.98, 4.34],
  lactic: [3.86],
  acetic: [4.76],
  phosphoric: [2.15, 7.2, 12.3],
} as const
export type Acid = keyof typeof PK

/** log γ of a singly charged ion at ionic strength 0.1 (Davies equation), from memory (H). */
const LOG_GAMMA = 0.107
/** [H⁺] = 10^(−pH)/γ. */
const GAMMA = 10 ** LOG_GAMMA

/** Effective constants at ionic strength 0.1: pK′_i = pK_i − 0.107·(2i − 1). */
const EFFECTIVE = Object.fromEntries(
  Object.entries(PK).map(([acid, pks]) => [acid, pks.map((pk, i) => pk - LOG_GAMMA * (2 * i + 1))]),
) as Record<Acid, number[]>

/** Buffering sites, mmol per g of protein at a pK. From memory of titration curves; confidence L–M. */
const SITES: Record<
  'milk' | 'white' | 'yolk' | 'other' | 'gelatin',
  readonly (readonly [perG: number, pK: number])[]
> = {
  milk: [
    [0.56, 4.0],
    [0.56, 4.9],
    [0.66, 5.1],
    [0.22, 6.2],
    [0.2, 6.4],
    [0.4, 9.8],
  ],
  white: [
    [0.55, 3.7],
    [0.55, 4.6],
    [0.16, 6.5],
    [0.45, 10.2],
  ],
  yolk: [
    [0.5, 3.9],
    [0.5, 4.7],
    [0.28, 6.1],
    [0.17, 6.4],
    [0.45, 9.9],
  ],
  other: [
    [0.5, 3.8],
    [0.5, 4.6],
    [0.1, 6.4],
  ],
  gelatin: [
    [0.6, 4.0],
    [0.6, 4.8],
    [0.04, 6.5],
  ],
}
/** Milk salts, mmol per g of milk protein (from memory, L–M). */
const MILK_CITRATE = 0.28
const MILK_PHOSPHATE = 0.31

/** A solution ready for the charge balance: amounts per kg. */
export interface Solution {
  waterKg: number
  strongIonMEq: number
  acidMmol: Partial<Record<Acid, number>>
  /** mmol of sites by pK. */
  sites: readonly (readonly [mmol: number, pK: number])[]
}

/**
 * Mean negative charge of an acid (0 … number of protons) at a hydrogen activity h = 10^−pH: its constants are
 * 10^−pK.
 */
function meanChargeAt(constants: readonly number[], h: number): number {
  let term = 1
  let sum = 1
  let weighted = 0
  for (let i = 0; i < constants.length; i++) {
    term *= constants[i]! / h
    sum += term
    weighted += (i + 1) * term
  }
  return weighted / sum
}
const tenTo = (x: number) => Math.exp(Math.LN10 * x)
const CONSTANTS = Object.fromEntries(
  Object.entries(EFFECTIVE).map(([acid, pks]) => [acid, pks.map(pk => tenTo(-pk))]),
) as Record<Acid, number[]>

/** Mean negative charge of an acid at this pH (0 … number of protons). */
export const meanCharge = (acid: Acid, pH: number): number => meanChargeAt(CONSTANTS[acid], tenTo(-pH))

/** The balance of a solution as a function of pH, with everything that does not depend on it worked out once. */
function balanceOf(s: Solution): (pH: number) => number {
  const acids = (Object.keys(s.acidMmol) as Acid[]).map(acid => [s.acidMmol[acid]!, CONSTANTS[acid]] as const)
  const mmol = s.sites.map(site => site[0])
  const strength = s.sites.map(site => tenTo(site[1]))
  return (pH) => {
    const h = tenTo(-pH)
    let charge = s.strongIonMEq + s.waterKg * 1000 * GAMMA * (h - 1e-14 / h)
    for (const [amount, constants] of acids) charge -= amount * meanChargeAt(constants, h)
    for (let i = 0; i < mmol.length; i++) charge -= mmol[i]! / (1 + strength[i]! * h)
    return charge
  }
}

/** Net charge excess at this pH, mEq per kg; positive below the equilibrium pH. */
export const chargeBalance = (s: Solution, pH: number): number => balanceOf(s)(pH)

/**
 * pH of a solution in 1–11, to 1e-9: six bisections, then the Illinois form of false position (Dowell & Jarratt 1971),
 * which keeps its bracket. @throws {InputError} without water or outside the bracket
 */
export function solvePH(s: Solution): number {
  if (!(s.waterKg > 0)) throw new InputError('noWater', 'components')
  const balance = balanceOf(s)
  let low = 1
  let high = 11
  let fLow = balance(low)
  let fHigh = balance(high)
  if (fLow < 0) throw new InputError('tooSmall', 'pH', { min: low })
  if (fHigh > 0) throw new InputError('tooLarge', 'pH', { max: high })
  for (let i = 0, side = 0; i < 80 && high - low > 1e-9; i++) {
    const middle = i < 6 || fLow === fHigh ? (low + high) / 2 : (low * fHigh - high * fLow) / (fHigh - fLow)
    const f = balance(middle)
    if (Math.abs(f) < 1e-9) return middle
    if (f > 0) {
      low = middle
      fLow = f
      if (side === 1) fHigh /= 2
      side = 1
    } else {
      high = middle
      fHigh = f
      if (side === -1) fLow /= 2
      side = -1
    }
  }
  return (low + high) / 2
}

const SITE_KEYS = Object.keys(SITES) as (keyof typeof SITES)[]

/** Protein of each buffering kind, g per 100 g of ingredient. */
function proteinKinds(row: Ingredient): Record<keyof typeof SITES, number> {
  const other = part(row, 'otherProtein')
  return {
    milk: part(row, 'casein') + part(row, 'whey'),
    white: part(row, 'eggWhiteProtein'),
    yolk: part(row, 'yolkProtein'),
    other: is(row, 'gelatin') ? 0 : other,
    gelatin: is(row, 'gelatin') ? other : 0,
  }
}

/** Equivalent weight in which a titratable acidity is given, g per mol of protons (CRC molar masses). */
const EQUIVALENT_G = {
  citric: 192.12 / 3, lactic: 90.08, tartaricMalic: (150.09 + 134.09) / 4, tartaric: 150.09 / 2, acetic: 60.05,
} as const
/** Molar shares of the acids behind each kind. */
const ACIDS_OF_KIND = {
  citric: { citric: 1 },
  lactic: { lactic: 1 },
  tartaricMalic: { tartaric: 0.472, malic: 0.528 },
  tartaric: { tartaric: 1 },
  acetic: { acetic: 1 },
} as const
/** End point of a titration of fruit juice. */
const END_PH = 8.2

/**
 * A row as a solution, per 100 g: the acid that its titration to pH 8.2 implies, and the strong ions its own pH
 * implies.
 */
interface RowSolution {
  acidMmol: Partial<Record<Acid, number>>
  sites: (readonly [mmol: number, pK: number])[]
  strongIonMEq: number
}

/**
 * Resolves titratable acidity and native pH into acid and strong ions. Titration to pH 8.2 counts only the protons that
 * are still on: `C·(n̄(8.2) − n̄(pH₀)) + Δsites + W·[H⁺]₀ = TA`, then `SID = charge at pH₀`. What a lot's pH says is
 * used when it was measured together with its acidity; with acidity alone, the strong ions stay the table's.
 */
function resolveRow(row: Ingredient, acidPercent: number, pH: number, tableSid = row.strongIonMEq): RowSolution {
  const kinds = proteinKinds(row)
  const acidMmol: Partial<Record<Acid, number>> = {}
  const waterKg = part(row, 'water') / 1000
  const sites = SITE_KEYS.flatMap(k =>
    kinds[k] > 0 ? SITES[k].map(([perG, pK]) => [perG * kinds[k], pK] as const) : [],
  )
  if (kinds.milk > 0) {
    acidMmol.citric = MILK_CITRATE * kinds.milk
    acidMmol.phosphoric = MILK_PHOSPHATE * kinds.milk
  }
  const bound = (at: number) => -chargeBalance({ waterKg, strongIonMEq: 0, acidMmol, sites }, at)
  // Citric acid powder, sugar and water carry no strong ions worth counting.
  const noIons = row.strongIonMEq === undefined
    && (['acid', 'water', 'other'].includes(row.group) || is(row, 'plainSugar'))
  if (row.acid && acidPercent > 0) {
    const shares = Object.entries(ACIDS_OF_KIND[row.acid.kind]) as [Acid, number][]
    const charge = (at: number) => shares.reduce((sum, [acid, share]) => sum + share * meanCharge(acid, at), 0)
    const taMEq = (1000 * acidPercent) / EQUIVALENT_G[row.acid.kind]
    const total = noIons
      ? taMEq / charge(14)
      : tableSid === undefined
        ? (taMEq - (bound(END_PH) - bound(pH))) / (charge(END_PH) - charge(pH))
        : (taMEq + tableSid - bound(END_PH)) / charge(END_PH)
    for (const [acid, share] of shares) acidMmol[acid] = (acidMmol[acid] ?? 0) + Math.max(total, 0) * share
  }
  const strongIonMEq = noIons ? 0 : (tableSid ?? bound(pH))
  return { acidMmol, sites, strongIonMEq }
}

const tableRows = new Map<string, RowSolution>()
/** Kept at once: the table's, and what kitchens have of their own; begun anew beyond. */
const ROWS_KEPT = 1000
/**
 * The table's own row of an ingredient, whatever was measured of this one: a cream with another fat buffers as the
 * table's does.
 */
function tableRow({ id, ...rest }: Ingredient): RowSolution {
  let solution = tableRows.get(id)
  if (!solution) {
    if (tableRows.size >= ROWS_KEPT) tableRows.clear()
    const row = findIngredient(id) ?? { id, ...rest }
    tableRows.set(id, (solution = resolveRow(row, row.acid?.typical ?? 0, row.pHNative)))
  }
  return solution
}

/** Strong-ion difference of a row, mEq per 100 g, at its typical acidity and native pH. */
export const strongIonsOf = (row: Ingredient): number => tableRow(row).strongIonMEq

function solutionOfPart(p: MixPart): RowSolution {
  if (
    p.strength.kind === 'typical' ||
    !p.row.acid ||
    (p.strength.acidPercent === undefined && p.strength.pH === undefined)
  )
    return tableRow(p.row)
  const { acidPercent = p.row.acid.typical, pH } = p.strength
  return pH === undefined
    ? resolveRow(p.row, acidPercent, p.row.pHNative, tableRow(p.row).strongIonMEq)
    : resolveRow(p.row, acidPercent, pH)
}

/** The solution of a mix, per kg. @param lostWaterG that left as steam @throws {InputError} noWater */
export function solutionOf(whole: Mix, lostWaterG = 0): Solution {
  const massG = whole.massG - lostWaterG
  if (!(whole.grams.water - lostWaterG > 0) || !(massG > 0)) throw new InputError('noWater', 'components')
  const acidMmol: Partial<Record<Acid, number>> = {}
  const bySite = new Map<number, number>()
  let strongIonMEq = 0
  for (const p of whole.parts) {
    // per 100 g of row → per kg of mix: × (share of the mix) × 10
    const scale = (p.massG / massG) * 10
    const own = solutionOfPart(p)
    for (const acid in own.acidMmol)
      acidMmol[acid as Acid] = (acidMmol[acid as Acid] ?? 0) + own.acidMmol[acid as Acid]! * scale
    for (const [mmol, pK] of own.sites) bySite.set(pK, (bySite.get(pK) ?? 0) + mmol * scale)
    strongIonMEq += own.strongIonMEq * scale
  }
  return {
    waterKg: (whole.grams.water - lostWaterG) / massG,
    strongIonMEq,
    acidMmol,
    sites: [...bySite].map(([pK, mmol]) => [mmol, pK] as const),
  }
}

/**
 * pH of a mix. @throws {InputError} if it holds no water
 * @example pHOfMix(m) // 3.356
 */
export const pHOfMix = (m: Mix): number => solvePH(solutionOf(m))

/** Acidities that a juice may have, % w/w. */
const ACID_LOOKED_FOR: readonly [number, number] = [0.05, 15]

/**
 * Acidity at which a juice of this kind would have a pH, % w/w: the table's strong ions, the acid found by halving.
 * Null outside .05–15 %.
 * @example acidAtPH(findIngredient('lemon'), 2.4) // 4.372
 */
export function acidAtPH(row: Ingredient, pH: number): number | null {
  const at = (acidPercent: number) =>
    solvePH(solutionOf(mix([{ row, massG: 100, strength: { kind: 'measured', acidPercent } }])))
  const [low, high] = ACID_LOOKED_FOR
  if (at(low) < pH || at(high) > pH) return null
  return bracketOf(x => at(x) > pH, low, high, { ratio: true, within: 1.0001 }).middle
}

/**
 * Titratable acidity from a titration to pH 8.2, % citric w/w.
 * Equation: ml NaOH × molarity × 6.404 / g sample (equivalent weight of citric acid 64.04 g/mol).
 * @example titratableAcidity(12.1, 0.1, 1.5) // 5.166
 */
export const titratableAcidity = (mlNaOH: number, molarity: number, sampleG: number): number =>
  (mlNaOH * molarity * 6.404) / sampleG

/** Strong base to bring a solution to a pH, mEq per kg (negative: strong acid). */
export const baseToReach = (s: Solution, pH: number): number => -chargeBalance(s, pH)
