/**
 * Older formula documents brought to the current schema version. One step a version; the input is never changed.
 * Version 1 (drafts before the first release) kept the use as a word with the height beside it, and the hold in
 * minutes.
 * Version 3 said nothing of what is on the bench.
 * Version 4 had straight-sided vessels only, one crust for all, no pan, no oven of the kitchen's own.
 * Version 2 knew curds in the pot only: no oven, no end of a boil by volume, nothing of how starch, gelatin and air
 * came in.
 */
import { InputError } from '../base/errors'
import { plainOven, plainSet } from './create'
import { FORMULA_FORMAT, plainStock, SCHEMA_VERSION } from './document'

type Plain = Record<string, unknown>
const isPlain = (x: unknown): x is Plain => typeof x === 'object' && x !== null && !Array.isArray(x)

const STEPS: Record<number, (doc: Plain) => Plain> = {
  1: (doc) => {
    const heat = isPlain(doc.heat) ? doc.heat : {}
    const { holdMin, ...restHeat } = heat
    const { pieceHeightM, pieceWidthM, tableTempC, tableTimeS, ...rest } = doc
    return {
      ...rest,
      version: 2,
      use: isPlain(doc.use) ? doc.use : { kind: doc.use, pieceHeightM, pieceWidthM, tableTempC, tableTimeS },
      heat: { ...restHeat, holdS: typeof holdMin === 'number' ? holdMin * 60 : heat.holdS },
    }
  },
  2: doc => ({
    ...doc,
    version: 3,
    heat: isPlain(doc.heat) ? { ...doc.heat, until: 'hold', oven: plainOven() } : doc.heat,
    set: plainSet(),
  }),
  3: doc => ({ ...doc, version: 4, stock: plainStock() }),
  4: (doc) => {
    const { assembly, heat, serve } = doc
    const vessel =
      isPlain(assembly) && isPlain(assembly.vessel) ? { ...assembly.vessel, taper: 1, heldM3: null } : undefined
    return {
      ...doc,
      version: 5,
      assembly: isPlain(assembly)
        ? {
            ...assembly,
            vessel: vessel ?? assembly.vessel,
            crustForm:
              vessel && (vessel as Plain).kind === 'rectangle' && Number(assembly.crustM) > 0 ? 'base' : 'shell',
            toppingM: 0,
            insertM3: 0,
            tiltDeg: 0,
          }
        : assembly,
      heat: isPlain(heat)
        ? {
            ...heat,
            burnerId: null,
            pan: null,
            oven: isPlain(heat.oven) ? { ...heat.oven, ovenId: null, offsetK: 0 } : heat.oven,
          }
        : heat,
      serve: isPlain(serve) ? { ...serve, claimDays: null, temperC: null } : serve,
    }
  },
}

/**
 * Brings a parsed document to the current version; its fields are checked elsewhere.
 * @throws {InputError} at `format` when it is not a formula document, at `version` when it is newer than this engine
 */
export function migrate(input: unknown): Plain {
  if (!isPlain(input) || input.format !== FORMULA_FORMAT)
    throw new InputError('unknownValue', 'format', { expected: FORMULA_FORMAT })
  const given = input.version
  if (typeof given !== 'number' || !Number.isInteger(given) || given < 1)
    throw new InputError('unknownValue', 'version', { newest: SCHEMA_VERSION })
  if (given > SCHEMA_VERSION) throw new InputError('tooLarge', 'version', { max: SCHEMA_VERSION })
  let doc = input
  for (let version = given; version < SCHEMA_VERSION; version++) doc = STEPS[version]!(doc)
  return doc
}
