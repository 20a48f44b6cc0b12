/** Steps of a crust or topping, with the times of common practice. */
import type { Component, Line, PartKind, PartMake } from '../formula/document'
import { PART_MIN } from '../formula/partMinutes'
import { meringueHeat, PART_FACTS, type PartStep, SUGAR_BOIL_C, WARM_WHITES_C } from '../formula/parts'
import { driesMin } from '../physics/set/meringue'
import { thawOf } from './thaw'
import { type Cue, noStep, type PartCode, type StepOf } from './work'

/** The air of a kitchen where nobody has measured it (judgement). */
export const USUAL_ROOM = { tempC: 20, humidity: 0.55 } as const
export type PartWork = StepOf<PartCode>

export const brief = (lines: readonly Line[]) =>
  lines.filter(l => l.massG > 0).map(l => ({ id: l.id, ingredientId: l.ingredientId, massG: l.massG }))

const AS_WRITTEN = { holdMin: null, inOven: false }
const PART_CUES: Partial<Record<PartStep, Cue>> = {
  crush: 'sandy',
  rub: 'sandy',
  bakeBase: 'golden',
  bakeOpen: 'golden',
  bakeSponge: 'golden',
  whiskEggs: 'ribbon',
  beatWhites: 'stiffPeaks',
  warmWhites: 'sugarGone',
  boilSugar: 'softBall',
  pourSugar: 'shine',
  beatCool: 'glossyCool',
  whipCream: 'softPeaks',
  brown: 'goldenEdge',
  bakePuffs: 'golden',
  bakeThin: 'golden',
  roastFruit: 'softTip',
  bindSauce: 'thickBubble',
  simmerPeel: 'clearPeel',
  dryPeel: 'snaps',
  boilSyrup: 'sugarGone',
  cookBase: 'line',
}
/**
 * What tells that a kind of part is done, where one of its steps is told by it.
 * @example cueOfPart('peelPowder') // 'snaps'
 */
export const cueOfPart = (kind: PartKind): Cue | null =>
  PART_FACTS[kind].steps.map(s => PART_CUES[s]).find(Boolean) ?? null
/** A custard base is as safe as a curd from here, °C (common practice). */
const BASE_C = 82

const restMin = ({ restS }: PartMake, step: PartStep): number | undefined =>
  ((step === 'rest' || step === 'chillBase') && restS !== undefined ? restS / 60 : undefined)
/** In the oven without being called a bake. */
const IN_OVEN: readonly PartStep[] = ['dryOut', 'roastFruit', 'dryPeel']
/** Minutes of a step in the oven: two thirds of a blind bake are under weights; what dries goes by its thickness. */
function ovenMin(make: PartMake, step: PartStep, thickM: number | null): number {
  const { oven, thicknessM } = PART_FACTS[make.kind]
  const share = step === 'bakeBlind' ? 2 / 3 : step === 'bakeOpen' ? 1 / 3 : 1
  if (make.bakedS !== undefined) return (make.bakedS / 60) * share
  if (step !== 'dryOut') return oven!.minutes * share
  return driesMin(thickM ?? thicknessM, oven!.tempC, USUAL_ROOM.tempC, USUAL_ROOM.humidity)
}

/**
 * Steps of a crust or topping, in order; what a cook wrote without a kind is one step, with its grams.
 * @param atS when the first begins, s @param thickM as it lies; its kind's own where nobody says
 */
export function partWork(c: Component, atS: number, thickM: number | null = null): PartWork[] {
  if (!c.make)
    return [{
      ...noStep(), key: c.id, code: 'part:asWritten', component: c.role, lines: brief(c.lines), atS, params: AS_WRITTEN,
    }]
  const thaw = thawOf(c.lines)
  const steps = PART_FACTS[c.make.kind].steps.filter(s => s !== 'thawPack' || thaw !== null)
  return stepsOf(c, c.make, steps, atS, thickM)
}
/** Steps of a kind of part one after another; the first has its lines. */
export function stepsOf(
  c: Component, make: PartMake, steps: readonly PartStep[], atS: number, thickM: number | null = null,
): PartWork[] {
  const facts = PART_FACTS[make.kind]
  const heat = meringueHeat({ ...c, make })
  const thaw = thawOf(c.lines)
  let t = atS
  return steps.map((step, i) => {
    const baked = step.startsWith('bake') || IN_OVEN.includes(step) || (step === 'brown' && facts.oven !== null)
    // Dried meringue cools with the oven, its door shut.
    const inOven = baked || step === 'coolInOven'
    // A blind-baked shell stands two thirds of its time under weights, the rest open.
    const minutes = baked
      ? ovenMin(make, step, thickM)
      : step === 'thawPack' ? thaw!.fridgeS / 60 : restMin(make, step) ?? PART_MIN[step] ?? 5
    const tempC = inOven
      ? facts.oven!.tempC
      : step === 'boilSugar'
        ? SUGAR_BOIL_C[1]
        : step === 'warmWhites'
          ? WARM_WHITES_C
          : step === 'pourSugar'
            ? heat.reachesC
            : step === 'cookBase' ? BASE_C : null
    const out: PartWork = {
      ...noStep(),
      key: `${c.id}-${i}`,
      code: `part:${step}`,
      component: c.role,
      lines: i === 0 ? brief(c.lines) : [],
      tempC,
      timeS: minutes * 60,
      cue: PART_CUES[step] ?? null,
      probe: step === 'warmWhites' || step === 'cookBase' ? 'bulk' : null,
      atS: t,
      params: { holdMin: step === 'warmWhites' ? heat.needMinutes : null, inOven },
    }
    t += minutes * 60
    return out
  })
}
/** How long steps take one after another, s. */
export const lasts = (steps: readonly { timeS: number | null }[]) => steps.reduce((s, x) => s + (x.timeS ?? 0), 0)
