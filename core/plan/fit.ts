/**
 * A formula in another vessel: the factor that keeps or reaches a depth, whole eggs, and what it is called for; bowls
 * and pans for the work.
 */
import { checkField } from '../base/fields'
import { findIngredient } from '../base/ingredients/ingredients'
import { fillingOf, type Bench, vesselOf } from '../formula/bench'
import { scaleFormula, withMasses } from '../formula/edits'
import { countEggs } from '../formula/eggs'
import { familyOf } from '../formula/families'
import { plainMake, resizeParts, withPart } from '../formula/parts'
import type { Kitchen } from '../kitchen/kitchen'
import {
  cavityOf, cavityVolume, depthOf, factorToDepth, type Vessel, type VesselKind, volumeTo,
} from '../physics/geometry/cavity'
import { potVessel, ROOM, type WorkVessel } from '../physics/heat/pot'
import type { Assessment } from '../pipeline/assessment'

export interface VesselFit {
  depthM: number
  headroomM: number
  /** Filled share of what it holds to the rim. */
  fillShare: number
  /** Over the rim, m³. */
  overM3: number
  /** Vessels that the volume fills to the headroom wanted, and what is then left. */
  fills: number
  leftM3: number
}

/** A volume poured into `count` vessels alike. @param roomM headroom wanted, m */
export function fitVolume(
  volumeM3: number,
  vessel: Vessel,
  lining: Bench['assembly'],
  count: number,
  roomM: number,
): VesselFit {
  const c = cavityOf(vessel, lining)
  const depthM = depthOf(volumeM3, c, count)
  const full = cavityVolume(c)
  const each = volumeTo(c, Math.max(0, c.heightM - roomM))
  const fills = each > 0 ? Math.floor(volumeM3 / each + 1e-9) : 0
  return {
    depthM,
    headroomM: c.heightM - depthM,
    fillShare: volumeM3 / count / Math.max(full, 1e-9),
    overM3: Math.max(0, volumeM3 - full * count),
    fills,
    leftM3: volumeM3 - fills * each,
  }
}

/** Rings and shells want a crust up their sides; glasses, ramekins, moulds and bowls take none. */
const WANTS_SHELL: readonly VesselKind[] = ['tartRing', 'tartShell']
const NO_CRUST: readonly VesselKind[] = ['ramekin', 'glass', 'stemmed', 'mould', 'bowl']

/**
 * The formula in another vessel, as much as before: a crust goes where none can stand and comes where one must, on
 * the base of
 * a square tin and up the sides of a round one; crust and topping are sized again. @param id gives ids for what is new
 */
export function withVessel(
  doc: Bench,
  kitchen: Kitchen,
  vessel: Vessel,
  vesselId: string | null,
  id: () => string,
): Bench {
  const { kind, material, lengthM, widthM, heightM, taper, heldM3 } = vessel
  const { assembly } = doc
  const form =
    kind === vesselOf(doc, kitchen).kind
      ? assembly.crustForm
      : kind === 'rectangle' && familyOf(doc.family).assembly?.any?.crustForm === 'base'
        ? 'base'
        : 'shell'
  const leans = kind === 'glass' || kind === 'stemmed'
  const next: Bench = {
    ...doc,
    assembly: {
      ...assembly,
      vesselId,
      vessel: { kind, material, lengthM, widthM, heightM, taper, heldM3 },
      crustForm: form,
      tiltDeg: leans ? assembly.tiltDeg : 0,
    },
  }
  if (NO_CRUST.includes(kind) && assembly.crustM > 0)
    return resizeParts(withPart(next, kitchen, 'crust', null, id, ''), kitchen)
  if (WANTS_SHELL.includes(kind) && assembly.crustM === 0)
    return withPart(next, kitchen, 'crust', plainMake('blindShell'), id, 'Shell')
  return resizeParts(next, kitchen)
}

export interface FitWish {
  vessel: Vessel
  vesselId: string | null
  count: number
  /** Depth wanted, m; null: as deep as now. */
  depthM: number | null
  /** Round to whole eggs. */
  wholeEggs: boolean
}

export interface FitPlan {
  /** Factor that would give the depth, and the one that is taken. */
  exactFactor: number
  factor: number
  /** Eggs and egg parts in the new formula, whole where they were asked whole. */
  eggs: { ingredientId: string, from: number, to: number }[]
  depthBeforeM: number
  /** Depth that results, m. */
  depthM: number
  headroomM: number
  doc: Bench
}

