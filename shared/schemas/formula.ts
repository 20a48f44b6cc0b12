/**
 * The formula document at the wire: shape and kinds are checked here, by field; whether its values are possible is the
 * core's to say. Used by the server for every write and by import.
 */
import * as yup from 'yup'
import { InputError } from '#core/base/errors'
import { OWN_ID_MOST } from '#core/base/ingredients/label'
import { type Bench, benchOf, benchPath } from '#core/formula/bench'
import {
  BUILT, type Built, COATS, COMPONENT_ROLES, FAMILIES, FORMULA_FORMAT, type FormulaDocument, LAYER_FORMS, OWN_STEPS,
  FINISH_KINDS, PART_KINDS, PIECE_KINDS, SCHEMA_VERSION, SCHOOLS,
} from '#core/formula/document'
import {
  FRUIT_PARTS, type Occasion, OCCASION_FORMAT, OCCASION_VERSION, plainOccasion,
} from '#core/formula/occasion'
import { COVERS, PLACE_KINDS } from '#core/physics/thermal/places'
import { ZEST_CUTS, ZEST_STRENGTH } from '#core/physics/matter/aroma'
import { GRAINS } from '#core/physics/matter/dissolving'
import { HEAT_METHODS } from '#core/physics/heat/pot'
import { MATERIALS, VESSEL_KINDS } from '#core/physics/geometry/cavity'
import { PEAKS } from '#core/physics/set/whipping'
import { USE_KINDS } from '#core/physics/set/bands'
import type { Kitchen } from '#core/kitchen/kitchen'
import { schoolOf } from '#core/formula/schools'
import { migrate } from '#core/formula/migrate'
import { fruitOf } from '#core/plan/fruit'
import { momentOrNone } from './dates'
import { takeKitchen } from './kitchen'
import { ifThere, num, orNone } from './numbers'
import { inputProblem, yupProblem, type Problem } from './problem'
import { checkMix } from '#core/pipeline/mixed'

const number = () => yup.number().strict().required()
const text = (max = 500) => yup.string().strict().max(max).defined()
const id = () => yup.string().strict().min(1).max(80).required()
const flag = () => yup.boolean().strict().required()
const oneOf = <T extends string>(values: readonly T[]) =>
  yup
    .string()
    .strict()
    .oneOf([...values])
    .required()

/** An object of just these fields. */
const exactly = (shape: Record<string, yup.AnySchema | yup.Lazy<unknown>>) => yup.object(shape).noUnknown().strict()
const kindOf = (value: unknown) => (value as { kind?: unknown } | null | undefined)?.kind
/**
 * One of several shapes by the `kind` it says; each is made once, since making one costs more than checking with it.
 */
const byKind = (shapes: Record<string, yup.AnySchema>, other: yup.AnySchema) => {
  const known = new Map(Object.entries(shapes))
  return yup.lazy((value: unknown) => known.get(String(kindOf(value))) ?? other)
}

const SIMULATED = exactly({ simulated: yup.boolean().strict().oneOf([true]).required() }).required()
/** `{ simulated: true }` or `{ given: value }`. */
const processValue = (given: yup.AnySchema) => {
  const said = exactly({ given }).required()
  return yup.lazy((value: unknown) =>
    typeof value === 'object' && value !== null && 'given' in value ? said : SIMULATED,
  )
}

const some = (max: number) => yup.number().strict().min(0).max(max).optional()
const measured = {
  acidPercent: some(100),
  pH: some(14),
  brix: some(100),
  fatPercent: some(100),
  acidLnSigma: some(3),
}
const LOT = exactly({ kind: oneOf(['lot']), lotId: id(), name: text(), frozenG: some(20_000), ...measured })
/** What a line says of its own strength; a lot in hand belongs to the occasion. */
const strength = byKind(
  { measured: exactly({ kind: oneOf(['measured']), ...measured }) },
  exactly({ kind: oneOf(['typical']) })
    .optional()
    .default(undefined),
)

const line = yup
  .object({
    id: id(),
    ingredientId: yup.string().strict().min(1).max(OWN_ID_MOST).required(),
    massG: number().min(0),
    sourceText: text(),
    assumption: text(),
    strength,
    pinned: yup.boolean().strict().optional(),
    grain: yup.string().strict().oneOf([...GRAINS]).optional(),
    finish: yup.string().strict().oneOf([...FINISH_KINDS]).optional(),
    zest: yup
      .object({
        of: yup.string().strict().oneOf(Object.keys(ZEST_STRENGTH)).optional(),
        cut: yup.string().strict().oneOf([...ZEST_CUTS]).optional(),
        rubbed: yup.boolean().strict().optional(),
        deep: yup.boolean().strict().optional(),
      })
      .noUnknown()
      .strict()
      .optional()
      .default(undefined),
    piece: yup
      .object({ kind: oneOf(PIECE_KINDS), eachG: num('components.*.lines.*.piece.eachG') })
      .noUnknown()
      .strict()
      .optional()
      .default(undefined),
  })
  .noUnknown()
  .strict()

