/** Who opens a formula waits for its verdict: the worker that computes it begins with the page. */
import { beginLiveWorker } from '~/composables/liveWorker'

export default defineNuxtPlugin(() => {
  if (/^\/formula\/[^/]+\/(?!card|label)/.test(location.pathname)) beginLiveWorker()
})
