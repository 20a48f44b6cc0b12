/** Words that open a door: how they are made, and what is kept of them. */
import { createHash, randomBytes, randomInt } from 'node:crypto'

/** Hashing of what people choose themselves: scrypt, slow on purpose. The server's is the session library's. */
export interface Hasher {
  make: (word: string) => Promise<string>
  verify: (hash: string, word: string) => Promise<boolean>
}

/** What is kept of a token that a machine made: it cannot be guessed, so a plain hash will do. */
export const kept = (token: string): string => createHash('sha256').update(token).digest('hex')
/** A token for a link. */
export const newToken = (): string => randomBytes(24).toString('base64url')

/** Letters and digits that nobody takes for one another when they are read aloud. */
const CLEAR = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789'
const clear = (n: number) => Array.from({ length: n }, () => CLEAR[randomInt(CLEAR.length)]).join('')
/** A code to type into a tablet, once, within minutes. */
export const newTabletCode = (): string => clear(8)
/** Codes for whoever loses their password. */
export const newRecoveryCodes = (): string[] => Array.from({ length: 8 }, () => `${clear(5)}-${clear(5)}`)
/** What the first owner must know where others could be first: read in the server's log. */
export const setupCode = (secret: string): string => kept(`first owner ${secret}`).slice(0, 10).toUpperCase()
/** As somebody types a code. */
export const asTyped = (code: string): string => code.toUpperCase().replace(/[^A-Z0-9]/g, '')
