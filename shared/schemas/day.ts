/** DAY.json at the wire: desserts, hands, equipment; a formula in it may be of any version. */
import * as yup from 'yup'
import { InputError } from '#core/base/errors'
import { findIngredient } from '#core/base/ingredients/ingredients'
import { OWN_ID_MOST } from '#core/base/ingredients/label'
import { type Kitchen, PLAIN_KITCHEN } from '#core/kitchen/kitchen'
import { plainOccasion } from '#core/formula/occasion'
import { PLACE_KINDS } from '#core/physics/thermal/places'
import { COUNTED, type Counted } from '#core/plan/covers'
import { EQUIPMENT_KINDS } from '#core/schedule/day'
import { freshMinutes, stepsOfFormula } from '#core/schedule/ofFormula'
import { type DayPlan, planSteps } from '#core/schedule/plan'
import { type DayInput, namedIn } from '#core/schedule/read'
import { readDocument } from './formula'
import { inputProblem, type Problem, yupProblem } from './problem'

const exactly = <T extends yup.ObjectShape>(shape: T) => yup.object(shape).noUnknown().strict()
const text = (most = 120) => yup.string().strict().min(1).max(most)
const number = (min: number, max: number) => yup.number().strict().min(min).max(max)
const maybe = <T extends yup.Schema>(s: T) => s.nullable().optional()
/** A week of minutes. */
const MOST_MIN = 7 * 24 * 60
const temperature = () => number(-60, 400)
const time = () => text(40).required()

const isAttended = (v: unknown) =>
  v == null || typeof v === 'boolean' || (typeof v === 'number' && v >= 0 && v <= MOST_MIN)

const useSchema = exactly({
  kind: maybe(yup.string().strict().oneOf([...EQUIPMENT_KINDS])), id: maybe(text()), amount: maybe(number(0, 1e6)),
  tempC: maybe(temperature()), closed: maybe(yup.boolean().strict()),
  panM: maybe(number(0.01, 2)), drawW: maybe(number(0, 1e5)), held: maybe(yup.boolean().strict()),
}).required()
const stepSchema = exactly({
  id: maybe(text()),
  name: text().required(),
  minutes: number(0, MOST_MIN).required(),
  minutesSlow: maybe(number(0, MOST_MIN)),
  attended: yup.mixed<boolean | number>().nullable().optional()
    .test('attended', 'typeError', isAttended),
  uses: maybe(yup.array(useSchema).strict().max(20)),
  after: maybe(yup.array(text().required()).strict().max(100)),
  maxGapMinutes: maybe(number(0, MOST_MIN)),
  fixed: maybe(exactly({ start: time(), who: maybe(text()) })),
  warm: maybe(exactly({
    heatJPerK: number(0, 1e9).required(), fromC: temperature().required(), tauS: number(1, 1e7).required(),
  })),
}).required()
export const daySchema = exactly({
  date: yup.string().strict().matches(/^\d{4}-\d{2}-\d{2}$/).required(),
  kitchen: yup.mixed().nullable().optional(),
  hands: maybe(yup.array(exactly({
    name: text().required(), from: maybe(text(40)), to: maybe(text(40)),
    shifts: maybe(yup.array(exactly({ from: time(), to: time() }).required()).strict().max(20)),
  }).required()).strict().max(40)),
  equipment: maybe(yup.array(exactly({
    id: text().required(), kind: yup.string().strict().oneOf([...EQUIPMENT_KINDS]).required(),
    capacity: maybe(number(0, 1e6)), unit: maybe(text(40)), minC: maybe(temperature()), maxC: maybe(temperature()),
    heatKPerMin: maybe(number(0.01, 1000)), coolKPerMin: maybe(number(0.01, 1000)), panM: maybe(number(0.01, 2)),
    freeFrom: maybe(text(40)),
    supply: maybe(exactly({ id: text().required(), watts: number(1, 1e6).required() })),
    place: maybe(exactly({
      kind: yup.string().strict().oneOf([...PLACE_KINDS]).required(), airC: temperature().required(),
      roomC: maybe(temperature()),
    })),
  }).required()).strict().max(100)),
  desserts: yup.array(exactly({
    id: maybe(text()), name: text().required(), formula: yup.mixed().nullable().optional(),
    count: maybe(number(0.01, 10_000)), countOf: maybe(yup.string().strict().oneOf([...COUNTED])),
    serveAt: time(), earliest: maybe(text(40)),
    keepMinutes: maybe(number(0, MOST_MIN)), freshMinutes: maybe(number(0, 366 * 24 * 60)),
    steps: maybe(yup.array(stepSchema).strict().max(100)),
  }).required()).strict().min(0).max(60).required(),
}).required()

