/**
 * What a crust, topping or level with a kind comes to, beyond its grams: what is put in the shell, what shrinks, binds,
 * bends, holds, dries and browns. Each figure is a code with its numbers; the words live with the screens.
 */
import { findIngredient, part } from '../base/ingredients/ingredients'
import { bendOfSheet, gramsOf, lossOf, massOf, type SheetBend } from '../formula/baked'
import { type Bench, vesselOf } from '../formula/bench'
import { type Component, type PartKind, type PartMake, strengthOf } from '../formula/document'
import { partOfBench } from '../formula/fruit'
import { isMeringue, PART_FACTS, partThickM } from '../formula/parts'
import type { Kitchen } from '../kitchen/kitchen'
import type { Assessment } from '../pipeline/assessment'
import { areaAt, cavityOf, cavityVolume } from '../physics/geometry/cavity'
import { binds, CRUMB_FAT, shrinks, slumps, SOAKS, turnsOf, weightsG } from '../physics/set/pastry'
import { type Scoop, churnedOf } from '../physics/chill/churned'
import { brix, mix, toParts } from '../physics/matter/mix'
import { type BandId, bandOf, corrected } from '../physics/set/bands'
import { spreadReading } from '../physics/set/kitchenTests'
import { browningMost, BROWNING, coreUnder, crushPa, driesMin, foamHolds } from '../physics/set/meringue'
import { USUAL_ROOM } from '../plan/partWork'
import { ranOut, softAfterS } from './leaks'
import { rollRadius } from './load'
import { labelOf } from '../base/ingredients/label'
import { thawOf } from '../plan/thaw'
import { laidNature } from './nature'

export type PartFigure =
  | { code: 'weights', g: number }
  /** Share by which the side shrinks, and what it slumps beside that, m. */
  | { code: 'shrinks', share: number, sideM: number, slumpsM: number, restMin: number }
  /** Hours until what is wet has softened it: bare, and sealed; null: never within a week. */
  | { code: 'softens', bareH: number | null, sealedH: number | null, isSealed: boolean }
  | { code: 'binds', share: number, word: 'crumbles' | 'holds' | 'greasy' }
  | { code: 'bends' } & SheetBend
  /** A sheet by its area; the roll it makes. */
  | { code: 'sheet', areaM2: number, gPerM2: number, rollM: number, turns: number }
  | { code: 'soaks', g: number, mostG: number }
  | { code: 'holds', hours: number, withAcid: boolean }
  /** Height of whipped cream it carries, m. */
  | { code: 'carries', heightM: number }
  | { code: 'dries', minutes: number, dampMin: number, ovenC: number }
  /** In a room's air, usual and damp. */
  | { code: 'softInAir', hours: number, dampH: number }
  /** Filled so long it cuts cleanly, and until it is soft, h. */
  | { code: 'cuts', fromH: number, untilH: number }
  /** What is left of what goes in, g, and its sugar, °Brix. */
  | { code: 'yields', g: number, ofG: number, brix: number }
  /** A spoon of it on a plate runs so wide, m. */
  | { code: 'runs', acrossM: number, spoonG: number }
  /** Liquid it lets go into what lies under it after so many hours, g. */
  | { code: 'leaks', g: number, hours: number }
  /** Out of its pack, stirred smooth, Pa; how long a frozen pack thaws in the fridge, or in cold water, s. */
  | { code: 'ready', pa: number, band: BandId, packs: number | null }
  /** Churned: ice of its weight in the cabinet, its sugar, where it scoops, and sugar to add for that. */
  | { code: 'churned', scoop: Scoop, ice: number, brix: number, scoopsAtC: number, freezingC: number, sugarG: number | null }
  | { code: 'thaws', fridgeS: number, waterS: number }
  | { code: 'browns', minutes: number, ovenC: number, coreC: number, mostMin: number }

/** Pastry rests half an hour where nobody says (common practice). */
export const USUAL_REST_S = 30 * 60
/** What is fruit, or made of it; whether what the oven or the pot takes of it is water. */
const FRUIT: Partial<Record<PartKind, 'water' | 'solids'>> = {
  coulis: 'solids', boundSauce: 'water', roastedFruit: 'water', maceratedFruit: 'water', confitPeel: 'water',
  peelPowder: 'water', steepedSpirit: 'solids',
}
/** Yield stress of what is poured on a plate, Pa (common ring spreads, L): a coulis, a sauce with 2.5 % starch. */
const RUNS_PA: Partial<Record<PartKind, number>> = { coulis: 6, boundSauce: 14, maceratedFruit: 1 }
const SPOON_G = 15
/** Less set than this is none of its own: then a kind's usual body counts, Pa. */
const RUNS_LEAST_PA = 1
const LEAKS_H = 4
/** A damp day (judgement). */
export const DAMP = 0.8
/** Whipped cream, kg/m³. */
const CREAM = 500
const G = 9.81
/** A core comes from the freezer so cold, and lets go of its ice about here, °C (judgement). */
const FROZEN_C = -18
const THAWS_C = -5
/** Dried meringue shatters below this water, and cuts from there (judgement). */
const CUTS_AT = 0.035
/** A wet filling that nobody has named: its water activity (judgement). */
const WET_AW = 0.95
const SPONGES: readonly PartKind[] = ['spongeBase', 'spongeLayer', 'rollSheet']
const CRUMBS: readonly PartKind[] = ['crumbChilled', 'crumbBaked', 'crumbMelted']

