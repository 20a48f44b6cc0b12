/** What the tables of faults share: rows, patience, a server on a fresh database. */
import { startServer } from './setup.mjs'

/** @typedef {{ what: string, figures: string, ok: boolean }} Row */
/** A busy machine takes its time: tests multiply what is allowed, `npm run faults` does not. */
let patience = 1
export const bePatient = (times) => {
  patience = times
}
export const within = (ms, limit) => ms < limit * patience

/**
 * A row of the table: what was done, what came of it, and whether that is as it must be.
 * @returns {Row}
 */
export const row = (what, figures, ok) => ({ what, figures, ok })
export const seconds = ms => `${(ms / 1000).toFixed(1)} s`
export const serve = (url, port, env = {}) =>
  startServer({ DATABASE_URL: url, LUMBIK_QUIET: process.env.LUMBIK_LOUD ? '' : '1', ...env }, port, process.env.LUMBIK_LOUD ? 'inherit' : 'ignore')
export const timed = async (work) => {
  const started = performance.now()
  const result = await work()
  return [result, performance.now() - started]
}

/** A fresh database of the demo's, on a cluster. */
export async function freshDatabase(postgres, name) {
  postgres.sql(`drop database if exists "${name}" with (force)`)
  postgres.sql(`create database "${name}"`)
  return postgres.url(name)
}
/** A formula with another note. */
export const noted = ({ formula, occasion }, note) => ({ formula: { ...formula, note }, occasion })
