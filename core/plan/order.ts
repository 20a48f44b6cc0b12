/**
 * The order of work, generated from the formula: what goes in when, at which temperature, what to look for and why,
 * with what would go wrong attached to the step where it would. Orders and reasons are common practice; every
 * temperature and time is the plan's or the models'.
 */
import { findIngredient, hasTrait } from '../base/ingredients/ingredients'
import { fillingOf, type Bench, ovenAirC, panOf } from '../formula/bench'
import { type Component, type Line, placeOf, type Step } from '../formula/document'
import { familyOf } from '../formula/families'
import { finishRows } from '../formula/finish'
import { fruitKind, partOfBench } from '../formula/fruit'
import { leavesMould } from '../pipeline/release'
import type { Whipping } from '../pipeline/whipped'
import { FELT } from '../physics/matter/dissolving'
import { isRubbed } from '../formula/zest'
import { partFacts, partThickM } from '../formula/parts'
import { schoolOf } from '../formula/schools'
import type { Kitchen } from '../kitchen/kitchen'
import { BOILED_C, BURST, burstsIn } from '../physics/heat/pot'
import { POUCH_M } from '../physics/heat/pouch'
import { BLOOM_WATER } from '../physics/set/gelatin'
import { valueAt } from '../physics/thermal/conduction'
import { type Assessment, type Finding, pouredAfterS, pouredG, takenToC } from '../pipeline/assessment'
import { fill } from '../pipeline/shape'
import { scaleReadingG } from './boil'
import { labourOf } from './labour'
import { brief, cueOfPart, lasts, partWork, stepsOf } from './partWork'
import { thawOf } from './thaw'
import {
  type Cue, type JoinCode, noStep,
  type StepOf, type StepParams, type WorkCode, type WorkReason, type WorkStep, type WrittenStep,
} from './work'

/** Weighing, juicing and zesting before the pan goes on, s (common practice). */
export const PREPARE_S = 20 * 60
const isGroup = (l: Line, ...groups: string[]) => groups.includes(findIngredient(l.ingredientId)?.group ?? '')
const isStarch = (l: Line) => hasTrait(l.ingredientId, 'starch')

/** Crusts and what is laid in before it is filled; toppings, and cream that is whipped for a level. */
const isLate = (c: Component) => c.role === 'topping' || c.make?.kind === 'whippedLayer'
const MADE_AHEAD: readonly string[] = ['level', 'beside']
const isEarly = (c: Component) =>
  c.role === 'crust' || (c.make !== undefined && MADE_AHEAD.includes(partFacts(c.make.kind).role) && !isLate(c))
/** All early or late parts of a dessert, one after another. */
const partsOf = (doc: Bench, when: 'early' | 'late', from: number) =>
  doc.components
    .filter(c => (when === 'early' ? isEarly(c) : isLate(c)) && (c.make || c.lines.some(l => l.massG > 0)))
    .flatMap(c => partWork(c, from, partThickM(doc, c)))

/** What may be said of a step; a code with parameters must say them. */
type Free<C extends WorkCode> = Partial<Omit<StepOf<C>, 'code' | 'params'>>
type Said<C extends WorkCode> = C extends keyof StepParams
  ? [part: Free<C> & { params: StepParams[C] }]
  : [part?: Free<C>]

/** The bench while the order is written: what there is, what was used, what time it is. */
interface Sheet {
  doc: Bench
  kitchen: Kitchen
  a: Assessment
  filling: Component
  /** Lines with grams that are heated (or mixed) together; those of them that thicken; the gelatine of all lines. */
  first: Line[]
  starch: Line[]
  gelatin: Line[]
  egg: boolean
  boils: boolean
  bakes: boolean
  /** It leaves a mould or ring before it is cut or served. */
  leavesMould: boolean
  heatFindings: Finding[]
  /** Seconds from the pan going on: end of a pan's heat, out of the oven, poured. */
  heatEndS: number
  bakedS: number
  pouredS: number
  clock: number
  /** Additions met so far; what rest and straining of the cook's own minutes have added so far, s. */
  joined: number
  addedS: number
  out: WrittenStep[]
  push: <C extends WorkCode>(code: C, ...part: Said<C>) => void
  /** Lines not used before, as they stand in a step; they count as used from then on. */
  take: (lines: readonly Line[]) => WrittenStep['lines']
  rest: () => Line[]
  findings: (test: (f: Finding) => boolean) => Finding[]
}

