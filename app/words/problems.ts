/** Errors in documents and fields, naming the field and the fix. */
import { FORMULA_FORMAT, SCHEMA_VERSION } from '#core/formula/document'
import type { Problem } from '../../shared/schemas/problem'

const FIELDS: Record<string, string> = {
  'pH': 'the acidity of the mix',
  'lines': 'the list of lines',
  'wantedPercent': 'the wanted strength',
  'method.sampleG': 'the sample',
  'method.mlNaOH': 'the NaOH used',
  'method.molarity': 'the strength of the NaOH',
  'method.endPH': 'the end point',
  'method.pH': 'the pH',
  'method.readingBrix': 'the reading',
  'method.waterMl': 'the water to mine',
  'method.knownWaterMl': 'the water to the known one',
  'method.knownAcidPercent': 'the known strength',
  'goal.set.heightM': 'the height wanted',
  'goal.yieldG': 'the grams in all',
  'goal.maxCost': 'the most it may cost',
  'goal.maxYolkG': 'the most yolk',
  'stock.covers.people': 'the number of people',
  'stock.covers.each': 'the pieces each',
  'stock.covers.count': 'the number of tins or dishes',
  'stock.covers.massG': 'the weight wanted',
  'stock.covers.volumeM3': 'the volume wanted',
  'massG': 'the mass in grams',
  'ingredientId': 'the ingredient',
  'use.pieceHeightM': 'the height of the piece',
  'use.pieceWidthM': 'the width of the piece',
  'use.tableTempC': 'the temperature of the table',
  'use.tableTimeS': 'the time on the table',
  'heat.targetTempC': 'the target temperature',
  'heat.holdS': 'the hold',
  'heat.startTempC': 'the starting temperature',
  'heat.burnerW': 'the burner\'s power',
  'heat.oven.airTempC': 'the oven\'s temperature',
  'heat.oven.timeS': 'the time in the oven',
  'set.bloom': 'the gelatine\'s Bloom',
  'set.air': 'the air',
  'overrun': 'the volume gained by whipping',
  'lineTempC': 'the temperature of what goes in',
  'mixTempC': 'the temperature of the mix',
  'school': 'the way of making',
  'assembly.vessel.lengthM': 'the length or diameter',
  'assembly.vessel.widthM': 'the width',
  'assembly.vessel.heightM': 'the height',
  'assembly.count': 'the number of tins or dishes',
  'assembly.portions': 'the number of portions',
  'assembly.vessel.taper': 'the width at the base',
  'assembly.vessel.heldM3': 'the water it holds',
  'assembly.toppingM': 'the height of the topping',
  'assembly.insertM3': 'the room for fruit or insert',
  'assembly.tiltDeg': 'the lean of the glass',
  'assembly.depth': 'the depth of fill',
  'heat.pan.diameterM': 'the pan\'s width',
  'heat.pan.heightM': 'the pan\'s height',
  'heat.pan.tareG': 'the weight of the empty pan',
  'heat.oven.offsetK': 'the oven\'s error',
  'serve.claimDays': 'the days somebody says it keeps',
  'serve.temperC': 'the temperature it is eaten at',
  'serve.serveAt': 'the time of service',
  'make.ratio': 'the ratio of the crust or topping',
  'ratio': 'the ratio',
  'grid.columns': 'the columns',
  'grid.rows': 'the rows',
  'grid.trimM': 'the trim',
  'time.timeS': 'the time',
  'time.depthM.to': 'the new depth',
  'time.massG.to': 'the new weight',
  'time.powerW.to': 'the new power',
  'assembly.crustM': 'the thickness of the crust',
  'losses.sieveFraction': 'the loss in the sieve',
  'losses.panG': 'what the pan keeps',
  'name': 'the name',
  'timeS': 'the time of a leg',
  'airTempC': 'the air temperature',
}

/** The field by its path, in words where there are some. */
export function fieldWords(path: string): string {
  const known = FIELDS[path] ?? FIELDS[path.split('.').at(-1)!]
  return known ? `${known} (${path})` : path
}

/** Why a document was not taken. */
export function documentProblemWords(p: Problem): string {
  const path = p.path.replace(/^document\.?/, '').replace(/^formula\./, '')
  const limits = p.params ?? {}
  if (path === 'format') return `This is not a Lumbik formula file: its field “format” must say “${FORMULA_FORMAT}”.`
  if (path === 'version')
    return p.code === 'tooLarge'
      ? `The file is of a newer version than this Lumbik reads: field “version” is above ${SCHEMA_VERSION}. Update Lumbik, or export it again from the older one.`
      : `Field “version” must be a whole number up to ${SCHEMA_VERSION}.`
  const field = fieldWords(path)
  switch (p.code) {
    case 'negative':
      return `${cap(field)} cannot be negative.`
    case 'tooSmall':
    case 'min':
      return `${cap(field)} is too small: at least ${limitWords(path, limits.min)}.`
    case 'tooLarge':
    case 'max':
      return `${cap(field)} is too large: at most ${limitWords(path, limits.max)}.`
    case 'noWater':
      return `${cap(field)}: there is no water in it, so it has no acidity and no set.`
    case 'noLines':
      return `${cap(field)}: there is nothing in it yet.`
    case 'unknownValue':
      return `${cap(field)} is not known${limits.options ? `; it may be: ${limits.options}` : ''}.`
    case 'unknownIngredient':
      return `${cap(field)} is not one that Lumbik knows.`
    case 'notANumber':
      return `${cap(field)} must be a number.`
    case 'required':
    case 'optionality':
    case 'nullable':
    case 'missing':
    case 'defined':
      return `${cap(field)} is missing.`
    case 'oneOf':
      return `${cap(field)} must be one of: ${limits.values}.`
    case 'noUnknown':
      return `${cap(field || 'the document')} holds something unknown: ${limits.unknown}.`
    case 'unknownLine':
      return `${cap(field)} names a line that is not there.`
    case 'otherFamily':
      return `${cap(field)} is not one of this kind of dessert (${limits.family}).`
    case 'sameId':
      return `${cap(field)} is used twice.`
    case 'date':
      return `${cap(field)} must be a date that there is.`
    case 'tooMany':
      return `${cap(field)} holds too much: at most ${limits.max}.`
    case 'tooDeep':
      return `${cap(field)} is nested too deep.`
    case 'badText':
      return `${cap(field)} holds characters that cannot be kept.`
    case 'badKey':
      return `${cap(field)} holds a name that is not allowed.`
    case 'typeError':
      return `${cap(field)} is of the wrong kind: ${limits.type} is needed.`
    case 'notJson':
      return 'The file is not JSON.'
    default:
      return `${cap(field || 'the document')} cannot be taken (${p.code}).`
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
