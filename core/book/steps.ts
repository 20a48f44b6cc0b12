/** Which steps of the work are done, by what happened. */
import { type BatchEvent, holding } from './record'

export type StepState = 'done' | 'skipped'

/**
 * Steps by their key, as the last word on each has it; a step that was taken up again is in none.
 * @example stepStates([]).size // 0
 */
export function stepStates(events: readonly BatchEvent[]): Map<string, StepState> {
  const out = new Map<string, StepState>()
  for (const e of holding(events)) {
    if (e.kind === 'stepDone') out.set(e.stepKey, 'done')
    else if (e.kind === 'stepSkipped') out.set(e.stepKey, 'skipped')
    else if (e.kind === 'stepReopened') out.delete(e.stepKey)
  }
  return out
}