function sheetOf(doc: Bench, kitchen: Kitchen, a: Assessment): Sheet {
  const filling = fillingOf(doc)
  const later = filling.steps.flatMap(s => (s.kind === 'stirIn' || s.kind === 'foldIn' ? s.lineIds : []))
  const first = filling.lines.filter(l => !later.includes(l.id) && l.massG > 0)
  const used = new Set<string>()
  const findings = (test: (f: Finding) => boolean) => a.findings.filter(test)
  const cooks = doc.heat.method !== 'oven' && doc.heat.method !== 'none'
  const b: Sheet = {
    doc,
    kitchen,
    a,
    filling,
    first,
    starch: first.filter(isStarch),
    gelatin: filling.lines.filter(l => hasTrait(l.ingredientId, 'gelatin') && l.massG > 0),
    egg: first.some(l => isGroup(l, 'egg')),
    boils: a.heat.peakTempC > BOILED_C,
    bakes: doc.heat.method === 'oven',
    leavesMould: leavesMould(doc, kitchen),
    heatFindings: findings(f => f.station === 'heat' && (f.path.startsWith('heat') || f.path.startsWith('set'))),
    heatEndS: cooks ? (doc.serve.ownS?.heat ?? a.heat.endS) : 0,
    bakedS: 0,
    pouredS: pouredAfterS(a),
    clock: 0,
    joined: 0,
    addedS: 0,
    out: [],
    push: (code, ...[part]) =>
      void b.out.push({
        ...noStep(), key: `${code}-${b.out.length}`, atS: b.clock, params: null, ...part, code,
      } as WrittenStep),
    take: (lines) => {
      const fresh = lines.filter(l => !used.has(l.id))
      fresh.forEach(l => used.add(l.id))
      return brief(fresh)
    },
    rest: () => first.filter(l => !used.has(l.id)),
    findings,
  }
  return b
}

/** Out of the freezer in time. */
function thawed(b: Sheet): void {
  const thaw = thawOf(b.filling.lines)
  if (!thaw) return
  b.clock = -PREPARE_S - thaw.fridgeS
  b.push('thaw', {
    lines: brief(thaw.lines), timeS: thaw.fridgeS, reasons: ['thawsCold'], params: { waterS: thaw.waterS },
  })
}

/** Before the pan goes on: zest rubbed into sugar, gelatine bloomed, starch slaked. */
function prepare(b: Sheet): void {
  const { filling, first, gelatin, starch, bakes } = b
  thawed(b)
  b.clock = -PREPARE_S
  const zest = filling.lines.filter(l => isGroup(l, 'zest') && l.massG > 0)
  const sugar = first.filter(l => isGroup(l, 'sugar'))
  if (!schoolOf(b.doc.school).ofPeel && zest.length && sugar.length && zest.every(z => isRubbed(z, filling)))
    b.push('zestSugar', { lines: b.take([...zest, ...sugar]), reasons: ['zestOil'] })
  if (gelatin.length)
    b.push('bloom', {
      lines: b.take(gelatin),
      reasons: ['bloomEven'],
      timeS: 600,
      params: { waterG: BLOOM_WATER * gelatin.reduce((s, l) => s + l.massG, 0) },
    })
  if (starch.length && !bakes) b.push('slurry', { lines: b.take(starch), reasons: ['slurryNoLumps'] })
}