const lineIds = yup.array(id()).strict().max(60).required()
const joining = { lineIds, lineTempC: num('components.*.steps.*.lineTempC'), mixTempC: processValue(num('components.*.steps.*.mixTempC')) }
const step = byKind(
  {
    combine: exactly({ id: id(), kind: oneOf(['combine']), lineIds }),
    stirIn: exactly({ id: id(), kind: oneOf(['stirIn']), ...joining }),
    foldIn: exactly({ id: id(), kind: oneOf(['foldIn']), ...joining, overrun: num('components.*.steps.*.overrun'),
      peak: yup.string().strict().oneOf([...PEAKS]).optional(), byHand: yup.boolean().strict().optional() }),
  },
  exactly({ id: id(), kind: oneOf(['combine', 'cook', 'strain', 'stirIn', 'foldIn', 'blend', 'pour', 'bake']) }),
)

const vessel = yup
  .object({
    kind: oneOf(VESSEL_KINDS),
    material: oneOf(MATERIALS),
    lengthM: number().min(0),
    widthM: number().min(0),
    heightM: number().min(0),
    taper: number(),
    heldM3: yup.number().strict().nullable().defined(),
  })
  .noUnknown()
  .strict()
  .required()

const covers = byKind(
  {
    people: exactly({ kind: oneOf(['people']), people: num('stock.covers.people'), each: num('stock.covers.each') }),
    vessels: exactly({ kind: oneOf(['vessels']), count: num('stock.covers.count') }),
    weight: exactly({ kind: oneOf(['weight']), massG: num('stock.covers.massG') }),
    volume: exactly({ kind: oneOf(['volume']), volumeM3: num('stock.covers.volumeM3') }),
  },
  yup
    .mixed()
    .nullable()
    .defined()
    .test('covers', 'unknown', v => v === null),
)

const count = () => num('stock.fruit.*.count').integer()
export const occasionSchema = yup
  .object({
    format: oneOf([OCCASION_FORMAT]),
    version: number().oneOf([OCCASION_VERSION]),
    startAt: momentOrNone(),
    serveAt: momentOrNone(),
    fruit: yup
      .array(
        yup
          .object({
            id: id(),
            fruitId: id(),
            count: count(),
            weightG: orNone('stock.fruit.*.weightG'),
            take: yup
              .object(Object.fromEntries(FRUIT_PARTS.map(p => [p, count()])))
              .noUnknown()
              .strict()
              .required(),
            measuredJuiceG: orNone('stock.fruit.*.measuredJuiceG'),
          })
          .noUnknown()
          .strict()
          .required(),
      )
      .strict()
      .max(40)
      .required(),
    have: yup
      .array(
        yup
          .object({ lineId: id(), massG: num('stock.have.*.massG') })
          .noUnknown()
          .strict()
          .required(),
      )
      .strict()
      .max(60)
      .required(),
    covers,
    lots: yup
      .array(exactly({ lineId: id(), strength: LOT.required() }).required())
      .strict()
      .max(360)
      .required(),
  })
  .noUnknown()
  .strict()
  .required()

