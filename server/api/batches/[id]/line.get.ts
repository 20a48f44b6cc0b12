import { type BatchNews, channelKey } from '../../../../shared/book'
import { readHave } from '../../../../shared/schemas/book'
import { clockOf, eventsAfter, namesOf, textsOf, tickingRow } from '../../../domain/batches'
import { catchUp } from '../../../domain/demonstration'
import { readingsOf } from '../../../domain/readings'

/** How often the line says what is new, ms. */
const EVERY_MS = 700
/** Whether the listener is still signed in is looked at this often, ms. */
const CHECKED_MS = 10_000

/**
 * The line of a batch, as server-sent events: each message is the news since the one before (events, readings, the
 * clock). `after` and `have` say what the listener has: a number of events; of each channel the last second.
 */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownBatch')
  const query = getQuery(event)
  const { em, owner } = await useRequest(event)
  await tickingRow(em, owner, id)
  let head = Number(query.after ?? 0) || 0
  const have = readHave(query.have)
  if (!have) throw problem(422, { path: 'have', code: 'unknownValue' })
  const stream = createEventStream(event)
  let open = true
  let last = ''
  let checkedMs = Date.now()
  const say = async (): Promise<void> => {
    if (Date.now() - checkedMs > CHECKED_MS) {
      // Cut off or signed out elsewhere: it hears no more.
      if (!(await isStillIn(event))) return stream.close()
      checkedMs = Date.now()
    }
    const fork = await newEm()
    const row = await tickingRow(fork, owner, id)
    await catchUp(fork, owner, row)
    const events = row.head > head ? await eventsAfter(fork, id, head) : []
    const series = await readingsOf(fork, id, have)
    const texts = events.length > 0 ? await textsOf(fork, id) : []
    const names = await namesOf(fork, events.map(e => e.actorId))
    const news: BatchNews = { events, head: row.head, series, clock: clockOf(row), texts, names }
    head = row.head
    for (const s of series) have[channelKey(s)] = s.timeS.at(-1)!
    const clock = `${row.clockAt.getTime()}/${row.clockS}/${row.speed}`
    if (events.length === 0 && series.length === 0 && clock === last) return stream.push({ event: 'still', data: '' })
    last = clock
    await stream.push(JSON.stringify(news))
  }
  const turn = () => {
    if (!open) return
    // What goes wrong is the database's: the listener comes again by itself.
    say().then(() => void setTimeout(turn, EVERY_MS), () => void stream.close())
  }
  stream.onClosed(async () => {
    open = false
    await stream.close()
  })
  turn()
  return stream.send()
})
