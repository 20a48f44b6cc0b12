/**
 * What would bring it there: single changes that lead from a plan that misses to one that holds, found by trying them
 * through the whole pipeline. Each is a short list of steps outwards from the present value; the first that reaches
 * is taken.
 */
import { findIngredient, hasTrait, is } from '../base/ingredients/ingredients'
import { EGG_GRADES } from '../base/ingredients/measures'
import type { Ingredient } from '../base/ingredients/types'
import { fillingOf, type Bench } from '../formula/bench'
import { withMass } from '../formula/edits'
import { familyOf } from '../formula/families'
import type { Kitchen } from '../kitchen/kitchen'
import { assess } from '../pipeline/assess'
import { type Assessment, isOffTarget, type VerdictCode } from '../pipeline/assessment'
import { suggestTarget } from './target'

/**
 * A posset above this is short of acid: more of its juice firms it, less does not (inside the fitted window, see
 * `judge`).
 */
const WELL_ACID_PH = 4.2

export const ADJUSTMENTS = [
  'moreEgg',
  'lessEgg',
  'moreButter',
  'lessButter',
  'moreJuice',
  'lessJuice',
  'moreSetter',
  'lessSetter',
  'moreCream',
  'hotter',
  'cooler',
  'holdLonger',
  'holdShorter',
  'lowerPiece',
  'shorterTable',
  'longerChill',
  'iceBathFirst',
  'moreVessels',
] as const
export type AdjustmentKind = (typeof ADJUSTMENTS)[number]

export interface Adjustment {
  kind: AdjustmentKind
  /** What changes: a line's grams, degrees, seconds, metres or a count; from and to. */
  from: number
  to: number
  unit: 'g' | '°C' | 's' | 'm' | ''
  /** Line it concerns, and its ingredient. */
  ingredientId?: string
  /** The target that comes down with it, °C, where it must. */
  alsoTargetC?: number
  /** Verdict and plate stress it would bring. */
  code: VerdictCode
  platePa: number
  coldPa: number
  /** The whole document with the change made. */
  doc: Bench
}

interface Candidate {
  kind: AdjustmentKind
  unit: Adjustment['unit']
  from: number
  values: number[]
  ingredientId?: string
  apply: (value: number) => Bench
}