const process = yup
  .object({
    family: oneOf(FAMILIES),
    school: oneOf(SCHOOLS),
    losses: yup.object({ sieveFraction: number(), panG: number() }).noUnknown().strict().required(),
    heat: yup
      .object({
        method: oneOf(HEAT_METHODS),
        targetTempC: number(),
        holdS: number(),
        startTempC: number(),
        burnerW: number(),
        until: oneOf(['hold', 'creamVolume']),
        burstS: yup.number().strict().optional(),
        stirEveryS: ifThere('heat.stirEveryS'),
        pouchM: yup.number().strict().optional(),
        burnerId: yup.string().strict().nullable().defined(),
        pan: yup
          .object({
            panId: yup.string().strict().nullable().defined(),
            diameterM: number(),
            heightM: number(),
            tareG: yup.number().strict().nullable().defined(),
          })
          .noUnknown()
          .strict()
          .nullable()
          .defined(),
        oven: yup
          .object({
            airTempC: number(),
            fan: flag(),
            bath: flag(),
            timeS: processValue(number().min(0)),
            ovenId: yup.string().strict().nullable().defined(),
            offsetK: number(),
            steam: yup.number().strict().optional(),
            atOnce: yup.number().strict().integer().optional(),
          })
          .noUnknown()
          .strict()
          .required(),
        course: processValue(
          yup
            .object({
              rampKPerMin: number().min(0.01).max(100),
              peakTempC: number().min(0).max(130),
              holdS: number().min(0),
            })
            .noUnknown()
            .strict()
            .required(),
        ),
        evaporationG: processValue(number().min(0)),
      })
      .noUnknown()
      .strict()
      .required(),
    set: yup
      .object({
        stirred: processValue(flag()),
        milkHeat: processValue(number()),
        air: processValue(number()),
        whippedFat: processValue(number()),
        whiteFoam: processValue(flag()),
        starch: processValue(
          yup
            .object({ peakTempC: number(), minutes: number().min(0) })
            .noUnknown()
            .strict()
            .required(),
        ),
        acidBoiled: processValue(flag()),
        amylase: processValue(flag()),
        bloom: number(),
        fluidGel: flag(),
        whisked: exactly({ seconds: ifThere('set.whisked.seconds').required(), byHand: flag() }).optional().default(undefined),
      })
      .noUnknown()
      .strict()
      .required(),
  })
  .noUnknown()
  .strict()
  .optional()
  .default(undefined)

const layer = exactly({
  id: id(),
  componentId: yup.string().strict().min(1).max(80).nullable().defined(),
  form: oneOf(LAYER_FORMS),
  thicknessM: processValue(number()),
}).required()

export const formulaSchema = yup
  .object({
    format: oneOf([FORMULA_FORMAT]),
    version: number().oneOf([SCHEMA_VERSION]),
    name: yup.string().strict().trim().min(1).max(120).required(),
    note: text(4000),
    use: yup
      .object({
        kind: oneOf(USE_KINDS),
        pieceHeightM: number(),
        pieceWidthM: number(),
        tableTempC: number(),
        tableTimeS: number().min(0),
        guestsAtRisk: yup.boolean().strict(),
      })
      .noUnknown()
      .strict()
      .required(),
    components: yup
      .array(
        yup
          .object({
            id: id(),
            role: oneOf(COMPONENT_ROLES),
            name: text(120),
            make: yup
              .object({
                kind: oneOf(PART_KINDS), ratio: number(), sealed: yup.boolean().strict(),
                restS: ifThere('components.*.make.restS'), bakedS: ifThere('components.*.make.bakedS'),
                unweighted: yup.boolean().strict(), withAcid: yup.boolean().strict(),
              })
              .noUnknown()
              .strict()
              .optional()
              .default(undefined),
            lines: yup.array(line).strict().max(60).required(),
            steps: yup.array(step).strict().max(30).required(),
            process,
            from: yup
              .object({ formulaId: id(), version: number().integer(), componentId: id() })
              .noUnknown()
              .strict()
              .optional()
              .default(undefined),
          })
          .noUnknown()
          .strict()
          .required(),
      )
      .strict()
      .min(1)
      .max(12)
      .required()
      .test('filling', '${path} must hold one that is made', list => (list ?? []).some(c => c?.process)),
    assembly: yup
      .object({
        vesselId: yup.string().strict().nullable().defined(),
        vessel,
        count: number().integer(),
        insertM3: number(),
        tiltDeg: number(),
        portions: number().integer(),
        layers: yup.array(layer).strict().max(24).required(),
        coat: yup.string().strict().oneOf([...COATS]).optional(),
        looseBase: yup.boolean().strict().optional(),
        built: yup.mixed<Built>().strict().oneOf(BUILT).optional(),
      })
      .noUnknown()
      .strict()
      .required(),
    chill: yup
      .array(
        yup
          .object({
            id: id(),
            placeId: yup.string().strict().nullable().defined(),
            place: yup
              .object({ kind: oneOf(PLACE_KINDS), airTempC: number() })
              .noUnknown()
              .strict()
              .required(),
            timeS: number().min(0),
            cover: oneOf(COVERS),
            opensPerHour: yup.number().strict().optional(),
            alongsideG: yup.number().strict().optional(),
            hard: yup.boolean().strict().optional(),
          })
          .noUnknown()
          .strict()
          .required(),
      )
      .strict()
      .min(1)
      .max(12)
      .required(),
    serve: yup
      .object({
        coldTempC: processValue(number()),
        chilledS: processValue(number().min(0)),
        claimDays: yup.number().strict().nullable().defined(),
        temperC: yup.number().strict().nullable().defined(),
        cardNote: yup.string().strict().max(600).optional(),
        ownS: yup
          .object(Object.fromEntries(OWN_STEPS.map(step => [step, ifThere('serve.ownS.*')])))
          .noUnknown()
          .strict()
          .optional()
          .default(undefined),
      })
      .noUnknown()
      .strict()
      .required(),
  })
  .noUnknown()
  .strict()
  .required()

