/**
 * Older formula documents brought to the current schema version. One step a version; the input is never changed.
 * Version 1 (drafts before the first release) kept the use as a word with the height beside it, and the hold in
 * minutes.
 * Version 2 knew curds in the pot only: no oven, no end of a boil by volume, nothing of how starch, gelatin and air
 * came in.
 * Version 3 said nothing of what is on the bench.
 * Version 4 had straight-sided vessels only, one crust for all, no pan, no oven of the kitchen's own.
 * Version 5 had one filling and one heat a document, no layers, and the occasion in it: start, stock, lots.
 */
import { InputError } from '../base/errors'
import { plainOven, plainSet } from './create'
import { FORMULA_FORMAT, SCHEMA_VERSION } from './document'
import { OCCASION_FORMAT, OCCASION_VERSION, wholeOccasion, plainStock } from './occasion'

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
  5: ({ family, school, heat, set, losses, stock: _stock, ...doc }) => {
    const serve = isPlain(doc.serve) ? { ...doc.serve } : doc.serve
    if (isPlain(serve)) delete serve.startAt
    return {
      ...doc,
      version: 6,
      components: eachPlain(doc.components, c => ({
        ...c,
        lines: eachPlain(c.lines, (l) => {
          const { strength, ...line } = l
          return isLot(strength) ? line : l
        }),
        ...(c.role === 'filling' && { process: { family, school, heat, set, losses } }),
      })),
      assembly: isPlain(doc.assembly) ? layered(doc.assembly, doc.components) : doc.assembly,
      serve,
    }
  },
}

const isLot = (strength: unknown): strength is Plain => isPlain(strength) && strength.kind === 'lot'
const eachPlain = (list: unknown, change: (entry: Plain) => Plain): unknown =>
  Array.isArray(list) ? list.map(entry => (isPlain(entry) ? change(entry) : entry)) : list

/** Layers of what version 5 said of crust and topping: one crust, one filling, one topping. */
function layered({ crustM, crustForm, toppingM, ...assembly }: Plain, components: unknown): Plain {
  const parts = Array.isArray(components) ? components.filter(isPlain) : []
  const ofRole = (role: string) => parts.find(c => c.role === role)
  const layer = (part: Plain | undefined, usual: string, form: unknown, thicknessM: unknown) => ({
    id: part?.id ?? usual, componentId: part?.id ?? null, form, thicknessM,
  })
  const [crust, filling, topping] = ['crust', 'filling', 'topping'].map(ofRole)
  return {
    ...assembly,
    layers: [
      ...(crust || crustM !== 0 || crustForm === 'base' ? [layer(crust, 'crust', crustForm, { given: crustM })] : []),
      ...(filling ? [layer(filling, 'filling', 'fill', { simulated: true })] : []),
      ...(topping || toppingM !== 0 ? [layer(topping, 'topping', 'top', { given: toppingM })] : []),
    ],
  }
}

/** What version 5 kept of the occasion. */
function occasionOf(doc: Plain): Plain {
  const stock = isPlain(doc.stock) ? doc.stock : { fruit: doc.stock }
  const lines = (Array.isArray(doc.components) ? doc.components : []).flatMap((c: unknown) =>
    isPlain(c) && Array.isArray(c.lines) ? c.lines.filter(isPlain) : [],
  )
  return {
    format: OCCASION_FORMAT,
    version: OCCASION_VERSION,
    startAt: isPlain(doc.serve) ? doc.serve.startAt : undefined,
    serveAt: '',
    ...stock,
    lots: lines.flatMap(l => (isLot(l.strength) ? [{ lineId: l.id, strength: l.strength }] : [])),
  }
}

/** A formula and its occasion as they were read: brought to the current version, their fields not checked. */
export interface Migrated {
  formula: Plain
  /** Null: the file said none, and the usual one counts. */
  occasion: Plain | null
  /** As it was given; null: none was. */
  kitchen: unknown
}

/**
 * Brings what was read to the current version: a formula of any version, whose older ones hold their occasion, or
 * `{ formula, occasion, kitchen }`. An occasion that is given counts before one the formula holds.
 * @throws {InputError} at `format` when it is not a formula document, at `version` when it is newer than this engine
 * @example migrate({ formula, occasion: { startAt: '2026-11-28T14:00' } }).occasion.startAt // '2026-11-28T14:00'
 */
export function migrate(input: unknown): Migrated {
  const whole = isPlain(input) && input.format === undefined && isPlain(input.formula) ? input : { formula: input }
  const { formula, occasion = null, kitchen = null } = whole as Record<'formula' | 'occasion' | 'kitchen', unknown>
  const stray = Object.keys(whole).find(key => key !== 'formula' && key !== 'occasion' && key !== 'kitchen')
  if (stray !== undefined) throw new InputError('unknownValue', stray)
  if (!isPlain(formula) || formula.format !== FORMULA_FORMAT)
    throw new InputError('unknownValue', 'format', { expected: FORMULA_FORMAT })
  const given = formula.version
  if (typeof given !== 'number' || !Number.isInteger(given) || given < 1)
    throw new InputError('unknownValue', 'version', { newest: SCHEMA_VERSION })
  if (given > SCHEMA_VERSION) throw new InputError('tooLarge', 'version', { max: SCHEMA_VERSION })
  let doc = formula
  let held: Plain | null = null
  for (let version = given; version < SCHEMA_VERSION; version++) {
    if (version === 5) held = occasionOf(doc)
    doc = STEPS[version]!(doc)
  }
  return { formula: doc, occasion: occasion === null ? held : takeOccasion(occasion), kitchen }
}

/** What is not said of an occasion is as in one of which nothing is said. @throws {InputError} */
function takeOccasion(occasion: unknown): Plain {
  if (!isPlain(occasion)) throw new InputError('unknownValue', 'occasion')
  const { version = OCCASION_VERSION } = occasion
  if (version !== OCCASION_VERSION)
    throw new InputError('unknownValue', 'occasion.version', { newest: OCCASION_VERSION })
  return { ...wholeOccasion(occasion) }
}
