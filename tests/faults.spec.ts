/**
 * Processes killed, frozen and started at once: short forms of `npm run faults`, on a database cluster of their own.
 */
import { test, expect } from '@playwright/test'
import {
  backedUp,
  demoKeptRunning,
  discreet,
  doors,
  frozenDatabase,
  halfSent,
  killedWhileWriting,
  twoAtOnce,
  twoSaving,
} from '../scripts/faults.mjs'
import { bePatient, type Row } from '../scripts/faultTools.mjs'
import { startPostgres } from '../scripts/setup.mjs'

test.describe.configure({ mode: 'serial' })
bePatient(4)
let postgres: Awaited<ReturnType<typeof startPostgres>>
test.beforeAll(async () => {
  postgres = await startPostgres('faults-postgres', { max_connections: '80' })
})
test.afterAll(() => postgres.stop())

const holds = (rows: readonly Row[]) => {
  expect(rows.length).toBeGreaterThan(0)
  for (const r of rows) expect(r.ok, `${r.what}: ${r.figures}`).toBe(true)
}

test('what was acknowledged is there after servers and databases were killed in mid-write', async () => {
  const killed = await killedWhileWriting(postgres, { servers: 3, databases: 2 })
  postgres = killed.postgres
  holds(killed.rows)
})
test('a frozen database is said to be waited for, and a stop does not wait for it', async () =>
  holds(await frozenDatabase(postgres)))
test('two servers may begin at once, and save at once', async () =>
  holds([await twoAtOnce(postgres, 2), await twoSaving(postgres, 20)]))
test('a stop waits for no request that never ends', async () => holds([await halfSent(postgres)]))
test('the server listens on this machine only, unless told who may call', async () => holds(await doors(postgres)))
test('a backup brings everything back after the database was destroyed', async () => holds([await backedUp(postgres)]))
test('the database\'s log holds no statement that failed', async () => holds([await discreet(postgres)]))
test('the demo says that one runs, takes over from one killed, starts its database again, and always ends', async () =>
  holds(await demoKeptRunning()))
