/**
 * How sure: the same formula many times, with every uncertain input drawn from its spread. Seeded, so the same formula
 * always gives the same shares. The temperature histories are kept and shifted; acidity, egg kinetics and firmness
 * are computed anew.
 */
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { probit, quantile, sampleCorrelation } from 'simple-statistics'
import { part, withFat } from '../base/ingredients/ingredients'
import { PARAMETER_TABLE } from '../base/parameters'
import { solveFor } from '../base/solveFor'
import { AIR_SIGMA_K, LN_EGG_MASS_SIGMA, LN_STEAM_SIGMA, THERMOMETER_SIGMA_K } from '../kitchen/spreads'
import { type EggEnd, eggEnd, eggTemperatures } from '../physics/heat/egg'
import { acidPercentOf, acidSigmaOf, evaporate, type Mix, type MixPart } from '../physics/matter/mix'
import { type BandId, bandOf, BANDS, corrected } from '../physics/set/bands'
import { bodyOf, firmness, lnTauSigma, type SetState, yieldStress } from '../physics/set/firmness'
import { curdlingLogit } from '../physics/set/curdling'
import { caseinPace, gelatinGoal } from '../physics/set/setting'
import { solidFat } from '../physics/thermal/properties'
import type { Worked } from '../pipeline/assess'
import { type Drift, drifted, driftsOf } from './drift'
import { EGG_COUNTS_C } from '../pipeline/judge/limits'
import { type SetVerdict, setVerdict } from '../pipeline/judge/verdict'
import { mixedOf } from '../pipeline/mixed'

/** One σ of a cream's fat, points of percent (from memory of labelling practice). */
const CREAM_FAT_SIGMA = 1
/** One σ of a kitchen scale in whole grams: what a few grams of a setter feel, g. */
const WEIGHING_SIGMA_G = 0.5

/** No draw boils off more than this of the water. */
const MOST_STEAM = 0.9

/** Names of what is drawn, for "what matters most". */
export const UNCERTAIN = [
  'acid',
  'eggMass',
  'thermometer',
  'eggSetting',
  'overSetting',
  'creamFat',
  'settingTime',
  'table',
  'heatSupply',
  'evaporation',
  'convection',
  'weighing',
  'curdling',
  'model',
] as const
export type Uncertain = (typeof UNCERTAIN)[number]
/** Those of them that a cook can change or measure; the rest is the model's own. */
export const MEASURABLE = [
  'acid', 'eggMass', 'thermometer', 'creamFat', 'table', 'heatSupply', 'evaporation', 'convection', 'weighing',
] as const satisfies readonly Uncertain[]
export type Measurable = (typeof MEASURABLE)[number]

export interface Shares {
  samples: number
  /** Share of samples that hold as the use asks, cold and on the plate and not grainy, 0–1. */
  holds: number
  cold: Record<BandId, number>
  plate: Record<BandId, number>
  grainy: number
  /** 10th and 90th percentile of the yield stress, Pa. */
  coldRangePa: [number, number]
  plateRangePa: [number, number]
  /**
   * Squared correlation with ln τ on the plate, of all that is uncertain: of what a cook can measure, largest first,
   * and of the model's own part.
   */
  matters: { input: Measurable, share: number }[]
  modelShare: number
}

/** A smaller share is chance: 400 draws correlate by as much with anything (judgement). */
const MATTERS_FROM = 0.02
/**
 * What a cook can measure that moves the plate's set by more than chance, the most first.
 * @example mattersMost({ matters: [{ input: 'acid', share: 0.3 }, { input: 'eggMass', share: 0.01 }] }) // ['acid']
 */
export const mattersMost = ({ matters }: Pick<Shares, 'matters'>): Measurable[] =>
  matters.filter(m => m.share >= MATTERS_FROM).map(m => m.input)

export const SAMPLES = 400
export const CHUNK = 40

const zeroBands = () => Object.fromEntries(BANDS.map(b => [b.id, 0])) as Record<BandId, number>

type Draw = Record<Uncertain, number>

/** A part of the mix as it may really be: egg by its weight, cream by its fat, juice by its acid. */
function perturbed(p: MixPart, z: Draw): MixPart {
  if (p.row.group === 'setter') return { ...p, massG: Math.max(0, p.massG + WEIGHING_SIGMA_G * z.weighing) }
  if (p.row.group === 'egg') return { ...p, massG: p.massG * Math.exp(LN_EGG_MASS_SIGMA * z.eggMass) }
  if (p.row.group === 'dairy' && part(p.row, 'milkFat') > 12) {
    const fat = part(p.row, 'fat') + CREAM_FAT_SIGMA * z.creamFat
    return { ...p, row: withFat(p.row, Math.min(60, Math.max(5, fat))) }
  }
  if (!p.row.acid) return p
  const pH = p.strength.kind === 'typical' ? undefined : p.strength.pH
  const acidPercent = acidPercentOf(p) * Math.exp(acidSigmaOf(p) * z.acid)
  return { ...p, strength: { kind: 'measured', acidPercent, ...(pH === undefined ? {} : { pH }) } }
}