function candidatesFor(doc: Bench, kitchen: Kitchen, a: Assessment): Candidate[] {
  const lines = fillingOf(doc).lines
  const largest = (test: (row: Ingredient) => boolean) =>
    lines
      .filter(l => l.massG > 0 && test(findIngredient(l.ingredientId)!))
      .sort((x, y) => y.massG - x.massG)[0]
  const yolk = largest(r => is(r, 'yolk'))
  const egg = yolk ?? largest(r => is(r, 'wholeEgg'))
  const butter = largest(r => r.group === 'butter')
  const setter = largest(r => is(r, 'gelatin') || is(r, 'agar') || (is(r, 'starch') && !is(r, 'wheat')))
  const cream = largest(r => is(r, 'sweetCream'))
  const { eggSets, levers, acidGelsMilk } = familyOf(doc.family)
  const juice = largest(r => r.group === 'juice')
  const out: Candidate[] = []
  /**
   * More egg sets at a lower temperature: where the present target would then turn it grainy, it comes down with it.
   */
  const eased = (next: Bench): Bench => {
    const targetTempC = Math.min(next.heat.targetTempC, suggestTarget(next, kitchen))
    return 'given' in next.heat.course ? next : { ...next, heat: { ...next.heat, targetTempC } }
  }
  const mass = (
    kind: AdjustmentKind,
    l: { id: string, ingredientId: string, massG: number } | undefined,
    step: number,
    count: number,
  ) => {
    if (!l) return
    const values = Array.from({ length: count }, (_, i) => Math.round((l.massG + step * (i + 1)) * 10) / 10).filter(
      v => v > 0.3 * l.massG,
    )
    out.push({
      kind,
      unit: 'g',
      from: l.massG,
      values,
      ingredientId: l.ingredientId,
      apply: v => (kind === 'moreEgg' ? eased(withMass(doc, l.id, v)) : withMass(doc, l.id, v)),
    })
  }
  const grade = EGG_GRADES[kitchen.eggGrade]
  const eggStep = yolk ? grade.yolkG : grade.wholeG
  const heat = (kind: 'hotter' | 'cooler', step: number, count: number) =>
    out.push({
      kind,
      unit: '°C',
      from: doc.heat.targetTempC,
      values: Array.from({ length: count }, (_, i) => doc.heat.targetTempC + step * (i + 1)),
      apply: v => ({ ...doc, heat: { ...doc.heat, targetTempC: v } }),
    })
  const hold = (kind: 'holdLonger' | 'holdShorter', values: number[]) =>
    out.push({
      kind,
      unit: 's',
      from: doc.heat.holdS,
      values,
      apply: v => ({ ...doc, heat: { ...doc.heat, holdS: v } }),
    })
  const code = a.verdict.code
  if (code === 'sagsOnTable' || code === 'looseCold' || code === 'runny') {
    if (eggSets && a.heat.a < 0.97) {
      heat('hotter', 1, 8)
      hold(
        'holdLonger',
        [1, 2, 3, 4, 5].map(m => doc.heat.holdS + 60 * m),
      )
    }
    if (setter) mass('moreSetter', setter, setterStep(setter.ingredientId, setter.massG), 10)
    if (levers.includes('egg')) mass('moreEgg', egg, eggStep, 8)
    if (acidGelsMilk && a.balance.pH.value > WELL_ACID_PH) {
      // More of the same juice only if it is sharp enough to set anything; else a squeeze of lemon.
      mass(
        'moreJuice',
        juice && (a.stock.lines.find(l => l.id === juice.id)?.acidPercent ?? 0) > 3 ? juice : undefined,
        8,
        12,
      )
    }
    if (levers.includes('cream')) mass('moreCream', cream, 20, 10)
    if (code !== 'sagsOnTable' && levers.includes('butter')) mass('moreButter', butter, 20, 10)
    if (!(acidGelsMilk && a.balance.pH.value > WELL_ACID_PH)) mass('lessJuice', juice, -10, 8)
    if (doc.use.kind === 'cut' || doc.use.kind === 'piped' || doc.use.kind === 'turnedOut') {
      const from = a.shape.pieceHeightM
      out.push({
        kind: 'lowerPiece',
        unit: 'm',
        from,
        values: Array.from({ length: 16 }, (_, i) => Math.round((from - 0.001 * (i + 1)) * 1000) / 1000).filter(
          v => v >= 0.008,
        ),
        apply: v => ({ ...doc, use: { ...doc.use, pieceHeightM: v } }),
      })
    }
    if (code === 'sagsOnTable') {
      const from = doc.use.tableTimeS
      out.push({
        kind: 'shorterTable',
        unit: 's',
        from,
        values: Array.from({ length: 12 }, (_, i) => Math.floor(from / 300 - 1 - i) * 300).filter(v => v >= 300),
        apply: v => ({ ...doc, use: { ...doc.use, tableTimeS: v } }),
      })
    }
  }
  if (code === 'grainy' && acidGelsMilk) mass('lessJuice', juice, -8, 14)
  else if (code === 'grainy') {
    heat('cooler', -1, 10)
    if (doc.heat.holdS > 0)
      hold(
        'holdShorter',
        [0.5, 0].map(f => Math.round(doc.heat.holdS * f)),
      )
  }
  if (code === 'tooFirm') {
    if (setter) mass('lessSetter', setter, -setterStep(setter.ingredientId, setter.massG), 10)
    if (eggSets) mass('lessEgg', egg, -eggStep, 6)
    if (levers.includes('butter')) mass('lessButter', butter, -20, 10)
    if (acidGelsMilk) mass('lessJuice', juice, -8, 8)
  }
  const slow = a.findings.some(f => f.code === 'coolsTooSlowly' || f.code === 'coolsAtLimit')
  if (slow) {
    const ice = (timeS: number): Bench => ({
      ...doc,
      chill: [
        {
          id: `${doc.chill[0]!.id}-ice`,
          placeId: null,
          place: { kind: 'iceBath', airTempC: 0.5 },
          timeS,
          cover: 'open',
        },
        ...doc.chill.filter(l => l.place.kind !== 'bench' && l.place.kind !== 'iceBath'),
      ],
    })
    out.push({ kind: 'iceBathFirst', unit: 's', from: 0, values: [300, 600, 900, 1200, 1800], apply: ice })
    const n = doc.assembly.count
    out.push({
      kind: 'moreVessels',
      unit: '',
      from: n,
      values: [1, 2, 3, 4, 6].map(k => n + k),
      apply: v => ({ ...doc, assembly: { ...doc.assembly, count: v } }),
    })
  }
  if (code === 'servedBeforeSet' || a.findings.some(f => f.code === 'servedBeforeSet')) {
    const last = doc.chill.length - 1
    const from = doc.chill[last]!.timeS
    out.push({
      kind: 'longerChill',
      unit: 's',
      from,
      values: Array.from({ length: 24 }, (_, i) => from + 1800 * (i + 1)),
      apply: v => ({ ...doc, chill: doc.chill.map((l, i) => (i === last ? { ...l, timeS: v } : l)) }),
    })
  }
  return out
}

