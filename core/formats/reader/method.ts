/** From the acts of a method to what it says of the filling's making: pot, boil, order, cold, use. */
import { findIngredient } from '../../base/ingredients/ingredients'
import { takes, WHITES } from '../../formula/schools'
import type { VesselKind } from '../../physics/geometry/cavity'
import type { UseKind } from '../../physics/set/bands'
import { actsOf, tells } from './acts'
import { speaksOf } from './classify'
import { vesselsIn } from './facts'
import { kinOf } from './kin'
import type { Lexicon } from './lexicon'
import type { Part } from './parts'
import { SENTENCE_END, wordOf } from './plain'
import type { Act, ActKind, Method, Placement, ReadVessel } from './reading'

/** A night, min (common practice: from the evening's close to the morning's start). */
export const NIGHT_MIN = 12 * 60
/** What a text means by lukewarm, °C (common practice). */
const LUKEWARM_C = 35
const ROOM_C = 20
/** Acts that heat a filling in a pot. */
const HEATS: readonly ActKind[] = ['bath', 'microwave', 'boil', 'heat', 'reduce']
const JOINS: readonly ActKind[] = ['add', 'fold', 'whip', 'pour', 'blend', 'dissolve', 'strain', 'offHeat', 'cool', 'chill']

interface Source { parts: readonly Part[], text: string, lexicon: Lexicon }

/** Acts of the steps, in their order. */
function allActs({ parts, text, lexicon }: Source): Act[] {
  const steps = parts.flatMap((p, i) => (p.kind === 'step' && !p.leftOut ? [{ p, i }] : []))
  const own = steps.filter(({ p }) => p.component === null || p.component.role === 'filling')
  // Where the whole method stands under another part's heading, it is everybody's.
  return (own.length > 0 ? own : steps).flatMap(({ p, i }) => actsOf(text.slice(...p.span), i, lexicon))
}

/** Whether a sentence is about another part: boiled sugar, or only things that part alone is made of. */
function isElsewhere(a: Act, acts: readonly Act[], { parts, lexicon }: Source): boolean {
  if (speaksOf(a.sentence, lexicon.words.syrups, lexicon)) return true
  const kins = [...new Set(acts.filter(b => b.line === a.line && b.sentence === a.sentence).flatMap(b => b.kins))]
  const of = (isOwn: boolean) => new Set(parts.flatMap(p =>
    (p.kind === 'ingredient' && (p.component?.role === 'filling') === isOwn
      ? (p.weighed?.items ?? []).flatMap(i => (i.ingredientId ? [kinOf(i.ingredientId)] : []))
      : [])))
  const [own, others] = [of(true), of(false)]
  const near = (set: ReadonlySet<string>, k: string) =>
    set.has(k) || (['egg', 'yolk_sep'].includes(k) && (set.has('egg') || set.has('yolk_sep')))
  return kins.length > 0 && kins.some(k => near(others, k)) && !kins.some(k => near(own, k) && !near(others, k))
    && kins.some(k => !near(own, k))
}

/** A heat of the filling in a pot, not of an oven, of gelatine, or of what is melted for itself. */
function isHeat(a: Act, acts: readonly Act[]): boolean {
  if (!HEATS.includes(a.does)) return false
  const beside = acts.filter(b => b.line === a.line && b.sentence === a.sentence)
  // "Bake in a water bath", "cook in the oven for 20 minutes".
  if (beside.some(b => b.does === 'bake')) return false
  const alone = beside.flatMap(b => b.kins)
  return alone.length === 0 || !alone.every(k => k === 'gelatin' || k.startsWith('choc'))
}

/** Where each kind of ingredient joins, by its first mention that is no preparation. */
function placements(filling: readonly Act[], ids: readonly string[], lexicon: Lexicon): Record<string, Placement> {
  const lastHeat = filling.findLastIndex(a => isHeat(a, filling))
  const out: Record<string, Placement> = {}
  for (const id of ids) {
    const row = findIngredient(id)
    const kins = id === 'egg' ? ['egg', 'yolk_sep'] : [kinOf(id), ...(row?.group === 'egg' && id !== 'white' ? ['egg'] : [])]
    const at = filling.findIndex(a => a.does !== 'bloom' && a.kins.some(k => kins.includes(k)))
    const act = filling[at]
    if (!act) continue
    const whips = row && (takes(WHITES, row) || takes({ traits: ['whips'] }, row))
    const clause = filling.filter(a => a.line === act.line && a.sentence === act.sentence)
    const isWhipped = whips && (clause.some(a => a.does === 'whip') || act.does === 'fold')
    if (isWhipped) {
      const fold = filling.findIndex((a, k) => k >= at && a.does === 'fold')
      out[id] = { where: 'folded', order: fold < 0 ? at : fold, meetsC: cooledTo(filling, fold < 0 ? at : fold, lexicon) }
    } else if (isHeat(act, filling) || lastHeat > at) out[id] = { where: 'heated', order: at, meetsC: null }
    else if (JOINS.includes(act.does) && lastHeat >= 0)
      out[id] = { where: 'after', order: at, meetsC: cooledTo(filling, at, lexicon) }
  }
  return out
}

