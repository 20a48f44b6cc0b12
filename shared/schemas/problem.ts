/** Why something was not taken: the field, a code and the limit. Never the value, which may be large or private. */
import type { ValidationError } from 'yup'
import type { InputError } from '#core/base/errors'

export interface Problem {
  path: string
  code: string
  params: Record<string, unknown>
}

/** What a refusal may carry besides field and code: limits and lists of our own. */
const TOLD = [
  'min',
  'max',
  'more',
  'less',
  'length',
  'newest',
  'options',
  'expected',
  'type',
  'values',
  'unknown',
  'family',
  'ingredient',
] as const
/** Longest field name and longest list that are sent back, characters. */
const PATH_MOST = 160
const TEXT_MOST = 400
/** A key that nobody asked for is the sender's own words: only its beginning is named. */
const UNKNOWN_MOST = 60

const clip = (text: string, most: number) => (text.length > most ? `${text.slice(0, most)}…` : text)

/** `lines[2].massG` as `lines.2.massG`, clipped. @example fieldPath('a[0].b') // 'a.0.b' */
export const fieldPath = (path: string | undefined): string =>
  clip((path ?? '').replace(/\["?([^\]"]*)"?\]/g, '.$1').replace(/^\./, ''), PATH_MOST)

/** Keeps of a refusal's parameters what may be told. */
export function told(params: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const out: Record<string, unknown> = {}
  for (const key of TOLD) {
    const value = params[key]
    if (typeof value === 'number') out[key] = value
    else if (typeof value === 'string') out[key] = clip(value, key === 'unknown' ? UNKNOWN_MOST : TEXT_MOST)
  }
  return out
}

/** A schema's refusal. */
export const yupProblem = (error: ValidationError): Problem => ({
  path: fieldPath(error.path),
  code: error.type ?? 'typeError',
  params: told((error.params ?? {}) as Record<string, unknown>),
})

/** The core's refusal. */
export const inputProblem = (error: InputError): Problem => ({
  path: clip(error.path, PATH_MOST),
  code: error.code,
  params: told(error.params),
})
