/**
 * One batch in several kinds of vessel, large and small together: how much goes into each, how deep, when each is out
 * of the oven and ready, which come out first; the last one may be short.
 */
import { InputError } from '../base/errors'
import { checkField } from '../base/fields'
import { type Bench, vesselOf } from '../formula/bench'
import { roomWanted } from '../formula/room'
import type { Kitchen } from '../kitchen/kitchen'
import { cavityOf, depthOf, type Vessel, volumeTo } from '../physics/geometry/cavity'
import { assess } from '../pipeline/assess'
import { type Assessment, pouredAfterS, pouredG } from '../pipeline/assessment'
import { fitInto, withVessel } from './fit'

/** A kind of vessel and how many there are; filled so deep, or to the room its top wants. */
export interface SomeOf {
  vessel: Vessel
  vesselId: string | null
  count: number
  depthM: number | null
}

/** Vessels of one kind that are filled alike. */
export interface Filling {
  /** Of what was asked. */
  of: number
  count: number
  eachG: number
  depthM: number
  headroomM: number
  /** The last of the batch: less than the others of its kind. */
  isShort: boolean
  /** In the oven, s; null: it is not baked. */
  bakeS: number | null
  /** From poured (or in the oven) to ready, s; null: it does not get there. */
  readyS: number | null
}

export interface Several {
  /** In the order they are filled. */
  fillings: Filling[]
  /** Places in `fillings` in the order they come out: of the oven, or of the cold. */
  outFirst: number[]
  /** Vessels of each kind that stay empty, and what of the batch is over, g. */
  empty: number[]
  overG: number
  /** Times the batch that fills all of them. */
  factor: number
}

/** From the bottom of the filling to the rim, m. */
interface Walls { heightM: number }
/** Less than this share of a vessel is not poured: it is over; so little short of full is full (judgement). */
const LEAST_SHARE = 0.15
const NEARLY_FULL = 0.03

/** The formula in vessels of a kind, with the crust they take. */
function inSuch(doc: Bench, kitchen: Kitchen, s: SomeOf): Bench {
  let n = 0
  return withVessel(doc, kitchen, s.vessel, s.vesselId, () => `several-${++n}`)
}

/** What is poured into one vessel of a kind, g, and how deep. */
function oneOf(such: Bench, kitchen: Kitchen, s: SomeOf, density: number): Pick<Filling, 'eachG' | 'depthM'> & Walls {
  const cavity = cavityOf(vesselOf(such, kitchen), such.assembly)
  const depthM = s.depthM === null ? cavity.heightM - roomWanted(such) : checkField('assembly.depth', s.depthM)
  const eachG = volumeTo(cavity, Math.min(depthM, cavity.heightM)) * density * 1000
  if (!(eachG > 0)) throw new InputError('tooSmall', 'assembly.vessel.heightM')
  return { eachG, depthM: Math.min(depthM, cavity.heightM), heightM: cavity.heightM }
}

/**
 * Fills the kinds one after the other as they are listed.
 * @returns generator that yields after each kind and returns the plan @throws {InputError} naming the field
 * @example several(doc, kitchen, assessment, []).next().value.empty.length // 0
 */
export function* several(
  doc: Bench, kitchen: Kitchen, a: Assessment, asked: readonly SomeOf[],
): Generator<undefined, Several> {
  const { density } = a.shape
  const bowlG = pouredG(doc, a)
  let leftG = bowlG
  let needG = 0
  const fillings: Filling[] = []
  const empty: number[] = []
  for (const [of, s] of asked.entries()) {
    checkField('assembly.count', s.count)
    const such = inSuch(doc, kitchen, s)
    const one = oneOf(such, kitchen, s, density)
    needG += s.count * one.eachG
    const cavity = cavityOf(vesselOf(such, kitchen), such.assembly)
    const depthAt = (g: number) => depthOf(g / density / 1000, cavity, 1)
    const full = Math.min(s.count, Math.floor(leftG / one.eachG + NEARLY_FULL))
    const eachG = full > 0 ? Math.min(one.eachG, leftG / full) : one.eachG
    leftG -= full * eachG
    const shortG = full < s.count && leftG > LEAST_SHARE * one.eachG ? leftG : 0
    leftG -= shortG
    empty.push(s.count - full - (shortG > 0 ? 1 : 0))
    const depthM = eachG < one.eachG ? depthAt(eachG) : one.depthM
    if (full > 0) fillings.push(filled(doc, kitchen, a, s, { of, count: full, ...one, eachG, depthM, isShort: false }))
    const short = { of, count: 1, ...one, eachG: shortG, depthM: depthAt(shortG), isShort: true }
    if (shortG > 0) fillings.push(filled(doc, kitchen, a, s, short))
    yield undefined
  }
  const out = (f: Filling) => f.bakeS ?? f.readyS ?? Infinity
  return {
    // The pan keeps the same grams whatever the batch.
    fillings, empty, overG: Math.max(0, leftG), factor: (needG + doc.losses.panG) / (bowlG + doc.losses.panG),
    outFirst: fillings.map((_, i) => i).sort((x, y) => out(fillings[x]!) - out(fillings[y]!)),
  }
}

/** The same formula in such vessels alone: what the oven and the cold take. */
function filled(
  doc: Bench, kitchen: Kitchen, a: Assessment, s: SomeOf,
  f: Pick<Filling, 'of' | 'count' | 'eachG' | 'depthM' | 'isShort'> & Walls,
): Filling {
  const { heightM, ...said } = f
  let n = 0
  const { doc: alone } = fitInto(doc, kitchen, a.shape, {
    vessel: s.vessel, vesselId: s.vesselId, count: f.count, depthM: f.depthM, wholeEggs: false,
  }, () => `several-${++n}`)
  const its = assess(alone, kitchen)
  const bakes = doc.heat.method === 'oven'
  return {
    ...said, headroomM: heightM - f.depthM, bakeS: bakes ? its.heat.endS : null,
    readyS: its.serve.readyAfterS === null ? null : its.serve.readyAfterS - pouredAfterS(its),
  }
}
