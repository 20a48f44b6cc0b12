/**
 * `v-radios` on a group of buttons with the role of a radio: one of them is a stop of the Tab key, the arrow keys go
 * from one to the next and choose it, as a group of radios does everywhere.
 */
const NEXT: Record<string, number> = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }
const radiosOf = (group: HTMLElement) => [...group.querySelectorAll<HTMLElement>('[role="radio"]')]

function settle(group: HTMLElement) {
  const radios = radiosOf(group)
  const chosen = radios.find(r => r.getAttribute('aria-checked') === 'true') ?? radios[0]
  for (const r of radios) r.tabIndex = r === chosen ? 0 : -1
}
function onKey(event: KeyboardEvent) {
  const radios = radiosOf(event.currentTarget as HTMLElement)
  const at = radios.indexOf(event.target as HTMLElement)
  const by = NEXT[event.key]
  if (at < 0 || by === undefined || event.altKey || event.ctrlKey || event.metaKey) return
  event.preventDefault()
  const next = radios[(at + by + radios.length) % radios.length]!
  next.focus()
  next.click()
}

export default defineNuxtPlugin((app) => {
  app.vueApp.directive<HTMLElement>('radios', {
    mounted(group) {
      group.addEventListener('keydown', onKey)
      settle(group)
    },
    updated: settle,
    beforeUnmount: group => group.removeEventListener('keydown', onKey),
  })
})
