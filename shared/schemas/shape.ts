/** Sizes and counts of parsed JSON, looked at before anything is validated: so that a refusal costs little. */
import type { Problem } from './problem'

export const SHAPE_LIMITS = { depth: 24, values: 20_000, list: 1000, keys: 400, text: 8000 } as const
/** Names that would reach an object's own workings. */
const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype'])

/**
 * Text that PostgreSQL can keep and JSON can carry: no NUL, no half of a surrogate pair.
 * @example isText('a\u0000') // false
 */
export const isText = (text: string): boolean =>
  !text.includes('\0') && !/[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/.test(text)

/** Any of the usual versions, in either case. @example isUuid('not-an-id') // false */
export const isUuid = (text: string): boolean =>
  /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/i.test(text)

/** A day of the calendar. @example isDate('2026-02-30') // false */
export const isDate = (text: string): boolean =>
  /^\d{4}-\d{2}-\d{2}$/.test(text) && new Date(`${text}T00:00:00Z`).toJSON()?.slice(0, 10) === text

/** The first thing that is too much, or null. Walks without recursion: nesting costs no stack. */
export function tooMuch(root: unknown): Problem | null {
  const stack: [value: unknown, path: string, depth: number][] = [[root, '', 0]]
  let values = 0
  while (stack.length) {
    const [value, path, depth] = stack.pop()!
    const no = (code: string, max?: number): Problem => ({
      path: path.slice(0, 160),
      code,
      params: max === undefined ? {} : { max },
    })
    if (++values > SHAPE_LIMITS.values) return no('tooMany', SHAPE_LIMITS.values)
    if (typeof value === 'string') {
      if (value.length > SHAPE_LIMITS.text) return no('tooLong', SHAPE_LIMITS.text)
      if (!isText(value)) return no('badText')
    }
    if (typeof value !== 'object' || value === null) continue
    if (depth >= SHAPE_LIMITS.depth) return no('tooDeep', SHAPE_LIMITS.depth)
    const entries = Object.entries(value)
    const most = Array.isArray(value) ? SHAPE_LIMITS.list : SHAPE_LIMITS.keys
    if (entries.length > most) return no('tooMany', most)
    for (const [key, inner] of entries) {
      if (FORBIDDEN.has(key)) return { path: `${path && `${path}.`}${key}`.slice(0, 160), code: 'badKey', params: {} }
      if (key.length > 120 || !isText(key)) return no('badKey')
      stack.push([inner, path ? `${path}.${key}` : key, depth + 1])
    }
  }
  return null
}
