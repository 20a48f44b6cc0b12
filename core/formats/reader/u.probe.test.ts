import { it } from 'vitest'
import { readFileSync, writeFileSync } from 'node:fs'
import { readWhole } from './read'
import { lintOf } from './lint'
it('u', () => {
  const out: string[] = []
  for (const t of readFileSync('/tmp/u/all.txt', 'utf8').split('====\n')) {
    const w = readWhole(t)
    const r = w.reading
    out.push(`## ${r.locale} ${r.habits.country} cups ${r.habits.cups} name=${r.name} v=${JSON.stringify(r.vessel)} o=${JSON.stringify(r.oven)} pk=${r.peakC} n=${r.portions} ${r.family}/${r.school} lint=${lintOf(w).map(l => l.code)}`)
    for (const l of r.lines) out.push(`  ${l.kind[0]} ${l.component?.role.slice(0, 4) ?? '-'} ${JSON.stringify(l.text.slice(0, 70))} ${l.items.map(i => `${i.ingredientId} ${i.massG}`).join(' + ')}${l.question ? ` ?${l.question.kind}(${l.question.suggested})` : ''}`)
  }
  writeFileSync('/tmp/u/out.txt', out.join('\n'))
})
