/**
 * `npm run prove`: what Lumbik says, held against simulated kitchens whose truth it does not know. Prints tables of
 * what is reached beside what is aimed at. `npm run prove -- pots 50 1000`: fifty pots, seeds from 1000 on;
 * `kitchens`: what is learned; `failures`: what is blamed.
 */
import { demoFormulas, demoKitchen } from '../server/database/demo'
import { type Blamed, blame, failureOf } from './trials/failures'
import { kitchenTrial, type Learned } from './trials/kitchens'
import { heldOf, potTrial, type Trial } from './trials/pot'

/** Runs of each proof; their seeds begin where nothing was fitted. */
const RUNS = { pots: 200, kitchens: 40, failures: 300 }
const FROM = 0
type Proof = keyof typeof RUNS

const percent = (share: number) => `${(100 * share).toFixed(1)} %`
const shareOf = <T>(all: readonly T[], is: (x: T) => boolean) => all.filter(is).length / Math.max(1, all.length)

/** Rows of the pots' table, as text. */
export function potTable(trials: readonly Trial[]): string {
  const groups: [string, (t: Trial) => boolean][] = [
    ['all', () => true],
    ['water bath', t => t.method === 'waterBath'],
    ['on the burner', t => t.method === 'direct'],
    ['microwave', t => t.method === 'microwave'],
    ['nobody touched it', t => !t.disturbed],
    ['flame turned or pan lifted', t => t.disturbed],
  ]
  const rows = groups.map(([name, is]) => {
    const { runs, within, covered } = heldOf(trials.filter(is))
    return `| ${name} | ${runs} | ${percent(within)} | ${percent(covered)} |`
  })
  return [
    '| Time left at half of the rise | runs | within 10 % (aim 90 %) | inside the 80 % range (aim 75–85 %) |',
    '| --- | --- | --- | --- |', ...rows,
  ].join('\n')
}

/** What learning took away. */
export function kitchenTable(all: readonly Learned[]): string {
  const mean = (of: (x: Learned) => number) => (all.reduce((s, x) => s + of(x), 0) / Math.max(1, all.length)).toFixed(2)
  const half = shareOf(all.filter(x => x.closed !== null), x => x.closed! >= 0.5)
  const worse = all.filter(x => x.after > 1.05 * x.before).length
  return [
    '| Kitchens | error before | after | floor | half of the gap or more (aim 90 %) | worse by over 5 % (aim 0) |',
    '| --- | --- | --- | --- | --- | --- |',
    `| ${all.length} | ${mean(x => x.before)} | ${mean(x => x.after)} | ${mean(x => x.floor!)} | ${percent(half)} | ${worse} |`,
  ].join('\n')
}

/** Whom it blames: how often the true cause is first, among three; whether shares mean what they say. */
export function failureTable(all: readonly Blamed[]): string {
  const row = (name: string, some: readonly Blamed[]) => {
    const first = percent(shareOf(some, b => b.place === 1))
    const three = percent(shareOf(some, b => b.place !== null && b.place <= 3))
    const said = percent(some.reduce((s, b) => s + b.firstShare, 0) / Math.max(1, some.length))
    return `| ${name} | ${some.length} | ${first} | ${three} | ${said} |`
  }
  const causes = [...new Set(all.map(b => b.cause))].sort()
  return [
    '| Planted cause | failures | first (aim 60 %) | among three (aim 85 %) | share that the first was given |',
    '| --- | --- | --- | --- | --- |', row('all', all), ...causes.map(c => row(c, all.filter(b => b.cause === c))),
  ].join('\n')
}

const some = <T>(runs: number, from: number, one: (seed: number) => T | null): T[] => {
  const out: T[] = []
  for (let seed = from; out.length < runs && seed < from + 4 * runs; seed++) {
    const found = one(seed)
    if (found !== null) out.push(found)
  }
  return out
}
/** Runs a proof and prints its table. @returns whether its aims are met */
const PROOFS: Record<Proof, (runs: number, from: number) => boolean> = {
  pots(runs, from) {
    const trials = Array.from({ length: runs }, (_, i) => potTrial(from + i)).filter(t => t !== null)
    console.log(potTable(trials))
    const { within, covered } = heldOf(trials)
    return within >= 0.9 && covered >= 0.75 && covered <= 0.85
  },
  kitchens(runs, from) {
    const formulas = demoFormulas().map(d => d.document)
    const all = some(runs, from, seed => kitchenTrial(seed, formulas, demoKitchen()))
    console.log(kitchenTable(all))
    const half = shareOf(all.filter(x => x.closed !== null), x => x.closed! >= 0.5)
    return half >= 0.9 && all.every(x => x.after <= 1.05 * x.before)
  },
  failures(runs, from) {
    const formulas = demoFormulas().map(d => d.document)
    const all = some(runs, from, seed => failureOf(seed, formulas, demoKitchen())).map(blame)
    console.log(failureTable(all))
    return shareOf(all, b => b.place === 1) >= 0.6 && shareOf(all, b => b.place !== null && b.place <= 3) >= 0.85
  },
}

/** @returns the exit code: 1 where aims are missed, or nothing can be run */
export function main(args: readonly string[]): number {
  const named = args[0] !== undefined && args[0] in RUNS ? (args[0] as Proof) : null
  const [runs, from = FROM] = args.slice(named ? 1 : 0).map(Number)
  const isNumber = (n: number | undefined) => n === undefined || Number.isInteger(n)
  if (!isNumber(runs) || !isNumber(from) || (runs ?? 1) <= 0 || (!named && args.length > 0)) {
    console.error('prove: say pots, kitchens or failures, how many runs and the first seed: npm run prove -- pots 50 1000')
    return 1
  }
  const proofs = named ? [named] : (Object.keys(RUNS) as Proof[])
  return proofs.map(p => PROOFS[p](runs ?? RUNS[p], from)).every(Boolean) ? 0 : 1
}
