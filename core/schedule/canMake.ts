/**
 * What can be made: a formula against what is there, what it may not hold, what cannot be used until when, for how many
 * and by when. It says how much, what of the stock it uses and leaves, and what must be bought; or why not. Where only
 * the equipment or the time stand against it, the other ways of making of its kind are tried.
 */
import { InputError } from '../base/errors'
import { findIngredient, hasTrait } from '../base/ingredients/ingredients'
import type { Allergen } from '../base/ingredients/types'
import { solveFor } from '../base/solveFor'
import { benchOf, type Bench, type Planned, putBack } from '../formula/bench'
import { SCHOOLS, type School } from '../formula/document'
import { withSchool } from '../formula/edits'
import { eggEachG, eggPart } from '../formula/eggs'
import { schoolOf } from '../formula/schools'
import type { Kitchen } from '../kitchen/kitchen'
import type { OnHand } from '../ledger/ledger'
import { thawPackS } from '../plan/thaw'
import { EQUIPMENT_KINDS, type EquipmentKind } from './day'
import { stepsOfFormula } from './ofFormula'
import type { StepInput } from './read'

/** What may not be in it. Gelatine is named apart: it is what makes most of this not vegetarian. */
export const DIETS = ['gelatine', 'milk', 'eggs', 'gluten', 'nuts', 'alcohol'] as const
export type Diet = (typeof DIETS)[number]
export interface Without {
  kind: EquipmentKind
  /** HH:MM from when it can be had; null: not at all. */
  until: string | null
}
/** What is there; what of it lies frozen is used last, and takes so long to thaw. */
export interface Have extends OnHand { thaw?: { fromG: number, minutes: number } }
/**
 * More of a thing that is there: what is fresh is used first. @param packG of what lies frozen; null: it is fresh
 * @example more({ ingredientId: 'white', massG: 60 }, 'white', 200, 100).thaw.fromG // 60
 */
export function more(had: Have | undefined, ingredientId: string, massG: number, packG: number | null): Have {
  const fromG = (had ? had.thaw?.fromG ?? had.massG : 0) + (packG === null ? massG : 0)
  const all = (had?.massG ?? 0) + massG
  if (packG === null && !had?.thaw) return { ingredientId, massG: all }
  const minutes = packG === null ? 0 : thawPackS(ingredientId, Math.min(massG, packG)).fridge / 60
  return { ingredientId, massG: all, thaw: { fromG, minutes: Math.max(minutes, had?.thaw?.minutes ?? 0) } }
}
export interface Wish {
  /** On hand, g; juice and zest of whole fruit, each once. */
  have: Have[]
  without: Without[]
  free: Diet[]
  /** Portions; null: as many as it makes. */
  count: number | null
  /** HH:MM; null: whenever it is ready. */
  serveAt: string | null
  /** Pieces that nothing could be made of. */
  unread: string[]
}

/** @example plainWish().have // [] */
export const plainWish = (): Wish => ({ have: [], without: [], free: [], count: null, serveAt: null, unread: [] })

/** Why a formula is not among what can be made. */
export type Refusal =
  | { why: 'usesNone' }
  /** A trifle of what is there, by weight. */
  | { why: 'usesLittle', share: number }
  /** Enough of it for so many portions. */
  | { why: 'short', ingredientId: string, portions: number }
  | { why: 'holds', diet: Diet, ingredientIds: string[] }
  | { why: 'needs', kind: EquipmentKind }
  /** Ready at this minute of the wish's clock, too late by so many. */
  | { why: 'late', minutes: number, overMin: number }
  | { why: 'cannot', path: string }

export interface Use { ingredientId: string, useG: number, leftG: number }
export interface CanMake {
  portions: number
  /** Times the formula as it is written. */
  factor: number
  /** Its own way of making, or another of its kind that fits where its own does not. */
  school: School
  /** Of what is there. */
  uses: Use[]
  /** What is not there, or not enough of it, g. */
  buys: { ingredientId: string, massG: number }[]
  /** Eggs from the shell that are cracked, whole and separated. */
  shells: number
  /** Minutes from now until it is ready, likely; what of them its frozen packs thaw first. */
  minutes: number
  thawMin: number
  refusals: Refusal[]
}

