/** A fifth of `npm run fuzz`: whatever is sent, by whomever, is answered, never with 500, each refusal by its field. */
import { everyRole, everyRoute, NEIGHBOUR, nextDoor } from '../scripts/everyRole.mjs'
import { fuzz } from '../scripts/fuzz.mjs'
import { execute } from './support/database'
import { expect, test } from './support/lumbik'

test('2,000 bodies, addresses and headers that nobody should send, with every role, beside a neighbour', async ({ lumbik }) => {
  const { sql, ids } = nextDoor()
  await execute(lumbik.database, sql)
  const { faults, ...told } = await fuzz(lumbik.url, 2000, 20261128, {
    cookies: await everyRole(lumbik.url), routes: await everyRoute(), neighbour: { word: NEIGHBOUR, ids },
  })
  const statuses = told.statuses as Record<number, number>
  expect(faults).toEqual([])
  // It reached the inside, not the door alone.
  for (const status of [200, 403, 404, 409, 422]) expect(statuses[status] ?? 0, `answers of ${status}`).toBeGreaterThan(10)
})
