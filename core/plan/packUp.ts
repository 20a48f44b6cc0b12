/**
 * A finished filling put up in packs: what it is as an ingredient of the kitchen's own, how firm it comes out of the
 * pack again, until when it is good. From there it is stock: weighed, cooked with, laid into other desserts.
 */
import { addDays, formatISO, parseISO } from 'date-fns'
import { InputError } from '../base/errors'
import { is } from '../base/ingredients/ingredients'
import {
  EMPTY_LABEL, ETHANOL_G_PER_ML, type Label, LABEL_TELLS, type LabelTell, OWN_NAME_MOST, ownId,
} from '../base/ingredients/label'
import { ALLERGENS } from '../base/ingredients/types'
import { fillingCost } from '../formula/cost'
import { fillingOf } from '../formula/bench'
import { proteinG, sugarsG } from '../physics/matter/mix'
import { yieldStress } from '../physics/set/firmness'
import { outOfPack, type ThawSign, thawSigns } from '../physics/set/thawed'
import type { Worked } from '../pipeline/assess'
import { daysAlone } from '../pipeline/judge/rawFruit'
import { FREEZER_DAYS } from './storage'
import { thawPackS } from './thaw'

/** Why it is not put up: its egg was not cooked through, it is not sour enough, or only the day holds it. */
export type PackRefusal = 'notCooked' | 'lowAcid' | 'sameDay'
export interface PackedUp {
  refused: PackRefusal | null
  ingredientId: string
  packG: number
  /** Whole packs the batch gives, and what is left over, g. */
  packs: number
  overG: number
  /** Yield stress from the cold as it set, and out of the pack, stirred smooth (thawed before, if frozen), Pa. */
  setPa: number
  outPa: number
  /** What is seen of it once thawed. */
  signs: ThawSign[]
  thaw: { fridge: number, water: number } | null
  /** ISO date; null: the kitchen cannot keep it. */
  useBy: string | null
  /** By the kitchen's prices; null where one of its lines has none. */
  costPerKg: number | null
}

const NOT_COOKED = ['rawEgg', 'lethalityLow', 'noEgg']

/** Its label: composition per 100 g as it is finished, acid and pH as computed. */
function labelFor(w: Worked, name: string, packG: number, outPa: number): Label {
  const m = w.heated.finished
  const per = (g: number) => (100 * g) / m.massG
  const gPerMl = w.assessment.shape.density / 1000
  const rows = m.parts.filter(p => p.massG > 0).map(p => p.row)
  const told = (t: LabelTell) => rows.some(r => (t === 'gelatine' ? is(r, 'gelatin') || is(r, 'holdsGelatin') : is(r, t)))
  const alcohol = (per(m.ethanolG) / ETHANOL_G_PER_ML) * gPerMl
  return {
    ...EMPTY_LABEL, name: name.replaceAll(';', ',').slice(0, OWN_NAME_MOST), kind: 'other',
    fat: per(m.grams.fat), carbs: per(sugarsG(m) + m.grams.starch), sugars: per(sugarsG(m)),
    fibre: per(m.grams.fibre), protein: per(proteinG(m)), salt: per(m.grams.ash),
    acid: per(m.acidG), pH: w.mixed.pH, alcohol: alcohol > 0.05 ? alcohol : null,
    density: gPerMl, pack: packG, set: Math.max(1, Math.round(outPa)),
    allergens: ALLERGENS.filter(x => rows.some(r => r.allergens?.includes(x))),
    tells: LABEL_TELLS.filter(told),
  }
}

/**
 * A batch's filling in packs of so much. @param madeOn ISO date @throws {InputError} `method.packG`
 * @example packUp(work(doc, kitchen), { packG: 120, frozen: true, name: 'Curd', madeOn: '2026-11-28' }).packs // 4
 */
export function packUp(
  w: Worked, { packG, frozen, name, madeOn }: { packG: number, frozen: boolean, name: string, madeOn: string },
): PackedUp {
  if (!(packG >= 10)) throw new InputError('tooSmall', 'method.packG', { min: 10 })
  const { bench: doc, kitchen, assessment: a } = w
  const set = a.verdict.cold.mechanismsPa
  const outPa = outOfPack(set, frozen)
  const has = (codes: readonly string[]) => a.findings.some(f => codes.includes(f.code))
  const refused = has(NOT_COOKED)
    ? 'notCooked' as const
    : has(['lowAcid']) ? 'lowAcid' as const : a.serve.storageDays === 0 || daysAlone(w) <= 1 ? 'sameDay' as const : null
  const ingredientId = ownId(labelFor(w, name, packG, outPa))
  const packs = Math.floor(a.shape.batchG / packG + 1e-9)
  const days = frozen ? FREEZER_DAYS : daysAlone(w) - 1
  const isPriced = fillingOf(doc).lines.every(l => !(l.massG > 0) || kitchen.prices[l.ingredientId] !== undefined)
  return {
    refused, ingredientId, packG, packs, overG: a.shape.batchG - packs * packG,
    setPa: yieldStress(set), outPa, signs: frozen ? thawSigns(set) : [],
    thaw: frozen ? thawPackS(ingredientId, packG) : null,
    useBy: refused ? null : formatISO(addDays(parseISO(madeOn), days), { representation: 'date' }),
    costPerKg: isPriced ? (1000 * fillingCost(doc, kitchen)) / a.shape.batchG : null,
  }
}