/** The pan, by what happens in it. */
function chooseHeat(b: Sheet, lines: WrittenStep['lines'], target: HeatTarget): void {
  const { a, first, starch, egg, boils } = b
  const { heat } = b.doc
  if (heat.until === 'creamVolume')
    b.push('boilDown', { ...target, lines, cue: 'volumeBack', reasons: ['waterLeaves', 'smoothsCream'] })
  else if (boils && starch.length)
    b.push('boilStarch', {
      ...target,
      lines,
      cue: 'thickBubble',
      reasons: egg ? ['starchLetsBoil', 'killsAmylase'] : ['starchLetsBoil'],
    })
  else if (boils && first.some(l => hasTrait(l.ingredientId, 'agar')))
    b.push('boilAgar', { ...target, lines, cue: 'clearBoil', reasons: ['agarMelts'] })
  else if (boils)
    b.push('boilHold', {
      ...target,
      lines,
      cue: fruitCue(b) ?? 'rollingBoil',
      reasons: first.some(l => isGroup(l, 'dairy')) ? ['smoothsCream'] : [],
    })
  else if (heat.method === 'waterBath')
    b.push('heatBath', {
      ...target,
      lines,
      cue: egg ? 'line' : 'sugarGone',
      reasons: egg ? ['noDryYolk', 'bathForgives'] : ['bathForgives'],
    })
  else if (heat.method === 'microwave')
    b.push('heatMicrowave', {
      ...target,
      lines,
      cue: egg ? 'line' : 'sugarGone',
      reasons: ['burstsEven'],
      params: {
        ...target.params, bursts: burstsIn(a.heat.endS, heat.burstS), burstS: heat.burstS ?? BURST.onS,
      },
    })
  else if (heat.method === 'sousVide')
    b.push('heatPouch', {
      ...target,
      lines,
      reasons: ['pouchEven'],
      params: { ...target.params, thicknessM: heat.pouchM ?? POUCH_M },
    })
  else {
    const cue = egg ? 'line' : (fruitCue(b) ?? 'sugarGone')
    b.push('heatDirect', { ...target, lines, cue, reasons: egg ? ['stirAlways'] : [] })
  }
}

type HeatTarget = Pick<StepOf<'heatBath'>, 'tempC' | 'timeS' | 'findings' | 'probe' | 'params'>

/** The heat in a pan or bowl. */
function cook(b: Sheet): void {
  const { doc, kitchen, a, egg, boils } = b
  const { heat } = doc
  b.clock = 0
  const target: HeatTarget = {
    tempC: boils ? a.heat.peakTempC : heat.targetTempC,
    timeS: b.heatEndS,
    findings: b.heatFindings,
    probe: 'bulk',
    params: {
      holdS: heat.holdS,
      reachedS: a.heat.reachedS,
      panG: scaleReadingG(doc, kitchen, a),
      tared: panOf(doc, kitchen)?.tareG != null,
    },
  }
  if (schoolOf(doc.school).tempersEggs) {
    b.push('meltFirst', { lines: b.take(b.rest().filter(l => !isGroup(l, 'egg'))), tempC: 60, reasons: ['temperSlow'] })
    b.push('temperEggs', { lines: b.take(b.rest()), reasons: ['temperSlow'] })
  }
  const lines = b.take(b.rest())
  chooseHeat(b, lines, target)
  b.clock = b.heatEndS
  const staysHot = kitchen.burners.find(x => x.id === heat.burnerId)?.kind === 'ceramic'
  if (egg && !boils)
    b.push('offHeat', { reasons: heat.method === 'direct' && staysHot ? ['panCarries', 'plateHot'] : ['panCarries'] })
  const steepS = doc.serve.ownS?.steep ?? 0
  if (steepS > 0) {
    b.push('steep', { timeS: steepS, reasons: ['scentDraws'] })
    own(b, steepS)
  }
}

/** What is baked, or never heated, is mixed first. */
function mixCold(b: Sheet): void {
  const lines = b.take(b.rest())
  b.clock = -PREPARE_S
  const whiskS = b.a.set.making.whisked > 0 ? b.doc.set.whisked!.seconds : null
  if (lines.length)
    b.push('mixCold', {
      lines,
      timeS: whiskS,
      cue: (b.a.balance.dissolving?.before ?? 0) > FELT ? 'sugarGone' : null,
      reasons: b.egg ? ['noDryYolk'] : [],
      findings: b.doc.heat.method === 'none' ? b.heatFindings : [],
    })
  b.clock = 0
}

/** What joins a mix, by what it is. */
function stirCode(lines: readonly Line[]): JoinCode {
  const has = (...groups: string[]) => lines.some(l => isGroup(l, ...groups))
  return has('juice', 'acid')
    ? 'juiceIn'
    : has('butter')
      ? 'butterIn'
      : has('egg')
        ? 'yolkIn'
        : lines.some(l => hasTrait(l.ingredientId, 'gelatin'))
          ? 'gelatinIn'
          : 'stirIn'
}

