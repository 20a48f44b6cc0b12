/**
 * Lots of known strength: how a juice's acid, pH, °Brix and fat are found, and how lots are blended, topped up and
 * stretched.
 */
import { InputError, within } from '../base/errors'
import { checkField } from '../base/fields'
import { is, part } from '../base/ingredients/ingredients'
import type { Ingredient } from '../base/ingredients/types'
import { acidAtPH, baseToReach, solutionOf, titratableAcidity } from '../physics/matter/acidity'
import { mix } from '../physics/matter/mix'

/** How a lot's figures were found; kept with the lot, so that a card can be read again. */
export type LotMethod =
  | { kind: 'entered' }
  | { kind: 'titration', sampleG: number, mlNaOH: number, molarity: number, endPH: number }
  | { kind: 'refractometer', readingBrix: number }
  | { kind: 'pH', by: 'meter' | 'paper', pH: number }
  /** Ten ml of mine with `waterMl` tastes as sharp as ten ml of the known one with `knownWaterMl`. */
  | { kind: 'taste', knownName: string, knownAcidPercent: number, knownWaterMl: number, waterMl: number }
  | { kind: 'blend', parts: { name: string, massG: number, acidPercent: number }[] }
  /** Finished and put up: a curd by the cup, juice, whites; in packs of so much, cold or frozen. */
  | { kind: 'packed', packG: number, frozen: boolean }
export const LOT_METHODS = ['entered', 'titration', 'refractometer', 'pH', 'taste', 'blend', 'packed'] as const

/** End point of a titration of fruit juice: pH 8.2, phenolphthalein's first lasting pink. */
export const END_PH = 8.2
/**
 * One σ of ln(acidity): a titration read to 3 % (judgement); a dilution matched by tongue (from memory: sour is told
 * apart from about a fifth more).
 */
const LN_TITRATION_SIGMA = 0.03
const LN_TASTE_SIGMA = 0.2
/** One σ of a pH reading (judgement). */
const PH_SIGMA = { meter: 0.05, paper: 0.3 } as const
/** TA ≈ .65 × °Bx for lemon and lime, σ .6 points: a proxy only (from memory, low confidence). */
const ACID_PER_BRIX = 0.65
const ACID_PER_BRIX_SIGMA = 0.6
/** 1 % acid reads .2 °Bx low: added to the reading for true solids (Stevens & Baier 1939, from memory). */
const BRIX_PER_ACID = 0.2

/** Figures found for a lot; null: this way does not tell it. */
export interface LotFigures {
  acidPercent: number | null
  acidLnSigma: number | null
  pH: number | null
  brix: number | null
  fatPercent: number | null
}
const NOTHING: LotFigures = { acidPercent: null, acidLnSigma: null, pH: null, brix: null, fatPercent: null }

/**
 * True dissolved solids of a juice from a refractometer's reading, °Bx.
 * @example correctedBrix(10, 5) // 11
 */
export const correctedBrix = (readingBrix: number, acidPercent: number): number =>
  readingBrix + BRIX_PER_ACID * acidPercent

/**
 * A titration card: % citric, as to pH 8.2. Stopped at another end point, it is carried to 8.2 along the juice's own
 * buffer curve (the table's juice of that kind).
 */
export function titrationPercent(
  row: Ingredient,
  m: { sampleG: number, mlNaOH: number, molarity: number, endPH: number },
): number {
  checkField('method.sampleG', m.sampleG)
  checkField('method.mlNaOH', m.mlNaOH)
  checkField('method.molarity', m.molarity)
  checkField('method.endPH', m.endPH)
  const percent = titratableAcidity(m.mlNaOH, m.molarity, m.sampleG)
  if (Math.abs(m.endPH - END_PH) < 1e-9 || !row.acid) return percent
  const s = solutionOf(mix([{ row, massG: 100, strength: { kind: 'typical' } }]))
  return (percent * baseToReach(s, END_PH)) / baseToReach(s, m.endPH)
}

