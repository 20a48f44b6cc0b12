/**
 * Focus never falls back to the page's beginning: when what holds it is taken away or switched off, the nearest thing
 * that can hold it takes over — a neighbour in the same list or row, else what lay around it.
 */
const CAN = [
  'a[href]', '[tabindex="0"]', ...['button', 'input', 'select', 'textarea'].map(tag => `${tag}:not(:disabled)`),
].join(', ')

/** Where something stands: what lies around it, from near to far, and which of its children the way leads through. */
function standing(el: Element): { around: Element, index: number }[] {
  const chain: { around: Element, index: number }[] = []
  for (let child: Element = el, parent = el.parentElement; parent; child = parent, parent = parent.parentElement)
    chain.push({ around: parent, index: [...parent.children].indexOf(child) })
  return chain
}
const visible = (el: Element) => el.getClientRects().length > 0

export default defineNuxtPlugin(() => {
  let last: Element | null = null
  let chain: ReturnType<typeof standing> = []
  document.addEventListener('focusin', (event) => {
    last = event.target as Element
    chain = standing(last)
  })
  // Who clicks beside everything wants no focus.
  document.addEventListener('pointerdown', (event) => {
    if (!(event.target as Element).closest(CAN)) last = null
  }, { capture: true })

  function takeOver() {
    const active = document.activeElement
    if (!last || (active && active !== document.body)) return
    if (last.isConnected && !last.matches(':disabled')) return
    for (const { around, index } of chain) {
      // What changed is the page: it begins at its beginning.
      if (around.tagName === 'MAIN' || around.id === 'content') break
      if (!around.isConnected) continue
      const near = around.children[Math.min(index, around.children.length - 1)]
      const within = (el: Element) => [...(el.matches(CAN) ? [el] : []), ...el.querySelectorAll(CAN)]
      const able = [near, around].flatMap(el => (el ? within(el) : []))
      const next = able.find(el => el !== last && visible(el)) as HTMLElement | undefined
      if (next) return next.focus({ preventScroll: true })
    }
    const main = document.querySelector<HTMLElement>('main')
    main?.setAttribute('tabindex', '-1')
    main?.focus({ preventScroll: true })
  }
  let asked = false
  const soon = () => {
    if (asked || !last) return
    asked = true
    requestAnimationFrame(() => {
      asked = false
      takeOver()
    })
  }
  new MutationObserver(soon).observe(document.documentElement, {
    childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'],
  })
})