/** Why it joins only then. */
function stirReasons({ doc, starch, gelatin }: Sheet, code: WorkCode): WorkReason[] {
  switch (code) {
    case 'juiceIn':
      if (familyOf(doc.family).acidGelsMilk) return ['acidSetsCream', 'notTooHot', 'notTooCold']
      if (starch.length) return ['acidThinsStarch', 'freshJuice']
      if (familyOf(doc.family).fields.agar) return ['acidBreaksAgar', 'freshJuice']
      return [gelatin.length ? 'acidWeakensGelatin' : 'freshJuice']
    case 'butterIn':
      return ['butterEmulsion']
    case 'yolkIn':
      return ['temperSlow', 'killsAmylase']
    case 'gelatinIn':
      return ['gelatinMelts']
    default:
      return []
  }
}

/** Where the whisk stops. */
const PEAK_CUES = { trace: 'traces', soft: 'softPeaks', firm: 'firmPeaks' } as const

/** Cream to its peak, or whites till they stand. */
function beaten(b: Sheet, step: Step & { kind: 'foldIn' }, lines: Line[], whipping: Whipping | undefined): void {
  if (!whipping) {
    b.push('beatWhites', {
      lines: b.take(lines), cue: 'stiffPeaks', findings: b.findings(f => f.code === 'rawEgg' || f.code === 'boilingSugar'),
    })
    return
  }
  const { toS, marginS, byHand } = whipping
  b.push('whip', {
    lines: b.take(lines), tempC: step.lineTempC, cue: PEAK_CUES[whipping.peak], reasons: ['coldWhips'],
    findings: b.findings(f => f.code === 'hardlyWhips' || f.code === 'acidThickens'),
    params: { toS, marginS, byHand },
  })
}

/** What is stirred or folded in, with the temperature it meets. */
function join(b: Sheet, step: Step & { kind: 'stirIn' | 'foldIn' }, k: number, findings: Finding[]): void {
  const { a } = b
  const lines = b.filling.lines.filter(l => step.lineIds.includes(l.id)).filter(l => l.massG > 0)
  const met = a.heat.joins.find(j => j.step === k)
  if (!lines.length || !met) return
  const previousS = b.joined > 0 ? a.heat.joins[b.joined - 1]!.atS : 0
  const wait = met.atS - previousS - (step.kind === 'foldIn' ? 180 : 120)
  if ('given' in step.mixTempC && wait > 60)
    b.push('coolTo', {
      tempC: met.beforeC,
      timeS: wait,
      cue: met.beforeC < 40 ? 'handWarm' : null,
      probe: 'bulk',
      reasons:
        lines.some(l => hasTrait(l.ingredientId, 'gelatin')) || (step.kind === 'foldIn' && b.gelatin.length)
          ? ['noStrings']
          : lines.some(l => isGroup(l, 'butter'))
            ? ['butterEmulsion']
            : [],
    })
  if ('given' in step.mixTempC && wait > 60) b.clock += wait
  b.joined++
  const whipping = a.heat.whipping.find(w => w.step === k)
  if (step.kind === 'foldIn') {
    if (step.overrun > 0 || whipping)
      beaten(b, step, lines, whipping)
    b.push('fold', {
      tempC: met.beforeC,
      findings,
      reasons: b.gelatin.length ? ['noStrings'] : [],
      params: { afterC: met.afterC },
    })
  } else {
    const code = stirCode(lines)
    const reasons = stirReasons(b, code)
    b.push(code, {
      lines: brief(lines),
      tempC: met.beforeC,
      findings,
      reasons:
        lines.some(l => hasTrait(l.ingredientId, 'gelatin')) && code !== 'gelatinIn'
          ? [...reasons, 'gelatinMelts']
          : reasons,
      params: { afterC: met.afterC, lineC: step.lineTempC },
    })
  }
  b.clock = b.heatEndS + met.atS + b.addedS
}

/** A step of the cook's own minutes: what follows waits for it. */
function own(b: Sheet, seconds: number): void {
  b.addedS += seconds
  b.clock += seconds
}

