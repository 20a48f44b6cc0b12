/** The domain's no: what was not done, at which field, and why. HTTP's numbers are given to it elsewhere. */

export type RefusalKind =
  /** Not there, or not this kitchen's. */
  | 'unknown'
  /** In the bin; can be brought back. */
  | 'deleted'
  /** Somebody else wrote first; `extra.current` says how it stands. */
  | 'conflict'
  /** Cannot be taken as it is. */
  | 'invalid'
  /** Nobody is signed in, or what was said at the door is wrong. */
  | 'unsigned'
  /** Whoever it is may not do this. */
  | 'notAllowed'
  /** Tried too often: `extra.waitS`, how long to wait. */
  | 'tooMany'
  /** The database, or everybody here, is busy: the same again later. */
  | 'away'

export class Refusal extends Error {
  constructor(
    readonly kind: RefusalKind,
    readonly path: string,
    readonly code: string,
    readonly extra: Readonly<Record<string, unknown>> = {},
  ) {
    super(`${path}: ${code}`)
    this.name = 'Refusal'
  }
}
