/** What crosses the wire besides documents. */
import * as yup from 'yup'
import type { FormulaDocument } from '#core/formula/document'
import type { Summary } from '#core/summary'

/** Largest body a write may have, bytes. */
export const BODY_LIMIT = 1_000_000

/** Eggs that a formula takes, g: what surplus yolks and whites could go into. */
export interface EggUse { wholeG: number, yolkG: number, whiteG: number }
export interface FormulaListItem { id: string, name: string, school: string, eggs: EggUse, version: number, updatedAt: string, demo: boolean, summary: Summary | null }
export interface FormulaRecord { id: string, version: number, updatedAt: string, document: FormulaDocument }
/** A kept state of a formula; `label` is empty for what autosave kept. */
export interface VersionItem { id: string, formulaId: string, formulaName: string, label: string, createdAt: string, summary: Summary | null }
export interface VersionRecord extends VersionItem { document: FormulaDocument }
/** Newest first; `variants` are formulas made from this one, `origin` the one this was made from. */
export interface VersionList { items: VersionItem[], more: boolean, variants: { id: string, name: string }[], origin: { id: string, name: string } | null }
export interface FormulaList { items: FormulaListItem[], firstId: string | null }

const envelope = { mutationId: yup.string().strict().uuid().required(), document: yup.mixed().required() }
export const createSchema = yup.object({ ...envelope, id: yup.string().strict().uuid().required(), label: yup.string().strict().max(120).default('').optional(), parentFormulaId: yup.string().strict().uuid().nullable().optional() }).noUnknown().strict().required()
export const saveSchema = yup.object({ ...envelope, baseVersion: yup.number().strict().integer().required() }).noUnknown().strict().required()
export const nameVersionSchema = yup.object({ label: yup.string().strict().trim().min(1).max(120).required() }).noUnknown().strict().required()
export const renameSchema = yup.object({ name: yup.string().strict().trim().min(1).max(120).required() }).noUnknown().strict().required()