/** What boiled, or stood uncovered, has foam or a skin on it; what is beaten is meant to have. */
const isBeaten = ({ filling }: Sheet) => filling.steps.some(s => s.kind === 'foldIn')
const foams = (b: Sheet) => !isBeaten(b) && familyOf(b.doc.family).acidGelsMilk
/** Bubbles are seen through a glass, in what is turned out, on what is baked smooth. */
const showsBubbles = (b: Sheet) =>
  !isBeaten(b) && !partOfBench(b.doc) && (b.bakes || b.doc.use.kind === 'glass' || b.doc.use.kind === 'turnedOut')

/** Why a base is baked before it is filled; fruit has none. */
const baseReasons = (doc: Bench): WorkReason[] =>
  partOfBench(doc) ? [] : [schoolOf(doc.school).bondsBase ? 'bondsBase' : 'cleanBase']
/** How deep it stands when it is poured, m: a bake loses its steam afterwards. */
function pouredDepth({ doc, kitchen, a, bakes }: Sheet): number {
  if (!bakes) return a.shape.depthM
  const { panG, sieveFraction } = doc.losses
  return fill(doc, kitchen, (pouredG(doc, a) + panG) / (1 - sieveFraction), a.shape.density).depthM
}
/** Into the vessel. */
function pour(b: Sheet): void {
  const { doc, a, bakes } = b
  const { ownS = {} } = doc.serve
  if (ownS.rest) {
    b.push('rest', { timeS: ownS.rest })
    own(b, ownS.rest)
  }
  if (foams(b)) b.push('skim', { reasons: ['skinLifts'] })
  b.push('pour', {
    timeS: ownS.portion ?? null,
    tempC: bakes ? doc.heat.startTempC : a.heat.pourTempC,
    reasons: bakes ? baseReasons(doc) : ['evenPour'],
    findings: b.findings(f => f.station === 'shape' || f.code === 'hotIntoGlass'),
    params: { eachG: pouredG(doc, a) / a.shape.count, count: a.shape.count, depthM: pouredDepth(b) },
  })
  if (showsBubbles(b)) b.push('tap', { reasons: ['bubblesRise'], params: { count: a.shape.count } })
  if (doc.assembly.tiltDeg > 0)
    b.push('lean', { params: { deg: doc.assembly.tiltDeg, highM: a.shape.lean?.highM ?? 0, count: a.shape.count } })
}

/** The oven. */
function bake(b: Sheet): void {
  const { doc, kitchen, a } = b
  const { heat } = doc
  b.push('bake', {
    tempC: takenToC(heat, a),
    timeS: a.heat.endS,
    cue: fruitCue(b) ?? 'wobble',
    probe: 'deepestMiddle',
    reasons: partOfBench(doc) ? [] : ['bakeCentre'],
    findings: b.heatFindings,
    params: {
      dialC: heat.oven.airTempC,
      airC: ovenAirC(doc, kitchen),
      fan: heat.oven.fan,
      bath: heat.oven.bath,
      steam: heat.oven.steam ?? 0,
      loads: a.heat.oven?.loads ?? 1,
      ovenId: heat.oven.ovenId,
    },
  })
  b.bakedS = a.heat.endS
  b.clock = b.bakedS
}

/** What tells that fruit is done, by the kind of part it is; null: it is no fruit. */
function fruitCue({ doc }: Sheet): Cue | null {
  const kind = fruitKind(doc.school)
  return kind && cueOfPart(kind)
}

/** A step that fruit has of its own, from now on; what follows waits for it. */
function fruitStep(b: Sheet, when: 'first' | 'mixed' | 'last'): void {
  const part = partOfBench(b.doc)
  const step = schoolOf(b.doc.school).work?.[when]
  if (!part?.make || !step) return
  const [made] = stepsOf({ ...part, lines: [] }, part.make, [step], b.clock)
  b.out.push({ ...made!, atS: when === 'first' ? b.clock - made!.timeS! : b.clock })
  if (when !== 'first') own(b, made!.timeS!)
}

