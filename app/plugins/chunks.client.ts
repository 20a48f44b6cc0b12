/**
 * A part of the program that fails to load (a busy machine, a server that restarts, a newer build) is tried again. Nuxt
 * is told not to reload by itself: with the server away that would lose the page. Work is in the outbox, so a reload
 * with the server there costs nothing.
 */
const TRIES = 40
const AGAIN_MS = 700
const LOADING = /dynamically imported module|error loading|Importing a module script failed|preload CSS/i

/** Whether a page and the scripts it begins with can be had; they are then in the browser's cache for it. */
async function loads(path: string): Promise<boolean> {
  const get = (url: string) =>
    fetch(url).then(
      r => (r.ok ? r.text() : null),
      () => null,
    )
  const page = await get(path)
  if (page === null) return false
  const scripts = [...page.matchAll(/<script[^>]+\bsrc="([^"]+)"/g)].map(([, url]) => url!)
  return scripts.length > 0 && (await Promise.all(scripts.map(get))).every(text => text !== null)
}

export default defineNuxtPlugin((nuxt) => {
  const router = useRouter()
  let to = ''
  let trying = false
  router.beforeEach((next) => {
    to = next.fullPath
  })
  const onChunkError = async () => {
    if (trying) return
    trying = true
    const wanted = to || window.location.pathname
    for (let i = 0; i < TRIES && (to === wanted || !to); i++) {
      // A browser keeps a failed module for failed: the page is opened anew, at the address that was wanted.
      if (await loads(wanted)) return window.location.assign(wanted)
      away.value ??= 'server'
      await new Promise(resolve => setTimeout(resolve, AGAIN_MS))
    }
    trying = false
  }
  nuxt.hook('app:chunkError', onChunkError)
  router.onError((error: unknown) => {
    if (LOADING.test(String((error as { message?: unknown } | null)?.message ?? error))) void onChunkError()
  })
})
