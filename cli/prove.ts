/**
 * `npm run prove`: what Lumbik says, held against simulated kitchens whose truth it does not know. Prints a table of
 * what is reached beside what is aimed at; `npm run prove -- 50 1000`: fifty runs, seeds from 1000 on.
 */
import { heldOf, type Trial, potTrial } from './trials/pot'

/** Runs of the proof; its seeds begin where no figure of the filter was fitted. */
const RUNS = 200
const FROM = 0

/** Rows of the table, as text. */
export function tableOf(trials: readonly Trial[]): string {
  const groups: [string, (t: Trial) => boolean][] = [
    ['all', () => true],
    ['water bath', t => t.method === 'waterBath'],
    ['on the burner', t => t.method === 'direct'],
    ['microwave', t => t.method === 'microwave'],
    ['nobody touched it', t => !t.disturbed],
    ['flame turned or pan lifted', t => t.disturbed],
  ]
  const percent = (share: number) => `${(100 * share).toFixed(1)} %`
  const rows = groups.map(([name, is]) => {
    const { runs, within, covered } = heldOf(trials.filter(is))
    return `| ${name} | ${runs} | ${percent(within)} | ${percent(covered)} |`
  })
  return [
    '| Time left at half of the rise | runs | within 10 % (aim 90 %) | inside the 80 % range (aim 75–85 %) |',
    '| --- | --- | --- | --- |', ...rows,
  ].join('\n')
}

/** @returns the exit code: 1 where the aims are missed */
export function main(args: readonly string[]): number {
  const [runs = RUNS, from = FROM] = args.map(Number)
  if (!(runs > 0) || !Number.isInteger(runs) || !Number.isInteger(from)) {
    console.error('prove: give whole numbers, how many runs and the first seed: npm run prove -- 50 1000')
    return 1
  }
  const trials = Array.from({ length: runs }, (_, i) => potTrial(from + i)).filter(t => t !== null)
  console.log(tableOf(trials))
  const { within, covered } = heldOf(trials)
  return within >= 0.9 && covered >= 0.75 && covered <= 0.85 ? 0 : 1
}
