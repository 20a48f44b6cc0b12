/**
 * A part of the program that fails to load (a busy machine, a server that restarts, a newer build) is tried again. Nuxt
 * is told not to reload by itself: with the server away that would lose the page. Work is in the outbox, so a reload
 * with the server there costs nothing.
 */
const TRIES = 40
const AGAIN_MS = 700
const LOADING = /dynamically imported module|error loading|Importing a module script failed|preload CSS/i

export default defineNuxtPlugin((nuxt) => {
  const router = useRouter()
  let to = ''
  let trying = false
  router.beforeEach((next) => { to = next.fullPath })
  const onChunkError = async () => {
    if (trying) return
    trying = true
    const wanted = to || window.location.pathname
    for (let i = 0; i < TRIES && (to === wanted || !to); i++) {
      const there = await fetch(wanted, { method: 'HEAD', cache: 'no-store' }).then(r => r.ok, () => false)
      // A browser keeps a failed module for failed: the page is opened anew, at the address that was wanted.
      if (there) return window.location.assign(wanted)
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
