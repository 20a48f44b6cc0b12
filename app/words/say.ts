/**
 * Every word of the interface by its key: one file a language (`messages/`), what a language does not say is said in
 * British English. Logic asks for a key with its figures; no sentence stands in code.
 */
import { createI18n } from 'vue-i18n'
import gb from './messages/en-GB.json'
import us from './messages/en-US.json'

export type Language = 'en-GB' | 'en-US'
type Params = Record<string, unknown>

const i18n = createI18n({
  legacy: false,
  locale: 'en-GB',
  fallbackLocale: 'en-GB',
  messages: { 'en-GB': gb, 'en-US': us as typeof gb },
  missingWarn: false,
  fallbackWarn: false,
})
const { t, locale } = i18n.global as unknown as {
  t: (key: string, params: Params) => string
  locale: { value: Language }
}

/** Chooses the language; what is on screen follows. */
export const speakIn = (language: Language): void => {
  locale.value = language
}

/**
 * The sentence of a key with its figures; what is not there leaves its place empty.
 * @example say('problems.theField', { field: 'hold', path: 'heat.holdS' }) // 'the hold (heat.holdS)'
 */
export const say = (key: string, params: Params = {}): string =>
  t(key, Object.fromEntries(Object.entries(params).map(([k, v]) => [k, v ?? ''])))

/** A tree of words under a key, each said when it is asked for. */
export function group<T extends object>(key: string): T {
  const tree = key.split('.').reduce<unknown>((at, k) => (at as Params)[k], gb) as object
  const out: object = Array.isArray(tree) ? [] : {}
  for (const [name, value] of Object.entries(tree)) {
    const own = `${key}.${name}`
    const get = typeof value === 'string' ? () => say(own) : () => group<object>(own)
    Object.defineProperty(out, name, { enumerable: true, configurable: true, get })
  }
  return out as T
}

/**
 * Sentences under a key, each said by its name with its figures; a name that is not there is said as it is.
 * @example sentences('batch.NAMES')('count', { n: 3 }) // '3 batches'
 */
export const sentences = (key: string) => (name: string, params: Params = {}): string => {
  const said = say(`${key}.${name}`, params)
  return said === `${key}.${name}` ? name : said
}
