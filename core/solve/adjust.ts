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
import type { ChillLeg, Line } from '../formula/document'
import { type FamilyFacts, familyOf } from '../formula/families'
import type { Kitchen } from '../kitchen/kitchen'
import { work, type Worked } from '../pipeline/assess'
import { type Assessment, type FindingCode, isOffTarget } from '../pipeline/assessment'
import { type Moves, outcomeOf } from './outcome'
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
  /** It changes what is asked of the dessert, not the dessert. */
  changesUse: boolean
  /** What it is now, and what it would be. */
  moves: Moves
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

/** What a formula offers to be changed, and the ways of writing a candidate down. */
interface Offers {
  doc: Bench
  a: Assessment
  family: FamilyFacts
  egg: Line | undefined
  butter: Line | undefined
  setter: Line | undefined
  cream: Line | undefined
  juice: Line | undefined
  /** An egg or a yolk of the kitchen's grade, g. */
  eggStepG: number
  out: Candidate[]
  mass: (kind: AdjustmentKind, l: Line | undefined, stepG: number, count: number) => void
  heat: (kind: 'hotter' | 'cooler', stepK: number, count: number) => void
  hold: (kind: 'holdLonger' | 'holdShorter', values: number[]) => void
}

const steps = (count: number, value: (n: number) => number): number[] =>
  Array.from({ length: count }, (_, i) => value(i + 1))

function offersOf(doc: Bench, kitchen: Kitchen, a: Assessment): Offers {
  const largest = (test: (row: Ingredient) => boolean) =>
    fillingOf(doc)
      .lines.filter(l => l.massG > 0 && test(findIngredient(l.ingredientId)!))
      .sort((x, y) => y.massG - x.massG)[0]
  const yolk = largest(r => is(r, 'yolk'))
  const grade = EGG_GRADES[kitchen.eggGrade]
  const out: Candidate[] = []
  /**
   * More egg sets at a lower temperature: where the present target would then turn it grainy, it comes down with it.
   */
  const eased = (next: Bench): Bench => {
    const targetTempC = Math.min(next.heat.targetTempC, suggestTarget(next, kitchen))
    return 'given' in next.heat.course ? next : { ...next, heat: { ...next.heat, targetTempC } }
  }
  const { targetTempC, holdS } = doc.heat
  return {
    doc,
    a,
    family: familyOf(doc.family),
    egg: yolk ?? largest(r => is(r, 'wholeEgg')),
    butter: largest(r => r.group === 'butter'),
    setter: largest(r => is(r, 'gelatin') || is(r, 'agar') || (is(r, 'starch') && !is(r, 'wheat'))),
    cream: largest(r => is(r, 'sweetCream')),
    juice: largest(r => r.group === 'juice'),
    eggStepG: yolk ? grade.yolkG : grade.wholeG,
    out,
    mass: (kind, l, stepG, count) => {
      if (!l) return
      const values = steps(count, n => Math.round((l.massG + stepG * n) * 10) / 10).filter(v => v > 0.3 * l.massG)
      const apply = (v: number) => (kind === 'moreEgg' ? eased(withMass(doc, l.id, v)) : withMass(doc, l.id, v))
      out.push({ kind, unit: 'g', from: l.massG, values, ingredientId: l.ingredientId, apply })
    },
    heat: (kind, stepK, count) =>
      void out.push({
        kind,
        unit: '°C',
        from: targetTempC,
        values: steps(count, n => targetTempC + stepK * n),
        apply: v => ({ ...doc, heat: { ...doc.heat, targetTempC: v } }),
      }),
    hold: (kind, values) =>
      void out.push({
        kind, unit: 's', from: holdS, values, apply: v => ({ ...doc, heat: { ...doc.heat, holdS: v } }),
      }),
  }
}

/** More of what sets it, hotter or longer; then less asked of it. */
function firmer(o: Offers): void {
  const { doc, a, family, setter, juice } = o
  const { eggSets, levers, acidGelsMilk } = family
  const { code } = a.verdict
  const shortOfAcid = acidGelsMilk && a.balance.pH.value > WELL_ACID_PH
  if (eggSets && a.heat.a < 0.97) {
    o.heat('hotter', 1, 8)
    o.hold('holdLonger', steps(5, n => doc.heat.holdS + 60 * n))
  }
  if (setter) o.mass('moreSetter', setter, setterStep(setter.ingredientId, setter.massG), 10)
  if (levers.includes('egg')) o.mass('moreEgg', o.egg, o.eggStepG, 8)
  // More of the same juice only if it is sharp enough to set anything; else a squeeze of lemon.
  const sharp = juice && (a.stock.lines.find(l => l.id === juice.id)?.acidPercent ?? 0) > 3
  if (shortOfAcid) o.mass('moreJuice', sharp ? juice : undefined, 8, 12)
  if (levers.includes('cream')) o.mass('moreCream', o.cream, 20, 10)
  if (code !== 'sagsOnTable' && levers.includes('butter')) o.mass('moreButter', o.butter, 20, 10)
  if (!shortOfAcid) o.mass('lessJuice', juice, -10, 8)
  if (doc.use.kind === 'cut' || doc.use.kind === 'piped' || doc.use.kind === 'turnedOut') {
    const from = a.shape.pieceHeightM
    o.out.push({
      kind: 'lowerPiece',
      unit: 'm',
      from,
      values: steps(16, n => Math.round((from - 0.001 * n) * 1000) / 1000).filter(v => v >= 0.008),
      apply: v => ({ ...doc, use: { ...doc.use, pieceHeightM: v } }),
    })
  }
  if (code !== 'sagsOnTable') return
  const from = doc.use.tableTimeS
  o.out.push({
    kind: 'shorterTable',
    unit: 's',
    from,
    values: steps(12, n => Math.floor(from / 300 - n) * 300).filter(v => v >= 300),
    apply: v => ({ ...doc, use: { ...doc.use, tableTimeS: v } }),
  })
}

