/** Migrates and seeds before the first request is served, and closes the pool with the process. */
import { closeOrm, now, useOrm } from '../utils/orm'
import { seed } from '../database/seed'

export default defineNitroPlugin((nitro) => {
  const start = (async () => {
    const orm = await useOrm()
    await orm.getMigrator().up()
    await seed(orm.em.fork() as never, now(), process.env.LUMBIK_DEMO === '1')
  })()
  start.catch((error: Error) => {
    console.error(`Lumbik cannot reach its database: ${error.message}`)
    console.error('Set DATABASE_URL to a PostgreSQL database this user may write to, or use "npm run demo".')
    process.exit(1)
  })
  nitro.hooks.hook('request', async (event) => {
    if (event.path.startsWith('/api/')) await start
  })
  nitro.hooks.hook('close', closeOrm)
})
