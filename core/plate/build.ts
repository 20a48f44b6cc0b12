/**
 * In which order a dessert is built, how warm each part goes on, what waits for what, what must be frozen. Two parts
 * that touch take at their faces at once the temperature T_c = (e₁T₁ + e₂T₂)/(e₁ + e₂), e = √(kρc); in foams k falls
 * as ρ does, so e is taken as ρ (Carslaw & Jaeger for two half-spaces; the shortcut is judgement).
 */
import type { Bench } from '../formula/bench'
import type { Component } from '../formula/document'
import { isMeringue } from '../formula/parts'
import type { Kitchen } from '../kitchen/kitchen'
import { timeAbove } from '../physics/thermal/conduction'
import type { Worked } from '../pipeline/assess'
import { asSlab, freezeS, thawS } from '../physics/chill/plank'
import { carriesPa, heavierThan } from './load'
import { isCrisp } from './nature'
import type { PlatePart } from './part'

export const BUILD_CODES = [
  'line', 'freezeInsert', 'lay', 'layFrozen', 'pour', 'spreadOn', 'set', 'freezeWhole', 'glaze', 'thaw', 'top', 'roll',
  'fillShells', 'heap', 'chill', 'beside', 'turnOut',
] as const
export type BuildCode = (typeof BUILD_CODES)[number]
/** Why it waits, or why no warmer or cooler. */
export const BUILD_WHYS = [
  'meltsUnder', 'mustCarry', 'neverCarries', 'insertFirm', 'glazeGrips', 'meringueBonds', 'creamStaysCold',
  'gelatinPours', 'rollWhileSoft', 'fillLate', 'staysCrisp', 'setsThrough', 'frozenLetsGo',
] as const
export type BuildWhy = (typeof BUILD_WHYS)[number]
export interface BuildStep {
  code: BuildCode
  partId: string | null
  /** What it goes on. */
  onId: string | null
  /** How warm it may be, °C; null: no limit on that side. */
  leastC: number | null
  mostC: number | null
  /** As it comes from its heat, °C; null: it is not heated. */
  fromC: number | null
  /** It lasts, s: a wait in the cold; 0 for work of hands. */
  timeS: number
  why: BuildWhy | null
}

/** Room left under the melting point for slow hands and uneven cooling, K (judgement). */
const SAFE_K = 3
/** Cold parts come from the fridge, frozen ones from the freezer, °C. */
const FRIDGE_C = 5
const FREEZER_C = -18
/** With gelatine in it it pours until about this, °C (common practice). */
const GELATIN_POURS_C = 22
/** More air than this, by volume, makes a mousse of it (judgement). */
const AIRY = 0.05
/** Glaze flows and grips a frozen face between these, °C (common practice). */
const GLAZE_C = [28, 35] as const
/** A cold-beaten meringue cooks from below on a filling at least this hot, °C (common practice). */
const BONDS_C = 60
/** Whipped cream goes on what is no warmer, and what is filled late is no warmer, °C (common practice). */
const CREAM_C = 10
const FILLING_C = 12

/**
 * The warmest a part may go on another that melts, °C.
 * @example warmestOn({ density: 600, meltsC: 28 }, 1100) // 35.91
 */
export function warmestOn(
  under: { density: number, meltsC: number | null }, density: number, underC = FRIDGE_C,
): number | null {
  const { meltsC } = under
  if (meltsC === null) return null
  const faceC = meltsC - SAFE_K
  return faceC + ((faceC - underC) * under.density) / density
}

interface Site {
  bench: Bench
  parts: readonly PlatePart[]
  works: ReadonlyMap<string, Worked>
  kitchen: Kitchen
  components: readonly Component[]
}
const step = (code: BuildCode, partId: string | null, more: Partial<BuildStep> = {}): BuildStep =>
  ({ code, partId, onId: null, leastC: null, mostC: null, fromC: null, timeS: 0, why: null, ...more })
const slabOf = ({ thickM, nature: { density, waterShare } }: PlatePart) => ({ thickM, density, waterShare })
const placeAir = (kitchen: Kitchen, kinds: readonly string[], usual: number) =>
  kitchen.places.find(p => kinds.includes(p.kind))?.airTempC ?? usual
const isFrozenIn = (p: PlatePart) => p.role === 'insert' && p.form === 'fill'

/** A level goes on what lies under it. */
function laid(p: PlatePart, under: PlatePart | undefined, w: Worked | undefined): BuildStep {
  const onId = under?.id ?? null
  if (isFrozenIn(p)) return step('layFrozen', p.id, { onId, mostC: FREEZER_C + 6, why: 'insertFirm' })
  const underC = under && isFrozenIn(under) ? FREEZER_C : FRIDGE_C
  const mostC = under ? warmestOn(under.nature, p.nature.density, underC) : null
  if (!w) {
    const isCream = p.nature.meltsC !== null
    return step(isCream ? 'spreadOn' : 'lay', p.id, {
      onId, ...(isCream ? { mostC: CREAM_C, why: 'creamStaysCold' as const } : {}),
    })
  }
  // A mousse is poured as soon as it is folded, however cool.
  const hasGelatin = w.assessment.set.gelatinC > 0 && w.heated.body.making.air < AIRY
  const fromC = w.assessment.heat.pourTempC
  return step('pour', p.id, {
    onId,
    fromC,
    leastC: hasGelatin ? GELATIN_POURS_C : null,
    mostC,
    why: mostC !== null && fromC > mostC ? 'meltsUnder' : hasGelatin ? 'gelatinPours' : null,
  })
}

