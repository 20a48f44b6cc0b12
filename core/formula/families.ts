/**
 * Kinds of dessert as data: what sets each, how it is heated, which fields it uses, how sharp it is meant to be.
 * Common practice throughout; sour centres are judgement on the scale of `taste` (no sensory data).
 */
import type { HeatMethod } from '../physics/heat/pot'
import type { UseKind } from '../physics/set/bands'
import type { MechanismKey } from '../physics/set/firmness'
import type { Family, School } from './document'

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
}

export const FAMILY_FACTS: Readonly<Record<Family, FamilyFacts>> = {
  curd: { id: 'curd', schools: ['yolkBath', 'wholeEggTempered', 'emulsified', 'microwave', 'gelatinBacked'], sets: ['eggPa', 'butterPa', 'gelatinPa'], methods: ['waterBath', 'direct', 'microwave'], uses: ['spooned', 'piped', 'cut', 'glass'], eggSets: true, needsAcid: true, fields: { gelatin: true, whip: false, agar: false, reduce: false }, sourCentre: 4.3 },
  posset: { id: 'posset', schools: ['reduced', 'boiled', 'dissolved', 'wine'], sets: ['caseinPa', 'creamFatPa'], methods: ['direct', 'waterBath'], uses: ['glass', 'spooned'], eggSets: false, needsAcid: true, fields: { gelatin: true, whip: false, agar: false, reduce: true }, sourCentre: 2.1 },
  bar: { id: 'bar', schools: ['cooledBase', 'hotBase'], sets: ['eggPa', 'starchPa'], methods: ['oven'], uses: ['cut'], eggSets: true, needsAcid: true, fields: { gelatin: false, whip: false, agar: false, reduce: false }, sourCentre: 3.8 },
  condensedPie: { id: 'condensedPie', schools: ['lowOven', 'steadyOven', 'tartlets', 'chillOnly'], sets: ['caseinPa', 'eggPa'], methods: ['oven', 'none'], uses: ['cut', 'spooned'], eggSets: false, needsAcid: true, fields: { gelatin: true, whip: false, agar: false, reduce: false }, sourCentre: 2.8 },
  starchFilling: { id: 'starchFilling', schools: ['juiceAfter', 'boiledAgain', 'milkPudding'], sets: ['starchPa', 'eggPa'], methods: ['direct', 'microwave'], uses: ['cut', 'turnedOut', 'spooned', 'glass'], eggSets: false, needsAcid: false, fields: { gelatin: true, whip: false, agar: false, reduce: false }, sourCentre: 4.2 },
  gelatinCream: { id: 'gelatinCream', schools: ['foldedMousse', 'setCream'], sets: ['gelatinPa', 'whipPa'], methods: ['direct', 'waterBath', 'none'], uses: ['glass', 'cut', 'turnedOut', 'spooned'], eggSets: false, needsAcid: false, fields: { gelatin: true, whip: true, agar: false, reduce: false }, sourCentre: 1.8 },
  unsetMousse: { id: 'unsetMousse', schools: ['whippedAcid', 'beatenWhites'], sets: ['whipPa', 'foamPa', 'caseinPa'], methods: ['none'], uses: ['glass', 'spooned', 'piped'], eggSets: false, needsAcid: false, fields: { gelatin: false, whip: true, agar: false, reduce: false }, sourCentre: 1.8 },
  fluidGel: { id: 'fluidGel', schools: ['blendedGel', 'frozenInsert'], sets: ['agarPa', 'gelatinPa'], methods: ['direct'], uses: ['piped', 'cut', 'turnedOut', 'glass'], eggSets: false, needsAcid: false, fields: { gelatin: true, whip: false, agar: true, reduce: false }, sourCentre: 4.2 },
  lightCustard: { id: 'lightCustard', schools: ['boiledMeringue'], sets: ['gelatinPa', 'starchPa', 'foamPa'], methods: ['direct'], uses: ['turnedOut', 'cut', 'glass'], eggSets: false, needsAcid: false, fields: { gelatin: true, whip: true, agar: false, reduce: false }, sourCentre: 2.8 },
}

/** Facts of a family. */
export const familyOf = (family: Family): FamilyFacts => FAMILY_FACTS[family]
/** Sour centre of a way of making: an emulsified cream is meant milder than its family (judgement). */
export const sourCentreOf = (family: Family, school: School): number => school === 'emulsified' ? 3.2 : FAMILY_FACTS[family].sourCentre