/** The steps after the heat, in their order. */
function followSteps(b: Sheet): void {
  const at = b.doc.components.indexOf(b.filling)
  b.filling.steps.forEach((step, k) => {
    const findings = b.findings(f => f.path === `components.${at}.steps.${k}`)
    if (step.kind === 'strain') {
      b.push('strain', { reasons: partOfBench(b.doc) ? [] : ['eggStrings', 'notPressed'], timeS: b.doc.serve.ownS?.strain ?? 60 })
      own(b, b.doc.serve.ownS?.strain ?? 0)
    }
    // What sets before it is blended waits for the cold.
    else if (step.kind === 'blend' && !b.doc.set.fluidGel) b.push('blend', { cue: partOfBench(b.doc) ? null : 'shine' })
    else if (step.kind === 'stirIn' || step.kind === 'foldIn') join(b, step, k, findings)
    else if (step.kind === 'pour') pour(b)
    else if (step.kind === 'bake') bake(b)
  })
}

/** The cold, leg by leg; what is frozen leaves its mould there. */
function chill(b: Sheet): void {
  const { doc, kitchen, a } = b
  b.clock = Math.max(b.pouredS, b.bakedS)
  doc.chill.forEach((leg, i) => {
    const span = a.chill.legs[i]
    const place = placeOf(leg, kitchen)
    const toS = i === doc.chill.length - 1 ? a.chill.servedS : (span?.toS ?? 0)
    b.clock = b.pouredS + (span?.fromS ?? 0)
    b.push(place.kind === 'iceBath' ? 'iceBath' : 'chill', {
      timeS: leg.timeS,
      tempC: valueAt(a.chill.timeS, a.chill.coreC, toS),
      probe: i === 0 ? 'deepestMiddle' : null,
      findings: b.findings(f => f.path.startsWith(`chill.${i}`) || (f.path === 'chill' && i === 0 && f.station === 'chill')),
      reasons:
        place.kind === 'iceBath'
          ? ['stirOverIce']
          : place.kind === 'freezer'
            ? ['freezeToUnmould']
            : leg.cover !== 'open' && i === 0
              ? ['coverSurface']
              : [],
      params: { place: place.kind, placeId: leg.placeId ?? null, airC: place.airTempC, cover: leg.cover },
    })
    if (place.kind === 'freezer' && b.leavesMould) {
      b.clock = b.pouredS + toS
      b.push('unmould', { reasons: ['freezeToUnmould', 'warmEdge'], tempC: valueAt(a.chill.timeS, a.chill.meanC, toS) })
    }
  })
}

/** A step at the plate: the next begins when the hands at it are free. */
function plate<C extends 'unmould' | 'cut' | 'portion'>(b: Sheet, code: C, ...part: Said<C>): void {
  b.push(code, ...part)
  b.clock += labourOf(b.out.at(-1)!, b.doc).attendedS
}

/** Time on the table before it is eaten, s: the cook's own, or until it is as warm as wanted; null: none is wanted. */
function temperOf({ serve: { temperC, ownS } }: Bench, a: Assessment): number | null {
  if (ownS?.temper !== undefined) return ownS.temper
  return temperC === null ? null : (temperTime(a, temperC) ?? 0)
}

/** A topping, from a time on. */
function top(b: Sheet, fromS: number): void {
  const topping = partsOf(b.doc, 'late', 0)
  b.out.push(
    ...topping.map(s => ({
      ...s,
      atS: fromS + s.atS,
      findings: s === topping[0] ? b.findings(f => f.code === 'rawTopping') : [],
    })),
  )
}
/** Cold-beaten meringue cooks from below on a filling that is still hot, or it weeps there (common practice). */
const topsHot = (doc: Bench) => doc.components.some(c => c.role === 'topping' && c.make?.kind === 'meringueCold')

/** How it is got out, as the step says it. */
const RELEASE_REASONS = {
  lifts: ['liftsOff'], cloth: ['warmEdge'], freezer: ['freezerFirst', 'warmEdge'], stays: ['freezerFirst', 'warmEdge'],
} as const satisfies Record<string, WorkReason[]>

