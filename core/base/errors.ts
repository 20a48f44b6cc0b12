/** The one error the core throws: bad input, naming the field. */

export type InputCode =
  | 'notANumber'
  | 'negative'
  | 'tooSmall'
  | 'tooLarge'
  | 'unknownIngredient'
  | 'noWater'
  | 'noLines'
  | 'unknownValue'
  | 'missing'
  | 'outOfReach'

/** Bad input. `path` names the field (`components.0.lines.2.massG`), `code` says why, `params` carry the limits. */
export class InputError extends Error {
  constructor(
    readonly code: InputCode,
    readonly path: string,
    readonly params: Readonly<Record<string, number | string>> = {},
  ) {
    super(`${path}: ${code}`)
    this.name = 'InputError'
  }
}

/**
 * Checks that a number is finite and within [min, max]; returns it.
 * @throws {InputError} naming `path`
 * @example within(5, 'heat.holdS', 0, 10) // 5
 */
export function within(value: unknown, path: string, min: number, max: number): number {
  if (typeof value !== 'number' || !Number.isFinite(value)) throw new InputError('notANumber', path)
  if (value < min) throw new InputError(min === 0 && value < 0 ? 'negative' : 'tooSmall', path, { min })
  if (value > max) throw new InputError('tooLarge', path, { max })
  return value
}

/**
 * What comes of something that may be supposed in vain; null: it cannot be. Other errors go through.
 * @example possible(() => within(5, 'heat.holdS', 0, 4)) // null
 */
export function possible<T>(run: () => T): T | null {
  try {
    return run()
  } catch (error) {
    if (error instanceof InputError) return null
    throw error
  }
}
