/** Why a door stays shut, in words that name the fix. */
import { ApiError } from '../composables/api'
import { documentProblemWords } from './problems'
import { group, say } from './say'

const WRONG = group<Record<string, string>>('door.WRONG')
/** Roles by their names. */
export const ROLE_NAMES = group<Record<string, string>>('door.ROLES')
/** What was done, by its route or what happened. */
const DONE = group<Record<string, string>>('door.DONE')

/** Minutes and seconds to wait. */
const waitWords = (s: number) =>
  s < 60 ? say('door.seconds', { n: s }) : say('door.minutes', { n: Math.ceil(s / 60) })

/** @param error what an `api` call threw */
export function doorWords(error: unknown): string {
  // The browser's own no: the cook put the question away, or the device has no such key.
  if (error instanceof Error && error.name === 'NotAllowedError') return say('door.keyNotUsed')
  if (error instanceof Error && error.name === 'InvalidStateError') return say('door.keyIsThere')
  if (!(error instanceof ApiError)) return say('door.somethingWrong')
  const { problem, status } = error
  if (status === undefined || status >= 500) return say('door.noServer')
  if (problem.code === 'tooManyTries') return say('door.tooManyTries', { wait: waitWords(Number(problem.waitS)) })
  return WRONG[problem.code] ?? documentProblemWords(problem)
}
/** What was done, in words. @example doneWords('signedIn') // 'signed in' */
export const doneWords = (what: string): string => DONE[what.replace(/\W+/g, '_')] ?? what
