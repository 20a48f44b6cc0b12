/** Numbers at the wire with the limits of the one table of fields. */
import * as yup from 'yup'
import { FIELDS, type FieldPath } from '#core/base/fields'

const limited = (path: FieldPath) => yup.number().strict().min(FIELDS[path].min).max(FIELDS[path].max)
/** A number that must be there. */
export const num = (path: FieldPath) => limited(path).required()
/** A number that may be absent. */
export const ifThere = (path: FieldPath) => limited(path).optional()
/** A number or null for what was not measured. */
export const orNone = (path: FieldPath) => limited(path).nullable().defined()