const clockTime = () => yup.string().strict().matches(/^([01]\d|2[0-3]):[0-5]\d$/).required()
const known = () => text(OWN_ID_MOST).required().test('known', 'unknown', v => findIngredient(v ?? '') !== undefined)
const idText = () => text(80).required()
const fixedSchema = yup.lazy((value: unknown) => yup.object(Object.fromEntries(
  Object.keys(typeof value === 'object' && value !== null ? value : {}).map(k => [k, exactly({
    start: time(), who: text().nullable().defined(), began: yup.boolean().strict().required(),
    lasts: number(0, MOST_MIN),
  }).required()]),
)).strict())
/** A day sheet as a client sends it. */
export const sheetSchema = exactly({
  version: number(0, 1e9).integer().required(),
  sheet: exactly({
    hands: yup.array(exactly({
      name: text(80).required(), from: clockTime(), to: clockTime(),
      pause: exactly({ from: clockTime(), to: clockTime() }).optional().default(undefined),
    }).required())
      .strict().max(40).required(),
    equipment: yup.array(exactly({
      id: idText(), kind: yup.string().strict().oneOf([...EQUIPMENT_KINDS]).required(), name: text().min(0).defined(),
      capacity: number(0, 1e6).nullable().defined(), heatKPerMin: number(0.01, 1000).nullable().defined(),
      coolKPerMin: number(0.01, 1000).nullable().defined(), isOut: yup.boolean().strict().required(),
      panM: maybe(number(0.01, 2)), isShared: yup.boolean().strict(), freeFrom: text(40),
    }).required()).strict().max(100).required(),
    desserts: yup.array(exactly({
      id: idText(), name: text().required(), formulaId: yup.string().strict().uuid().nullable().defined(),
      count: number(0.01, 10_000).nullable().defined(), serveAt: clockTime(),
      keepMinutes: number(0, MOST_MIN).nullable().defined(), ovenC: number(40, 300),
      versionId: yup.string().strict().uuid(), countOf: yup.string().strict().oneOf([...COUNTED]), earliest: text(40),
      steps: yup.array(stepSchema).strict().max(100).nullable().defined(),
      fixed: fixedSchema as never as yup.Schema<object>, done: yup.array(idText()).strict().max(200).required(),
    }).required()).strict().max(60).required(),
    sharedW: maybe(number(1, 1e6)),
    have: yup.array(exactly({ ingredientId: known(), massG: number(0, 1e6).required() }).required()).strict().max(200),
  }).required(),
}).required()

export type DayResult = { ok: true, plan: DayPlan } | { ok: false, problem: Problem }
const fail = (path: string, code: string, params: Problem['params'] = {}): DayResult =>
  ({ ok: false, problem: { path, code, params } })

/** The kitchen a day names, by any formula's reader; null: the plain one. */
function kitchenOf(given: unknown, formula: unknown): Kitchen | null {
  if (given === null || given === undefined || formula === null || formula === undefined) return null
  const read = readDocument({ ...(formula as object), kitchen: given })
  return read.ok ? read.doc.kitchen ?? null : null
}

/** A dessert with its steps: its own, or its formula's (a document alone, or with occasion and kitchen beside it). */
function withSteps(d: DayInput['desserts'][number], path: string, day: DayInput, fallback: Kitchen) {
  if (d.steps) return d
  if (d.formula === null || d.formula === undefined) throw new InputError('missing', `${path}.steps`)
  const read = readDocument(d.formula)
  if (!read.ok) {
    const at = [`${path}.formula`, read.problem.path].filter(Boolean).join('.')
    throw new DocumentProblem({ ...read.problem, path: at })
  }
  const { formula, occasion, kitchen } = read.doc
  const where = kitchenOf(day.kitchen, d.formula) ?? kitchen ?? fallback
  const has = namedIn(day.equipment ?? [])
  const planned = { formula, occasion: occasion ?? plainOccasion() }
  const steps = stepsOfFormula(planned, where, d.count ?? null, has, (d.countOf ?? 'covers') as Counted)
  return { ...d, steps, freshMinutes: d.freshMinutes ?? freshMinutes(planned, where, steps) }
}
class DocumentProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.path)
  }
}

/** Fridges that the kitchen knows by their id have its air, where the day says nothing else. */
function inPlaces(day: DayInput, fallback: Kitchen): DayInput {
  const k = day.desserts.map(d => kitchenOf(day.kitchen, d.formula)).find(x => x !== null) ?? fallback
  const equipment = day.equipment?.map((e) => {
    const p = k.places.find(x => x.id === e.id)
    return e.place || !p ? e : { ...e, place: { kind: p.kind, airC: p.airTempC, roomC: k.roomTempC } }
  })
  return { ...day, equipment }
}

/** A day as it comes, planned in steps that say the share done. */
export function* readAndPlan(input: unknown, fallback: Kitchen = PLAIN_KITCHEN): Generator<number, DayResult> {
  if (typeof input !== 'object' || input === null || Array.isArray(input)) return fail('', 'typeError', { type: 'object' })
  try {
    const day = daySchema.validateSync(input, { abortEarly: true, strict: true }) as DayInput
    const desserts = day.desserts.map((d, i) => withSteps(d, `desserts.${i}`, day, fallback))
    return { ok: true, plan: yield* planSteps({ ...inPlaces(day, fallback), desserts }) }
  } catch (error) {
    if (error instanceof yup.ValidationError) return { ok: false, problem: yupProblem(error) }
    if (error instanceof DocumentProblem) return { ok: false, problem: error.problem }
    if (error instanceof InputError) return { ok: false, problem: inputProblem(error) }
    throw error
  }
}