/** What the mix was left to cool to before an act, since the last heat. */
function cooledTo(acts: readonly Act[], at: number, lexicon: Lexicon): number | null {
  for (let k = at; k >= 0; k--) {
    const a = acts[k]!
    if (k < at && isHeat(a, acts)) return null
    if (a.does !== 'cool') continue
    if (a.tempC !== null) return a.tempC
    return tells(a.sentence, 'lukewarm', lexicon) ? LUKEWARM_C : tells(a.sentence, 'roomWarm', lexicon) ? ROOM_C : null
  }
  return null
}

/** Minutes of some acts together; a night where the sentence says so. */
function minutesOver(acts: readonly Act[], lexicon: Lexicon): number | null {
  const told = acts.flatMap(a => a.minutes ?? (tells(a.sentence, 'overnight', lexicon) ? NIGHT_MIN : []))
  return told.length > 0 ? Math.max(...told) : null
}

/** What it is filled into: the vessel with its size, else the last that is named where it is poured. */
function kindFilled(acts: readonly Act[], vessel: ReadVessel | null, lexicon: Lexicon): VesselKind | null {
  const named = acts.filter(a => a.of === 'filling' && ['pour', 'chill', 'freeze', 'bake', 'add'].includes(a.does))
    .flatMap(a => vesselsIn(a.sentence, lexicon).map(v => v.kind)).filter(k => k !== 'bowl')
  return vessel?.kind ?? named.at(-1) ?? null
}
const CUT_IN: readonly VesselKind[] = ['pieDish', 'tartRing', 'tartShell', 'round', 'rectangle']
/** How it is eaten, where the text says it. */
function useOf(all: string, acts: readonly Act[], vessel: ReadVessel | null, lexicon: Lexicon): UseKind | null {
  if (tells(all, 'pipe', lexicon)) return 'piped'
  if (tells(all, 'cut', lexicon)) return 'cut'
  if (tells(all, 'jars', lexicon)) return 'spooned'
  const kind = kindFilled(acts, vessel, lexicon)
  if (kind === null) return null
  const leaves = acts.some(a => a.does === 'unmould')
  if (kind === 'mould' || (leaves && kind === 'ramekin')) return 'turnedOut'
  return CUT_IN.includes(kind) ? 'cut' : 'glass'
}

/** "Cut into 16 squares." */
function piecesOf(all: string, lexicon: Lexicon): number | null {
  for (const s of all.split(SENTENCE_END)) {
    if (!tells(s, 'cut', lexicon) || !tells(s, 'pieces', lexicon)) continue
    const m = [...s.matchAll(/(?<![\d.,])(\d{1,2})(?!\s*(?:cm|mm|x|min|h|g|ml|\d|[.,]\d|°))/g)].at(-1)
    if (m && Number(m[1]) >= 2) return Number(m[1])
  }
  return null
}

/**
 * What the method of a text says of the filling.
 * @param ids ingredients of the filling
 */
export function methodOf(source: Source, ids: readonly string[], vessel: ReadVessel | null): Method | null {
  const { parts, text, lexicon } = source
  const acts = allActs(source)
  if (acts.length === 0) return null
  const filling = acts.filter(a => a.of === 'filling' && !isElsewhere(a, acts, source))
  const heats = filling.filter(a => isHeat(a, filling))
  const of = (...kinds: ActKind[]) => filling.filter(a => kinds.includes(a.does))
  const boiling = heats.filter(a => a.does === 'boil' || a.does === 'reduce')
  const firstBoil = filling.findIndex(a => boiling.includes(a))
  // "Bring to the boil, pour on the yolks and cook for 2 minutes": still at the boil.
  const atBoil = heats.filter(a => boiling.includes(a) || (firstBoil >= 0 && filling.indexOf(a) > firstBoil))
  const boilMinutes = atBoil.reduce((sum, a) => sum + (a.minutes ?? 0), 0)
  const all = wordOf(parts.filter(p => p.kind === 'step').map(p => text.slice(...p.span)).join('\n'))
  const bakes = acts.filter(a => a.does === 'bake')
  return {
    acts,
    pot: heats.some(a => a.does === 'microwave')
      ? 'microwave'
      : heats.some(a => a.does === 'bath') ? 'waterBath' : heats.length > 0 ? 'direct' : null,
    boilMinutes: boilMinutes > 0 ? boilMinutes : null,
    boils: boiling.length > 0,
    reduces: heats.some(a => a.does === 'reduce'),
    strains: of('strain').length > 0,
    blends: of('blend').length > 0,
    placed: placements(filling, ids, lexicon),
    coolMinutes: minutesOver(of('cool'), lexicon),
    chillMinutes: minutesOver(acts.filter(a => a.does === 'chill' && a.of !== 'crust'), lexicon),
    freezeMinutes: minutesOver(acts.filter(a => a.does === 'freeze' && a.of !== 'crust'), lexicon),
    hotBase: tells(all, 'hotBase', lexicon),
    bakedInBath: bakes.some(b => acts.some(a => a.does === 'bath' && a.sentence === b.sentence)),
    roomWarm: acts.some(a => a.does === 'serve' && tells(a.sentence, 'roomWarm', lexicon)),
    use: useOf(all, acts, vessel, lexicon),
    pieces: piecesOf(all, lexicon),
  }
}
