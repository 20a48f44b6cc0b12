/** Errors in documents and fields, naming the field and the fix. */
import { FORMULA_FORMAT, SCHEMA_VERSION } from '#core/formula/document'
import type { Problem } from '../../shared/schemas/problem'
import { group, say } from './say'

const FIELDS = group<Record<string, string>>('problems.FIELDS')

/** What a field is called, by its path or its last part; undefined where it has no words. */
export const fieldName = (path: string): string | undefined =>
  FIELDS[path.replaceAll('.', '_')] ?? FIELDS[path.split('.').at(-1)!]

/** The field by its path, in words where there are some. */
export function fieldWords(path: string): string {
  const field = fieldName(path)
  return field ? say('problems.theField', { field, path }) : path
}

/** Why a document was not taken. */
export function documentProblemWords(p: Problem): string {
  const path = p.path.replace(/^document\.?/, '').replace(/^formula\./, '')
  const limits = p.params ?? {}
  if (path === 'format') return say('problems.thisIsNotALumbikFormula', { FORMULAFORMAT: FORMULA_FORMAT })
  if (path === 'version')
    return p.code === 'tooLarge'
      ? say('problems.theFileIsOfANewer', { SCHEMAVERSION: SCHEMA_VERSION })
      : say('problems.fieldVersionMustBeAWhole', { SCHEMAVERSION: SCHEMA_VERSION })
  const field = fieldWords(path)
  switch (p.code) {
    case 'negative':
      return say('problems.cannotBeNegative', { field: cap(field) })
    case 'tooSmall':
    case 'min':
      return say('problems.isTooSmallAtLeast', { field: cap(field), min: limitWords(path, limits.min) })
    case 'tooLarge':
    case 'max':
      return say('problems.isTooLargeAtMost', { field: cap(field), max: limitWords(path, limits.max) })
    case 'noWater':
      return say('problems.thereIsNoWaterInIt', { field: cap(field) })
    case 'noLines':
      return say('problems.thereIsNothingInItYet', { field: cap(field) })
    case 'unknownValue':
      return say('problems.isNotKnown', { field: cap(field), options: limits.options ? say('problems.itMayBe', { options: limits.options }) : '' })
    case 'unknownIngredient':
      return say('problems.isNotOneThatLumbikKnows', { field: cap(field) })
    case 'notANumber':
      return say('problems.mustBeANumber', { field: cap(field) })
    case 'required':
    case 'optionality':
    case 'nullable':
    case 'missing':
    case 'defined':
      return say('problems.isMissing', { field: cap(field) })
    case 'oneOf':
      return say('problems.mustBeOneOf', { field: cap(field), values: limits.values })
    case 'noUnknown':
      return say('problems.holdsSomethingUnknown', { document: cap(field || say('problems.theDocument')), unknown: limits.unknown })
    case 'unknownLine':
      return say('problems.namesALineThatIsNot', { field: cap(field) })
    case 'otherFamily':
      return say('problems.isNotOneOfThisKind', { field: cap(field), family: limits.family })
    case 'sameId':
      return say('problems.isUsedTwice', { field: cap(field) })
    case 'date':
      return say('problems.mustBeADateThatThere', { field: cap(field) })
    case 'tooMany':
      return say('problems.holdsTooMuchAtMost', { field: cap(field), max: limits.max })
    case 'tooDeep':
      return say('problems.isNestedTooDeep', { field: cap(field) })
    case 'badText':
      return say('problems.holdsCharactersThatCannotBeKept', { field: cap(field) })
    case 'badKey':
      return say('problems.holdsANameThatIsNot', { field: cap(field) })
    case 'typeError':
      return say('problems.isOfTheWrongKindIs', { field: cap(field), type: limits.type })
    case 'notJson':
      return say('problems.theFileIsNotJSON')
    default:
      return say('problems.cannotBeTaken', { document: cap(field || say('problems.theDocument')), code: p.code })
  }
}
/** A limit in the unit a cook reads: lengths in mm, volumes in ml; what the name tells no unit of stays as it is. */
function limitWords(path: string, limit: unknown): string {
  if (typeof limit !== 'number') return String(limit)
  if (path.endsWith('M3')) return `${Number((1e6 * limit).toFixed(1))} ml`
  if (/[a-z]M$/.test(path)) return `${Number((1000 * limit).toFixed(1))} mm`
  return String(limit)
}
const cap = (s: string) => s.charAt(0).toUpperCase() + s.slice(1)
