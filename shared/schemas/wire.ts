/** What crosses the wire besides documents. */
import * as yup from 'yup'
import type { FormulaDocument } from '#core/formula/document'
import type { Summary } from '#core/summary'

/** Largest body a write may have, bytes. */
export const BODY_LIMIT = 1_000_000

export interface FormulaListItem { id: string, name: string, school: string, version: number, updatedAt: string, demo: boolean, summary: Summary | null }
export interface FormulaRecord { id: string, version: number, updatedAt: string, document: FormulaDocument }
export interface FormulaList { items: FormulaListItem[], firstId: string | null }

const envelope = { mutationId: yup.string().strict().uuid().required(), document: yup.mixed().required() }
export const createSchema = yup.object({ ...envelope, id: yup.string().strict().uuid().required(), label: yup.string().strict().max(120).default('').optional(), parentFormulaId: yup.string().strict().uuid().nullable().optional() }).noUnknown().strict().required()
export const saveSchema = yup.object({ ...envelope, baseVersion: yup.number().strict().integer().required() }).noUnknown().strict().required()
export const renameSchema = yup.object({ name: yup.string().strict().trim().min(1).max(120).required() }).noUnknown().strict().required()
