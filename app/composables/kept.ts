/**
 * What the server last answered, kept in this browser for when it does not: formulas, the week's days, running
 * batches. Of one person in one kitchen at a time; gone when they sign out.
 */
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'

interface Kept extends DBSchema {
  answers: { key: string, value: { of: string, atMs: number, answer: unknown }, indexes: { atMs: number } }
}
/** Paths whose answers are kept: what work needs where nobody answers. */
const KEPT = [
  /^\/api\/formulas$/, /^\/api\/formulas\/[\w-]+(?:\/versions)?$/, /^\/api\/versions\/[\w-]+$/, /^\/api\/days\/[\d-]+$/,
  /^\/api\/batches(?:\?going=1)?$/, /^\/api\/batches\/[\w-]+(?:\/foretold)?$/, /^\/api\/devices$/, /^\/api\/learned$/,
]
export const isKept = (url: string): boolean => KEPT.some(k => k.test(url))
/** Answers older than this go, days. */
const DAYS = 14

let opened: Promise<IDBPDatabase<Kept> | null> | null = null
/** null: this browser has none, or keeps nothing (a private window). */
const database = () => opened ??= Promise.resolve().then(() => openDB<Kept>('lumbik', 1, {
  upgrade: db => void db.createObjectStore('answers').createIndex('atMs', 'atMs'),
})).catch(() => null)
/** Whose answers these are. */
let of = ''
/** From now on answers are kept for this person in this kitchen; those of others go. */
export async function keepFor(whose: string): Promise<void> {
  of = whose
  const db = await database()
  if (!db) return
  const tx = db.transaction('answers', 'readwrite')
  for (let at = await tx.store.openCursor(); at; at = await at.continue())
    if (at.value.of !== whose || at.value.atMs < Date.now() - DAYS * 86_400_000) await at.delete()
  await tx.done
}
/** Keeps an answer; a browser without room for it works on without. */
export async function keepAnswer(url: string, answer: unknown): Promise<void> {
  if (!of || !isKept(url)) return
  await (await database())?.put('answers', { of, atMs: Date.now(), answer }, url).catch(() => {})
}
/** The last answer to this, or undefined. */
export async function keptAnswer(url: string): Promise<unknown> {
  if (!isKept(url)) return undefined
  const row = await (await database())?.get('answers', url).catch(() => undefined)
  return row && (!of || row.of === of) ? row.answer : undefined
}
