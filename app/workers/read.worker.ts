/** Reads a pasted text off the page's thread: bit by bit, with progress, given up when a newer text comes. */
import { expose } from 'comlink'
import { lintText, type Lint } from '#core/formats/lint'
import { readTextLine, type Answers, type ReadLine } from '#core/formats/readText'
import { recipeText, type RecipeText } from '#core/formats/recipeText'

export interface Reading {
  lines: ReadLine[]
  recipe: RecipeText
  lints: Lint[]
}

/** Lines between two looks at what else is asked. */
const STEP = 40
let latest = 0

const api = {
  /** @returns the reading, or null when a newer one was asked for */
  async read(
    job: number,
    text: string,
    answers: Answers,
    onProgress: (job: number, done: number) => void,
  ): Promise<Reading | null> {
    latest = job
    const recipe = recipeText(text)
    const lines: ReadLine[] = []
    for (const [index, line] of recipe.lines.entries()) {
      lines.push(readTextLine(line, index, answers))
      if (index % STEP !== STEP - 1) continue
      onProgress(job, index / recipe.lines.length)
      await new Promise(resolve => setTimeout(resolve))
      if (latest !== job) return null
    }
    return { lines, recipe, lints: lintText(text, answers, lines) }
  },
}
export type ReadApi = typeof api
expose(api)
