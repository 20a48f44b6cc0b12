/** Lint: what the method says against itself, and what it never says. */
import { densityOf } from '../../base/ingredients/measures'
import { speaksOf } from './classify'
import { sentencesOf } from './facts'
import { heatsOf } from './heats'
import type { Ctx, LintFix } from './lintCodes'
import type { Part } from './parts'
import { toPlain } from './plain'
import type { Read } from './read'

/** Two heats of the oven in one sentence that are neither the same, a fan's, a gas mark's nor a course. */
export function temperatures({ r, add, steps }: Ctx): void {
  for (const s of sentencesOf(r)) {
    const heats = heatsOf(s)
    for (let i = 1; i < heats.length; i++) {
      const [a, b] = [heats[i - 1]!, heats[i]!]
      const between = s.slice(a.end, b.at)
      if (Math.abs(a.tempC - b.tempC) <= 6 || a.fan || b.fan) continue
      if (speaksOf(between, r.lexicon.words.course, r.lexicon)) continue
      const fanPair = a.isF === b.isF && Math.abs(Math.abs(a.tempC - b.tempC) - 20) <= 6 && /^\s*[(/,]?\s*$/.test(between)
      // "Cook to 84°, add gelatine, butter at 40°": one after the other.
      if (a.tempC < 105 && b.tempC < 105 && /[,;]/.test(between)) continue
      const range = /^\s*(?:-|to|bis|a|or)\s*$/.test(between)
      const food = (t: number) => t < 105
      if (fanPair || range || food(a.tempC) !== food(b.tempC)) continue
      const at = steps.find(x => toPlain(r.text.slice(...x.p.span)).text.toLowerCase().replace(/\s+/g, ' ').includes(s.slice(0, 40)))
      add('twoTemperatures', at ? [at.i] : [], { first: Math.round(a.tempC), second: Math.round(b.tempC) },
        at ? oneOf(r, at.p, s.slice(a.at, b.end), i) : [])
      break
    }
  }
}

/** Two heats of a step as written: keep the one, or the other. */
function oneOf(r: Read, p: Part, said: string, nth: number): LintFix[] {
  const raw = r.text.slice(...p.span)
  const written = [...raw.matchAll(/\d{2,3}\s*(?:°|º|degrees?)?\s*[CF]\b/gi)]
  const digits = (x: string) => x.match(/\d{2,3}/g) ?? []
  const [first] = digits(said)
  const k = written.findIndex((m, j) => digits(m[0])[0] === first && j >= nth - 1 && written[j + 1])
  const [a, b] = [written[k], written[k + 1]]
  if (!a || !b) return []
  const span: [number, number] = [p.span[0] + a.index, p.span[0] + b.index + b[0].length]
  const before = r.text.slice(...span)
  return [a[0], b[0]].map(after => ({ kind: 'replace', span, before, after }))
}

/** A tin without a size, glasses without a number. */
export function vessels({ r, add, steps, own }: Ctx): void {
  const v = r.reading.vessel
  const { vessels: names } = r.lexicon.words
  const speaks = (kinds: (keyof typeof names)[]) =>
    steps.filter(s => speaksOf(r.text.slice(...s.p.span), kinds.flatMap(k => names[k] ?? []), r.lexicon))
  const own0 = own.length > 0
  const tins = speaks(['pieDish', 'tartRing', 'tartShell', 'round', 'rectangle', 'mould'])
  // Jars are for keeping: nobody counts them.
  const pieces = [...names.glass, ...names.ramekin].filter(x => !/jar|pot$|cup|tarro|glas$/.test(x))
  const cups = steps.filter(s => speaksOf(r.text.slice(...s.p.span), pieces, r.lexicon))
  const text = toPlain(r.text).text
  if (own0 && tins.length > 0 && !v && r.reading.oven && !/\d\s*-?\s*(?:cm|inch|in\b|")/.test(text))
    add('vesselUnnamed', [tins.at(-1)!.i])
  else if (own0 && cups.length > 0 && !v && r.reading.portions === null && tins.length === 0)
    add('piecesUnnamed', [cups.at(-1)!.i])
}

/** The filling's volume against the vessel named. */
export function volumes({ r, own, add }: Ctx): void {
  const v = r.reading.vessel
  const filling = own.filter(({ p }) => p.component?.role === 'filling')
  if (!v || filling.length === 0 || filling.some(({ p }) => p.weighed?.question)) return
  const height = v.heightM ?? (v.kind === 'rectangle' ? 0.045 : v.kind === 'pieDish' ? 0.035 : v.kind === 'round' ? 0.06 : 0.028)
  const plan = v.diameterM ? (Math.PI / 4) * v.diameterM ** 2 : v.lengthM && v.widthM ? v.lengthM * v.widthM : null
  if (plan === null || ['glass', 'ramekin'].includes(v.kind)) return
  const vesselMl = plan * height * 1e6 * (v.count ?? 1)
  const mixMl = filling.flatMap(({ p }) => p.weighed?.items ?? []).reduce((sum, x) =>
    sum + (x.massG ?? 0) / Math.max(0.8, Math.min(1.3, densityOf(x.ingredientId ?? '')?.gPerMl ?? 1.05)), 0)
  const params = { mixMl: Math.round(mixMl), vesselMl: Math.round(vesselMl) }
  if (mixMl > 1.1 * vesselMl) add('vesselOverflows', [], params)
  else if (mixMl < 0.12 * vesselMl) add('vesselShallow', [], params)
}
