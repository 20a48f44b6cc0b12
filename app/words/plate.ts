/** A whole dessert in a cook's words: its verdict, its building, what leaks into what. */
import type { BuildStep, BuildWhy } from '#core/plate/build'
import type { Built } from '#core/formula/document'
import type { DessertKind, MadeName, Names } from '#core/plate/kinds'
import type { PlatePart } from '#core/plate/part'
import type { Leak, Leads, Plate } from '#core/plate/plate'
import type { SpareUse } from '#core/plate/spares'
import type { useFormat } from '~/composables/useFormat'
import { PART_NAMES } from './cook'
import { ROLE_NAMES } from './layers'
import { factorWords } from './factor'
import { group, say, sentences } from './say'

type Format = ReturnType<typeof useFormat>
export const KIND_WORDS = group<Record<DessertKind, { name: string, how: string }>>('plate.KINDS')
const MADE = group<Record<MadeName, string>>('plate.MADE')
/** What desserts of a kind and their parts are called when they are begun. */
export const BEGUN_NAMES: Names = {
  dessert: kind => KIND_WORDS[kind].name, part: kind => PART_NAMES[kind].name, made: name => MADE[name],
}
/** How parts become one; level: upon each other in the vessel. */
export const BUILT_NAMES = group<Record<Built | 'level', string>>('plate.BUILT')
export const LEAD_WORDS = group<Record<Leads, string>>('plate.LEADS')
const verdict = sentences('plate.VERDICTS')
const step = sentences('plate.STEPS')
const why = group<Record<BuildWhy, string>>('plate.WHYS')

/** A part's name; where it has none, what it is. */
export const partName = (p: Pick<PlatePart, 'name' | 'role'> | undefined): string =>
  p ? p.name || ROLE_NAMES[p.role] : ''
const named = (parts: readonly PlatePart[], id: string | null) => partName(parts.find(p => p.id === id))
/** Litres to a tenth, up. */
const litresUp = (m3: number) => (Math.ceil(m3 * 10_000 - 1e-6) / 10).toFixed(1)
const litresDown = (m3: number) => (Math.floor(m3 * 10_000 + 1e-6) / 10).toFixed(1)

/**
 * The one verdict of a dessert as a sentence.
 * @example plateVerdict(plate, fmt) // 'Stands as it is built.'
 */
export const plateVerdict = ({ verdict: { code, partId }, parts, room, leaks }: Plate): string =>
  verdict(code, {
    part: named(parts, partId),
    needs: litresUp(room.neededM3), holds: litresDown(room.holdsM3), factor: factorWords(room.factor),
    hours: hoursWords(leaks.find(l => l.intoId === partId)?.softH ?? leaks.find(l => l.fromId === partId)?.runsH ?? 0),
  })
/** Hours as a cook says them. @example hoursWords(6.4) // '6 h' */
export const hoursWords = (h: number): string => (h < 2 ? `${Math.round(h * 60)} min` : `${Math.round(h)} h`)

export interface StepWords { what: string, how: string, why: string }
/** A step of building: what, how warm, how long, why. */
export function buildWords(s: BuildStep, parts: readonly PlatePart[], fmt: Format): StepWords {
  const { leastC, mostC, fromC, timeS } = s
  const warm = leastC !== null && mostC !== null
    ? say('plate.between', { least: fmt.temp(leastC), most: fmt.temp(mostC) })
    : mostC !== null ? say('plate.atMost', { most: fmt.temp(mostC) })
      : leastC !== null ? say('plate.atLeast', { least: fmt.temp(leastC) }) : ''
  const cools = fromC !== null && mostC !== null && fromC > mostC
    ? say('plate.coolsFirst', { from: fmt.temp(fromC) })
    : fromC !== null && leastC !== null && fromC < leastC ? say('plate.tooCool', { from: fmt.temp(fromC) }) : ''
  return {
    what: step(s.code, { part: named(parts, s.partId), on: named(parts, s.onId) }),
    how: [timeS > 0 ? fmt.duration(timeS) : '', warm, cools].filter(Boolean).join('; '),
    why: s.why ? why[s.why] : '',
  }
}

/** What leaks into what, by when. */
export function leakWords(l: Leak, parts: readonly PlatePart[], fmt: Format): string {
  const [from, into] = [named(parts, l.fromId), named(parts, l.intoId)]
  const grams = fmt.grams(l.byServiceG)
  if (l.intoId === null)
    return l.byServiceG > 0
      ? say('plate.runs', { from, hours: hoursWords(l.runsH!), grams })
      : say('plate.runsLater', { from, hours: hoursWords(l.runsH!) })
  if (l.softH === null) return say('plate.drinks', { from, into, grams })
  const ifSealed = l.sealedSoftH === null ? '' : say('plate.ifSealed', { hours: hoursWords(l.sealedSoftH) })
  const sealed = l.isSealed ? say('plate.isSealed') : ifSealed
  return [say('plate.softens', { from, into, hours: hoursWords(l.softH) }), sealed].filter(Boolean).join(' ')
}
/** What spare eggs are good for. */
export function spareWords(u: SpareUse, parts: readonly PlatePart[], fmt: Format): string {
  const grams = fmt.grams(u.massG)
  return u.code === 'meringue'
    ? say('plate.spareMeringue', { grams })
    : say('plate.spareMore', { factor: factorWords(u.factor), part: named(parts, u.componentId), grams })
}
/** How a part stands: what it loses, and in which words. */
export function standsWords({ lost, problem, code }: PlatePart, fmt: Format): string {
  if (problem) return say('layers.notComputed')
  const worst = Math.max(lost.cold, lost.plate)
  if (worst > 0.005) return say('plate.sinksBy', { share: fmt.percent(worst) })
  return code === 'tooFirm' ? say('plate.firm') : say('plate.holds')
}
