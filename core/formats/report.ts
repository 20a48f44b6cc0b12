/**
 * The assessment as it leaves the application: flat figures with the unit in the name, documented in
 * docs/assessment.schema.json.
 */
import { type Bench, benchOf } from '../formula/bench'
import { type FormulaDocument, isComputed } from '../formula/document'
import { type Occasion, wholeOccasion } from '../formula/occasion'
import { type Kitchen, PLAIN_KITCHEN } from '../kitchen/kitchen'
import { type BandId, BANDS } from '../physics/set/bands'
import { type Mechanisms, MECHANISMS } from '../physics/set/firmness'
import { bestTest } from '../physics/set/kitchenTests'
import { work } from '../pipeline/assess'
import type { Finding } from '../pipeline/assessment'
import { placed } from '../pipeline/stack'
import { sampleShares, type Shares } from '../solve/sampling'

interface SetReport {
  tempC: number
  yieldStressPa: number
  lnSigma: number
  tauStarPa: number
  mechanismsPa: Mechanisms
  band: BandId
  bandShares: Record<BandId, number>
  standsM: number
  cutsM: number
}

export interface AssessmentReport {
  name: string
  family: string
  school: string
  engineVersion: string
  schemaVersion: number
  verdict: string
  pH: number
  pHSigma: number
  titratableAcidityPercent: number
  brix: number
  waterActivity: number
  fatPercent: number
  sugarPercent: number
  alcoholPercent: number
  sugarToAcid: number | null
  taste: { sour: number, sweet: number, sharpness: string, bitterness: string }
  /** From the cold, at the moment of serving; and on the plate after its time on the table. */
  cold: SetReport
  plate: SetReport
  kitchenTest: { test: string, reading: number, unit: string }
  holdsShare: number
  grainyShare: number
  matters: Shares['matters']
  modelShare: number
  kinetics: {
    a: number
    b: number
    coreA: number
    peakTempC: number
    t60C: number | null
    t60bC: number | null
    grainyAtC: number | null
  }
  lethalityMin: number
  evaporatedG: number
  /** From pouring: to temperatures and to set; from the start: ready, served. Null for what never happens. */
  timesS: {
    heat: number
    to21C: number | null
    to8C: number | null
    to5C: number | null
    set: number | null
    ready: number | null
    served: number
    standsOnTable: number | null
  }
  cooling: { passes: boolean, passesSlow: boolean }
  freezing: { pointC: number, mostIce: number, firmS: number | null, thawedS: number | null } | null
  weeping: { score: number, causes: { cause: string, points: number }[] }
  storageDays: number
  useBy: string | null
  cautions: Finding[]
}

/**
 * Assesses a document and reports it. @throws {InputError} naming the field
 * @example report(doc, kitchen).verdict // 'good'
 */
export function report(doc: Bench, kitchen: Kitchen = PLAIN_KITCHEN): AssessmentReport {
  const worked = work(doc, kitchen)
  const a = worked.assessment
  const shares = sampleShares(worked)
  const set = (side: 'cold' | 'plate'): SetReport => {
    const r = a.verdict[side]
    return {
      tempC: r.tempC,
      yieldStressPa: r.tauPa.value,
      lnSigma: r.tauPa.lnSigma!,
      tauStarPa: r.tauStarPa,
      mechanismsPa: Object.fromEntries(MECHANISMS.map(k => [k, r.mechanismsPa[k]])) as Mechanisms,
      band: r.band,
      bandShares: Object.fromEntries(BANDS.map(b => [b.id, shares[side][b.id]])) as Record<BandId, number>,
      standsM: r.standsM,
      cutsM: r.cutsM,
    }
  }
  const test = bestTest(a.verdict.cold.tauPa.value, a.shape.density)
  const { balance: b, heat: h, chill: c, serve: s } = a
  return {
    name: doc.name,
    family: doc.family,
    school: doc.school,
    engineVersion: a.engineVersion,
    schemaVersion: a.schemaVersion,
    verdict: a.verdict.code,
    pH: b.pH.value,
    pHSigma: b.pH.sigma!,
    titratableAcidityPercent: b.acidPercent.value,
    brix: b.brix.value,
    waterActivity: b.waterActivity.value,
    fatPercent: b.fatPercent.value,
    sugarPercent: b.sugarPercent.value,
    alcoholPercent: b.alcoholPercent,
    sugarToAcid: Number.isFinite(b.sugarToAcid.value) ? b.sugarToAcid.value : null,
    taste: { sour: b.taste.sour, sweet: b.taste.sweet, sharpness: b.taste.sharpness, bitterness: b.taste.bitterness },
    cold: set('cold'),
    plate: set('plate'),
    kitchenTest: { ...test, unit: test.test === 'load' ? 'kg' : 'm' },
    holdsShare: shares.holds,
    grainyShare: shares.grainy,
    matters: shares.matters,
    modelShare: shares.modelShare,
    kinetics: {
      a: h.a,
      b: h.b,
      coreA: h.coreA,
      peakTempC: h.peakTempC,
      t60C: h.t60C,
      t60bC: h.t60bC,
      grainyAtC: h.grainyAtC,
    },
    lethalityMin: h.lethality.value,
    evaporatedG: h.evaporatedG,
    timesS: {
      heat: h.endS,
      to21C: c.to21S,
      to8C: c.to8S,
      to5C: c.to5S,
      set: c.readyS,
      ready: s.readyAfterS,
      served: s.servedAfterS,
      standsOnTable: s.standsOnTableS,
    },
    cooling: { passes: c.safe, passesSlow: c.safeSlow },
    freezing: c.freeze && {
      pointC: c.freeze.freezingC,
      mostIce: c.freeze.mostIce,
      firmS: c.freeze.firmS,
      thawedS: c.freeze.thawedS,
    },
    weeping: a.set.weeping,
    storageDays: s.storageDays,
    useBy: s.useBy,
    cautions: a.findings,
  }
}

/** A component's report within a dessert of several. */
export interface ComponentReport extends AssessmentReport {
  componentId: string
  role: string
  component: string
}

/**
 * Reports what was read: the filling, and with it every component that is made where there are several.
 * @param read a formula with its occasion; a kitchen it brings along counts
 * @throws {InputError} naming the field
 * @example reportOf({ ...dessert, kitchen }).components.length // 2
 */
export function reportOf(
  { formula, occasion, kitchen: own }: { formula: FormulaDocument, occasion: Occasion | null, kitchen: Kitchen | null },
  kitchen: Kitchen = PLAIN_KITCHEN,
): AssessmentReport & { components?: ComponentReport[] } {
  const where = own ?? kitchen
  const planned = { formula, occasion: wholeOccasion(occasion) }
  const of = (id?: string) => report(placed(benchOf(planned, id), where), where)
  const made = formula.components.filter(isComputed)
  if (made.length < 2) return of()
  const components = made.map(c => ({ componentId: c.id, role: c.role, component: c.name, ...of(c.id) }))
  return { ...of(), components }
}
