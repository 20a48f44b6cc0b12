/** Prepares the database before the first request is answered, and closes its connections with the process. */
import { boot } from '../database/boot'
import { KITCHEN_ID } from '../database/demo'
import { forEveryKitchen, within } from '../database/wall'
import { startListening } from '../live/listen'
import { closeOrm, databaseUrl, newEm, ownerUrl, now, setReady, watchDatabase } from '../utils/orm'
import { writeDemoBook } from '../domain/demoBook'
import { startHousekeeping } from '../domain/housekeeping'
import { showMissing } from '../domain/refresh'
import { isDemo } from '../domain/kitchen'
import { startJobs } from '../domain/jobs'
import { isFirstStart } from '../people/people'
import { setupCode } from '../people/secrets'
import { untilDone } from '../utils/untilDone'
import { isOpenToOthers } from '../utils/who'
import { closePool } from '../threads/pool'

/** What was never worked out is looked for kitchen by kitchen, beside the first requests, ms. */
const SHOW_REST_MS = 20

export default defineNitroPlugin((nitro) => {
  // Every request is behind the wall from its first query on.
  const { handler } = nitro.h3App
  nitro.h3App.handler = event => within(null, () => handler(event))
  const start = boot(ownerUrl(), now(), process.env.LUMBIK_DEMO === '1', line => console.log(`Lumbik: ${line}`))
  // Sealed alike by every server on this database, unless its keeper says otherwise.
  setReady(start.then((secret) => { process.env.NUXT_SESSION_PASSWORD ||= secret }))
  let stopHousekeeping = () => {}
  let stopJobs = async () => {}
  let stopListening = async () => {}
  let isClosing = false
  start.then(async () => {
    if (process.env.LUMBIK_ROLE !== 'web') stopHousekeeping = startHousekeeping()
    stopListening = startListening(databaseUrl())
    await watchDatabase()
  }).catch((error: Error) => {
    console.error(error.message)
    process.exit(1)
  })
  const sayCode = async (secret: string) => {
    if (isOpenToOthers() && (await isFirstStart(await newEm())))
      console.log(`Lumbik: nobody signs in here yet. The first owner needs this code: ${setupCode(process.env.NUXT_SESSION_PASSWORD ?? secret)}`)
  }
  const beginJobs = async () => {
    stopJobs = await startJobs(ownerUrl(), undefined, process.env.LUMBIK_ROLE !== 'web')
  }
  const showAll = async () => {
    const isDemoHere = await within(KITCHEN_ID, async () => isDemo(await newEm()))
    if (process.env.LUMBIK_DEMO === '1' && isDemoHere) await writeDemoBook(now())
    await forEveryKitchen(newEm, async () => showMissing(await newEm()), SHOW_REST_MS)
  }
  const isOver = () => isClosing
  // A database that goes away as they begin is waited for, as everywhere else.
  start.then(secret => untilDone('the first start', () => sayCode(secret), isOver), () => {})
  start.then(() => untilDone('long work', beginJobs, isOver), () => {})
  // Beside the first requests: what it shows is there a little later.
  start.then(() => untilDone('what is shown', showAll, isOver), () => {})
  nitro.hooks.hook('close', async () => {
    isClosing = true
    stopHousekeeping()
    await Promise.all([stopJobs(), stopListening()])
    await Promise.all([closePool(), closeOrm()])
  })
})
