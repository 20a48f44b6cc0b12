/** Formula files out and in. A file is taken whole or not at all; an error names the field. */
import type { Planned } from '#core/formula/bench'
import { documentProblemWords } from '~/words/problems'
import { BODY_LIMIT } from '../../shared/limits'
import { say } from '~/words/say'

/** A name as files have it. */
const plainName = (name: string) =>
  name.toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '') || say('formulaFile.formula')

/** Offers a text as a file. @param ending of its name, as `lumbik.json` */
export function saveFile(name: string, ending: string, text: string, type: string) {
  const url = URL.createObjectURL(new Blob([text], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = `${plainName(name)}.${ending}`
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 1000)
}
/** Offers a formula with its occasion as a file. */
export const exportFormula = (planned: Planned) =>
  saveFile(planned.formula.name, 'lumbik.json', `${JSON.stringify(planned, null, 2)}\n`, 'application/json')

/** Reads a file and makes a formula of it. */
export async function importFormula(file: File): Promise<{ id: string } | { error: string }> {
  if (file.size > BODY_LIMIT) return { error: say('formulaFile.isLargerThanTheLimitOf', { name: file.name, e6: BODY_LIMIT / 1e6 }) }
  let input: unknown
  try {
    input = JSON.parse(await file.text())
  } catch {
    return { error: say('formulaFile.isNotAFormulaFileIt', { name: file.name }) }
  }
  const id = crypto.randomUUID()
  try {
    await api('/api/formulas', {
      method: 'POST',
      body: { id, mutationId: crypto.randomUUID(), document: input, label: 'imported' },
    })
    return { id }
  } catch (e) {
    const { away: later, problem } = e as ApiError
    return {
      error: later ? say('formulaFile.theServerDoesNotAnswerNothing') : documentProblemWords(problem),
    }
  }
}
