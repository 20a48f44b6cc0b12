/**
 * A ladder of expectations: formulas in grams with stated process options and the band a cook would expect. Every row
 * becomes a formula document with its process values given, and runs through the same pipeline as any other formula.
 */
import { InputError, within } from '../base/errors'
import { findIngredient } from '../base/ingredients/ingredients'
import { createFormula, defaultUse, line, plainSet } from '../formula/create'
import type { Bench } from '../formula/bench'
import { suggestFamily, suggestSchool } from '../formula/suggest'
import type { Kitchen } from '../kitchen/kitchen'
import { type BandId, BANDS } from '../physics/set/bands'
import type { Mechanisms } from '../physics/set/firmness'
import { work } from '../pipeline/assess'
import { sampleShares } from '../solve/sampling'

/** Names of the bands in ladder files, in the order of `BANDS`. */
export const LADDER_BANDS: Readonly<Record<BandId, string>> = {
  pourable: 'pourable',
  coats: 'coats a spoon',
  spoonable: 'spoonable',
  mounds: 'mounds/pipes',
  slicesSoftly: 'slices softly',
  slicesCleanly: 'slices cleanly',
  turnsOut: 'turns out of a mould',
  rubbery: 'rubbery',
}

/**
 * Process options of a row; absent ones take these values. Temperatures °C, times min (t_chill h), whip_cream % of
 * the whole.
 */
const OPTIONS = {
  Tpk: 82,
  hold: 1,
  stir: true,
  evap: 0,
  T: 5,
  t_chill: 18,
  milk_heat: 1,
  starch_T: 96,
  starch_min: 1.5,
  acid_cook: true,
  bloom: 200,
  air: 0,
  whip_cream: 0,
  fluid_gel: false,
  amylase: false,
  white_foam: false,
}
export type LadderOptions = typeof OPTIONS
/** Temperature history of a row: from here, at this rate up and down. */
const START_C = 20
const RATE_K_PER_MIN = 3

export interface LadderRow {
  name: string
  massG: Record<string, number>
  process: LadderOptions
  expectedBands: string[]
}

export interface LadderResult {
  name: string
  pH: number
  yieldStressPa: number
  /** Density-corrected. */
  tauStarPa: number
  mechanismsPa: Mechanisms
  band: string
  /** Band with the largest share of the samples, and all shares. */
  likeliestBand: string
  bandShares: Record<string, number>
  expectedBands: string[]
  inBand: boolean
}
export interface LadderReport {
  rows: LadderResult[]
  inBand: number
  total: number
}

/** The kitchen of a ladder: sea level, 20 °C. */
const KITCHEN: Kitchen = {
  altitudeM: 0,
  roomTempC: START_C,
  foodCode: 'us',
  business: false,
  eggGrade: 'usL',
  places: [],
  vessels: [],
  ovens: [],
  burners: [],
  pans: [],
  lots: [],
  prices: {},
}

const isPlain = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x)

/**
 * Reads a parsed ladder file. @throws {InputError} naming the field, for an unknown ingredient, option or band, or a
 * value of the wrong kind
 */
export function readLadder(input: unknown): LadderRow[] {
  if (!isPlain(input) || !Array.isArray(input.formulas)) throw new InputError('missing', 'formulas')
  const known = Object.values(LADDER_BANDS)
  return input.formulas.map((f: unknown, i) => {
    const at = `formulas.${i}`
    if (!isPlain(f)) throw new InputError('missing', at)
    if (typeof f.name !== 'string') throw new InputError('missing', `${at}.name`)
    if (!isPlain(f.massG)) throw new InputError('missing', `${at}.massG`)
    const massG: Record<string, number> = {}
    for (const [id, g] of Object.entries(f.massG)) {
      if (!findIngredient(id)) throw new InputError('unknownIngredient', `${at}.massG.${id}`, { id })
      massG[id] = within(g, `${at}.massG.${id}`, 0, 1e6)
    }
    const process: LadderOptions = { ...OPTIONS }
    const stated = f.process ?? {}
    if (!isPlain(stated)) throw new InputError('unknownValue', `${at}.process`)
    for (const [key, value] of Object.entries(stated)) {
      if (!Object.hasOwn(OPTIONS, key))
        throw new InputError('unknownValue', `${at}.process.${key}`, { options: Object.keys(OPTIONS).join(', ') })
      if (typeof value !== typeof OPTIONS[key as keyof LadderOptions])
        throw new InputError(
          typeof OPTIONS[key as keyof LadderOptions] === 'number' ? 'notANumber' : 'unknownValue',
          `${at}.process.${key}`,
        )
      Object.assign(process, { [key]: value })
    }
    const bands = f.expectedBands ?? []
    if (!Array.isArray(bands)) throw new InputError('unknownValue', `${at}.expectedBands`)
    bands.forEach((b, k) => {
      if (!known.includes(b as string))
        throw new InputError('unknownValue', `${at}.expectedBands.${k}`, { options: known.join(', ') })
    })
    return { name: f.name, massG, process, expectedBands: bands as string[] }
  })
}

