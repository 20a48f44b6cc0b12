/** What is left of batches is sent from anywhere: in order, in parts, once; what is refused is not asked again. */
import { afterEach, expect, it, vi } from 'vitest'
import type { SentEvent } from '../../shared/schemas/book'
import { keepEvent, keptEvents } from './keptEvents'
import { sendKept } from './left'

const event = (n: number): SentEvent => ({ id: `e${n}`, atS: n, happened: { kind: 'foundSet' }, text: null })
const server = (status: number) => {
  const sent: string[][] = []
  vi.stubGlobal('fetch', async (_: string, { body }: { body: string }) => {
    sent.push((JSON.parse(body) as { events: { id: string }[] }).events.map(e => e.id))
    return new Response('{"code":"unknownLine","path":"events"}', { status, headers: { 'content-type': 'application/json' } })
  })
  return sent
}
afterEach(() => {
  vi.unstubAllGlobals()
  browserStore.keys('lumbik:batch:').forEach(k => browserStore.remove(k))
})

it('as an earlier Lumbik kept them, too: 120 go in three parts, in order, and nothing is left', async () => {
  const sent = server(200)
  browserStore.set('lumbik:batch:b1', JSON.stringify(Array.from({ length: 119 }, (_, i) => event(i))))
  keepEvent('b1', event(119))
  await sendKept('b1')
  expect(sent.map(s => s.length)).toEqual([50, 50, 20])
  expect(sent.flat()).toEqual(Array.from({ length: 120 }, (_, i) => `e${i}`))
  expect(keptEvents('b1')).toEqual([])
})
it('what the server refuses stays for the page of its batch, and is not asked again', async () => {
  const sent = server(422)
  keepEvent('b2', event(1))
  await sendKept('b2')
  await sendKept('b2')
  expect(sent).toHaveLength(1)
  expect(keptEvents('b2')).toHaveLength(1)
})
