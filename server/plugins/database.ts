/** Prepares the database before the first request is answered, and closes its connections with the process. */
import { boot } from '../database/boot'
import { closeOrm, databaseUrl, now, setReady, watchDatabase } from '../utils/orm'
import { startHousekeeping } from '../domain/housekeeping'
import { closePool } from '../threads/pool'

export default defineNitroPlugin((nitro) => {
  const start = boot(databaseUrl(), now(), process.env.LUMBIK_DEMO === '1', line => console.log(`Lumbik: ${line}`))
  setReady(start)
  let stopHousekeeping = () => {}
  start.then(async () => {
    stopHousekeeping = startHousekeeping()
    await watchDatabase()
  }).catch((error: Error) => {
    console.error(error.message)
    process.exit(1)
  })
  nitro.hooks.hook('close', async () => {
    stopHousekeeping()
    await Promise.all([closePool(), closeOrm()])
  })
})
