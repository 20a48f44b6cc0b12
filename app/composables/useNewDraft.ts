/** What is being pasted under New formula: kept in this browser, also when a formula's own text is read again. */
import type { Answers } from '#core/formats/reader/reading'
import type { Family, School } from '#core/formula/document'
import type { Use } from '#core/physics/set/bands'

export interface NewDraft {
  text: string
  answers: Answers
  name: string
  use: Use | null
  family: Family | null
  school: School | null
  /** Its formula's, so that one sent twice is one. */
  id: string
}
export const emptyDraft = (over: Partial<NewDraft> = {}): NewDraft => ({
  text: '', answers: {}, name: '', use: null, family: null, school: null, id: crypto.randomUUID(), ...over,
})
/** What was begun survives a reload. */
export const useNewDraft = () => useKept<NewDraft>('lumbik:new', emptyDraft(), { mergeDefaults: true })
