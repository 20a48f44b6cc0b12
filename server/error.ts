/**
 * Every error leaves as JSON: status, code, field, limit. What the domain refuses gets its HTTP number here; a database
 * that does not answer is 503, to be tried again; anything else is a fault of ours, logged without statements or
 * values.
 */
import { send, setResponseHeader, setResponseStatus, type H3Error, type H3Event } from 'h3'
import { InputError } from '#core/base/errors'
import { inputProblem } from '../shared/schemas/problem'
import { faultName, faultPlace, isDatabaseAway, isDatabaseFull, notTakenBy } from './database/away'
import { Refusal, type RefusalKind } from './domain/refusal'
import { log } from './utils/log'

const STATUS: Record<RefusalKind, [number, string]> = {
  unknown: [404, 'Not here'],
  deleted: [410, 'Deleted'],
  conflict: [409, 'Changed elsewhere'],
  invalid: [422, 'Not taken'],
  unsigned: [401, 'Not signed in'],
  notAllowed: [403, 'Not allowed'],
  tooMany: [429, 'Too many tries'],
  away: [503, 'Not now'],
}

interface Answer {
  status: number
  statusMessage: string
  data: Record<string, unknown>
}

const isFull = (...errors: unknown[]) => errors.some(e => isDatabaseFull(e))
/** What an error is answered with. */
export function answerOf(error: unknown): Answer {
  const { cause, statusCode, statusMessage, data, unhandled } = error as H3Error<Record<string, unknown>>
  const inner = [error, cause].find(e => e instanceof Refusal || e instanceof InputError)
  if (inner instanceof Refusal) {
    const [status, message] = STATUS[inner.kind]
    return { status, statusMessage: message, data: { path: inner.path, code: inner.code, ...inner.extra } }
  }
  if (inner instanceof InputError) return { status: 422, statusMessage: 'Not taken', data: { ...inputProblem(inner) } }
  if ([error, cause].some(e => isDatabaseAway(e)))
    return { status: 503, statusMessage: 'Not now', data: { path: '', code: isFull(error, cause) ? 'databaseFull' : 'database' } }
  // Two at once with one id: the checks above let both through, the database only one.
  const refused = notTakenBy(error)
  if (refused)
    return {
      status: refused === 'sameId' ? 409 : 422,
      statusMessage: 'Not taken',
      data: { path: refused === 'sameId' ? 'id' : '', code: refused },
    }
  if (unhandled || !statusCode || statusCode >= 500)
    return { status: 500, statusMessage: 'A fault of ours', data: { path: '', code: 'fault' } }
  return {
    status: statusCode,
    statusMessage: statusMessage ?? '',
    data: data ?? { path: '', code: statusCode === 405 ? 'otherMethod' : 'unknownRoute' },
  }
}

export default function (error: H3Error, event: H3Event) {
  if (event.handled) return
  const answer = answerOf(error)
  if (answer.status === 500) {
    const inner = error.cause ?? error
    log.error({
      requestId: (event.context as { requestId?: string }).requestId, method: event.method,
      route: event.context.matchedRoute?.path ?? 'a page', fault: faultName(inner), place: faultPlace(inner),
    })
  }
  setResponseStatus(event, answer.status, answer.statusMessage)
  setResponseHeader(event, 'content-type', 'application/json; charset=utf-8')
  setResponseHeader(event, 'cache-control', 'no-store')
  if (answer.status === 503) setResponseHeader(event, 'retry-after', 1)
  if (answer.status === 429) setResponseHeader(event, 'retry-after', Number(answer.data.waitS))
  return send(
    event,
    JSON.stringify({ error: true, statusCode: answer.status, statusMessage: answer.statusMessage, data: answer.data }),
  )
}
