/**
 * What a part of a dessert is to its neighbours: how heavy, what it bears, what melts it, what it drinks, what it gives
 * away. A computed part's come from the pipeline; those of baked and beaten parts are common practice, from memory (M),
 * unless another source is named.
 */
import { findIngredient, part } from '../base/ingredients/ingredients'
import { labelOf } from '../base/ingredients/label'
import type { Component, PartKind, PartMake } from '../formula/document'
import { isMeringue, PART_FACTS } from '../formula/parts'
import { BANDS, type Elastic } from '../physics/set/bands'
import type { Worked } from '../pipeline/assess'
import { foamHolds } from '../physics/set/meringue'
import { elasticOf, type Mechanisms, yieldStress } from '../physics/set/firmness'
import { type LaidIn, laidInDensity } from '../pipeline/stack'

/** What is crisp until it holds so much water, and how it takes water from what lies on it. */
export interface Drinks {
  /** g/(m²·√s) for each unit of water activity between the two. */
  rate: number
  /** Water it holds as made, and at which it is soft, shares of its weight; null: it is meant to be moist. */
  moisture: number
  softAt: number | null
}
/** What is beaten or cut gives liquid of itself, share of its weight an hour once `holdsH` are over. */
export interface Gives { holdsH: number, sharePerH: number }

export interface Nature {
  density: number
  /** Yield stress from the cold and on the plate, Pa; null: it is stiff, nothing here moves it. */
  bearsPa: { cold: number, plate: number } | null
  elastic: Elastic
  /** Above this, °C, what carries it is lost. */
  meltsC: number | null
  waterActivity: number
  drinks: Drinks | null
  gives: Gives | null
  /** Water that freezes, share of its weight; for how long freezing takes. */
  waterShare: number
}

/** A shell of 4 mm left bare under a curd is soft at about six hours (common practice): rate fitted to that. */
const SHELL_RATE = 2.4
/** Biscuit and pastry lose their snap above a water activity of .35–.5 (Katz & Labuza 1981, from memory M). */
const SOFT_AT = 0.09
/** Free fat between the crumbs halves what they drink (judgement). */
const CRUMB_RATE = SHELL_RATE / 2
const SPONGE_RATE = 8
const SPONGE: Drinks = { rate: SPONGE_RATE, moisture: 0.3, softAt: null }
const DRINKS: Partial<Record<PartKind, Drinks>> = {
  crumbChilled: { rate: CRUMB_RATE, moisture: 0.05, softAt: SOFT_AT },
  crumbBaked: { rate: CRUMB_RATE, moisture: 0.04, softAt: SOFT_AT },
  shortbread: { rate: 1.5, moisture: 0.03, softAt: SOFT_AT },
  blindShell: { rate: SHELL_RATE, moisture: 0.04, softAt: SOFT_AT },
  biscuitLayer: { rate: 5, moisture: 0.04, softAt: SOFT_AT },
  crumbMelted: { rate: CRUMB_RATE, moisture: 0.06, softAt: SOFT_AT },
  meringueDry: { rate: 3, moisture: 0.02, softAt: 0.06 },
  tuile: { rate: 5, moisture: 0.02, softAt: 0.05 },
  chouxShell: { rate: 3, moisture: 0.12, softAt: 0.2 },
  spongeBase: SPONGE, spongeLayer: SPONGE, rollSheet: SPONGE,
}
/** What has no kind: a bought shell drinks as one that was made. */
const PLAIN_DRINKS: Partial<Record<Component['role'], Drinks>> = { crust: DRINKS.blindShell!, sponge: SPONGE }
/** Egg wash, cocoa butter or chocolate halves what a base drinks: soft at four times the hours (common practice). */
export const SEALED = 0.5
/**
 * Whipped cream with nothing to hold it stays dry half a day; berries with sugar on them run sooner; meringue by how
 * its sugar went in (common practice, judgement).
 */
const GIVES: Partial<Record<PartKind, Gives>> = {
  whippedTop: { holdsH: 6, sharePerH: 0.01 },
  whippedLayer: { holdsH: 6, sharePerH: 0.01 },
  berryLayer: { holdsH: 3, sharePerH: 0.008 },
  roastedFruit: { holdsH: 1, sharePerH: 0.015 },
  maceratedFruit: { holdsH: 0.25, sharePerH: 0.04 },
  meringueCold: { holdsH: 6, sharePerH: 0.015 },
  meringueWarm: { holdsH: 16, sharePerH: 0.006 },
  meringueBoiled: { holdsH: 24, sharePerH: 0.004 },
}
/** What is beaten stands as stiff as it was beaten, Pa (judgement: stands as a peak of 3–5 cm). */
const BEATEN: Partial<Record<PartKind, number>> = {
  whippedTop: 350, whippedLayer: 350, meringueCold: 300, meringueWarm: 400, meringueBoiled: 450,
}
const WATER: Partial<Record<PartKind, number>> = {
  whippedTop: 0.55, whippedLayer: 0.55, berryLayer: 0.86, roastedFruit: 0.82, maceratedFruit: 0.84, coulis: 0.75,
  boundSauce: 0.8, confitPeel: 0.3, peelPowder: 0.08, steepedSpirit: 0.55,
  sorbet: 0.68, curdIce: 0.6,
  meringueCold: 0.35, meringueWarm: 0.33, meringueBoiled: 0.3,
}
/** Whipped cream falls once its butterfat softens, °C (common practice). */
const WHIPPED_MELTS_C = 15
/** Gelatine gels melt between 27 and 34 °C (common practice); butterfat and hard plant fats give way about there. */
const GELATIN_MELTS_C = 28
const FAT_MELTS_C = 30
/** What carries so much of a set is missed when it goes. */
const CARRIES = 0.3
const MOIST = { cream: 0.97, fruit: 0.98, meringue: 0.85 } as const
const PLAIN_AW = 0.95
const DRY_AW = 0.3
const SPONGE_AW = 0.88
const STIFF: Elastic = { share: 0, tearsAt: 1 }

