/** What is not on the server yet, and what two people changed, in a cook's words. */
import type { Clash } from '../../shared/merge'
import type { DocumentKind } from '~/composables/unsent'
import { CUP_NAMES, FOOD_CODES, PLACE_NAMES, SCHOOL_NAMES, STATION_NAMES, USE_NAMES, VESSEL_NAMES } from '~/words/names'
import { fieldName } from '~/words/problems'
import type { useFormat } from '~/composables/useFormat'
import { group, say } from './say'

type Fmt = ReturnType<typeof useFormat>
type Entry = Record<string, unknown>
const isEntry = (x: unknown): x is Entry => typeof x === 'object' && x !== null && !Array.isArray(x)

/** Names of fields that stand in several documents. */
const FIELD_NAMES = group<Readonly<Record<string, string>>>('unsent.FIELD_NAMES')
/** Lists whose entries are named instead of the list. */
const LISTS = new Set([
  'lines', 'steps', 'chill', 'components', 'places', 'vessels', 'ovens', 'burners', 'pans', 'fruit', 'layers',
])
/** Parts of a document that only hold others. */
const HOLDERS = new Set(['formula', 'occasion', 'process', 'assembly', 'losses', 'set', 'use'])
const WORDS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  foodCode: FOOD_CODES,
  cups: CUP_NAMES,
  vocabulary: { gb: say('unsent.british'), us: say('unsent.american') },
  temperatureUnit: { C: '°C', F: '°F' },
}

/** What a list's entry is called. */
function entryName(entry: unknown, list: string, fmt: Fmt): string {
  if (!isEntry(entry)) return FIELD_NAMES[list] ?? ''
  if (typeof entry.ingredientId === 'string') return fmt.name(entry.ingredientId)
  if (typeof entry.name === 'string' && entry.name) return `“${entry.name}”`
  return FIELD_NAMES[list] ?? list
}

/** The field two people changed, by its way through the document. */
export function clashName(clash: Clash, document: unknown, fmt: Fmt): string {
  const names: string[] = []
  let at: unknown = document
  let list = ''
  for (const key of clash.path) {
    if (Array.isArray(at)) {
      const entry = at.find(e => isEntry(e) && (e.id ?? e.lineId) === key) ?? clash.mine ?? clash.theirs
      // Where one component is made, what is said of it is said of the dessert.
      const only = list === 'components' && isEntry(entry) && entry.process && at.filter(e => isEntry(e) && e.process).length < 2
      if (!only) names.push(entryName(entry, list, fmt))
      at = entry
      continue
    }
    at = isEntry(at) ? at[key] : undefined
    list = key
    if (Array.isArray(at) && LISTS.has(key)) continue
    if ((key in STATION_NAMES || HOLDERS.has(key)) && isEntry(at)) continue
    names.push(FIELD_NAMES[key] ?? (names.at(-1) === 'price' ? fmt.name(key) : fieldName(key) ?? key))
  }
  const said = names.filter((n, i) => n && n !== names[i - 1])
  return said.slice(-2).join(', ') || say('unsent.theWhole')
}

/** A value as a cook reads it. */
export function clashValue(clash: Clash, side: 'mine' | 'theirs', fmt: Fmt): string {
  const value = clash[side]
  const field = clash.path.at(-1) ?? ''
  if (value === undefined || value === null) return value === undefined ? say('unsent.takenOut') : 'none'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'string')
    return (
      WORDS[field]?.[value] ??
      (field === 'school' ? SCHOOL_NAMES[value as keyof typeof SCHOOL_NAMES]?.name : undefined) ??
      (value === '' ? 'empty' : `“${value.length > 60 ? `${value.slice(0, 60)}…` : value}”`)
    )
  if (typeof value === 'number') return numberWords(value, field, fmt)
  if (isEntry(value)) {
    if ('given' in value) return typeof value.given === 'number' ? numberWords(value.given, field, fmt) : say('unsent.asMeasured')
    if ('simulated' in value) return say('unsent.workedOut')
    if (typeof value.massG === 'number' && 'ingredientId' in value) return fmt.grams(value.massG)
    if (typeof value.name === 'string') return `“${value.name}”`
    if (typeof value.kind === 'string')
      return (
        [USE_NAMES, VESSEL_NAMES, PLACE_NAMES]
          .map(w => (w as Record<string, string | { name: string }>)[value.kind as string])
          .map(w => (typeof w === 'object' ? w.name : w))
          .find(Boolean) ?? value.kind
      )
  }
  return 'changed'
}
function numberWords(value: number, field: string, fmt: Fmt): string {
  if (field.endsWith('TempC')) return fmt.temp(value, 1)
  if (field.endsWith('G')) return fmt.grams(value)
  if (field.endsWith('S')) return fmt.duration(value)
  if (field.endsWith('M3')) return fmt.litres(value)
  if (/(?:length|width|height|diameter|Height|Width|crust|topping)M$/.test(field)) return fmt.mm(value)
  if (field.endsWith('W')) return `${fmt.fixed(value)} W`
  if (field.endsWith('Percent')) return `${fmt.fixed(value, 1)} %`
  if (field === 'altitudeM') return `${fmt.fixed(value)} m`
  return String(Math.round(value * 1000) / 1000)
}

/** What is unsent, by name. */
export const unsentName = (e: { kind: DocumentKind, name: string }) =>
  e.kind === 'kitchen' ? say('unsent.theKitchen') : `“${e.name}”`

/** "“Lime tart” and the kitchen", "3 things". */
export function unsentList(names: readonly string[]): string {
  const list = [...new Set(names)]
  return list.length <= 2 ? list.join(' and ') : say('unsent.things', { list: list.length })
}
