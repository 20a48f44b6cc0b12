/** What a start does beside the first requests outlives a database that is away for a while. */
import { afterEach, expect, it, vi } from 'vitest'
import { untilDone } from './untilDone'

vi.mock('node:timers/promises', () => ({ setTimeout: async () => {} }))
afterEach(() => void vi.restoreAllMocks())

/** A work that fails so many times. */
const failing = (times: number) => vi.fn(async () => {
  if (times-- > 0) throw Object.assign(new Error('secret of a statement'), { name: 'Refusal', code: '57P01' })
})

it('is tried until it is done, says what waits, and nothing of what it asked', async () => {
  const said = vi.spyOn(console, 'error').mockImplementation(() => {})
  const work = failing(2)
  await untilDone('what is shown', work, () => false)
  expect(work).toHaveBeenCalledTimes(3)
  expect(said.mock.calls).toEqual(Array.from({ length: 2 }, () => ['Lumbik: what is shown waits for the database (Refusal 57P01)']))
})
it('once the server stops, nothing is tried or said any more', async () => {
  const said = vi.spyOn(console, 'error').mockImplementation(() => {})
  const [before, meanwhile] = [failing(1), failing(9)]
  await untilDone('x', before, () => true)
  let isOver = false
  await untilDone('x', async () => { isOver = true; await meanwhile() }, () => isOver)
  expect([before.mock.calls.length, meanwhile.mock.calls.length, said.mock.calls.length]).toEqual([0, 1, 0])
})