const hours = (s: number | null) => (s === null ? null : s / 3600)

function shellFigures(c: Component, make: PartMake, b: Bench, kitchen: Kitchen): PartFigure[] {
  if (make.kind !== 'blindShell') return []
  const cavity = cavityOf(vesselOf(b, kitchen), { ...b.assembly, insertM3: 0 })
  const restMin = (make.restS ?? USUAL_REST_S) / 60
  const isWeighted = make.unweighted !== true
  const sideM = b.assembly.crustForm === 'shell' ? cavity.heightM : 0
  return [
    ...(isWeighted ? [{ code: 'weights', g: weightsG(cavityVolume(cavity)) * b.assembly.count } as const] : []),
    {
      code: 'shrinks', share: shrinks(restMin), sideM: sideM * shrinks(restMin), slumpsM: sideM * slumps(restMin, isWeighted),
      restMin,
    },
  ]
}
function softenFigures(c: Component, make: PartMake, thickM: number): PartFigure[] {
  const dry = laidNature(c)
  if (dry.drinks?.softAt == null || c.role !== 'crust' || isMeringue(make.kind)) return []
  const contact = { wetAw: WET_AW, weeps: 0, dry, thickM }
  return [{
    code: 'softens', bareH: hours(softAfterS(contact)), sealedH: hours(softAfterS({ ...contact, isSealed: true })),
    isSealed: make.sealed === true,
  }]
}
function crumbFigures(c: Component, make: PartMake): PartFigure[] {
  if (!CRUMBS.includes(make.kind)) return []
  const fatG = gramsOf(c, id => (findIngredient(id)!.group === 'butter' ? part(findIngredient(id)!, 'fat') : 0))
  const meltedSugarG = gramsOf(c, id => (id === 'sugar' ? 100 : 0))
  const share = binds({ fatG, meltedSugarG, massG: massOf(c) })
  return [{ code: 'binds', share, word: share < CRUMB_FAT[0] ? 'crumbles' : share > CRUMB_FAT[1] ? 'greasy' : 'holds' }]
}

function spongeFigures(c: Component, make: PartMake, b: Bench, kitchen: Kitchen, thickM: number | null): PartFigure[] {
  if (!SPONGES.includes(make.kind)) return []
  const bakedG = massOf(c) * (1 - lossOf(make))
  const out: PartFigure[] = [{ code: 'soaks', g: SOAKS[0] * bakedG, mostG: SOAKS[1] * bakedG }]
  const bend = bendOfSheet(c, thickM)
  if (!bend) return out
  const vessel = vesselOf(b, kitchen)
  const areaM2 = areaAt(cavityOf(vessel, b.assembly), 0) * b.assembly.count
  const allM = b.layers.reduce((s, l) => s + (l.form === 'fill' && 'given' in l.thicknessM ? l.thicknessM.given : 0), 0)
  const rolled = Math.max(allM, thickM!)
  const radius = rollRadius(Math.min(vessel.lengthM, vessel.widthM), rolled)
  return [
    { code: 'sheet', areaM2, gPerM2: massOf(c) / areaM2, rollM: 2 * radius, turns: turnsOf(radius, rolled) },
    { code: 'bends', ...bend }, ...out,
  ]
}

/** Fruit and what is made of it: yield, sugar, run, what it lets go. */
function fruitFigures(c: Component, make: PartMake): PartFigure[] {
  const loses = FRUIT[make.kind]
  if (!loses) return []
  const { density } = PART_FACTS[make.kind]
  const [ofG, loss] = [massOf(c), lossOf(make)]
  const sugar = brix(mix(toParts(c.lines, () => ({ kind: 'typical' }))))
  const out: PartFigure[] = [
    { code: 'yields', g: ofG * (1 - loss), ofG, brix: loses === 'water' ? Math.min(95, sugar / (1 - loss)) : sugar },
  ]
  const pa = RUNS_PA[make.kind]
  if (pa) {
    const volumeM3 = SPOON_G / 1000 / density
    out.push({ code: 'runs', acrossM: 2 * spreadReading(pa, density, volumeM3), spoonG: SPOON_G })
  }
  const gives = laidNature(c).gives
  return gives ? [...out, { code: 'leaks', g: ofG * (1 - loss) * ranOut(gives, LEAKS_H), hours: LEAKS_H }] : out
}