/** What one draw comes to. */
interface Outcome {
  coldPa: number
  platePa: number
  density: number
  verdict: SetVerdict
}

/** Egg's extents as drawn: doses scale with the distance to T60 and T60b, so that the heat is not run again. */
function eggAsDrawn(
  w: Worked, cooked: Mix, cookedPH: number, offsetK: number, z: Draw, heat: Drift | null,
): EggEnd {
  const known = w.settled.egg
  const egg = known && eggTemperatures(cooked, cookedPH, w.parameters.egg)
  if (!known || !egg) return eggEnd(known, 0, 0)
  const { t60ShiftK, gapShiftK } = PARAMETER_TABLE.egg
  const late = t60ShiftK.spread * z.eggSetting
  return eggEnd(
    known,
    offsetK - (egg.t60C - known.temperatures.t60C) - late + (heat?.shiftA ?? 0) * z.heatSupply,
    offsetK - (egg.t60bC - known.temperatures.t60bC) - late - gapShiftK.spread * z.overSetting +
    (heat?.shiftB ?? 0) * z.heatSupply,
  )
}

/** A normal of this width spreads as the logistic does. */
const LOGISTIC_SIGMA = 1.7

/** Acid into hot milk as drawn: what its share leaves to chance. */
const curdledAsDrawn = (w: Worked, whole: Mix, offsetK: number, z: Draw): number =>
  w.heated.curdling === null
    ? -Infinity
    : curdlingLogit(whole, w.heated.curdling.tempC + offsetK, w.parameters.curdling) + LOGISTIC_SIGMA * z.curdling

/** A draw run through what depends on it. */
function outcomeOf(w: Worked, { heatSupply, convection }: ReturnType<typeof driftsOf>, z: Draw): Outcome {
  const { plan } = w.mixed
  const { verdict } = w.assessment
  const heatedTogether = new Set(plan.cooked)
  const all = plan.all.map(p => perturbed(p, z))
  const mixed = mixedOf({ ...plan, all, cooked: all.filter((_, i) => heatedTogether.has(plan.all[i]!)) })
  const offsetK = THERMOMETER_SIGMA_K * z.thermometer
  const { making } = w.heated.body
  const starch = making.starch.map(s => ({ ...s, minuteC: s.minuteC + offsetK }))
  const steamG = w.heated.evaporatedG *
    Math.exp(LN_STEAM_SIGMA * z.evaporation + (heatSupply?.lnSteam ?? 0) * z.heatSupply)
  const dried = evaporate(mixed.whole, Math.min(steamG, MOST_STEAM * mixed.whole.grams.water))
  const body = bodyOf(dried, mixed.pH, { ...making, starch }, w.parameters)
  const { a, b, potB } = eggAsDrawn(w, mixed.cooked, mixed.cookedPH, offsetK, z, heatSupply)
  const moved = (s: SetState, when: 'cold' | 'plate') => drifted(s, [
    { by: convection[when], sigmas: z.convection },
    ...(heatSupply ? [{ by: heatSupply[when], sigmas: z.heatSupply }] : []),
  ])
  // Slower or faster setting: what was still to come, over what has come, scales with the rate.
  const pace = Math.exp(PARAMETER_TABLE.setting.pace.spread * z.settingTime)
  const paced = (x: number, top: number) =>
    x <= 0 || top <= 0 ? x : top * (1 - (1 - Math.min(x / top, 1)) ** pace)
  // Milk with more or less acid knits at its own pace.
  const { inputs } = w.settled
  const knits = inputs.caseinC > 0 && making.stirred ? caseinPace({ ...inputs, pH: mixed.pH }) / caseinPace(inputs) : 1
  const at = (s: SetState, tempC: number, meltedShare: number): number => {
    const m = firmness(body, {
      ...s,
      a,
      b,
      tempC,
      butter: paced(Math.max(0, s.butter - meltedShare), solidFat(tempC)),
      cream: paced(Math.max(0, s.cream - meltedShare), solidFat(tempC)),
      casein: 1 - (1 - paced(s.casein, 1)) ** knits,
      starch: paced(s.starch, 1),
      gelatin: paced(s.gelatin, gelatinGoal(tempC, w.parameters.setting)),
    })
    return yieldStress(m) * Math.exp(lnTauSigma(m) * z.model)
  }
  const plateTempC = Math.max(verdict.cold.tempC, verdict.plate.tempC + AIR_SIGMA_K * z.table)
  const { density } = body.phases
  const coldPa = at(moved(verdict.cold.state, 'cold'), verdict.cold.tempC, 0)
  // A degree on the table moves the solid fat along its curve, about 2.5 % of the fat per K between 5 and 20 °C.
  const platePa = at(moved(verdict.plate.state, 'plate'), plateTempC, 0.025 * (plateTempC - verdict.plate.tempC))
  const { figures } = w
  return {
    coldPa,
    platePa,
    density,
    verdict: setVerdict({
      ...figures,
      eggCounts: body.eggC > EGG_COUNTS_C,
      potB,
      b,
      a,
      curdlingLogit: curdledAsDrawn(w, mixed.whole, offsetK, z),
      coldPa,
      coldStarPa: corrected(coldPa, density),
      platePa,
    }, verdict.target),
  }
}