/** Cooler or shorter; what acid curdled, less of it. */
function smoother(o: Offers): void {
  const { holdS } = o.doc.heat
  if (o.family.acidGelsMilk) return o.mass('lessJuice', o.juice, -8, 14)
  o.heat('cooler', -1, 10)
  if (holdS > 0) o.hold('holdShorter', [Math.round(holdS * 0.5), 0])
}

/** Less of what sets it. */
function softer(o: Offers): void {
  const { setter, family } = o
  if (setter) o.mass('lessSetter', setter, -setterStep(setter.ingredientId, setter.massG), 10)
  if (family.eggSets) o.mass('lessEgg', o.egg, -o.eggStepG, 6)
  if (family.levers.includes('butter')) o.mass('lessButter', o.butter, -20, 10)
  if (family.acidGelsMilk) o.mass('lessJuice', o.juice, -8, 8)
}

/** A bowl of ice first, or more vessels. */
function quicker({ doc, out }: Offers): void {
  const ice = (timeS: number): ChillLeg => ({
    id: `${doc.chill[0]!.id}-ice`, placeId: null, place: { kind: 'iceBath', airTempC: 0.5 }, timeS, cover: 'open',
  })
  const rest = doc.chill.filter(l => l.place.kind !== 'bench' && l.place.kind !== 'iceBath')
  out.push({
    kind: 'iceBathFirst',
    unit: 's',
    from: 0,
    values: [300, 600, 900, 1200, 1800],
    apply: v => ({ ...doc, chill: [ice(v), ...rest] }),
  })
  const n = doc.assembly.count
  out.push({
    kind: 'moreVessels',
    unit: '',
    from: n,
    values: [1, 2, 3, 4, 6].map(k => n + k),
    apply: v => ({ ...doc, assembly: { ...doc.assembly, count: v } }),
  })
}

/** Longer in the last of the cold. */
function longer({ doc, out }: Offers): void {
  const last = doc.chill.length - 1
  const from = doc.chill[last]!.timeS
  out.push({
    kind: 'longerChill',
    unit: 's',
    from,
    values: steps(24, n => from + 1800 * n),
    apply: v => ({ ...doc, chill: doc.chill.map((l, i) => (i === last ? { ...l, timeS: v } : l)) }),
  })
}

function candidatesFor(doc: Bench, kitchen: Kitchen, a: Assessment): Candidate[] {
  const o = offersOf(doc, kitchen, a)
  const code = a.verdict.leans
  const found = (...codes: FindingCode[]) => a.findings.some(f => codes.includes(f.code))
  if (code === 'sagsOnTable' || code === 'looseCold' || code === 'runny') firmer(o)
  if (code === 'grainy') smoother(o)
  if (code === 'tooFirm') softer(o)
  if (found('coolsTooSlowly', 'coolsAtLimit')) quicker(o)
  if (code === 'servedBeforeSet' || found('servedBeforeSet')) longer(o)
  return o.out
}

/** A step of a setter that a cook can weigh: a leaf, a teaspoon, half a gram. */
const setterStep = (id: string, massG: number): number =>
  hasTrait(id, 'gelatin') ? 1 : hasTrait(id, 'agar') ? 0.5 : Math.max(2, Math.round(massG / 15))

const COOLING: AdjustmentKind[] = ['iceBathFirst', 'moreVessels']
/** What asks less of the same dessert. */
const USES: AdjustmentKind[] = ['lowerPiece', 'shorterTable']

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
  const found: { adjustment: Omit<Adjustment, 'moves'>, worked: Worked, size: number }[] = []
  if (!isOffTarget(before)) return []
  for (const c of candidatesFor(doc, kitchen, before)) {
    // Values lead outwards from the present one: the first that mends is the smallest change.
    for (const [i, to] of c.values.entries()) {
      yield
      const next = c.apply(to)
      const worked = work(next, kitchen)
      if (!mended(c.kind, before, worked.assessment)) continue
      const cooler = c.kind === 'moreEgg' && next.heat.targetTempC !== doc.heat.targetTempC
      const adjustment = {
        kind: c.kind,
        from: c.from,
        to,
        unit: c.unit,
        ...(c.ingredientId ? { ingredientId: c.ingredientId } : {}),
        ...(cooler ? { alsoTargetC: next.heat.targetTempC } : {}),
        changesUse: USES.includes(c.kind),
        doc: next,
      }
      found.push({ adjustment, worked, size: ((i + 1) / c.values.length) * sizeOf(c.kind) })
      break
    }
  }
  if (found.length === 0) return []
  found.sort((x, y) => x.size - y.size)
  const now = outcomeOf(work(doc, kitchen))
  return found.slice(0, 3).map(({ adjustment, worked }) => ({
    ...adjustment, moves: { before: now, after: outcomeOf(worked) },
  }))
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
