/** A batch's record at the wire: its events by kind, its readings, and what was frozen as it began. */
import * as yup from 'yup'
import { CUT_FACES, FAULTS, SPOON_WORDS } from '#core/book/outcome'
import {
  BATCH_FORMAT, BATCH_VERSION, type BatchRecord, CHANNELS, DEVICE_KINDS, type Happened, holding, type Series,
} from '#core/book/record'
import { InputError } from '#core/base/errors'
import { PARAMETER_IDS, parametersWith } from '#core/base/parameters'
import { plainOccasion } from '#core/formula/occasion'
import { readDocument } from './formula'
import { inputProblem, type Problem, yupProblem } from './problem'

const id = () => yup.string().strict().min(1).max(80).required()
const idOrNone = () => yup.string().strict().min(1).max(80).nullable().defined()
const figure = (min: number, max: number) => yup.number().strict().min(min).max(max).required()
const figureOrNone = (min: number, max: number) => yup.number().strict().min(min).max(max).nullable().defined()
const oneOf = <T extends string>(values: readonly T[]) => yup.string().strict().oneOf([...values]).required()
const oneOrNone = <T extends string>(values: readonly T[]) =>
  yup.string().strict().nullable().oneOf<T | null>([...values, null]).defined()
const yesOrNone = () => yup.boolean().strict().nullable().defined()
const exactly = (shape: Record<string, yup.AnySchema | yup.Lazy<unknown>>) => yup.object(shape).noUnknown().strict()

const grams = () => figure(0, 200_000)
export const outcomeSchema = exactly({
  asMeant: yesOrNone(),
  ringSankM: figureOrNone(0, 0.05),
  spreadM: figureOrNone(0.005, 0.5),
  loadKg: figureOrNone(0, 20),
  stoodM: figureOrNone(0, 0.5),
  spoon: oneOrNone(SPOON_WORDS),
  cutFace: oneOrNone(CUT_FACES),
  unmoulded: yesOrNone(),
  massG: figureOrNone(0, 200_000),
  pH: figureOrNone(0, 14),
  brix: figureOrNone(0, 100),
  coreC: figureOrNone(-40, 110),
  sharp: figureOrNone(0, 10),
  sweet: figureOrNone(0, 10),
  faults: yup.array(oneOf(FAULTS)).strict().max(FAULTS.length).required(),
}).required()

/** What each kind of event says. */
const SAYS: Record<Happened['kind'], Record<string, yup.AnySchema | yup.Lazy<unknown>>> = {
  started: {},
  added: { lineId: id(), shownG: figureOrNone(0, 200_000) },
  stepDone: { stepKey: id() },
  stepSkipped: { stepKey: id() },
  stepReopened: { stepKey: id() },
  heatOn: {},
  heatOff: {},
  ovenIn: {},
  ovenOut: {},
  panWeighed: { shownG: grams(), tareG: grams() },
  leftBehind: { where: oneOf(['pan', 'sieve']), shownG: grams() },
  poured: { vessel: figure(1, 1000).integer(), shownG: figureOrNone(0, 200_000) },
  movedTo: { legId: id() },
  measured: { what: oneOf(['pH', 'brix', 'overrun']), lineId: idOrNone(), value: figure(0, 400) },
  foundSet: {},
  opened: {},
  outcome: { outcome: outcomeSchema },
  note: { textId: id() },
  photo: { photoId: id() },
  corrected: {
    eventId: id(),
    whyId: idOrNone(),
    instead: yup.lazy((v: unknown) => (v === null ? yup.mixed().nullable() : said(v, {}))),
  },
}
const base = { id: id(), atS: figure(0, 3.2e7), actorId: id() }
/** A schema by the kind it says; one that is not known is refused by its kind. */
function said(value: unknown, also: Record<string, yup.AnySchema>): yup.AnySchema {
  const kind = (value as { kind?: unknown } | null | undefined)?.kind
  const own = Object.hasOwn(SAYS, String(kind)) ? SAYS[kind as Happened['kind']] : {}
  return exactly({ ...also, kind: oneOf(Object.keys(SAYS)), ...own }).required()
}
/** What happened, alone: as a client sends it. */
export const happenedSchema = yup.lazy((value: unknown) => said(value, {}))
const eventSchema = yup.lazy((value: unknown) => said(value, base))

