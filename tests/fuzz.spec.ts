/** A tenth of `npm run fuzz`: whatever is sent is answered, never with 500, and each refusal names a field. */
import { fuzz } from '../scripts/fuzz.mjs'
import { expect, test } from './support/lumbik'

test('1,000 bodies, addresses and headers that nobody should send', async ({ lumbik }) => {
  const { faults, ...told } = await fuzz(lumbik.url, 1000, 20261128)
  const statuses = told.statuses as Record<number, number>
  expect(faults).toEqual([])
  // It reached the inside, not the door alone.
  for (const status of [200, 404, 409, 422]) expect(statuses[status] ?? 0, `answers of ${status}`).toBeGreaterThan(10)
})