/**
 * The formula scaled into other vessels. Depth follows from what is filled: m·(1 − sieve) − pan, the pan keeping the
 * same
 * grams whatever the batch. With whole eggs the line with most egg is rounded and everything follows it; the other egg
 * lines are rounded by themselves.
 * @param id gives ids for what is new @throws {InputError} naming the field
 */
export function fitInto(
  doc: Bench,
  kitchen: Kitchen,
  shape: Assessment['shape'],
  wish: FitWish,
  id: () => string,
): FitPlan {
  checkField('assembly.count', wish.count)
  const { panG } = doc.losses
  const moved = withVessel(doc, kitchen, wish.vessel, wish.vesselId, id)
  const cavity = cavityOf(wish.vessel, moved.assembly)
  const wanted = checkField('assembly.depth', wish.depthM ?? shape.depthM)
  const exactFactor = factorToDepth(cavity, wish.count, shape.density, wanted, shape.batchG, panG)
  const lines = fillingOf(doc).lines
  const eggs = countEggs(lines, kitchen.eggGrade).lines
  const leading = [...eggs].sort((a, b) => b.count * b.eachG - a.count * a.eachG)[0]
  const wholeOf = (n: number) => Math.max(1, Math.round(n))
  const factor = wish.wholeEggs && leading ? wholeOf(leading.count * exactFactor) / leading.count : exactFactor
  const masses = wish.wholeEggs
    ? new Map(eggs.map(e => [e.lineId, Math.round(wholeOf(e.count * factor) * e.eachG * 10) / 10]))
    : new Map<string, number>()
  const portions = Math.max(1, Math.round(doc.assembly.portions * factor))
  const scaled = withMasses(scaleFormula(moved, factor), masses)
  const next: Bench = resizeParts(
    { ...scaled, assembly: { ...scaled.assembly, count: wish.count, portions } },
    kitchen,
  )
  const massOf = (d: Bench) => fillingOf(d).lines.reduce((s, l) => s + l.massG, 0)
  const filledG = ((shape.batchG + panG) * massOf(next)) / massOf(doc) - panG
  const depthM = depthOf(filledG / 1000 / shape.density, cavity, wish.count)
  return {
    exactFactor,
    factor,
    depthBeforeM: shape.depthM,
    depthM,
    headroomM: cavity.heightM - depthM,
    doc: next,
    eggs: eggs.map(e => ({
      ingredientId: lines.find(l => l.id === e.lineId)!.ingredientId,
      from: e.count,
      to: wish.wholeEggs ? wholeOf(e.count * factor) : e.count * factor,
    })),
  }
}

/**
 * Pans and bowls for the work: what boils, what is stirred, what is whipped (at its whipped volume), what is folded.
 */
export function workVessels(doc: Bench, a: Assessment): WorkVessel[] {
  const out: WorkVessel[] = []
  const add = (what: WorkVessel['what'], ofM3: number) => {
    if (ofM3 > 0) out.push({ what, ofM3, times: ROOM[what], holdM3: ofM3 * ROOM[what] })
  }
  const filling = fillingOf(doc)
  const massOf = (ids: readonly string[]) => filling.lines.reduce((s, l) => s + (ids.includes(l.id) ? l.massG : 0), 0)
  const later = filling.steps.flatMap(s => (s.kind === 'stirIn' || s.kind === 'foldIn' ? s.lineIds : []))
  const first = potVessel(
    doc.heat.method,
    a.heat.peakTempC,
    massOf(filling.lines.map(l => l.id).filter(x => !later.includes(x))),
  )
  if (first.ofM3 > 0) out.push(first)
  for (const [i, s] of filling.steps.entries()) {
    if (s.kind !== 'foldIn') continue
    const cream =
      massOf(
        s.lineIds.filter(
          x => (findIngredient(filling.lines.find(l => l.id === x)?.ingredientId ?? '')?.group ?? '') !== 'sugar',
        ),
      ) / 1e6
    const overrun = a.heat.whipping.find(w => w.step === i)?.overrun ?? s.overrun
    if (overrun > 0) add('whip', cream * (1 + overrun))
  }
  if (filling.steps.some(s => s.kind === 'foldIn')) add('fold', a.shape.volumeM3)
  return out
}
