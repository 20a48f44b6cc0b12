/** Reading bodies with a limit, and answering errors that name the field. */
import { createError, getHeader, getRouterParam, type H3Event } from 'h3'
import * as yup from 'yup'
import { yupProblem, type Problem } from '../../shared/schemas/problem'
import { isDate, isUuid, tooMuch } from '../../shared/schemas/shape'
import { BODY_LIMIT } from '../../shared/limits'

/** An error that names a field. */
export const problem = (statusCode: number, data: Omit<Problem, 'params'> & { params?: Record<string, unknown> }) =>
  createError({ statusCode, statusMessage: 'Not taken', data })

const tooLarge = (limit: number) =>
  createError({
    statusCode: 413,
    statusMessage: 'Too large',
    data: {
      path: '',
      code: 'bodyTooLarge',
      limitBytes: limit,
      message: `A request may hold at most ${limit / 1e6} MB (${limit} bytes).`,
    },
  })

/** What a body is: JSON of a megabyte where nothing else is said. */
interface BodyOf { limit: number, type: RegExp, otherwise: string }
const JSON_BODY: BodyOf = { limit: BODY_LIMIT, type: /^application\/json\b/, otherwise: 'notJson' }

/** Reads a body's bytes; more than the limit is refused, naming it, without being kept. */
export async function readBytes(event: H3Event, { limit, type, otherwise }: BodyOf = JSON_BODY): Promise<Uint8Array> {
  if (Number(getHeader(event, 'content-length') ?? 0) > limit) throw tooLarge(limit)
  if (!type.test(getHeader(event, 'content-type') ?? ''))
    throw problem(415, { path: 'content-type', code: otherwise })
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req) {
    size += (chunk as Buffer).length
    if (size > limit) throw tooLarge(limit)
    chunks.push(chunk as Buffer)
  }
  // A copy of its own: small buffers share memory that a thread must not be given.
  return new Uint8Array(Buffer.concat(chunks))
}

/** What is wrong with the whole of it is said of the body. */
export const ofBody = (p: Problem): Problem => (p.path ? p : { ...p, path: 'body' })

/** Reads a JSON body; what is too much of anything is refused before it is validated. */
async function readJson(event: H3Event): Promise<unknown> {
  const bytes = await readBytes(event)
  let body: unknown
  try {
    body = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes))
  } catch {
    throw problem(400, { path: '', code: 'notJson' })
  }
  const much = tooMuch(body)
  if (much) throw problem(422, ofBody(much))
  return body
}

/** Reads and checks a body against a schema. */
export async function readChecked<T>(event: H3Event, schema: yup.Schema<T>): Promise<T> {
  const body = await readJson(event)
  try {
    return schema.validateSync(body, { strict: true })
  } catch (error) {
    if (error instanceof yup.ValidationError) throw problem(422, ofBody(yupProblem(error)))
    throw error
  }
}

/** The id in the address; anything else is not there. */
export function routeId(event: H3Event, code = 'unknownFormula'): string {
  const id = getRouterParam(event, 'id') ?? ''
  if (!isUuid(id)) throw problem(404, { path: 'id', code })
  return id.toLowerCase()
}

/** The day in the address; anything else is not there. */
export function routeDate(event: H3Event): string {
  const date = getRouterParam(event, 'date') ?? ''
  if (!isDate(date)) throw problem(404, { path: 'date', code: 'unknownDay' })
  return date
}
