/**
 * Kinds of dessert as data: what sets each, how it is heated, which fields it uses, how sharp it is meant to be.
 * Common practice throughout; sour centres are judgement on the scale of `taste` (no sensory data).
 */
import { plainVessel } from '../physics/geometry/cavity'
import type { HeatMethod } from '../physics/heat/pot'
import type { UseKind } from '../physics/set/bands'
import type { MechanismKey } from '../physics/set/firmness'
import type { Family, School } from './document'
import type { BenchAssembly } from './bench'
import { schoolOf } from './schools'

export interface FamilyFacts {
  id: Family
  /** Ways of making, the default first. */
  schools: readonly School[]
  /** Mechanisms that are meant to carry it. */
  sets: readonly MechanismKey[]
  methods: readonly HeatMethod[]
  /** Uses it is served in, the commonest first. */
  uses: readonly UseKind[]
  /** The egg's own setting decides when it is done. */
  eggSets: boolean
  /** Without acid it is not this dessert. */
  needsAcid: boolean
  /** Which setters' fields the stations show. */
  fields: { gelatin: boolean, whip: boolean, agar: boolean, reduce: boolean }
  /** Centre of its sourness, 0–10. */
  sourCentre: number
  /** Acid alone makes its milk gel: too little never sets, too much curdles, and neither is mended by more of a setter. */
  acidGelsMilk: boolean
  /** Its own acidity is what protects it, so that a weak one is told. */
  acidProtects: boolean
  /** Springs up in the oven and wants room under the rim. */
  springs: boolean
  /** Lines whose grams are offered to make it firmer or softer, besides what it is always made of. */
  levers: readonly Lever[]
  /** Tin, count and portions it is usually made in, where they differ from those of its use. */
  assembly?: Partial<Record<UseKind | 'any', Partial<BenchAssembly>>>
}
/** What an offer may change the grams of. */
export type Lever = 'egg' | 'butter' | 'cream' | 'gelatin'

