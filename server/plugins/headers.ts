/**
 * What a page may do, told to the browser. Scripts come from this server's files only; a page's one inline script is
 * named by its hash.
 */
import { createHash } from 'node:crypto'
import { tellDone } from '../middleware/people'

const INLINE = /<script(?![^>]*\bsrc=)(?![^>]*application\/(?:ld\+)?json)[^>]*>([\s\S]*?)<\/script>/gi
const hashes = (html: string) =>
  [...html.matchAll(INLINE)].map(([, code]) => `'sha256-${createHash('sha256').update(code!).digest('base64')}'`)

const POLICY = (scripts: string[]) =>
  [
    'default-src \'none\'',
    `script-src ${['\'self\'', ...scripts].join(' ')}`,
    'worker-src \'self\'',
    'style-src \'self\' \'unsafe-inline\'',
    'img-src \'self\' data: blob:',
    'font-src \'self\' data:',
    'connect-src \'self\'',
    'manifest-src \'self\'',
    'base-uri \'none\'',
    'form-action \'none\'',
    'frame-ancestors \'none\'',
  ].join('; ')

export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('beforeResponse', event => tellDone(event))
  nitro.hooks.hook('render:response', (response) => {
    const headers = response.headers as Record<string, string>
    for (const name of Object.keys(headers))
      if (name.toLowerCase() === 'x-powered-by') Reflect.deleteProperty(headers, name)
    headers['content-security-policy'] = POLICY(hashes(String(response.body)))
  })
})
