/** What a method says, against texts answered by hand before the code that reads them (`core/checks/methods.json`). */
import { describe, expect, it } from 'vitest'
import checks from '../../checks/methods.json'
import { fillingOf, benchOf, type Bench } from '../../formula/bench'
import { defaultUse } from '../../formula/create'
import { COMPONENT_ROLES, type School } from '../../formula/document'
import { assess } from '../../pipeline/assess'
import { orderOfWork } from '../../plan/order'
import { counter, kitchen } from '../../../tests/support/core'
import { actsOf, tells } from './acts'
import { onBench } from './bench'
import { differencesOf, worksBeside } from './beside'
import { minutesOf } from './heats'
import { linesOf } from './kind'
import { lexiconOf } from './lexicon'
import { readText } from './read'
import type { Placement } from './reading'

interface Want { placed?: Record<string, string | [string, number]>, school?: string, [fact: string]: unknown }
const TEXTS = checks.texts as unknown as { name: string, text: string, want: Want }[]
const textOf = (name: string) => TEXTS.find(t => t.name === name)!.text
const en = lexiconOf('en')

describe('a method', () => {
  it.each(TEXTS)('$name', ({ text, want }) => {
    const r = readText(text)
    const { placed = {}, school, ...facts } = want
    expect(r.method).toMatchObject(facts)
    if (school) expect(r.school).toBe(school)
    const as = (p: Placement | undefined, like: unknown) => (Array.isArray(like) ? [p?.where, p?.meetsC] : p?.where)
    const got = Object.entries(placed).map(([id, like]) => [id, as(r.method!.placed[id], like)])
    expect(Object.fromEntries(got)).toEqual(placed)
  })
  it('where there are no steps nothing is said', () => {
    expect(readText('200 g sugar\n4 eggs').method).toBeNull()
  })
})

describe('acts', () => {
  const does = (text: string) => actsOf(text, 0, en).map(a => a.does)
  it.each([
    ['Preheat the oven, use a heatproof bowl and hot water.', []],
    ['Fold in the whipped cream.', ['fold']],
    ['Do not boil.', []],
    ['Whisk over simmering water.', ['add', 'bath']],
    ['Take off the heat and strain.', ['offHeat', 'strain']],
  ])('%s', (text, kinds) => expect(does(text)).toEqual(kinds))
  it('a time is its own act\'s, after it or before it', () => {
    const times = (text: string, locale: 'en' | 'de') => actsOf(text, 0, lexiconOf(locale)).map(a => [a.does, a.minutes])
    expect(times('Boil for 3 minutes, chill 2 hours.', 'en')).toEqual([['boil', 3], ['chill', 120]])
    expect(times('3 Minuten kochen, 2 Stunden kalt stellen.', 'de')).toEqual([['boil', 3], ['chill', 120]])
  })
  it.each([
    ['4 to 6 hours', 300], ['half an hour', 30], ['two hours', 120], ['1.5 h', 90], ['10-12 mins', 11], ['an hour', 60],
  ])('%s', (text, minutes) => expect(minutesOf(text, en)[0]!.minutes).toBe(minutes))
  it.each([['eine halbe Stunde', 'de', 30], ['une demi-heure', 'fr', 30], ['zwei Stunden', 'de', 120], ['due ore', 'it', 120]] as const)(
    '%s', (text, locale, minutes) => expect(minutesOf(text, lexiconOf(locale))[0]!.minutes).toBe(minutes))
  it('tells what is no act', () => {
    expect(tells('leave it overnight', 'overnight', en)).toBe(true)
    expect(tells('leave it over a low heat', 'overnight', en)).toBe(false)
  })
})

/** A text on the bench, as the page puts it there. */
function made(text: string, edit: (b: Bench) => void = () => {}) {
  const r = readText(text)
  const lines = Object.fromEntries(COMPONENT_ROLES.map(role => [role, linesOf(r.lines, role)]))
  const planned = onBench(r, {
    name: 'x', note: text, school: r.school as School, use: defaultUse(r.method?.use ?? 'glass'), lines, bloom: null,
  }, kitchen, counter('n'))
  const b = benchOf(planned)
  edit(b)
  const a = assess(b, kitchen)
  return { r, b, a, kinds: fillingOf(b).steps.map(s => s.kind), differ: () => differencesOf(r, b, a) }
}
/** Which ingredients a step takes, by its kind. */
const taken = (b: Bench, kind: string) => fillingOf(b).steps.flatMap(s => (s.kind === kind && 'lineIds' in s
  ? [s.lineIds.map(id => fillingOf(b).lines.find(l => l.id === id)!.ingredientId)]
  : []))

