/**
 * What to ask, what can be done tonight with what there is, and what to change next time. Rescues are worked out by the
 * pipeline on the batch as it was supposed to have gone; none is offered for food that cooled too slowly.
 */
import { findIngredient, hasTrait } from '../base/ingredients/ingredients'
import { cooledAsAsked } from '../book/cooling'
import { type BatchRecord, eventsOf } from '../book/record'
import { benchOf, fillingOf, type Bench } from '../formula/bench'
import { withMass } from '../formula/edits'
import { familyOf } from '../formula/families'
import { chillPredicted } from '../pipeline/chilled'
import { heatStage } from '../pipeline/heated'
import { mixStage } from '../pipeline/mixed'
import { setStage, type Settled } from '../pipeline/settled'
import { heatsInPan } from '../physics/heat/pot'
import { timeAbove } from '../physics/thermal/conduction'
import { asMade, type AsMade } from '../learn/asMade'
import type { Cause, Supposed } from './weigh'

export interface Said {
  code: string
  params: Record<string, number | string>
}
export interface Rescue extends Said {
  /** What must be kept to: `sameDay`, `heatThroughCoolFast`, `asItIs`, `throwAway`. */
  safety: string
}

/** Questions and small tests: which causes each decides, and the minutes it takes (common practice). */
const QUESTIONS: { code: string, decides: readonly string[], minutes: number }[] = [
  { code: 'askLine', decides: ['lineForgotten', 'lineDoubled'], minutes: 1 },
  { code: 'askSpoon', decides: ['spoonSize'], minutes: 1 },
  { code: 'readPacket', decides: ['otherGelatine'], minutes: 1 },
  { code: 'askTarget', decides: ['targetMissedK'], minutes: 1 },
  { code: 'askCold', decides: ['chilledTooShortS', 'openedWarm'], minutes: 1 },
  { code: 'weighYolks', decides: ['yolkMassFactor'], minutes: 3 },
  { code: 'checkWeight', decides: ['scaleFactor'], minutes: 3 },
  { code: 'iceWater', decides: ['probeBiasK'], minutes: 5 },
  { code: 'timeBoiling', decides: ['burnerFactor'], minutes: 8 },
  { code: 'titrateJuice', decides: ['juiceAcidFactor'], minutes: 10 },
  { code: 'weighPan', decides: ['evaporationFactor', 'reductionStoppedEarlyG', 'lossFactor'], minutes: 15 },
  { code: 'ovenThermometer', decides: ['ovenOffsetK'], minutes: 20 },
  { code: 'fridgeThermometer', decides: ['fridgeAirOffsetK', 'fridgeConvectionFactor'], minutes: 30 },
  { code: 'makeAgain', decides: ['setFactor'], minutes: 120 },
]
/** Less than this is not worth a question, bits. */
const WORTH_BITS = 0.1
const bits = (p: number) => (p > 0 && p < 1 ? -p * Math.log2(p) : 0)

/**
 * The question or test whose answer is expected to tell most for its time: what is known of the causes it decides, each
 * by itself, the rest as one.
 * @example questionOf([]) // null
 */
export function questionOf(causes: readonly Cause[]): Said | null {
  const asked = QUESTIONS.map((q) => {
    const mine = causes.filter(c => q.decides.includes(c.id.split('.')[0]!))
    const p = mine.reduce((s, c) => s + c.share, 0)
    const told = mine.reduce((s, c) => s + bits(c.share), 0) + bits(1 - p)
    return { q, mine, told, worth: told / (2 + q.minutes) }
  })
  const best = asked.filter(x => x.told >= WORTH_BITS).sort((a, b) => b.worth - a.worth)[0]
  if (!best) return null
  const of = best.mine[0]
  return { code: best.q.code, params: { minutes: best.q.minutes, ...(of?.lineId ? { lineId: of.lineId } : {}) } }
}

const settledOf = ({ bench, kitchen, parameters: p }: AsMade): { settled: Settled, timeS: number[] } => {
  const mixed = mixStage(bench, kitchen)
  const heated = heatStage(bench, kitchen, mixed, p)
  const chilled = chillPredicted(bench, kitchen, heated, p)
  return { settled: setStage(bench, kitchen, mixed, heated, chilled, p), timeS: chilled.run.timeS }
}
const isFirmEnough = ({ cold, plate, target }: Settled) =>
  cold.tauPa.value >= target.coldMinPa && plate.tauPa.value >= target.plateMinPa

/** The batch as it stands, cooked once more as it was meant: right target, right time in the cold. */
function again(made: AsMade, record: BatchRecord, change: (b: Bench) => Bench): AsMade {
  const plan = benchOf(record, record.componentId)
  const heat = { ...made.bench.heat, targetTempC: plan.heat.targetTempC }
  return { ...made, bench: change({ ...made.bench, heat, chill: plan.chill }) }
}

/** Least of an amount, step by step, at which it is firm enough; null: none is. */
function least(
  made: AsMade, record: BatchRecord, amounts: readonly number[], change: (b: Bench, g: number) => Bench,
): number | null {
  for (const g of amounts)
    if (isFirmEnough(settledOf(again(made, record, b => change(b, g))).settled)) return g
  return null
}
const massOf = (b: Bench) => fillingOf(b).lines.reduce((s, l) => s + l.massG, 0)