/** As many as a day of readings a second has, of one channel. */
const MOST_READINGS = 100_000
/** What any instrument of a kitchen could show: °C, g, pH, °Bx. */
const reading = () => figureOrNone(-1000, 1e6)
/** Readings of a channel, at most so many. */
export const seriesOfAtMost = (most: number) => exactly({
  deviceId: id(),
  channel: oneOf(CHANNELS),
  timeS: yup.array(figure(0, 3.2e7)).strict().max(most).required(),
  values: yup.array(reading()).strict().max(most).required(),
}).required()
/** What must agree within a series: as many values as times, and these never back. */
export function seriesProblem({ timeS, values }: Pick<Series, 'timeS' | 'values'>, path: string): Problem | null {
  if (timeS.length !== values.length) return { path: `${path}.values`, code: 'length', params: { length: timeS.length } }
  const back = timeS.findIndex((t, k) => k > 0 && t < timeS[k - 1]!)
  return back < 0 ? null : { path: `${path}.timeS.${back}`, code: 'tooSmall', params: { min: timeS[back - 1]! } }
}

const restSchema = exactly({
  format: oneOf([BATCH_FORMAT]),
  version: yup.number().strict().oneOf([BATCH_VERSION]).required(),
  id: id(),
  componentId: id(),
  startedAt: yup.string().strict().max(40).required(),
  simulated: yup.boolean().strict().required(),
  parameters: exactly({
    engine: yup.string().strict().max(40).required(),
    set: yup.string().strict().max(40).required(),
    changed: exactly(Object.fromEntries(PARAMETER_IDS.map(p => [p, yup.number().strict().optional()]))).required(),
  }).required(),
  devices: yup.array(exactly({ id: id(), kind: oneOf(DEVICE_KINDS), name: yup.string().strict().max(120).defined() }))
    .strict().max(50).required(),
  events: yup.array(eventSchema as never).strict().max(10_000).required(),
  readings: yup.array(seriesOfAtMost(MOST_READINGS)).strict().max(50).required(),
})

export type BatchResult = { ok: true, record: BatchRecord } | { ok: false, problem: Problem }
const fail = (path: string, code: string, params: Problem['params'] = {}): BatchResult =>
  ({ ok: false, problem: { path, code, params } })

/** What must agree within a record beyond the shape of its parts. */
function disagreement(r: BatchRecord): BatchResult | null {
  if (!r.formula.components.some(c => c.id === r.componentId && c.process)) return fail('componentId', 'unknownValue')
  const lines = new Set(r.formula.components.flatMap(c => c.lines.map(l => l.id)))
  const ids = new Set<string>()
  for (const [i, e] of r.events.entries()) {
    if (ids.has(e.id)) return fail(`events.${i}.id`, 'sameId')
    ids.add(e.id)
    if ((e.kind === 'added' || e.kind === 'measured') && e.lineId !== null && !lines.has(e.lineId))
      return fail(`events.${i}.lineId`, 'unknownLine')
  }
  for (const [i, s] of r.readings.entries()) {
    const problem = seriesProblem(s, `readings.${i}`)
    if (problem) return { ok: false, problem }
  }
  holding(r.events)
  parametersWith(r.parameters.changed)
  return null
}

/** A record as a file brings it, checked whole: the formula it embeds may be of any version. */
export function readBatch(input: unknown): BatchResult {
  if (typeof input !== 'object' || input === null || Array.isArray(input)) return fail('', 'typeError', { type: 'object' })
  const { formula, occasion, kitchen, ...rest } = input as Record<string, unknown>
  const read = readDocument({ formula, occasion, kitchen })
  if (!read.ok) return read
  if (!read.doc.kitchen) return fail('kitchen', 'required')
  try {
    const checked = restSchema.validateSync(rest, { abortEarly: true, strict: true })
    const record = { ...checked, ...read.doc, occasion: read.doc.occasion ?? plainOccasion() } as unknown as BatchRecord
    return disagreement(record) ?? { ok: true, record }
  } catch (error) {
    if (error instanceof InputError) return { ok: false, problem: inputProblem(error) }
    if (error instanceof yup.ValidationError) return { ok: false, problem: yupProblem(error) }
    throw error
  }
}