describe('put to use', () => {
  it('steps, pot, boil and cold are the method\'s own', () => {
    const { b, kinds } = made(textOf('Posset, boiled three minutes'))
    expect(kinds).toEqual(['combine', 'cook', 'stirIn', 'pour'])
    expect([b.heat.method, b.heat.holdS, b.heat.until]).toEqual(['direct', 180, 'hold'])
    expect(b.chill.map(l => l.timeS)).toEqual([15 * 60, 12 * 3600])
    expect([b.assembly.count, b.assembly.vessel.kind]).toEqual([6, 'glass'])
  })
  it('what is folded in meets what has cooled as far as the text says', () => {
    const { b, kinds } = made(textOf('Mousse folded with cream'))
    expect(kinds).toEqual(['combine', 'cook', 'stirIn', 'foldIn', 'pour'])
    expect(fillingOf(b).steps.find(s => s.kind === 'foldIn')).toMatchObject({ mixTempC: { given: 28 }, overrun: 1 })
    expect(taken(b, 'stirIn')).toEqual([['gelatin']])
  })
  it('juice that is boiled with the starch is, and butter goes in after', () => {
    const { b } = made(textOf('Juice boiled with the starch'))
    expect(taken(b, 'combine')[0]).toContain('lemon')
    expect(taken(b, 'stirIn')).toEqual([['butter82']])
    expect(b.heat.holdS).toBe(60)
  })
  it('a freezer stands before the fridge; room temperature is said', () => {
    const { b } = made(textOf('Frozen insert'))
    expect(b.chill.map(l => [l.place.kind, l.timeS])).toContainEqual(['freezer', 3 * 3600])
    expect(made(textOf('Baked in a bath')).b.serve.temperC).toBe(20)
  })
  it('everything of every text is in exactly one step, and there is something to heat', () => {
    for (const { text } of TEXTS) {
      const { b } = made(text)
      const { lines, steps } = fillingOf(b)
      const ids = steps.flatMap(s => ('lineIds' in s ? s.lineIds : []))
      expect([...ids].sort()).toEqual(lines.map(l => l.id).sort())
      expect(steps[0]!.kind === 'combine' && steps[0]!.lineIds.length).toBeGreaterThan(0)
    }
  })
})

describe('beside the order of work', () => {
  it('each of theirs has Lumbik\'s that answer it, each once', () => {
    const { r, b, a } = made(textOf('Mousse folded with cream'))
    const work = orderOfWork(b, kitchen, a)
    const beside = worksBeside(r, work)
    const codes = [...beside.values()].flat().map(k => work.find(s => s.key === k)!.code)
    expect(codes).toEqual(expect.arrayContaining(['bloom', 'gelatinIn', 'coolTo', 'whip', 'fold', 'pour', 'chill']))
    expect(new Set(codes.map((_, i) => [...beside.values()].flat()[i])).size).toBe(codes.length)
  })
  it('a plan made from the text differs only where it would not work', () => {
    const { differ } = made(textOf('Bath curd, butter after'))
    expect(differ().map(d => d.code).filter(c => c !== 'cold')).toEqual([])
  })
  const edits: [string, string, (b: Bench) => void][] = [
    ['pot', 'Bath curd, butter after', b => void (b.heat.method = 'direct')],
    ['peak', 'Bath curd, butter after', b => void (b.heat.targetTempC = 78)],
    ['boil', 'Posset, boiled three minutes', b => void (b.heat.holdS = 300)],
    ['bench', 'Posset, boiled three minutes', b => void (b.chill[0]!.timeS = 3600)],
    ['freezer', 'Frozen insert', b => void (b.chill.find(l => l.place.kind === 'freezer')!.timeS = 7200)],
    ['oven', 'Bars on the hot crust', b => void (b.heat.oven.airTempC = 175)],
    ['order', 'Juice after the boil', (b) => {
      const steps = fillingOf(b).steps as { kind: string, lineIds?: string[] }[]
      const stir = steps.find(s => s.kind === 'stirIn')!
      steps.find(s => s.kind === 'combine')!.lineIds!.push(...stir.lineIds!.splice(0, 1))
    }],
  ]
  it.each(edits)('%s: is told, and keeping theirs ends it', (code, name, edit) => {
    const { r, b, differ } = made(textOf(name), edit)
    const own = differ().filter(d => d.code === code)
    expect(own).toHaveLength(1)
    expect(r.lines[own[0]!.line]!.kind).toBe('step')
    own[0]!.keep(b, counter('k'))
    expect(differencesOf(r, b, assess(b, kitchen)).map(d => d.code)).not.toContain(code)
  })
  it('a microwave that is kept begins with its rating, not with the burner\'s', () => {
    const { b, differ } = made(textOf('Microwave curd'), (d) => {
      Object.assign(d.heat, { method: 'direct', burnerW: 250, burnerId: 'ring' })
    })
    differ().find(d => d.code === 'pot')!.keep(b, counter('k'))
    expect(b.heat).toMatchObject({ method: 'microwave', burnerW: 900, burnerId: null })
  })
  it('a wait too short is told with when it is set; a longer one is no matter', () => {
    const short = made(textOf('Posset, boiled three minutes').replace('overnight', 'for 1 hour'))
    const cold = short.differ().find(d => d.code === 'cold')!
    expect(cold.yours.timeS).toBe(3600)
    expect(cold.here.timeS ?? Infinity).toBeGreaterThan(3600 * 1.15)
    cold.keep(short.b, counter('k'))
    expect(differencesOf(short.r, short.b, assess(short.b, kitchen)).map(d => d.code)).not.toContain('cold')
    expect(made(textOf('Posset, boiled three minutes').replace('overnight', 'for 48 hours')).differ().map(d => d.code))
      .not.toContain('cold')
  })
})
