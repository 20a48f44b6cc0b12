/**
 * Other ways to chill the same piece, to set beside the plan: bench first or straight in, ice bath, film now or
 * later, shallow or deep, this fridge or that.
 */
import type { Bench } from '../formula/bench'
import { type ChillLeg, placeOf } from '../formula/document'
import type { Kitchen, KitchenPlace } from '../kitchen/kitchen'

export type ChillWay =
  'planned' | 'straightIn' | 'benchFirst' | 'iceBath' | 'filmNow' | 'filmLater' | 'split' | 'otherFridge'
export interface WayChoice {
  key: string
  way: ChillWay
  /** Vessels, or the place, it means. */
  count?: number
  place?: KitchenPlace
  doc: Bench
}

const BENCH_S = 45 * 60
const ICE_S = 15 * 60
const LATER_S = 40 * 60

/** Every way that differs from the plan. Only the legs or the number of vessels change. */
export function chillWays(doc: Bench, kitchen: Kitchen): WayChoice[] {
  const out: WayChoice[] = [{ key: 'planned', way: 'planned', doc }]
  const legs = doc.chill
  const kind = (l: ChillLeg) => placeOf(l, kitchen).kind
  const add = (way: ChillWay, chill: ChillLeg[], more: Partial<WayChoice> = {}) => {
    if (chill.length > 0 && JSON.stringify(chill) !== JSON.stringify(legs))
      out.push({ key: `${way}${more.place?.id ?? ''}`, way, doc: { ...doc, chill }, ...more })
  }
  const cold = legs.filter(l => kind(l) !== 'bench' && kind(l) !== 'iceBath')
  const first = legs[0]!
  const bench = (timeS: number, cover: ChillLeg['cover']): ChillLeg => ({
    id: `${first.id}-bench`,
    placeId: null,
    place: { kind: 'bench', airTempC: kitchen.roomTempC },
    timeS,
    cover,
  })
  add('straightIn', cold)
  if (kind(first) !== 'bench') add('benchFirst', [bench(BENCH_S, 'open'), ...cold])
  if (kind(first) !== 'iceBath')
    add('iceBath', [
      {
        id: `${first.id}-ice`,
        placeId: null,
        place: { kind: 'iceBath', airTempC: 0.5 },
        timeS: ICE_S,
        cover: 'open',
      },
      ...cold,
    ])
  if (legs.some(l => l.cover === 'open'))
    add(
      'filmNow',
      legs.map(l => ({ ...l, cover: 'film' as const })),
    )
  if (first.cover !== 'open' && kind(first) !== 'iceBath') {
    const opened =
      kind(first) === 'bench'
        ? legs.map((l, i) => (i === 0 ? { ...l, cover: 'open' as const } : l))
        : [
            { ...first, id: `${first.id}-open`, timeS: Math.min(LATER_S, first.timeS), cover: 'open' as const },
            ...legs.map((l, i) => (i === 0 ? { ...l, timeS: Math.max(0, l.timeS - LATER_S) } : l)),
          ]
    add('filmLater', opened)
  }
  for (const n of [2, 4])
    out.push({
      key: `split${n}`,
      way: 'split',
      count: n * doc.assembly.count,
      doc: { ...doc, assembly: { ...doc.assembly, count: n * doc.assembly.count } },
    })
  const now = new Set(legs.map(l => l.placeId))
  for (const place of kitchen.places) {
    if (now.has(place.id) || place.kind === 'freezer') continue
    add(
      'otherFridge',
      legs.map(l =>
        ['bench', 'iceBath', 'freezer'].includes(kind(l))
          ? l
          : { ...l, placeId: place.id, place: { kind: place.kind, airTempC: place.airTempC } },
      ),
      { place },
    )
  }
  return out
}
