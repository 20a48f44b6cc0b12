/** What the day sheet says: steps by their codes, conflicts and ways out, equipment. */
import type { EquipmentKind } from '#core/schedule/day'
import type { Conflict, WayOut } from '#core/schedule/explain'
import type { Counted } from '#core/plan/covers'
import type { OwnCode } from '#core/plan/work'
import type { BuildCode } from '#core/plate/build'
import { group, say, sentences } from './say'

export const KIND_NAMES = group<Record<EquipmentKind, string>>('today.KINDS')
export const COUNTED_NAMES = group<Record<Counted, string>>('today.COUNTED')
const STEPS = group<Record<OwnCode, string>>('today.STEPS')
const PARTS = group<Record<string, [title: string, how: string]>>('cook.PART_WORDS')
const BUILD = group<Record<BuildCode, string>>('today.BUILD')
const conflict = sentences('today.CONFLICTS')
const way = sentences('today.WAYS')

/** By the prefix of a code: a crust's or topping's step, a step of building. */
const coded = (name: string): string | undefined => {
  const [room, code] = name.split(':')
  return room === 'part' ? PARTS[code!]?.[0] : room === 'build' ? BUILD[code as BuildCode] : STEPS[name as OwnCode]
}
/**
 * A step's name: a formula's by its code, with its part where there are several; another as it was written.
 * @example stepName('chill') // 'Chill'
 */
export function stepName(name: string): string {
  const [code, part] = name.split(' · ')
  const step = coded(code!)
  if (step === undefined) return name
  return part ? say('today.ofPart', { step, part }) : step
}

export interface Names {
  dessert: (id: string) => string
  /** Of `dessert/step`. */
  task: (key: string) => string
  equipment: (id: string) => string
}
export const conflictWords = (c: Conflict, names: Names): string => {
  const [first, second] = c.tasks
  return conflict(c.code, {
    first: names.task(first ?? ''), second: names.task(second ?? ''),
    dessert: names.dessert((first ?? '').split('/')[0]!),
  })
}
/** Minutes as hours and minutes. @example longWords(95) // '1 h 35 min' */
export const longWords = (minutes: number): string => {
  const [h, m] = [Math.floor(minutes / 60), Math.round(minutes % 60)]
  return [h > 0 ? `${h} h` : '', m > 0 || h === 0 ? `${m} min` : ''].filter(Boolean).join(' ')
}
export const wayWords = (w: WayOut, names: Names): string => {
  const text = (k: string) => String(w.params[k] ?? '')
  return way(w.code, {
    minutes: longWords(Number(w.params.minutes ?? 0)),
    dessert: names.dessert(text('dessert')),
    first: names.task(text('first')),
    second: names.task(text('second')),
    thing: 'id' in w.params ? names.equipment(text('id')) : KIND_NAMES[text('kind') as EquipmentKind] ?? text('kind'),
    temp: 'tempC' in w.params ? `${text('tempC')} °C` : '',
  })
}
