/** What crosses the wire besides documents. */
import * as yup from 'yup'
import type { Planned } from '#core/formula/bench'
import type { Difference } from '#core/solve/compare'
import type { Summary } from '#core/pipeline/summary'
import type { KitchenRecord, LotRecord } from '../kitchen'

/** Formulas in one answer of the shelf. */
export const PAGE_SIZE = 50
/** Days that what was deleted can be brought back. */
export const BIN_DAYS = 30

/** Eggs that a formula takes, g: what surplus yolks and whites could go into. */
export interface EggUse {
  wholeG: number
  yolkG: number
  whiteG: number
}
/** `summary` may be of an earlier state while `stale`; `readable` is false where the stored document cannot be read. */
export interface FormulaListItem {
  id: string
  name: string
  school: string
  eggs: EggUse | null
  version: number
  updatedAt: string
  demo: boolean
  summary: Summary | null
  stale: boolean
  readable: boolean
}
export interface FormulaRecord {
  id: string
  version: number
  updatedAt: string
  document: Planned
}
/** What a save is answered with: what was sent is what is there. */
export type Saved = Omit<FormulaRecord, 'document'>
/** A kept state of a formula; `label` is empty for what autosave kept. */
export interface VersionItem {
  id: string
  formulaId: string
  formulaName: string
  label: string
  createdAt: string
  /** What changed since the state before it, the first few; absent where that is not on the same page. */
  changes?: Difference[]
}
export interface VersionRecord extends VersionItem {
  document: Planned
}
/**
 * Newest first; `next` asks for the earlier ones; `variants` are formulas made from this one, `origin` the one this
 * was made from.
 */
export interface VersionList {
  items: VersionItem[]
  next: string | null
  variants: { id: string, name: string }[]
  origin: { id: string, name: string } | null
}
/** What uses a thing of the kitchen: how many formulas, and the last changed of them by name. */
export interface Uses {
  count: number
  formulas: { id: string, name: string }[]
}
/**
 * One page of the shelf, last change first; `next` asks for the following one; `total` and `firstId` come with the
 * first.
 */
export interface FormulaList {
  items: FormulaListItem[]
  next: string | null
  total: number | null
  firstId: string | null
}

export const BIN_KINDS = ['formula', 'lot', 'vessel', 'place', 'oven', 'burner', 'pan'] as const
export type BinKind = (typeof BIN_KINDS)[number]
export interface BinItem {
  kind: BinKind
  id: string
  name: string
  deletedAt: string
  until: string
}

/** What a conflicting save is told: how it stands now, and whether this very write had been taken before that. */
export interface Conflict<
  T extends FormulaRecord | KitchenRecord | LotRecord = FormulaRecord | KitchenRecord | LotRecord,
> {
  code: 'changedElsewhere'
  path: string
  current: T
  taken: boolean
}

const uuid = () => yup.string().strict().uuid().required()
const envelope = { mutationId: uuid(), document: yup.mixed().required() }
export const createSchema = yup
  .object({
    ...envelope,
    id: uuid(),
    label: yup.string().strict().max(120).default('').optional(),
    parentFormulaId: yup.string().strict().uuid().nullable().optional(),
  })
  .noUnknown()
  .strict()
  .required()
export const saveSchema = yup
  .object({
    ...envelope,
    baseVersion: yup
      .number()
      .strict()
      .integer()
      .min(0)
      .max(2 ** 31 - 2)
      .required(),
  })
  .noUnknown()
  .strict()
  .required()
export const nameVersionSchema = yup
  .object({ label: yup.string().strict().trim().min(1).max(120).required() })
  .noUnknown()
  .strict()
  .required()
export const renameSchema = yup
  .object({ name: yup.string().strict().trim().min(1).max(120).required() })
  .noUnknown()
  .strict()
  .required()
export const reviveSchema = yup
  .object({
    kind: yup
      .string()
      .strict()
      .oneOf([...BIN_KINDS])
      .required(),
    id: uuid(),
  })
  .noUnknown()
  .strict()
  .required()