const ALLERGEN: Readonly<Partial<Record<Diet, readonly Allergen[]>>> = {
  milk: ['milk'], eggs: ['egg'], gluten: ['gluten'], nuts: ['nuts', 'peanuts'],
}
/** Water from the tap is never short. */
const FROM_TAP = ['water']
/** A formula that takes less of what is there, by weight, is not made of it (judgement). */
export const LITTLE = 0.05
/** Less of a batch than this is none (judgement): nothing is cooked for one portion in ten. */
const LEAST_PORTIONS = 1

/**
 * Whether a diet leaves an ingredient out.
 * @example isOut('gelatin', 'gelatine') // true
 */
export function isOut(ingredientId: string, diet: Diet): boolean {
  const row = findIngredient(ingredientId)
  if (!row) return false
  if (diet === 'gelatine') return hasTrait(ingredientId, 'gelatin') || hasTrait(ingredientId, 'holdsGelatin')
  if (diet === 'alcohol') return (row.ethanol ?? 0) > 0
  return ALLERGEN[diet]!.some(a => row.allergens?.includes(a))
}

/** Grams of every ingredient of a dessert, as it is written. */
function needsOf(b: Bench): Map<string, number> {
  const out = new Map<string, number>()
  for (const l of b.components.flatMap(c => c.lines))
    if (l.massG > 0) out.set(l.ingredientId, (out.get(l.ingredientId) ?? 0) + l.massG)
  return out
}

const NOTHING: ReadonlyMap<string, number> = new Map()
/** Shells a batch takes beyond the yolks and whites that lie there loose: separated by whichever asks for more. */
function shellsOf(needs: ReadonlyMap<string, number>, loose: ReadonlyMap<string, number>, factor: number, k: Kitchen) {
  const eggs = { whole: 0, yolk: 0, white: 0 }
  for (const [id, g] of needs) {
    const p = eggPart(id)
    if (!p) continue
    const there = p === 'whole' ? 0 : loose.get(id) ?? 0
    eggs[p] += Math.max(0, factor * g - there) / eggEachG(p, k.eggGrade)
  }
  return eggs.whole + Math.max(eggs.yolk, eggs.white)
}

/** How much of the stock a batch takes, and what is not there. */
function takenOf(b: Bench, wish: Wish, factor: number, k: Kitchen): Pick<CanMake, 'uses' | 'buys' | 'shells'> {
  const needs = needsOf(b)
  const have = new Map(wish.have.map(h => [h.ingredientId, h.massG]))
  const shells = shellsOf(needs, have, factor, k)
  const uses: Use[] = []
  const buys: CanMake['buys'] = []
  const eggs = have.get('egg')
  const wholeG = eggEachG('whole', k.eggGrade)
  for (const [ingredientId, g] of needs) {
    const there = eggPart(ingredientId) === 'whole' ? undefined : have.get(ingredientId)
    const useG = Math.min(factor * g, there ?? 0)
    if (there !== undefined) uses.push({ ingredientId, useG, leftG: there - useG })
    const lacksG = factor * g - useG
    const isShell = eggPart(ingredientId) !== null
    if (lacksG > 0.5 && !isShell && !FROM_TAP.includes(ingredientId)) buys.push({ ingredientId, massG: lacksG })
  }
  if (eggs !== undefined && shells > 0) {
    const useG = Math.min(eggs, shells * wholeG)
    uses.push({ ingredientId: 'egg', useG, leftG: eggs - useG })
  }
  const shortShells = shells - (eggs ?? 0) / wholeG
  if (shells > 0 && shortShells > 0.05) buys.push({ ingredientId: 'egg', massG: shortShells * wholeG })
  return { uses, buys, shells: Math.max(0, Math.ceil(shells - 0.05)) }
}