/** How long a level stands in the cold before the next goes on; null: nothing to wait for. */
function waits(i: number, pile: readonly PlatePart[], w: Worked | undefined): BuildStep | null {
  const p = pile[i]!
  if (!w || i === pile.length - 1) return null
  const need = carriesPa(heavierThan(pile.map(x => ({ thickM: x.thickM, density: x.nature.density })), i))
  const timeS = timeAbove(w.chilled.run.timeS, w.settled.stressPa, need)
  if (timeS === null) return step('set', p.id, { why: 'neverCarries' })
  return timeS > 0 ? step('set', p.id, { timeS, why: 'mustCarry' }) : null
}

/** Tops that go on a hot filling, before the cold; and what goes on once it is set, with what stands beside. */
interface Tops { hot: BuildStep[], cold: BuildStep[] }
function topsOf({ parts, components, bench, works }: Site, under: PlatePart | undefined): Tops {
  const onId = under?.id ?? null
  const kindOf = (p: PlatePart) => components.find(x => x.id === p.id)!.make?.kind
  const tops = parts.filter(x => x.form === 'top')
  const fromC = works.get(bench.componentId)?.assessment.heat.pourTempC ?? null
  const isHot = (p: PlatePart) => kindOf(p) === 'meringueCold'
  const cold = tops.filter(p => !isHot(p)).map((p) => {
    const kind = kindOf(p)
    return kind && isMeringue(kind)
      ? step('top', p.id, { onId })
      : step('top', p.id, { onId, mostC: CREAM_C, why: 'creamStaysCold' })
  })
  return {
    hot: tops.filter(isHot).map(p => step('top', p.id, { onId, leastC: BONDS_C, fromC, why: 'meringueBonds' })),
    cold: [...cold, ...parts.filter(x => x.form === 'beside').map(p => step('beside', p.id))],
  }
}

/** A dessert that is glazed, or turned out of its dome, is frozen whole, turned out, glazed, and thawed again. */
function frozenWhole({ bench, works, kitchen }: Site, pile: readonly PlatePart[], glaze?: PlatePart): BuildStep[] {
  const isDomed = bench.assembly.built === 'domed'
  const slab = asSlab(pile.filter(p => p !== glaze).map(slabOf))
  const freezerC = placeAir(kitchen, ['freezer'], FREEZER_C)
  const fridgeC = placeAir(kitchen, ['fanFridge', 'domesticFridge', 'walkIn'], FRIDGE_C - 1)
  return [
    step('freezeWhole', null, { timeS: freezeS(slab, freezerC), why: isDomed ? 'frozenLetsGo' : 'glazeGrips' }),
    ...(isDomed ? [step('turnOut', null)] : []),
    ...(glaze ? [step('glaze', glaze.id, {
      leastC: GLAZE_C[0], mostC: GLAZE_C[1], fromC: works.get(glaze.id)?.assessment.heat.pourTempC ?? null,
      why: 'glazeGrips',
    })] : []),
    step('thaw', null, { timeS: thawS(slab, fridgeC) }),
  ]
}

/**
 * The steps from parts that are made to a dessert that is built, in order.
 * @example plateOf(dessert, kitchen).build[0].code // 'line'
 */
export function buildOf(site: Site): BuildStep[] {
  const { bench, parts, works, kitchen } = site
  const pile = parts.filter(p => p.form !== 'beside' && p.form !== 'top')
  const { built } = bench.assembly
  const glaze = pile.find(p => p.role === 'glaze')
  const freezerC = placeAir(kitchen, ['freezer'], FREEZER_C)
  const out: BuildStep[] = pile.filter(isFrozenIn)
    .map(p => step('freezeInsert', p.id, { timeS: freezeS(slabOf(p), freezerC), why: 'insertFirm' }))
  if (built === 'shells' || built === 'heaped') {
    const code = built === 'shells' ? 'fillShells' : 'heap'
    for (const [i, p] of pile.entries()) {
      const onId = pile[i - 1]?.id ?? null
      if (p.form === 'fill') out.push(step(code, p.id, { onId, mostC: FILLING_C, why: 'fillLate' }))
    }
    const { hot, cold } = topsOf(site, pile.at(-1))
    return [...chillOf(works), ...out, ...hot, ...cold]
  }
  const isDomed = built === 'domed'
  const standing = pile.filter(p => p !== glaze)
  // A dome is filled from its top down.
  const levels = isDomed ? standing.toReversed() : standing
  const tops = parts.filter(x => x.form === 'top')
  // A crisp top goes on as it is served.
  const crisp = !isDomed && levels.length > 1 && tops.length === 0 && isCrisp(levels.at(-1)!) ? levels.pop()! : null
  for (const [i, p] of levels.entries()) {
    if (!isDomed && (p.form === 'shell' || p.form === 'base')) {
      out.push(step('line', p.id))
      continue
    }
    out.push(laid(p, levels[i - 1], works.get(p.id)))
    const wait = isFrozenIn(p) || built === 'roll' ? null : waits(i, [...levels, ...tops], works.get(p.id))
    if (wait) out.push(wait)
  }
  if (built === 'roll') out.push(step('roll', levels[0]?.id ?? null, { why: 'rollWhileSoft' }))
  const ends = topsOf(site, standing.at(-1))
  out.push(...ends.hot, ...(glaze || isDomed ? frozenWhole(site, pile, glaze) : chillOf(works)))
  if (crisp) out.push(step('lay', crisp.id, { onId: levels.at(-1)!.id, why: 'staysCrisp' }))
  return [...out, ...ends.cold]
}

/** The cold until all of it is set through. */
function chillOf(works: ReadonlyMap<string, Worked>): BuildStep[] {
  const ready = [...works.values()].flatMap(w => w.settled.readyS ?? [])
  return ready.length > 0 ? [step('chill', null, { timeS: Math.max(...ready), why: 'setsThrough' })] : []
}
