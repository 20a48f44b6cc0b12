/** What a kitchen has learned, in its own words: "the left ring gives 0.80 of what is stated, ± 0.02". */
import type { Found } from '#core/learn/calibrate'
import type { KitchenRecord } from '../../shared/kitchen'
import { MECHANISM_NAMES } from './names'
import { group, say, sentences } from './say'

const sentence = sentences('learned.SENTENCES')
const name = sentences('learned.NAMES')
const WAYS = group<Record<'more' | 'less' | 'warmer' | 'colder', string>>('learned.WAYS')
const OF = group<Record<'burner' | 'oven' | 'fridge' | 'pan' | 'sieve' | 'set', string>>('learned.OF')
const MEASURES = group<Record<string, string>>('learned.MEASURES')
export const UNIT_WORDS = group<Record<string, string>>('learned.UNITS')

type Format = ReturnType<typeof useFormat>
const KINDS: Record<string, keyof typeof OF> = {
  burnerFactor: 'burner', ovenOffsetK: 'oven', fridgeAirOffsetK: 'fridge', fridgeConvectionFactor: 'fridge',
  evaporationFactor: 'pan', lossFactor: 'pan', setFactor: 'set',
}

/** What a figure is of: the kitchen's own name for it, else what it is. */
function nameOf(id: string, kitchen: KitchenRecord): string {
  const [kind, of] = id.split('.') as [string, string | undefined]
  if (kind === 'lossFactor') return OF[of === 'sieve' ? 'sieve' : 'pan']
  const own = [...kitchen.burners, ...kitchen.ovens, ...kitchen.places, ...kitchen.pans].find(x => x.id === of)
  if (own) return own.name
  if (kind === 'setFactor' && of) return MECHANISM_NAMES[`${of}Pa` as keyof typeof MECHANISM_NAMES] ?? OF.set
  return KINDS[kind] ? OF[KINDS[kind]] : ''
}

/** Whether it is told in degrees, or as a share of what is stated. */
const isOffset = (id: string) => id.split('.')[0]!.endsWith('K')
export function learnedWords(p: Pick<Found, 'id' | 'value' | 'spread'>, kitchen: KitchenRecord, fmt: Format) {
  const kind = p.id.split('.')[0]!
  const way = kind === 'probeBiasK'
    ? (p.value > 0 ? WAYS.more : WAYS.less) : p.value > 0 ? WAYS.warmer : WAYS.colder
  const value = isOffset(p.id) ? fmt.degrees(Math.abs(p.value), 1) : fmt.percent(p.value)
  const spread = isOffset(p.id) ? fmt.degrees(p.spread, 1) : fmt.percent(p.spread)
  const of = nameOf(p.id, kitchen)
  return {
    says: sentence(kind, { value, way, of: of.charAt(0).toUpperCase() + of.slice(1) }),
    spread: say('learned.spread', { spread }),
  }
}
export function teachesWords(id: string, kitchen: KitchenRecord): string {
  const kind = id.split('.')[0]!
  return say('learned.teaches', { name: name(kind, { of: nameOf(id, kitchen) }), what: MEASURES[kind] })
}