/** What loses its hold first of what carries a set, °C; null: nothing a pour could melt. */
export function meltsAt(m: Mechanisms): number | null {
  const total = yieldStress(m)
  const share = (pa: number) => (total > 0 ? pa / total : 0)
  if (share(m.whipPa) >= CARRIES) return WHIPPED_MELTS_C
  if (share(m.gelatinPa) >= CARRIES) return GELATIN_MELTS_C
  return share(m.butterPa + m.hardFatPa + m.creamFatPa) >= CARRIES ? FAT_MELTS_C : null
}

/** Nature of a part the pipeline ran through. */
export function computedNature(w: Worked): Nature {
  const { assessment: a, settled, heated } = w
  const cold = a.verdict.cold.mechanismsPa
  const { water } = a.balance.composition
  const sum = Object.values(a.balance.composition).reduce((s, g) => s + g, 0)
  return {
    density: a.shape.density,
    bearsPa: { cold: yieldStress(cold), plate: yieldStress(a.verdict.plate.mechanismsPa) },
    elastic: elasticOf(settled.cold.mechanismsPa, heated.body.gums),
    meltsC: meltsAt(cold),
    waterActivity: a.balance.waterActivity.value,
    drinks: null,
    gives: null,
    waterShare: sum > 0 ? water / sum : 0,
  }
}

/** What a part gives of itself; beaten whites by their sugar and acid. */
function givesOf({ kind, ratio, withAcid }: PartMake): Gives | null {
  const gives = GIVES[kind]
  const usual = PART_FACTS[kind].ratio?.usual
  if (!gives || !isMeringue(kind) || !usual) return gives ?? null
  return { ...gives, holdsH: gives.holdsH * foamHolds(ratio, usual, withAcid ?? false) }
}

/** A filling on the plate is a sixth softer than from the cold: an egg gel's softening over 12 K (judgement). */
const ON_PLATE = 0.85
/** Out of its pack and stirred smooth, as its label has it; where that says nothing it is taken as spoonable. */
function readyNature(c: LaidIn): Nature {
  const id = c.lines?.[0]?.ingredientId ?? ''
  const cold = labelOf(id)?.set ?? BANDS.find(b => b.id === 'spoonable')!.fromPa
  const row = findIngredient(id)
  return {
    density: laidInDensity(c), bearsPa: { cold, plate: ON_PLATE * cold }, elastic: STIFF, meltsC: null,
    waterActivity: PLAIN_AW, drinks: null, gives: null, waterShare: row ? part(row, 'water') / 100 : WATER.boundSauce!,
  }
}

/** Nature of a part that is baked, beaten or laid in. */
export function laidNature(c: LaidIn): Nature {
  const kind = c.make?.kind
  if (kind === 'readyFilling') return readyNature(c)
  const drinks = kind ? DRINKS[kind] ?? null : PLAIN_DRINKS[c.role] ?? null
  const beaten = kind && BEATEN[kind] !== undefined ? BEATEN[kind] : c.role === 'cream' ? BEATEN.whippedLayer! : null
  const isWhipped = kind === 'whippedTop' || kind === 'whippedLayer' || (!kind && c.role === 'cream')
  const role = c.role === 'topping' && kind ? (isWhipped ? 'cream' : 'meringue') : c.role
  return {
    density: laidInDensity(c),
    bearsPa: beaten === null ? null : { cold: beaten, plate: beaten },
    elastic: STIFF,
    meltsC: isWhipped ? WHIPPED_MELTS_C : null,
    waterActivity: drinks
      ? drinks.softAt === null ? SPONGE_AW : DRY_AW
      : MOIST[role as keyof typeof MOIST] ?? PLAIN_AW,
    drinks,
    gives: kind ? givesOf(c.make!) : null,
    waterShare: (kind && WATER[kind]) ?? drinks?.moisture ?? 0.5,
  }
}

/**
 * Whether a part is meant to snap.
 * @example isCrisp({ nature: laidNature({ role: 'crust' }) }) // true
 */
export const isCrisp = ({ nature: { drinks } }: { nature: Pick<Nature, 'drinks'> }): boolean =>
  drinks !== null && drinks.softAt !== null