/** A formula with its occasion (null: the usual one counts) and the kitchen it is meant for, as they were read. */
export interface Read {
  formula: FormulaDocument
  occasion: Occasion | null
  kitchen: Kitchen | null
}
export type DocumentResult = { ok: true, doc: Read } | { ok: false, problem: Problem }

const fail = (path: string, code: string, params: Problem['params'] = {}): DocumentResult =>
  ({ ok: false, problem: { path, code, params } })

/** What must agree within a formula beyond the shape of its parts. */
function disagreement({ formula, occasion }: Read): DocumentResult | null {
  const ids = formula.components.flatMap(c => c.lines.map(l => l.id))
  for (const [c, component] of formula.components.entries()) {
    const { process } = component
    if (process && schoolOf(process.school).family !== process.family)
      return fail('school', 'otherFamily', { family: process.family })
    if (formula.components.findIndex(other => other.id === component.id) < c)
      return fail(`components.${c}.id`, 'sameId')
    for (const [s, step] of component.steps.entries()) {
      const unknown = 'lineIds' in step ? step.lineIds.findIndex(x => !component.lines.some(l => l.id === x)) : -1
      if (unknown >= 0) return fail(`components.${c}.steps.${s}.lineIds.${unknown}`, 'unknownLine')
    }
    const twice = component.lines.findIndex(l => ids.filter(x => x === l.id).length > 1)
    if (twice >= 0) return fail(`components.${c}.lines.${twice}.id`, 'sameId')
  }
  for (const [i, layer] of formula.assembly.layers.entries()) {
    const path = `assembly.layers.${i}`
    const of = formula.components.find(c => c.id === layer.componentId)
    if (layer.componentId !== null && !of) return fail(`${path}.componentId`, 'unknownValue')
    // What is poured is as thick as there is of it.
    if (layer.form === 'fill' && of?.process && 'given' in layer.thicknessM)
      return fail(`${path}.thicknessM`, 'unknownValue')
    if (formula.assembly.layers.findIndex(other => other.id === layer.id) < i) return fail(`${path}.id`, 'sameId')
  }
  const fruit = occasion?.fruit.findIndex(f => !fruitOf(f.fruitId)) ?? -1
  return fruit >= 0 ? fail(`stock.fruit.${fruit}.fruitId`, 'unknownValue') : null
}

const strictly = { abortEarly: true, strict: true }
/** Every component that is made, as it would lie on the bench. */
const benchesOf = ({ formula, occasion }: Read): Bench[] =>
  formula.components
    .filter(c => c.process)
    .map(c => benchOf({ formula, occasion: occasion ?? plainOccasion() }, c.id))

/**
 * Migrates and checks what was read: a formula of any version, or `{ formula, occasion, kitchen }`; with a kitchen,
 * also that its values are possible. Nothing is half-taken.
 */
export function readDocument(input: unknown, kitchen?: Kitchen): DocumentResult {
  try {
    const read = migrate(input)
    const doc = {
      formula: formulaSchema.validateSync(read.formula, strictly) as unknown as FormulaDocument,
      occasion: read.occasion && at('occasion', () => occasionSchema.validateSync(read.occasion, strictly)) as unknown as Occasion,
      kitchen: read.kitchen === null ? null : at('kitchen', () => takeKitchen(read.kitchen)),
    }
    const wrong = disagreement(doc)
    if (wrong) return wrong
    const where = doc.kitchen ?? kitchen
    if (where) for (const bench of benchesOf(doc)) checkPossible(bench, where)
    return { ok: true, doc }
  } catch (error) {
    if (error instanceof InputError) return { ok: false, problem: inputProblem(error) }
    if (error instanceof yup.ValidationError) {
      const found = yupProblem(error)
      return { ok: false, problem: { ...found, path: benchPath(found.path) } }
    }
    throw error
  }
}

/** A check whose refusals name the part of the file they are in. */
function at<T>(part: string, check: () => T): T {
  try {
    return check()
  } catch (error) {
    if (error instanceof yup.ValidationError) error.path = error.path ? `${part}.${error.path}` : part
    throw error
  }
}

/** A formula without lines yet is a draft, not an impossible one. @throws {InputError} */
function checkPossible(bench: Bench, kitchen: Kitchen): void {
  try {
    checkMix(bench, kitchen)
  } catch (error) {
    if (!(error instanceof InputError) || (error.code !== 'noLines' && error.code !== 'noWater')) throw error
  }
}