/** The largest factor that what is there allows, and what of it stops there; null: nothing that is listed limits it. */
function mostOf(b: Bench, wish: Wish, k: Kitchen): { factor: number, ingredientId: string } | null {
  const needs = needsOf(b)
  const have = new Map(wish.have.map(h => [h.ingredientId, h.massG]))
  let most: { factor: number, ingredientId: string } | null = null
  const allow = (factor: number, ingredientId: string) => {
    if (most === null || factor < most.factor) most = { factor, ingredientId }
  }
  const eggs = have.get('egg')
  for (const [id, g] of needs) {
    const there = have.get(id)
    // Yolks and whites that are there may be joined by shells.
    if (there === undefined || eggPart(id) === 'whole' || (eggPart(id) !== null && eggs !== undefined)) continue
    allow(there / g, id)
  }
  const each = shellsOf(needs, NOTHING, 1, k)
  if (eggs !== undefined && each > 0) {
    const shells = eggs / eggEachG('whole', k.eggGrade)
    const loose = Math.max(0, ...[...needs].map(([id, g]) => (eggPart(id) === null ? 0 : (have.get(id) ?? 0) / g)))
    allow(solveFor(f => shellsOf(needs, have, f, k), shells, 0, shells / each + loose + 1), 'egg')
  }
  return most
}

/** Minutes from now to the end of its steps, one after what it follows, none before its equipment can be had. */
export function readyIn(
  steps: readonly StepInput[], without: readonly { kind: EquipmentKind, fromMin: number }[],
): number {
  const endOf = new Map<string, number>()
  let last = 0
  let end = 0
  for (const [i, s] of steps.entries()) {
    const after = s.after?.length ? Math.max(0, ...s.after.map(id => endOf.get(id) ?? 0)) : s.after ? 0 : last
    const free = Math.max(0, ...without.filter(w => s.uses?.some(u => u.kind === w.kind)).map(w => w.fromMin))
    last = Math.max(after, free) + s.minutes
    endOf.set(s.id ?? String(i), last)
    end = Math.max(end, last)
  }
  return end
}

const ALL_KINDS: ReadonlySet<string> = new Set(EQUIPMENT_KINDS)
const DAY_MIN = 24 * 60
/** Minutes from one time of the clock to the next time it shows another. */
const minutesTo = (now: string, at: string): number => {
  const min = (t: string) => 60 * Number(t.slice(0, 2)) + Number(t.slice(3, 5))
  return (min(at) - min(now) + DAY_MIN) % DAY_MIN
}

/** How long what of it is frozen thaws, minutes; nothing of the batch is begun before (judgement: on the safe side). */
const thawing = (wish: Wish, uses: readonly Use[]): number =>
  Math.max(0, ...wish.have.flatMap(({ ingredientId, thaw }) => {
    const used = uses.find(u => u.ingredientId === ingredientId)?.useG ?? 0
    return thaw && used > thaw.fromG + 0.5 ? [thaw.minutes] : []
  }))

/** What one way of making is asked for: so many, from which time, with how long to thaw first. */
interface Asked { wish: Wish, kitchen: Kitchen, portions: number, now: string, thawMin: number }
/** Whether one way of making gets by with what can be used, in the time there is. */
function inTime(
  planned: Planned, { wish, kitchen, portions, now, thawMin }: Asked,
): { minutes: number, refusals: Refusal[] } {
  const steps = stepsOfFormula(planned, kitchen, portions, ALL_KINDS)
  const used = (kind: EquipmentKind) => steps.some(s => s.uses?.some(u => u.kind === kind))
  const refusals: Refusal[] = wish.without
    .filter(w => w.until === null && used(w.kind)).map(w => ({ why: 'needs', kind: w.kind }))
  const later = wish.without
    .flatMap(w => (w.until === null ? [] : [{ kind: w.kind, fromMin: Math.max(0, minutesTo(now, w.until) - thawMin) }]))
  const minutes = thawMin + readyIn(steps, later)
  const haveMin = wish.serveAt === null ? Infinity : minutesTo(now, wish.serveAt)
  if (refusals.length === 0 && minutes > haveMin) refusals.push({ why: 'late', minutes, overMin: minutes - haveMin })
  return { minutes, refusals }
}