export const FAMILY_FACTS: Readonly<Record<Family, FamilyFacts>> = {
  curd: { id: 'curd', schools: ['yolkBath', 'wholeEggTempered', 'emulsified', 'microwave', 'gelatinBacked'], sets: ['eggPa', 'butterPa', 'gelatinPa'], methods: ['waterBath', 'direct', 'microwave', 'sousVide'], uses: ['spooned', 'piped', 'cut', 'glass'], eggSets: true, needsAcid: true, fields: { gelatin: true, whip: false, agar: false, reduce: false }, sourCentre: 4.3, acidGelsMilk: false, acidProtects: true, springs: false, levers: ['egg', 'butter', 'gelatin'], assembly: { cut: { crustM: 0.004 } } },
  posset: { id: 'posset', schools: ['reduced', 'boiled', 'dissolved', 'wine'], sets: ['caseinPa', 'creamFatPa'], methods: ['direct', 'waterBath', 'microwave'], uses: ['glass', 'spooned'], eggSets: false, needsAcid: true, fields: { gelatin: true, whip: false, agar: false, reduce: true }, sourCentre: 2.1, acidGelsMilk: true, acidProtects: false, springs: false, levers: ['gelatin'] },
  bar: { id: 'bar', schools: ['cooledBase', 'hotBase'], sets: ['eggPa', 'starchPa'], methods: ['oven'], uses: ['cut'], eggSets: true, needsAcid: true, fields: { gelatin: false, whip: false, agar: false, reduce: false }, sourCentre: 3.8, acidGelsMilk: false, acidProtects: false, springs: true, levers: ['egg', 'gelatin'], assembly: { any: { crustForm: 'base', count: 1, portions: 16, vessel: plainVessel('rectangle', 'metal', 0.2, 0.2, 0.05) } } },
  condensedPie: { id: 'condensedPie', schools: ['lowOven', 'steadyOven', 'tartlets', 'chillOnly'], sets: ['caseinPa', 'eggPa'], methods: ['oven', 'none'], uses: ['cut', 'spooned'], eggSets: false, needsAcid: true, fields: { gelatin: true, whip: false, agar: false, reduce: false }, sourCentre: 2.8, acidGelsMilk: false, acidProtects: false, springs: false, levers: ['egg', 'gelatin'], assembly: { cut: { portions: 8, vessel: plainVessel('round', 'metal', 0.23, 0.23, 0.04) } } },
  starchFilling: { id: 'starchFilling', schools: ['juiceAfter', 'boiledAgain', 'milkPudding'], sets: ['starchPa', 'eggPa'], methods: ['direct', 'microwave'], uses: ['cut', 'turnedOut', 'spooned', 'glass'], eggSets: false, needsAcid: false, fields: { gelatin: true, whip: false, agar: false, reduce: false }, sourCentre: 4.2, acidGelsMilk: false, acidProtects: false, springs: false, levers: ['gelatin'] },
  gelatinCream: { id: 'gelatinCream', schools: ['foldedMousse', 'coldSouffle', 'setCream'], sets: ['gelatinPa', 'whipPa'], methods: ['direct', 'waterBath', 'sousVide', 'none'], uses: ['glass', 'cut', 'turnedOut', 'spooned'], eggSets: false, needsAcid: false, fields: { gelatin: true, whip: true, agar: false, reduce: false }, sourCentre: 1.8, acidGelsMilk: false, acidProtects: false, springs: false, levers: ['gelatin'] },
  unsetMousse: { id: 'unsetMousse', schools: ['whippedAcid', 'beatenWhites', 'lightenedCurd'], sets: ['whipPa', 'foamPa', 'caseinPa', 'eggPa', 'butterPa'], methods: ['none', 'waterBath', 'direct'], uses: ['glass', 'spooned', 'piped'], eggSets: false, needsAcid: false, fields: { gelatin: false, whip: true, agar: false, reduce: false }, sourCentre: 1.8, acidGelsMilk: false, acidProtects: false, springs: false, levers: ['cream'] },
  fluidGel: { id: 'fluidGel', schools: ['blendedGel', 'frozenInsert'], sets: ['agarPa', 'gelatinPa'], methods: ['direct'], uses: ['piped', 'cut', 'turnedOut', 'glass'], eggSets: false, needsAcid: false, fields: { gelatin: true, whip: false, agar: true, reduce: false }, sourCentre: 4.2, acidGelsMilk: false, acidProtects: false, springs: false, levers: [] },
  lightCustard: { id: 'lightCustard', schools: ['boiledMeringue'], sets: ['gelatinPa', 'starchPa', 'foamPa'], methods: ['direct'], uses: ['turnedOut', 'cut', 'glass'], eggSets: false, needsAcid: false, fields: { gelatin: true, whip: true, agar: false, reduce: false }, sourCentre: 2.8, acidGelsMilk: false, acidProtects: false, springs: false, levers: ['gelatin'] },
  // Fruit and what is made of it, to stand over, under or beside a dessert: nothing sets it but what starch binds.
  fruit: { id: 'fruit', schools: ['coulis', 'boundSauce', 'roastedFruit', 'maceratedFruit', 'confitPeel', 'peelPowder', 'steepedSpirit'], sets: ['starchPa'], methods: ['none', 'direct', 'oven'], uses: ['over'], eggSets: false, needsAcid: false, fields: { gelatin: false, whip: false, agar: false, reduce: false }, sourCentre: 2.8, acidGelsMilk: false, acidProtects: false, springs: false, levers: [] },
}

/**
 * Facts of a family.
 * @example familyOf('curd').eggSets // true
 */
export const familyOf = (family: Family): FamilyFacts => FAMILY_FACTS[family]
/**
 * Sour centre of a way of making: its own, where it is meant milder than its family.
 * @example sourCentreOf('curd', 'yolkBath') // 4.3
 */
export const sourCentreOf = (family: Family, school: School): number =>
  schoolOf(school).sourCentre ?? FAMILY_FACTS[family].sourCentre