/** What of the uncertain moves the plate's stress: squared correlations with its logarithm, as shares of their sum. */
function mattersOf(draws: readonly Draw[], platePa: readonly number[]): Pick<Shares, 'matters' | 'modelShare'> {
  const ln = platePa.map(x => Math.log(Math.max(x, 1e-6)))
  const square = (key: Uncertain) => correlation(draws.map(d => d[key]), ln) ** 2
  const total = UNCERTAIN.reduce((sum, key) => sum + square(key), 0) || 1
  const matters = MEASURABLE.map(input => ({ input, share: square(input) / total })).sort((x, y) => y.share - x.share)
  return { matters, modelShare: 1 - matters.reduce((sum, m) => sum + m.share, 0) }
}

/** The root of x^(d + 1) = x + 1, whose powers fill d dimensions evenly. */
const SPREAD = solveFor(x => x ** (UNCERTAIN.length + 1) - x, 1, 1, 2)

/**
 * The n-th draw: an additive recurrence (after Roberts 2018, from memory), shifted by the seed, as normals. Every input
 * is spread evenly however many are drawn, so that a share from 400 is as good as from some thousands at random.
 */
const drawOf = (n: number, offsets: readonly number[]): Draw =>
  Object.fromEntries(UNCERTAIN.map((key, k) => {
    const u = (offsets[k]! + (n + 1) * SPREAD ** -(k + 1)) % 1
    return [key, probit(Math.min(Math.max(u, 1e-9), 1 - 1e-9))]
  })) as Draw

/** A sampler that runs in chunks, so that a worker can stop between them. */
export function createSampler(w: Worked, seed = 20260101) {
  const rng = xoroshiro128plus(seed)
  const offsets = UNCERTAIN.map(() => uniformFloat64(rng))
  const draws: Draw[] = []
  const outcomes: Outcome[] = []
  const drifts = driftsOf(w)
  const shareOf = (test: (o: Outcome) => boolean) => outcomes.filter(test).length / outcomes.length
  const bandShares = (key: 'coldPa' | 'platePa') => {
    const counts = zeroBands()
    for (const o of outcomes) counts[bandOf(corrected(o[key], o.density))]++
    for (const { id } of BANDS) counts[id] /= outcomes.length
    return counts
  }
  const range = (values: number[]) => quantile(values, [0.1, 0.9]) as [number, number]
  return {
    run(n: number): void {
      for (let i = 0; i < n; i++) {
        const z = drawOf(draws.length, offsets)
        draws.push(z)
        outcomes.push(outcomeOf(w, drifts, z))
      }
    },
    result(): Shares {
      const platePa = outcomes.map(o => o.platePa)
      return {
        samples: outcomes.length,
        holds: shareOf(o => o.verdict === 'good'),
        cold: bandShares('coldPa'),
        plate: bandShares('platePa'),
        grainy: shareOf(o => o.verdict === 'grainy'),
        coldRangePa: range(outcomes.map(o => o.coldPa)),
        plateRangePa: range(platePa),
        ...mattersOf(draws, platePa),
      }
    },
  }
}

/** Pearson correlation; 0 when either side does not vary. */
function correlation(x: number[], y: number[]): number {
  const r = sampleCorrelation(x, y)
  return Number.isFinite(r) ? r : 0
}

/**
 * All samples at once.
 * @example sampleShares(worked).holds > 0.5 // true
 */
export function sampleShares(w: Worked, n = SAMPLES, seed?: number): Shares {
  const sampler = createSampler(w, seed)
  sampler.run(n)
  return sampler.result()
}
