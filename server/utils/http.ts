/** Reading bodies with a limit, and answering errors that name the field. */
import { createError, getHeader, type H3Event } from 'h3'
import * as yup from 'yup'
import { BODY_LIMIT } from '../../shared/schemas/wire'

const tooLarge = () => createError({ statusCode: 413, statusMessage: 'Too large', data: { code: 'bodyTooLarge', limitBytes: BODY_LIMIT, message: `A request may hold at most ${BODY_LIMIT / 1e6} MB (${BODY_LIMIT} bytes).` } })

/** Reads a JSON body; more than the limit is refused, naming it, without being kept. */
export async function readJson(event: H3Event): Promise<unknown> {
  if (Number(getHeader(event, 'content-length') ?? 0) > BODY_LIMIT) throw tooLarge()
  if (!/^application\/json\b/.test(getHeader(event, 'content-type') ?? '')) throw problem(415, { path: 'content-type', code: 'notJson' })
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req) {
    size += (chunk as Buffer).length
    if (size > BODY_LIMIT) throw tooLarge()
    chunks.push(chunk as Buffer)
  }
  try {
    return JSON.parse(Buffer.concat(chunks).toString('utf8'))
  } catch {
    throw problem(400, { path: '', code: 'notJson' })
  }
}

/** An error that names a field. */
export const problem = (statusCode: number, data: { path: string, code: string, params?: Record<string, unknown> }) =>
  createError({ statusCode, statusMessage: 'Not taken', data })

/** Reads and checks a body against a schema. */
export async function readChecked<T>(event: H3Event, schema: yup.Schema<T>): Promise<T> {
  const body = await readJson(event)
  try {
    return schema.validateSync(body, { strict: true })
  } catch (error) {
    if (error instanceof yup.ValidationError) throw problem(422, { path: error.path ?? '', code: error.type ?? 'typeError', params: (error.params ?? {}) as Record<string, unknown> })
    throw error
  }
}
