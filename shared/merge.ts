/**
 * Two people changed one document: a three-way merge by field. What only one of them changed is taken from that one;
 * where both changed the same field differently, it is a clash, and a person decides.
 */

/** A field that both changed. `path` names entries of lists by their id; undefined means: not there. */
export interface Clash {
  path: string[]
  base: unknown
  mine: unknown
  theirs: unknown
}
export interface Merged<T> {
  value: T
  clashes: Clash[]
}
export type Side = 'mine' | 'theirs'

type Plain = Record<string, unknown>
const isPlain = (x: unknown): x is Plain => typeof x === 'object' && x !== null && !Array.isArray(x)
/** What tells an entry of a list: its own id, or that of the line it says something of. */
const keyOf = (e: Plain): unknown => e.id ?? e.lineId
/** A list whose entries have ids is merged entry by entry. */
const isKeyed = (x: unknown): x is Plain[] =>
  Array.isArray(x) &&
  x.every(e => isPlain(e) && typeof keyOf(e) === 'string') &&
  new Set(x.map(e => keyOf(e as Plain))).size === x.length
/** Shapes of which one of several is said: half of one and half of the other would be nonsense. */
const isChoice = (x: Plain) => 'simulated' in x || 'given' in x || typeof x.kind === 'string'

/** Equal as documents: by value, whatever the order of keys. @example same({ a: 1, b: 2 }, { b: 2, a: 1 }) // true */
export function same(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((x, i) => same(x, b[i]))
  if (!isPlain(a) || !isPlain(b)) return false
  const keys = new Set([...Object.keys(a), ...Object.keys(b)])
  return [...keys].every(k => same(a[k], b[k]))
}

/**
 * Merges `mine` and `theirs`, which both came from `base`.
 * @param prefer whose value a clash takes in the result
 * @example merge({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 3 }).value // { a: 2, b: 3 }
 */
export function merge<T>(base: T | null | undefined, mine: T, theirs: T, prefer: Side = 'mine'): Merged<T> {
  const clashes: Clash[] = []
  const value = mergeField(base, mine, theirs, [], prefer, clashes) as T
  return { value, clashes }
}

function mergeField(
  base: unknown,
  mine: unknown,
  theirs: unknown,
  path: string[],
  prefer: Side,
  clashes: Clash[],
): unknown {
  if (same(mine, theirs) || same(theirs, base)) return mine
  if (same(mine, base)) return theirs
  if (isPlain(mine) && isPlain(theirs)) {
    const from = isPlain(base) ? base : {}
    const oneChoice =
      !isChoice(mine) && !isChoice(theirs)
        ? true
        : typeof mine.kind === 'string' && mine.kind === theirs.kind && mine.kind === from.kind
    if (oneChoice) return mergeObject(from, mine, theirs, path, prefer, clashes)
  }
  if (isKeyed(mine) && isKeyed(theirs) && (base === undefined || base === null || isKeyed(base)))
    return mergeList((base ?? []) as Plain[], mine, theirs, path, prefer, clashes)
  clashes.push({ path, base, mine, theirs })
  return prefer === 'mine' ? mine : theirs
}

function mergeObject(base: Plain, mine: Plain, theirs: Plain, path: string[], prefer: Side, clashes: Clash[]): Plain {
  const out: Plain = {}
  for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
    const value = mergeField(base[key], mine[key], theirs[key], [...path, key], prefer, clashes)
    if (value !== undefined) out[key] = value
  }
  return out
}

/**
 * Entry by entry; the order is that of whoever moved something, mine if both did. What the other added follows what
 * it stood after.
 */
function mergeList(
  base: Plain[],
  mine: Plain[],
  theirs: Plain[],
  path: string[],
  prefer: Side,
  clashes: Clash[],
): Plain[] {
  const by = (list: Plain[]) => new Map(list.map(e => [String(keyOf(e)), e]))
  const [b, m, t] = [by(base), by(mine), by(theirs)]
  const merged = new Map<string, Plain>()
  for (const id of new Set([...m.keys(), ...t.keys()])) {
    const value = mergeField(b.get(id), m.get(id), t.get(id), [...path, id], prefer, clashes)
    if (value !== undefined) merged.set(id, value as Plain)
  }
  const order = (list: Plain[], among: Map<string, unknown>) =>
    list.map(e => String(keyOf(e))).filter(id => among.has(id))
  const moved = !same(order(mine, b), order(base, m))
  const [lead, follow] = moved ? [mine, theirs] : [theirs, mine]
  const ids = lead.map(e => String(keyOf(e)))
  follow.forEach((e, i) => {
    const id = String(keyOf(e))
    if (ids.includes(id)) return
    const before = follow
      .slice(0, i)
      .map(x => String(x.id))
      .findLast(x => ids.includes(x))
    ids.splice(before === undefined ? 0 : ids.indexOf(before) + 1, 0, id)
  })
  return ids.flatMap(id => (merged.has(id) ? [merged.get(id)!] : []))
}

/**
 * What somebody else changed, brought into an earlier state of mine (a step of undo): their fields, and mine where
 * both did.
 * @example follow({ a: 1, b: 1 }, { a: 1, b: 2 }, { a: 5, b: 1 }) // { a: 5, b: 2 }
 */
export const follow = <T>(before: T, after: T, state: T): T => merge(before, state, after, 'mine').value