/** Beaten whites on top: how long, what they carry, how they are browned over a frozen core. */
function softMeringue(c: Component, make: PartMake, thickM: number): PartFigure[] {
  const nature = laidNature(c)
  const { density } = PART_FACTS[make.kind]
  const out: PartFigure[] = [
    { code: 'holds', hours: nature.gives!.holdsH, withAcid: make.withAcid === true },
    { code: 'carries', heightM: nature.bearsPa!.cold / (CREAM * G) },
  ]
  // Beaten cold, it is baked on what is hot.
  if (make.kind === 'meringueCold' || !(thickM > 0)) return out
  const { minutes, ovenC } = BROWNING
  const coreC = coreUnder(FROZEN_C, thickM, density, minutes)
  return [...out, { code: 'browns', minutes, ovenC, coreC, mostMin: browningMost(FROZEN_C, thickM, density, THAWS_C) }]
}
/** Hours in air of a humidity until a dried part is soft: as if that air lay on it as something wet. */
const inAir = (c: Component, thickM: number, humidity: number) =>
  hours(softAfterS({ wetAw: humidity, weeps: 0, dry: laidNature(c), thickM })) ?? 7 * 24
function driedMeringue(c: Component, make: PartMake, thickM: number, roomC: number): PartFigure[] {
  const { oven, density, ratio } = PART_FACTS[make.kind]
  const contact = { wetAw: WET_AW, weeps: 0, dry: laidNature(c), thickM }
  return [
    {
      code: 'dries', minutes: driesMin(thickM, oven!.tempC, roomC, USUAL_ROOM.humidity),
      dampMin: driesMin(thickM, oven!.tempC, roomC, DAMP), ovenC: oven!.tempC,
    },
    { code: 'carries', heightM: (crushPa(density) * foamHolds(make.ratio, ratio!.usual, false)) / (CREAM * G) },
    { code: 'softInAir', hours: inAir(c, thickM, USUAL_ROOM.humidity), dampH: inAir(c, thickM, DAMP) },
    { code: 'cuts', fromH: hours(softAfterS(contact, CUTS_AT)) ?? 7 * 24, untilH: hours(softAfterS(contact)) ?? 7 * 24 },
  ]
}

/** What comes out of packs: its set, how many of them, how long they thaw. */
function readyFigures(c: Component): PartFigure[] {
  const { bearsPa, density } = laidNature(c)
  const pa = bearsPa!.cold
  const thaw = thawOf(c.lines)
  const packG = labelOf(c.lines[0]!.ingredientId)?.pack
  return [
    { code: 'ready', pa, band: bandOf(corrected(pa, density)), packs: packG ? massOf(c) / packG : null },
    ...(thaw ? [{ code: 'thaws' as const, fridgeS: thaw.fridgeS, waterS: thaw.waterS }] : []),
  ]
}

/**
 * Figures of fruit that is a formula of its own: what is left of it and its sugar as they are computed, how a spoon of
 * it runs by its own set where it has one, what it lets go.
 * @returns none where it is no fruit
 */
export function figuresAlone(b: Bench, a: Assessment): PartFigure[] {
  const part = partOfBench(b)
  if (!part?.make || massOf(part) <= 0) return []
  const [ofG, g] = [massOf(part), a.shape.batchG]
  const dried = FRUIT[part.make.kind] === 'water' ? ofG / g : 1
  const tauPa = a.verdict.cold.tauPa.value
  return fruitFigures(part, part.make).map((f): PartFigure => {
    if (f.code === 'yields') return { ...f, g, brix: Math.min(95, a.balance.brix.value * dried) }
    if (f.code !== 'runs' || !(tauPa > RUNS_LEAST_PA)) return f
    return { ...f, acrossM: 2 * spreadReading(tauPa, a.shape.density, SPOON_G / 1000 / a.shape.density) }
  })
}

/**
 * Figures of a part; none where it has no kind, or nothing in it.
 * @example partFigures({ id: 'x', role: 'crust', name: '', lines: [], steps: [] }, doc, kitchen) // []
 */
export function partFigures(c: Component, b: Bench, kitchen: Kitchen): PartFigure[] {
  const { make } = c
  if (!make || massOf(c) <= 0) return []
  const thickM = partThickM(b, c)
  if (make.kind === 'readyFilling') return readyFigures(c)
  if (PART_FACTS[make.kind].role === 'beside') {
    const { scoop, ice, brix, scoopsAtC, freezingC, sugarG } =
      churnedOf(mix(toParts(c.lines, l => strengthOf(l, kitchen))))
    return [{ code: 'churned', scoop, ice, brix, scoopsAtC, freezingC, sugarG }]
  }
  if (isMeringue(make.kind))
    return make.kind === 'meringueDry'
      ? driedMeringue(c, make, thickM ?? PART_FACTS[make.kind].thicknessM, kitchen.roomTempC)
      : softMeringue(c, make, thickM ?? 0)
  return [
    ...fruitFigures(c, make), ...shellFigures(c, make, b, kitchen), ...crumbFigures(c, make),
    ...softenFigures(c, make, thickM ?? 0),
    ...spongeFigures(c, make, b, kitchen, thickM),
  ]
}
