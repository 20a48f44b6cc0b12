/** Many hands under faults: short forms of what `npm run faults` does, on a database cluster of their own. */
import { expect, test } from '@playwright/test'
import { bePatient, type Row } from '../scripts/faultTools.mjs'
import { answersCut, clockBack, fullDisk, killedUnderMany, oneOfTwoKilled } from '../scripts/manyHands.mjs'
import { startPostgres } from '../scripts/setup.mjs'

test.describe.configure({ mode: 'serial' })
bePatient(4)
let postgres: Awaited<ReturnType<typeof startPostgres>>
test.beforeAll(async () => {
  postgres = await startPostgres('many-postgres', { max_connections: '80' })
})
test.afterAll(() => postgres.stop())

const holds = (rows: readonly Row[]) => {
  expect(rows.length).toBeGreaterThan(0)
  for (const r of rows) expect(r.ok, `${r.what}: ${r.figures}`).toBe(true)
}

test('people, notes, listening devices and long work outlive servers, workers and databases that are killed', async () => {
  const many = await killedUnderMany(postgres, 2)
  postgres = many.postgres
  holds(many.rows)
})
test('of two servers behind a round-robin one is killed in mid-cook, and nobody notices but by waiting', async () =>
  holds([await oneOfTwoKilled(postgres)]))
test('a save whose answer was cut counts once', async () => holds([await answersCut(postgres, 41)]))
test('a full disk is said to be full, and loses nothing', async () => holds([await fullDisk(postgres)]))
test('a clock set back an hour shuts nobody out and loses nothing', async () => holds([await clockBack(postgres)]))
