/**
 * The formula document at the wire: shape and kinds are checked here, by field; whether its values are possible is the
 * core's to say. Used by the server for every write and by import.
 */
import * as yup from 'yup'
import { InputError } from '#core/base/errors'
import {
  COMPONENT_ROLES,
  FAMILIES,
  FORMULA_FORMAT,
  SCHEMA_VERSION,
  SCHOOLS,
  FRUIT_PARTS,
  PART_KINDS,
  PIECE_KINDS,
  type FormulaDocument,
} from '#core/formula/document'
import { COVERS, PLACE_KINDS } from '#core/physics/thermal/places'
import { HEAT_METHODS } from '#core/physics/heat/pot'
import { MATERIALS, VESSEL_KINDS } from '#core/physics/geometry/cavity'
import { USE_KINDS } from '#core/physics/set/bands'
import type { Kitchen } from '#core/kitchen/kitchen'
import { schoolOf } from '#core/formula/schools'
import { migrate } from '#core/formula/migrate'
import { fruitOf } from '#core/plan/fruit'
import { momentOrNone } from './dates'
import { num, orNone } from './numbers'
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
const strength = byKind(
  {
    measured: exactly({ kind: oneOf(['measured']), ...measured }),
    lot: exactly({ kind: oneOf(['lot']), lotId: id(), name: text(), ...measured }),
  },
  exactly({ kind: oneOf(['typical']) })
    .optional()
    .default(undefined),
)

const line = yup
  .object({
    id: id(),
    ingredientId: id(),
    massG: number().min(0),
    sourceText: text(),
    assumption: text(),
    strength,
    pinned: yup.boolean().strict().optional(),
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
    foldIn: exactly({ id: id(), kind: oneOf(['foldIn']), ...joining, overrun: num('components.*.steps.*.overrun') }),
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
const stock = yup
  .object({
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
  })
  .noUnknown()
  .strict()
  .required()

export const formulaSchema = yup
  .object({
    format: oneOf([FORMULA_FORMAT]),
    version: number().oneOf([SCHEMA_VERSION]),
    name: yup.string().strict().trim().min(1).max(120).required(),
    family: oneOf(FAMILIES),
    school: oneOf(SCHOOLS),
    note: text(4000),
    use: yup
      .object({
        kind: oneOf(USE_KINDS),
        pieceHeightM: number(),
        pieceWidthM: number(),
        tableTempC: number(),
        tableTimeS: number().min(0),
      })
      .noUnknown()
      .strict()
      .required(),
    stock,
    components: yup
      .array(
        yup
          .object({
            id: id(),
            role: oneOf(COMPONENT_ROLES),
            name: text(120),
            make: yup
              .object({ kind: oneOf(PART_KINDS), ratio: number() })
              .noUnknown()
              .strict()
              .optional()
              .default(undefined),
            lines: yup.array(line).strict().max(60).required(),
            steps: yup.array(step).strict().max(30).required(),
          })
          .noUnknown()
          .strict()
          .required(),
      )
      .strict()
      .min(1)
      .max(6)
      .required()
      .test(
        'filling',
        '${path} must hold exactly one filling',
        list => (list ?? []).filter(c => c?.role === 'filling').length === 1,
      ),
    assembly: yup
      .object({
        vesselId: yup.string().strict().nullable().defined(),
        vessel,
        count: number().integer(),
        crustM: number(),
        crustForm: oneOf(['shell', 'base']),
        toppingM: number(),
        insertM3: number(),
        tiltDeg: number(),
        portions: number().integer(),
      })
      .noUnknown()
      .strict()
      .required(),
    losses: yup.object({ sieveFraction: number(), panG: number() }).noUnknown().strict().required(),
    heat: yup
      .object({
        method: oneOf(HEAT_METHODS),
        targetTempC: number(),
        holdS: number(),
        startTempC: number(),
        burnerW: number(),
        until: oneOf(['hold', 'creamVolume']),
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
        startAt: momentOrNone(),
        coldTempC: processValue(number()),
        chilledS: processValue(number().min(0)),
        claimDays: yup.number().strict().nullable().defined(),
        temperC: yup.number().strict().nullable().defined(),
      })
      .noUnknown()
      .strict()
      .required(),
  })
  .noUnknown()
  .strict()
  .required()

export type DocumentResult = { ok: true, doc: FormulaDocument } | { ok: false, problem: Problem }

/** Migrates and checks a document; with a kitchen, also that its values are possible. Nothing is half-taken. */
export function readDocument(input: unknown, kitchen?: Kitchen): DocumentResult {
  try {
    const doc = formulaSchema.validateSync(migrate(input), {
      abortEarly: true,
      strict: true,
    }) as unknown as FormulaDocument
    if (schoolOf(doc.school).family !== doc.family)
      return { ok: false, problem: { path: 'school', code: 'otherFamily', params: { family: doc.family } } }
    const ids = doc.components.flatMap(c => c.lines.map(l => l.id))
    for (const [c, component] of doc.components.entries()) {
      for (const [s, step] of component.steps.entries()) {
        const unknown = 'lineIds' in step ? step.lineIds.findIndex(x => !component.lines.some(l => l.id === x)) : -1
        if (unknown >= 0)
          return {
            ok: false,
            problem: { path: `components.${c}.steps.${s}.lineIds.${unknown}`, code: 'unknownLine', params: {} },
          }
      }
      const twice = component.lines.findIndex(l => ids.filter(x => x === l.id).length > 1)
      if (twice >= 0)
        return { ok: false, problem: { path: `components.${c}.lines.${twice}.id`, code: 'sameId', params: {} } }
    }
    const fruit = doc.stock.fruit.findIndex(f => !fruitOf(f.fruitId))
    if (fruit >= 0)
      return { ok: false, problem: { path: `stock.fruit.${fruit}.fruitId`, code: 'unknownValue', params: {} } }
    if (kitchen) checkMix(doc, kitchen)
    return { ok: true, doc }
  } catch (error) {
    if (error instanceof InputError) {
      // A formula without lines yet is a draft, not an impossible one.
      if (error.code === 'noLines' || error.code === 'noWater')
        return {
          ok: true,
          doc: formulaSchema.validateSync(migrate(input), { strict: true }) as unknown as FormulaDocument,
        }
      return { ok: false, problem: inputProblem(error) }
    }
    if (error instanceof yup.ValidationError) return { ok: false, problem: yupProblem(error) }
    throw error
  }
}