/** A step of a setter that a cook can weigh: a leaf, a teaspoon, half a gram. */
const setterStep = (id: string, massG: number): number =>
  hasTrait(id, 'gelatin') ? 1 : hasTrait(id, 'agar') ? 0.5 : Math.max(2, Math.round(massG / 15))

const COOLING: AdjustmentKind[] = ['iceBathFirst', 'moreVessels']

/** Whether this candidate has mended what it is for, without spoiling anything else. */
function mended(kind: AdjustmentKind, before: Assessment, after: Assessment): boolean {
  const worse = after.heat.b > 0.25 && after.heat.b > before.heat.b
  if (COOLING.includes(kind))
    return after.chill.safeSlow && (after.verdict.code === 'good' || before.verdict.code !== 'good')
  if (kind === 'longerChill') return !after.findings.some(f => f.code === 'servedBeforeSet')
  return after.verdict.code === 'good' && !worse && !(after.shape.fillShare > 1 && before.shape.fillShare <= 1)
}

/**
 * Up to three adjustments that each mend the plan by themselves, the smallest change first. It yields between trials,
 * so that a worker can give up.
 */
export function* adjustments(
  doc: Bench,
  kitchen: Kitchen,
  before: Assessment,
): Generator<undefined, Adjustment[]> {
  const found: (Adjustment & { size: number })[] = []
  if (!isOffTarget(before)) return []
  for (const c of candidatesFor(doc, kitchen, before)) {
    // Values lead outwards from the present one: the first that mends is the smallest change.
    for (const [i, to] of c.values.entries()) {
      yield
      const next = c.apply(to)
      const after = assess(next, kitchen)
      if (!mended(c.kind, before, after)) continue
      const cooler = c.kind === 'moreEgg' && next.heat.targetTempC !== doc.heat.targetTempC
      found.push({
        kind: c.kind,
        from: c.from,
        to,
        unit: c.unit,
        ...(c.ingredientId ? { ingredientId: c.ingredientId } : {}),
        ...(cooler ? { alsoTargetC: next.heat.targetTempC } : {}),
        code: after.verdict.code,
        platePa: after.verdict.plate.tauPa.value,
        coldPa: after.verdict.cold.tauPa.value,
        doc: next,
        size: ((i + 1) / c.values.length) * sizeOf(c.kind),
      })
      break
    }
  }
  found.sort((x, y) => x.size - y.size)
  return found.slice(0, 3).map(({ size: _, ...rest }) => rest)
}

/**
 * How much of a step each kind is to the cook, for ranking: heat first, then the formula, then the plan (judgement).
 */
function sizeOf(kind: AdjustmentKind): number {
  switch (kind) {
    case 'hotter':
    case 'cooler':
    case 'holdLonger':
    case 'holdShorter':
      return 0.6
    case 'iceBathFirst':
      return 0.7
    case 'shorterTable':
    case 'lowerPiece':
    case 'longerChill':
      return 1.2
    default:
      return 1
  }
}
