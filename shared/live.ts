/** What devices of a kitchen tell one another: what was changed, and who is where. */

export const NOTED = ['formula', 'kitchen', 'lot', 'day', 'batch', 'presence', 'work'] as const
export type Noted = (typeof NOTED)[number]
/** Something that was changed; of a presence the place that somebody came to or left. */
export interface ChangeNote { kind: Noted, target: string, version: number }
/** Where somebody is: a formula, a batch, a day. @example placeOf('formula', 'abc') // 'formula:abc' */
export const placeOf = (kind: 'formula' | 'batch' | 'day', id: string): string => `${kind}:${id}`
/** Whoever is not heard of for so long is no longer there, s; how often a device says that it is, s. */
export const GONE_S = 45
export const SAYS_S = 15