/** What a way of finding tells of a lot. @throws {InputError} naming the field of the card */
export function figuresOf(row: Ingredient, method: LotMethod): LotFigures {
  switch (method.kind) {
    case 'entered':
      return NOTHING
    case 'packed':
      checkField('method.packG', method.packG)
      return NOTHING
    case 'titration':
      return { ...NOTHING, acidPercent: titrationPercent(row, method), acidLnSigma: LN_TITRATION_SIGMA }
    case 'refractometer': {
      checkField('method.readingBrix', method.readingBrix)
      const proxy = is(row, 'brixTellsAcid') ? ACID_PER_BRIX * method.readingBrix : null
      const brix = correctedBrix(method.readingBrix, proxy ?? row.acid?.typical ?? 0)
      return { ...NOTHING, brix, acidPercent: proxy, acidLnSigma: proxy ? ACID_PER_BRIX_SIGMA / proxy : null }
    }
    case 'pH': {
      checkField('method.pH', method.pH)
      const acidPercent = acidAtPH(row, method.pH)
      // Far outside what such fruit ever has, the reading or the fruit is another one.
      const range = row.acid ? ([0.3 * row.acid.low, 1.8 * row.acid.high] as const) : null
      if (acidPercent === null || (range && (acidPercent < range[0] || acidPercent > range[1])))
        throw new InputError('outOfReach', 'method.pH', { ingredient: row.id })
      const shifted = acidAtPH(row, method.pH - PH_SIGMA[method.by])
      return {
        ...NOTHING,
        pH: method.by === 'meter' ? method.pH : null,
        acidPercent,
        acidLnSigma: Math.min(0.6, Math.log((shifted ?? acidPercent * 1.8) / acidPercent)),
      }
    }
    case 'taste': {
      checkField('method.knownAcidPercent', method.knownAcidPercent)
      checkField('method.knownWaterMl', method.knownWaterMl)
      checkField('method.waterMl', method.waterMl)
      return {
        ...NOTHING,
        acidPercent: (method.knownAcidPercent * (10 + method.waterMl)) / (10 + method.knownWaterMl),
        acidLnSigma: LN_TASTE_SIGMA,
      }
    }
    case 'blend': {
      const massG = method.parts.reduce((s, p) => s + p.massG, 0)
      if (!(massG > 0)) throw new InputError('tooSmall', 'method.parts', { min: 1 })
      return { ...NOTHING, acidPercent: blendPercent(method.parts), acidLnSigma: LN_TITRATION_SIGMA }
    }
  }
}

/**
 * Acidity of a blend: weighted by mass.
 * @example blendPercent([{ massG: 100, acidPercent: 6 }, { massG: 100, acidPercent: 1 }]) // 3.5
 */
export const blendPercent = (parts: readonly { massG: number, acidPercent: number }[]): number =>
  parts.reduce((s, p) => s + p.massG * p.acidPercent, 0) / parts.reduce((s, p) => s + p.massG, 0)

/** How to bring a juice to a strength. What does not lead there is null. */
export interface ToStrength {
  /** Citric acid to stir in, g. */
  citricG: number | null
  /** Water to stretch with, g. */
  waterG: number | null
  /** Of the other juice to blend in, g. */
  otherG: number | null
}

/**
 * From `massG` at `acidPercent` to `wantedPercent`: with citric acid `m(w−a)/(100−w)`, with water `m(a/w−1)`, with
 * another juice `m(w−a)/(b−w)` if it lies on the other side.
 * @example toStrength(400, 4, 5, 6).otherG // 400
 */
export function toStrength(
  massG: number,
  acidPercent: number,
  wantedPercent: number,
  otherPercent: number | null,
): ToStrength {
  within(wantedPercent, 'wantedPercent', 0.05, 30)
  const citric = (massG * (wantedPercent - acidPercent)) / (100 - wantedPercent)
  const water = massG * (acidPercent / wantedPercent - 1)
  const other =
    otherPercent === null || otherPercent === wantedPercent
      ? -1
      : (massG * (wantedPercent - acidPercent)) / (otherPercent - wantedPercent)
  return {
    citricG: citric > 1e-9 ? citric : null,
    waterG: water > 1e-9 ? water : null,
    otherG: other > 1e-9 ? other : null,
  }
}

/**
 * A purée, wine or cream whose fat can be entered: everything that carries any.
 * @example carriesFat(findIngredient('cream36')) // true
 */
export const carriesFat = (row: Ingredient): boolean => row.group === 'dairy' && part(row, 'fat') > 0
