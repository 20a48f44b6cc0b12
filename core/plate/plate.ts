/**
 * A whole dessert as one thing: every part in its place, what it does under the load of what lies above, what leaks
 * into what, in which order it is built and how warm each part goes on, and one verdict for the slice.
 */
import { InputError } from '../base/errors'
import { type Bench, benchOf, type Planned, vesselOf } from '../formula/bench'
import { type Component, isComputed, strengthOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { areaAt, cavityOf, cavityVolume } from '../physics/geometry/cavity'
import { pHOfMix } from '../physics/matter/acidity'
import { evaporate, fatFraction, mix, type Mix, toParts } from '../physics/matter/mix'
import { taste } from '../physics/matter/taste'
import { work, type Worked } from '../pipeline/assess'
import type { VerdictCode } from '../pipeline/assessment'
import { placed, type Span, spansOf } from '../pipeline/stack'
import { type BuildStep, buildOf } from './build'
import { type Contact, drunkGPerM2, ranOut, softAfterS, weepRate } from './leaks'
import { lostInRoll, lostUnder } from './load'
import { computedNature, isCrisp, laidNature } from './nature'
import type { PlatePart, SpoonTaste } from './part'
import { type Spares, sparesOf } from './spares'

export interface Leak {
  fromId: string
  /** What drinks it; null: it gathers on the plate. */
  intoId: string | null
  /** Hours until a crisp part is soft; null: it never is, or is meant to be moist. */
  softH: number | null
  /** Were it sealed. */
  sealedSoftH: number | null
  isSealed: boolean
  /** Hours until it first runs by itself; null: it does not. */
  runsH: number | null
  /** From when they met to when it is eaten, h, and a portion's worth by then, g. */
  metH: number
  byServiceG: number
}

export const PLATE_CODES = ['stands', 'overflows', 'partFails', 'sinks', 'goesSoft', 'runs'] as const
export type PlateCode = (typeof PLATE_CODES)[number]

export interface Plate {
  /** From the bottom up; what lies beside comes last. */
  parts: PlatePart[]
  verdict: { code: PlateCode, partId: string | null }
  leaks: Leak[]
  build: BuildStep[]
  /** Of one vessel: what lies in it, and what it holds; `factor` fits it in, 1 where it fits. */
  room: { neededM3: number, holdsM3: number, factor: number }
  /** A spoon through all of it, and what leads in it. */
  spoonful: SpoonTaste & { leads: Leads }
  portionG: number
  /** From built to eaten, h. */
  heldH: number
  spares: Spares
}

/** A part that loses more than this of its thickness has visibly sunk (judgement). */
export const SINKS = 0.05
/** Liquid that shows on the plate, g a portion (judgement). */
export const SHOWS_G = 2

/** Shells are filled, and bases heaped, no sooner than so long before service, s (common practice). */
const FILLED_LATE_S = 2 * 3600

interface Made { worked: Worked | null, problem: string | null }
function made(planned: Planned, kitchen: Kitchen, id: string): Made {
  try {
    return { worked: work(placed(benchOf(planned, id), kitchen), kitchen), problem: null }
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    return { worked: null, problem: error.path }
  }
}

const tasteOf = (m: Mix): SpoonTaste => {
  if (!(m.massG > 0)) return { sour: 0, sweet: 0, fatPercent: 0 }
  const { sour, sweet } = taste(m, pHOfMix(m))
  return { sour, sweet, fatPercent: 100 * fatFraction(m) }
}

export const LEADS = ['sharp', 'sweet', 'rich', 'even'] as const
export type Leads = (typeof LEADS)[number]
/** Fat, %, that tastes as rich as a 10 of sour or sweet; one leads that is so much over both others (judgement). */
const RICHEST = 40
const LEADS_BY = 1.25
/**
 * Fat on the scale of sour and sweet, 0–10.
 * @example richOf(20) // 5
 */
export const richOf = (fatPercent: number): number => Math.min(10, (10 * fatPercent) / RICHEST)
/**
 * What leads in a spoonful.
 * @example leadsOf({ sour: 5, sweet: 3, fatPercent: 8 }) // 'sharp'
 */
export function leadsOf({ sour, sweet, fatPercent }: SpoonTaste): Leads {
  const [first, second] = ([['sharp', sour], ['sweet', sweet], ['rich', richOf(fatPercent)]] as const)
    .toSorted((x, y) => y[1] - x[1])
  return first![1] > LEADS_BY * second![1] ? first![0] : 'even'
}

/** Where each part lies: crust, levels, topping, beside. */
interface Place { c: Component, form: PlatePart['form'], fromM: number, thickM: number }
function placesOf(b: Bench, planned: Planned, spans: readonly Span[]): Place[] {
  const { components, assembly } = planned.formula
  const crustM = assembly.layers.some(l => l.form === 'shell' || l.form === 'base') ? b.assembly.crustM : 0
  const topM = crustM + spans.reduce((s, x) => s + x.thickM, 0)
  // What is turned out stands on what was filled last.
  const turned = (span: Span) => (assembly.built === 'domed'
    ? topM - span.fromM - span.thickM : crustM + span.fromM)
  const rank = ({ form }: Pick<Place, 'form'>) => ['shell', 'base', 'fill', 'top', 'beside'].indexOf(form)
  const places = components.map((c): Place => {
    const layer = assembly.layers.find(l => l.componentId === c.id)
    const span = spans.find(x => x.componentId === c.id)
    if (span) return { c, form: 'fill', fromM: turned(span), thickM: span.thickM }
    if (!layer || layer.form === 'fill') return { c, form: 'beside', fromM: 0, thickM: 0 }
    return layer.form === 'top'
      ? { c, form: 'top', fromM: topM, thickM: b.assembly.toppingM }
      : { c, form: layer.form, fromM: 0, thickM: crustM }
  })
  return places.sort((x, y) => rank(x) - rank(y) || x.fromM - y.fromM)
}

/** What lies upon each other, from the bottom up. */
const pileOf = (parts: readonly PlatePart[]) => parts.filter(p => p.form !== 'beside')

interface Held {
  parts: readonly PlatePart[]
  works: ReadonlyMap<string, Worked>
  components: readonly Component[]
  portionM2: number
  /** From built to eaten, and of that on the table, h. */
  heldH: number
  tableH: number
}
function leaksOf({ parts, works, components, portionM2, heldH, tableH }: Held): Leak[] {
  const pile = pileOf(parts)
  const weepsOf = (p: PlatePart) => {
    const score = works.get(p.id)?.assessment.set.weeping.score ?? 0
    return weepRate(score, p.thickM, p.nature.density)
  }
  const out: Leak[] = []
  for (const [i, wet] of pile.entries()) {
    const neighbours = [pile[i - 1], pile[i + 1]].filter(x => x !== undefined)
    for (const dry of neighbours) {
      if (!dry.nature.drinks || wet.nature.drinks) continue
      const isSealed = components.find(c => c.id === dry.id)?.make?.sealed === true
      // What runs by itself runs down.
      const weeps = dry === pile[i - 1] ? weepsOf(wet) : 0
      const contact: Contact = {
        wetAw: wet.nature.waterActivity, weeps, dry: dry.nature, thickM: dry.thickM, isSealed,
      }
      const hours = (s: number | null) => (s === null ? null : s / 3600)
      // A crisp top goes on as it is served.
      const metH = dry === pile.at(-1) && isCrisp(dry) ? tableH : heldH
      out.push({
        fromId: wet.id,
        intoId: dry.id,
        softH: hours(softAfterS(contact)),
        sealedSoftH: hours(softAfterS({ ...contact, isSealed: true })),
        isSealed,
        runsH: null,
        metH,
        byServiceG: drunkGPerM2(contact, metH * 3600) * portionM2,
      })
    }
    if (wet.nature.gives)
      out.push({
        fromId: wet.id, intoId: null, softH: null, sealedSoftH: null, isSealed: false, runsH: wet.nature.gives.holdsH,
        metH: heldH,
        byServiceG: ranOut(wet.nature.gives, heldH) * wet.portionG,
      })
  }
  return out
}

/** A part that fails so fails the whole; too firm in a glass is a matter of the bite. */
const FAILS: readonly VerdictCode[] = ['frozen', 'sagsOnTable', 'looseCold', 'runny', 'grainy', 'servedBeforeSet']
/** What is worst of it, the gravest first. */
function verdictOf(parts: readonly PlatePart[], leaks: readonly Leak[], room: Plate['room']): Plate['verdict'] {
  if (room.factor < 1) return { code: 'overflows', partId: null }
  const failed = parts.find(p => p.problem !== null || (p.code !== null && FAILS.includes(p.code)))
  if (failed) return { code: 'partFails', partId: failed.id }
  const sunk = parts.find(p => Math.max(p.lost.cold, p.lost.plate) > SINKS)
  if (sunk) return { code: 'sinks', partId: sunk.id }
  const soft = leaks.find(l => l.softH !== null && l.softH < l.metH)
  if (soft) return { code: 'goesSoft', partId: soft.intoId }
  const runs = leaks.find(l => l.intoId === null && l.byServiceG > SHOWS_G)
  return runs ? { code: 'runs', partId: runs.fromId } : { code: 'stands', partId: null }
}

/** A hair over the rim is not over it. */
const RIM = 1.001
function roomOf(b: Bench, kitchen: Kitchen, spans: readonly Span[]): Plate['room'] {
  const { count } = b.assembly
  const neededM3 = spans.reduce((s, x) => s + x.volumeM3, 0) / count
  const holdsM3 = cavityVolume(cavityOf(vesselOf(b, kitchen), b.assembly))
  // A topping stands over the rim; what is rolled or filled into shells has none.
  const fits = b.assembly.built !== undefined || neededM3 <= holdsM3 * RIM
  return { neededM3, holdsM3, factor: fits ? 1 : holdsM3 / neededM3 }
}

/**
 * A whole dessert.
 * @throws {InputError} where the component asked for first cannot be
 * @example plateOf(dessert, kitchen).parts.map(p => p.role) // ['crust', 'filling', 'cream']
 */
export function plateOf(planned: Planned, kitchen: Kitchen): Plate {
  const b = benchOf(planned)
  const { formula } = planned
  const { portions, count, built } = formula.assembly
  const tried = new Map(formula.components.filter(isComputed).map(c => [c.id, made(planned, kitchen, c.id)]))
  const works = new Map([...tried].flatMap(([id, { worked }]) => (worked ? [[id, worked]] : [])))
  const strength = (l: Component['lines'][number]) => strengthOf(l, kitchen)
  const spans = spansOf(b, kitchen)
  const mixed = (lines: Component['lines']) => mix(toParts(lines, strength))

  const parts = placesOf(b, planned, spans).map(({ c, form, fromM, thickM }): PlatePart => {
    const w = works.get(c.id)
    const a = w?.assessment
    const massG = a ? a.shape.batchG : c.lines.reduce((s, l) => s + l.massG, 0)
    return {
      id: c.id, role: c.role, name: c.name, form, fromM, thickM, massG, portionG: massG / portions,
      lost: { cold: 0, plate: 0 },
      code: a?.verdict.code ?? null,
      problem: tried.get(c.id)?.problem ?? null,
      taste: tasteOf(w ? w.heated.finished : mixed(c.lines)),
      nature: w ? computedNature(w) : laidNature(c),
    }
  })
  const pile = pileOf(parts)
  for (const when of ['cold', 'plate'] as const) {
    const loaded = pile.map(({ thickM, nature }) =>
      ({ thickM, density: nature.density, pa: nature.bearsPa?.[when] ?? null, elastic: nature.elastic }))
    const sheetM = Math.min(vesselOf(b, kitchen).lengthM, vesselOf(b, kitchen).widthM)
    const standsAs = built === 'shells' ? 'glass' : b.use.kind
    const lost = built === 'roll' ? lostInRoll(loaded, sheetM) : lostUnder(loaded, standsAs)
    pile.forEach((p, i) => { p.lost[when] = lost[i]! })
  }
  const coldS = Math.max(...[...works.values()].map(w => w.assessment.chill.servedS), 0)
  const late = built === 'shells' || built === 'heaped'
  const heldS = (late ? FILLED_LATE_S : coldS) + b.use.tableTimeS
  const cavity = cavityOf(vesselOf(b, kitchen), b.assembly)
  const portionM2 = (areaAt(cavity, 0) * count) / portions
  const leaks = leaksOf({
    parts, works, components: formula.components, portionM2, heldH: heldS / 3600, tableH: b.use.tableTimeS / 3600,
  })
  const room = roomOf(b, kitchen, spans)
  const steamG = [...works.values()].reduce((s, w) => s + w.assessment.heat.evaporatedG, 0)
  const all = evaporate(mixed(formula.components.flatMap(c => c.lines)), steamG)
  const spoon = tasteOf(all)
  return {
    parts,
    verdict: verdictOf(parts, leaks, room),
    leaks,
    build: buildOf({ bench: b, parts, works, kitchen, components: formula.components }),
    room,
    spoonful: { ...spoon, leads: leadsOf(spoon) },
    portionG: parts.reduce((s, p) => s + p.portionG, 0),
    heldH: heldS / 3600,
    spares: sparesOf(formula.components, kitchen),
  }
}

/**
 * Whether a dessert is built of parts, more than a filling with its crust and topping.
 * @example isWhole(planned) // false
 */
export const isWhole = ({ formula: { components, assembly } }: Planned): boolean =>
  assembly.built !== undefined
  || components.filter(isComputed).length > 1
  || components.some(c => !isComputed(c) && assembly.layers.some(l => l.form === 'fill' && l.componentId === c.id))