/** More of the egg it has the most of, heated with the rest. */
function withEgg(b: Bench, g: number): Bench {
  const [egg] = fillingOf(b).lines.filter(l => findIngredient(l.ingredientId)?.group === 'egg').sort((x, y) => y.massG - x.massG)
  return egg ? withMass(b, egg.id, egg.massG + g) : b
}
function withGelatine(b: Bench, g: number): Bench {
  const line = { id: 'rescue-gelatine', ingredientId: 'gelatin', massG: g, sourceText: '', assumption: '' }
  const own = fillingOf(b).lines.find(l => hasTrait(l.ingredientId, 'gelatin'))
  return own ? withMass(b, own.id, own.massG + g) : {
    ...b, components: b.components.map(c => (c.id === b.componentId ? { ...c, lines: [...c.lines, line] } : c)),
  }
}

/** What is too loose. */
function firmer(made: AsMade, r: BatchRecord): Rescue[] {
  const out: Rescue[] = []
  const b = made.bench
  const { settled, timeS } = settledOf(made)
  const openedS = b.chill.reduce((s, l) => s + l.timeS, 0)
  const thereS = timeAbove(timeS, settled.stressPa, settled.target.coldMinPa)
  if (thereS !== null && thereS > openedS)
    out.push({ code: 'chillLonger', params: { hours: Math.ceil((thereS - openedS) / 900) / 4 }, safety: 'asItIs' })
  const massG = massOf(b)
  const hasEgg = fillingOf(b).lines.some(l => findIngredient(l.ingredientId)?.group === 'egg')
  if (heatsInPan(b.heat.method) && hasEgg && !familyOf(b.family).acidGelsMilk) {
    const g = least(made, r, [0, 1, 2, 3, 4, 5, 6].map(n => Math.round((n * massG) / 50)), withEgg)
    if (g !== null)
      out.push({ code: 'cookAgain', params: { targetC: benchOf(r, r.componentId).heat.targetTempC, eggG: g }, safety: 'heatThroughCoolFast' })
  }
  const gelatine = least(made, r, [1, 2, 3, 4, 6, 8, 10, 14].map(n => Math.round((n * massG) / 50) / 10), withGelatine)
  if (gelatine !== null)
    out.push({ code: 'addGelatine', params: { massG: gelatine, toC: 60 }, safety: 'heatThroughCoolFast' })
  out.push({ code: 'serveAsSauce', params: {}, safety: 'sameDay' }, { code: 'freeze', params: {}, safety: 'sameDay' })
  return out
}

/** What can still be done with it. */
export function tonightOf(r: BatchRecord, best: Supposed | null): Rescue[] {
  if (cooledAsAsked(r) === false) return [{ code: 'throwAway', params: {}, safety: 'throwAway' }]
  const faults = eventsOf(r.events, 'outcome').at(-1)?.outcome.faults ?? []
  const made = asMade(r, best?.theta ?? {}, { unticked: 'in', ...best?.went })
  const out: Rescue[] = []
  if (faults.includes('grainy') || faults.includes('split'))
    out.push({ code: 'blendAndSieve', params: {}, safety: 'sameDay' }, { code: 'serveAsSauce', params: {}, safety: 'sameDay' })
  const { settled } = settledOf(made)
  const isLoose = faults.includes('runny') || (faults.length === 0 && !isFirmEnough(settled))
  if (isLoose) out.push(...firmer(made, r).filter(x => !out.some(y => y.code === x.code)))
  if (faults.includes('tooFirm')) out.push({ code: 'serveWarmer', params: { minutes: 30 }, safety: 'sameDay' })
  if (faults.includes('weeping')) out.push({ code: 'pourOffAndServe', params: {}, safety: 'sameDay' })
  return out
}

/** What each cause asks for next time. */
const NEXT: Record<string, string> = {
  probeBiasK: 'calibrateProbe', burnerFactor: 'setFlame', ovenOffsetK: 'setOven', fridgeAirOffsetK: 'setFridge',
  fridgeConvectionFactor: 'givePlace', evaporationFactor: 'weighPan', juiceAcidFactor: 'measureJuice',
  setFactor: 'learnSet', yolkMassFactor: 'weighYolks', scaleFactor: 'checkScale', lossFactor: 'weighLosses',
  lineForgotten: 'tickLines', lineDoubled: 'tickLines', spoonSize: 'weighSpoons', otherGelatine: 'writeBloom',
  targetMissedK: 'watchProbe', reductionStoppedEarlyG: 'weighPan', chilledTooShortS: 'planCold', openedWarm: 'planCold',
}
/** From this share on a cause is worth a change. */
const WORTH_SHARE = 0.15

/** Changes for the next time, the likeliest first. */
export function nextOf(r: BatchRecord, causes: readonly Cause[]): Said[] {
  const out: Said[] = []
  for (const c of causes.filter((x, i) => i === 0 || x.share >= WORTH_SHARE)) {
    const kind = c.id.split('.')[0]!
    const code = NEXT[kind]
    if (!code || out.some(x => x.code === code)) continue
    const value = c.best.theta[c.id]
    const { heat, chill } = benchOf(r, r.componentId)
    const params: Said['params'] = {
      ...(value === undefined ? {} : { value }),
      ...(c.lineId ? { lineId: c.lineId } : {}),
      ...(code === 'watchProbe' || code === 'calibrateProbe' ? { targetC: heat.targetTempC } : {}),
      ...(code === 'planCold' ? { hours: chill.reduce((s, l) => s + l.timeS, 0) / 3600 } : {}),
    }
    out.push({ code, params })
  }
  return out
}
