/** A reading as it is printed and answered (`docs/reading.schema.json`), and answers as a file gives them. */
import { lintOf } from './lint'
import { type Read, readWhole, type ReadHouse } from './read'
import type { Answer, Answers, Entry, Reading } from './reading'

const question = ({ question: q }: Entry) =>
  q && { kind: q.kind, choices: q.choices, suggested: q.suggested, shared: q.shared }

/**
 * A reading in the shape of its JSON Schema.
 * @example reportOfRead(readWhole('200 g sugar')).lines.length // 1
 */
export function reportOfRead(read: Read, answers: Answers = {}) {
  const { reading: r } = read
  return {
    name: r.name,
    locale: r.locale,
    lines: r.lines.map(l => ({
      text: l.text,
      span: l.span,
      kind: l.leftOut ? 'setAside' : l.kind,
      component: l.component,
      items: l.items.map(({ ingredientId, massG, count, piece }) => ({ ingredientId, massG, count, piece })),
      question: question(l),
      assumptions: l.assumptions,
    })),
    vessel: r.vessel,
    oven: r.oven,
    peakC: r.peakC,
    portions: r.portions,
    family: r.family,
    school: r.school,
    lint: lintOf(read, answers).map(({ code, lines, params }) => ({ code, lines, params })),
  }
}

/**
 * Answers out of plain JSON: a shared key (`cups`, `leafGrade`, `can:condensed`, `eggs:large`), a line's number or its
 * text; `leftOut` and `takenIn` list lines.
 */
export function answersFrom(given: Readonly<Record<string, unknown>>, { lines }: Reading): Answers {
  const out: Required<Omit<Answers, 'roles'>> = { shared: {}, lines: {}, leftOut: [], takenIn: [] }
  const textOf = (key: unknown) =>
    (/^\d+$/.test(String(key)) ? lines[Number(key)]?.text : undefined) ?? String(key)
  for (const [key, value] of Object.entries(given)) {
    if (key === 'leftOut' || key === 'takenIn') out[key] = Array.isArray(value) ? value.map(textOf) : []
    else if (Array.isArray(value)) out.lines[textOf(key)] = value.filter(isAnswer)
    else if (isAnswer(value)) {
      const text = textOf(key)
      if (lines.some(l => l.text === text)) out.lines[text] = value
      else out.shared[key] = value
    }
  }
  return out
}

const isAnswer = (x: unknown): x is Answer => typeof x === 'string' || typeof x === 'number'

/** Reads a text with answers as a file gives them. */
export function readWithAnswers(text: string, given: Readonly<Record<string, unknown>> = {}, house: ReadHouse = {}) {
  const answers = answersFrom(given, readWhole(text, house).reading)
  return reportOfRead(readWhole(text, { ...house, answers }), answers)
}