/** The same dessert by another way of making of its kind. */
const bySchool = (planned: Planned, school: School): Planned => {
  let n = 0
  return putBack(withSchool(benchOf(planned), school, () => `way-${++n}`))
}

/**
 * A formula against a wish. @param now HH:MM, from which time counts
 * @example canMake(planned, kitchen, { ...plainWish(), free: ['eggs'] }, '09:00').refusals[0].diet // 'eggs'
 */
export function canMake(planned: Planned, kitchen: Kitchen, wish: Wish, now: string): CanMake {
  const b = benchOf(planned)
  const refusals: Refusal[] = []
  const ids = [...needsOf(b).keys()]
  for (const diet of wish.free) {
    const out = ids.filter(id => isOut(id, diet))
    if (out.length > 0) refusals.push({ why: 'holds', diet, ingredientIds: out })
  }
  const most = mostOf(b, wish, kitchen)
  if (wish.have.length > 0 && most === null) refusals.push({ why: 'usesNone' })
  const own = b.assembly.portions
  const allowed = most === null ? Infinity : Math.floor(most.factor * own + 1e-6)
  const portions = Math.max(LEAST_PORTIONS, wish.count ?? (most === null ? own : allowed))
  if (most !== null && allowed < (wish.count ?? LEAST_PORTIONS))
    refusals.push({ why: 'short', ingredientId: most.ingredientId, portions: allowed })
  const factor = portions / own
  const taken = takenOf(b, wish, factor, kitchen)
  const thawMin = thawing(wish, taken.uses)
  const out: CanMake = { portions, factor, school: b.school, minutes: 0, thawMin, refusals, ...taken }
  const share = usesUp(out, wish.have)
  if (wish.have.length > 0 && most !== null && wish.count === null && share < LITTLE)
    refusals.push({ why: 'usesLittle', share })
  // What is out by what it holds, or has nothing to be made of, is not timed.
  if (refusals.length > 0) return out
  try {
    const asked = { wish, kitchen, portions, now, thawMin }
    const asIs = inTime(planned, asked)
    if (asIs.refusals.length === 0) return { ...out, minutes: asIs.minutes }
    for (const school of SCHOOLS) {
      if (school === b.school || schoolOf(school).family !== b.family || schoolOf(school).assembly) continue
      const other = tried(bySchool(planned, school), asked)
      if (other !== null) return { ...out, school, minutes: other }
    }
    return { ...out, ...asIs }
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    return { ...out, refusals: [{ why: 'cannot', path: error.path }] }
  }
}

/** Minutes by another way; null where it does not fit, or cannot be. */
function tried(planned: Planned, asked: Asked): number | null {
  try {
    const { minutes, refusals } = inTime(planned, asked)
    return refusals.length === 0 ? minutes : null
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    return null
  }
}

/** A lot to be used within so many days counts for so much more (judgement). */
const DUE_DAYS = 2
const DUE_COUNTS = 2
/**
 * The share, by weight, of what is there that a formula uses up; what is due soon counts double.
 * @param due days to its date, by ingredient
 * @example usesUp({ uses: [{ ingredientId: 'egg', useG: 5, leftG: 5 }] }, [{ ingredientId: 'egg', massG: 10 }]) // 0.5
 */
export function usesUp(
  c: Pick<CanMake, 'uses'>, have: readonly OnHand[], due: ReadonlyMap<string, number> = new Map(),
): number {
  const counts = (id: string) => ((due.get(id) ?? Infinity) <= DUE_DAYS ? DUE_COUNTS : 1)
  const weight = (h: OnHand) => counts(h.ingredientId) * h.massG
  const all = have.reduce((s, h) => s + weight(h), 0)
  const used = c.uses.reduce((s, u) => s + weight({ ingredientId: u.ingredientId, massG: u.useG }), 0)
  return used / Math.max(1e-9, all)
}
