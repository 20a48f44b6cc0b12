/**
 * What a kitchen can learn of itself: factors and offsets that its instruments, rings, ovens and fridges have over what
 * is stated, each with the core's own spread as a prior. They are handled in σ of the prior, so that one step is as
 * likely as another.
 */
import type { BatchRecord } from '../book/record'
import { benchOf } from '../formula/bench'
import { placeOf } from '../formula/document'
import { heatsInPan } from '../physics/heat/pot'
import { MECHANISMS } from '../physics/set/firmness'
import { PARAMETER_TABLE } from '../base/parameters'
import { BATCH_LAWS, KITCHEN_LAWS, type Law } from '../kitchen/spreads'

export interface Learnable extends Law {
  /** `burnerFactor.b1`: what it is, and of which ring, fridge or mechanism. */
  id: string
}

const { setFactor: _, ...PLAIN } = KITCHEN_LAWS
/** All but the set, whose parts have spreads of their own; in the order in which they are told. */
const FIXED: Record<string, Law> = { ...PLAIN, ...BATCH_LAWS }

/** What it is of: the ring, the pan, the oven, the fridges of a batch, by the ids of its plan; '' where it has none. */
export function equipmentOf(record: BatchRecord): Record<string, string[]> {
  const b = benchOf(record, record.componentId)
  const cold = b.chill.filter(leg => !['bench', 'iceBath'].includes(placeOf(leg, record.kitchen).kind))
  const places = [...new Set(cold.map(leg => leg.placeId ?? ''))]
  const { method } = b.heat
  const inPan = heatsInPan(method)
  return {
    probeBiasK: [''],
    scaleFactor: [''],
    juiceAcidFactor: [''],
    yolkMassFactor: [''],
    burnerFactor: inPan ? [b.heat.burnerId ?? ''] : [],
    evaporationFactor: inPan ? [b.heat.pan?.panId ?? ''] : [],
    ovenOffsetK: method === 'oven' ? [b.heat.oven.ovenId ?? ''] : [],
    fridgeAirOffsetK: places,
    fridgeConvectionFactor: places,
    lossFactor: ['pan', 'sieve'],
  }
}

/** The name of one: with what it is of where there are several, without where there is one. */
const named = (kind: string, of: string, all: readonly string[]) =>
  of !== '' && (all.length > 1 || kind === 'lossFactor') ? `${kind}.${of}` : kind

/** A part of a set's strength counts from this share of it on, at the prior. */
export const CARRIES = 0.1

/**
 * What batches can teach.
 * @param carried mechanisms that carry the sets of these batches
 */
export function learnables(records: readonly BatchRecord[], carried: readonly string[]): Learnable[] {
  const found = records.map(equipmentOf)
  const fixed = Object.entries(FIXED).flatMap(([kind, law]) => {
    const all = [...new Set(found.flatMap(e => e[kind]!))]
    return all.map(of => ({ id: named(kind, of, all), ...law }))
  })
  const sets = MECHANISMS.filter(m => carried.includes(m)).map(m => ({
    id: carried.length > 1 ? `setFactor.${m.replace(/Pa$/, '')}` : 'setFactor',
    law: 'lnNormal' as const,
    sigma: PARAMETER_TABLE.set[m].spread,
  }))
  return [...fixed, ...sets]
}

/**
 * From σ of the prior to a value.
 * @example valueOf({ id: 'probeBiasK', law: 'normal', sigma: 1.5 }, 2) // 3
 */
export const valueOf = ({ law, sigma }: Learnable, z: number): number =>
  law === 'normal' ? sigma * z : Math.exp(sigma * z)
/** And back. @example zOf({ id: 'probeBiasK', law: 'normal', sigma: 1.5 }, 3) // 2 */
export const zOf = ({ law, sigma }: Learnable, value: number): number =>
  law === 'normal' ? value / sigma : Math.log(Math.max(1e-9, value)) / sigma