/** A row as a formula document: everything it states is given, nothing is simulated. */
export function ladderDocument(row: LadderRow): Bench {
  let n = 0
  const id = () => `x${++n}`
  const lines = Object.entries(row.massG).map(([ingredient, g]) => line(id(), ingredient, g))
  const o = row.process
  const school = suggestSchool(lines, suggestFamily(lines))
  const doc = createFormula({ name: row.name, school, use: defaultUse('spooned'), lines }, KITCHEN, id)
  const given = <T>(value: T) => ({ given: value })
  return {
    ...doc,
    // One mix, heated as a whole.
    components: [
      {
        ...doc.components[0]!,
        steps: [
          { id: id(), kind: 'combine', lineIds: lines.map(l => l.id) },
          { id: id(), kind: 'cook' },
        ],
      },
    ],
    assembly: { ...doc.assembly, crustM: 0 },
    losses: { sieveFraction: 0, panG: 0 },
    heat: {
      ...doc.heat,
      method: 'direct',
      startTempC: START_C,
      course: given({ rampKPerMin: RATE_K_PER_MIN, peakTempC: o.Tpk, holdS: o.hold * 60 }),
      evaporationG: given(o.evap),
    },
    set: {
      ...plainSet(),
      stirred: given(o.stir),
      milkHeat: given(o.milk_heat),
      air: given(o.air),
      whippedFat: given(o.whip_cream / 100),
      whiteFoam: given(o.white_foam),
      starch: given({ peakTempC: o.starch_T, minutes: o.starch_min }),
      acidBoiled: given(o.acid_cook),
      amylase: given(o.amylase),
      bloom: o.bloom,
      fluidGel: o.fluid_gel,
    },
    serve: { ...doc.serve, coldTempC: given(o.T), chilledS: given(o.t_chill * 3600) },
  }
}

/** Evaluates rows. @throws {InputError} naming the row's field */
export function evaluateLadder(rows: readonly LadderRow[]): LadderReport {
  const results = rows.map((row, i): LadderResult => {
    try {
      const worked = work(ladderDocument(row), KITCHEN)
      const { cold } = worked.assessment.verdict
      const shares = sampleShares(worked).cold
      const likeliest = BANDS.reduce((best, b) => (shares[b.id] > shares[best] ? b.id : best), BANDS[0].id as BandId)
      return {
        name: row.name,
        pH: worked.assessment.balance.pH.value,
        yieldStressPa: cold.tauPa.value,
        tauStarPa: cold.tauStarPa,
        mechanismsPa: cold.mechanismsPa,
        band: LADDER_BANDS[cold.band],
        likeliestBand: LADDER_BANDS[likeliest],
        bandShares: Object.fromEntries(BANDS.map(b => [LADDER_BANDS[b.id], shares[b.id]])),
        expectedBands: row.expectedBands,
        inBand: row.expectedBands.includes(LADDER_BANDS[cold.band]),
      }
    } catch (e) {
      if (e instanceof InputError) throw new InputError(e.code, `formulas.${i}.${e.path}`, e.params)
      throw e
    }
  })
  return { rows: results, inBand: results.filter(r => r.inBand).length, total: results.length }
}
