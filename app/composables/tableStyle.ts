/** Nuxt UI's table in our manner: hairlines, no boxes; errors of fields may stand out over its edge. */
export const TABLE_UI = {
  root: 'overflow-visible',
  th: 'px-0 pr-4 py-1 text-[0.9rem] font-normal text-(--ink-soft)',
  td: 'px-0 pr-4 py-1 text-base text-(--ink) whitespace-normal',
  tr: 'border-b border-(--hairline)',
  tbody: 'divide-y-0',
  separator: 'bg-(--ink)',
}
/** A column of numbers. */
export const RIGHT = { class: { th: 'text-right', td: 'text-right tabular-nums' } }

/** The head of a column that needs no words for those who see it. */
export const unseen = (words: string) => () => h('span', { class: 'sr' }, words)
