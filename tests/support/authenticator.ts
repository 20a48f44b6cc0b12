/** A device's key in software, after W3C Web Authentication level 2: what a browser would answer, right or wrong. */
import { createHash, generateKeyPairSync, randomBytes, sign } from 'node:crypto'

const sha = (data: Buffer | string) => createHash('sha256').update(data).digest()
const text = (b: Buffer) => b.toString('base64url')
/** A CBOR text of fewer than 24 bytes; bytes of fewer than 65,536. */
const word = (w: string) => Buffer.concat([Buffer.from([0x60 + w.length]), Buffer.from(w)])
const bytes = (b: Buffer) => Buffer.concat([Buffer.from([0x59, b.length >> 8, b.length & 255]), b])

export interface Ceremony {
  challenge: string
  rpId: string
  origin: string
  /** Whether a finger, face or PIN opened it. */
  isVerified?: boolean
  counter?: number
}

/** One device with one key on the curve P-256. */
export function newAuthenticator() {
  const { privateKey, publicKey } = generateKeyPairSync('ec', { namedCurve: 'P-256' })
  const { x, y } = publicKey.export({ format: 'jwk' })
  const at = (v: string) => Buffer.from(v, 'base64url')
  const cose = Buffer.concat([
    Buffer.from([0xa5, 1, 2, 3, 0x26, 0x20, 1, 0x21, 0x58, 32]), at(x!), Buffer.from([0x22, 0x58, 32]), at(y!)])
  const id = randomBytes(16)
  const head = ({ rpId, isVerified = true, counter = 0 }: Ceremony, made: boolean) => {
    const count = Buffer.alloc(4)
    count.writeUInt32BE(counter)
    return Buffer.concat([sha(rpId), Buffer.from([1 + (isVerified ? 4 : 0) + (made ? 0x40 : 0)]), count])
  }
  const client = (type: string, { challenge, origin }: Ceremony) =>
    Buffer.from(JSON.stringify({ type, challenge, origin, crossOrigin: false }))
  const answer = <R extends object>(response: R) =>
    ({ id: text(id), rawId: text(id), type: 'public-key' as const, clientExtensionResults: {}, response })
  return {
    /** A new key, as it is told once. */
    made(c: Ceremony) {
      const data = Buffer.concat([head(c, true), Buffer.alloc(16), Buffer.from([0, id.length]), id, cose])
      const object = Buffer.concat([
        Buffer.from([0xa3]), word('fmt'), word('none'), word('attStmt'), Buffer.from([0xa0]), word('authData'), bytes(data)])
      return answer({
        clientDataJSON: text(client('webauthn.create', c)), attestationObject: text(object), transports: ['internal' as const],
      })
    },
    /** The key, used. */
    used(c: Ceremony) {
      const [data, said] = [head(c, false), client('webauthn.get', c)]
      const signature = sign('sha256', Buffer.concat([data, sha(said)]), privateKey)
      return answer({ clientDataJSON: text(said), authenticatorData: text(data), signature: text(signature) })
    },
  }
}