/** To the plate. */
function serve(b: Sheet): void {
  const { doc, kitchen, a } = b
  const servedS = a.serve.servedAfterS
  if (!topsHot(doc)) top(b, servedS - lasts(partsOf(doc, 'late', 0)))
  b.clock = servedS
  if (doc.set.fluidGel) b.push('blend', { cue: 'shine' })
  // Out of the cold: from its mould, cut while it is cold, and eaten once it is as warm as wanted.
  if (b.leavesMould && !doc.chill.some(l => placeOf(l, kitchen).kind === 'freezer'))
    plate(b, 'unmould', { reasons: [...RELEASE_REASONS[a.shape.release?.word ?? 'cloth']], findings: b.findings(f => f.code === 'thawing') })
  if (doc.use.kind === 'cut')
    plate(b, 'cut', {
      params: { portions: doc.assembly.portions, heightM: a.shape.pieceHeightM, portionG: a.shape.portionG },
      reasons: ['hotKnife'],
    })
  else if (doc.use.kind !== 'glass' || a.shape.count !== doc.assembly.portions)
    plate(b, 'portion', { params: { portions: doc.assembly.portions, portionG: a.shape.portionG } })
  const temperS = temperOf(doc, a)
  if (temperS !== null)
    b.push('temper', {
      atS: servedS,
      tempC: doc.serve.temperC,
      timeS: temperS,
      reasons: a.verdict.cold.mechanismsPa.butterPa > 0.3 * a.verdict.cold.tauPa.value ? ['butterSoftens'] : [],
    })
  b.clock = Math.max(b.clock, servedS + (temperS ?? 0))
  const onto = finishRows(doc)
  if (onto.length > 0)
    b.push('finish', {
      lines: brief(onto.map(r => r.line)),
      params: {
        portions: doc.assembly.portions,
        rows: onto.map(({ as, line, eachG, onMin }) => ({ as, ingredientId: line.ingredientId, eachG, onMin })),
      },
    })
  b.push('serve', {
    tempC: a.verdict.cold.tempC,
    timeS: a.serve.standsOnTableS,
    findings: b.findings(f => f.station === 'serve' && ['counterTooLong', 'sagsOnTable', 'servedBeforeSet'].includes(f.code)),
    params: { tableTimeS: doc.use.tableTimeS, portions: doc.assembly.portions },
  })
}

/**
 * The whole order of work. @param a the assessment of this very document
 * @example orderOfWork(doc, kitchen, assessment)[0].code // 'heatBath'
 */
export function orderOfWork(doc: Bench, kitchen: Kitchen, a: Assessment): WorkStep[] {
  const b = sheetOf(doc, kitchen, a)
  // Crusts first: their oven, then the filling.
  const crust = partsOf(doc, 'early', 0)
  const crustS = lasts(crust)
  b.out.push(...crust.map(s => ({ ...s, atS: s.atS - PREPARE_S - crustS })))
  prepare(b)
  fruitStep(b, 'first')
  if (b.bakes || doc.heat.method === 'none') mixCold(b)
  else cook(b)
  fruitStep(b, 'mixed')
  followSteps(b)
  fruitStep(b, 'last')
  if (topsHot(doc)) top(b, Math.max(b.pouredS, b.bakedS))
  chill(b)
  serve(b)
  return b.out.map(s => ({ ...s, ...labourOf(s, doc) }))
}

/**
 * When work begins (negative: before the heat) and how long it is from the cold to the table, s.
 * @example spanOf(orderOfWork(doc, kitchen, assessment), assessment).beginsS // 0
 */
export function spanOf(order: readonly WorkStep[], a: Assessment): { beginsS: number, platingS: number } {
  const beginsS = Math.min(0, ...order.map(s => s.atS))
  const eaten = order.find(s => s.code === 'serve')!
  return { beginsS, platingS: Math.max(0, eaten.atS - a.serve.servedAfterS) }
}

/** Time on the table until the piece has warmed to a mean temperature, s; null: not in the time looked at. */
export function temperTime(a: Assessment, tempC: number): number | null {
  const { timeS, meanC } = a.serve.table
  const i = meanC.findIndex(t => t >= tempC)
  if (i < 0) return null
  if (i === 0) return 0
  return timeS[i - 1]! + ((timeS[i]! - timeS[i - 1]!) * (tempC - meanC[i - 1]!)) / (meanC[i]! - meanC[i - 1]!)
}
