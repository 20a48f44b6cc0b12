/**
 * A part of the program that fails to load (a busy machine, a server that restarts, a newer build) is tried again. Nuxt
 * is told not to reload by itself: with the server away that would lose the page. Work is in the outbox, so a reload
 * with the server there costs nothing.
 */
import { promiseTimeout } from '@vueuse/core'

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

export default defineNuxtPlugin(() => {
  const router = useRouter()
  let wanted = ''
  /**
   * Opens what was wanted once it can be had; a browser may keep a failed module for failed, so the page is opened
   * anew.
   */
  async function openAnew(path: string) {
    if (wanted === path) return
    wanted = path
    for (let i = 0; i < TRIES && wanted === path; i++) {
      if (await loads(path)) return window.location.assign(path)
      away.value ??= 'server'
      await promiseTimeout(AGAIN_MS)
    }
    if (wanted === path) wanted = ''
  }
  // Somebody who went elsewhere meanwhile is not fetched back.
  router.afterEach((to, _, failure) => {
    if (!failure && to.fullPath !== wanted) wanted = ''
  })
  // A page that is only fetched ahead and fails is nobody's trouble yet.
  router.onError((error: unknown, to) => {
    if (LOADING.test(String((error as { message?: unknown } | null)?.message ?? error))) void openAnew(to.fullPath)
  })
})
