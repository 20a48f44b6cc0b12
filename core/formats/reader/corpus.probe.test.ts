import { it } from 'vitest'
import { writeFileSync } from 'node:fs'
import corpus from '../../checks/reading.json'
import { readWhole } from './read'
import { lintOf } from './lint'
it('probe', () => {
  const held = process.env.HELD === '1'
  const out: string[] = []
  let lines = 0, right = 0, asked = 0, askedOk = 0, wrong = 0, roleN = 0, roleOk = 0, texts = 0, missing = 0
  const qs: number[] = []
  let lintN = 0, lintOk = 0, alarms = 0, clean = 0
  const facts = { vessel: [0, 0], oven: [0, 0], peakC: [0, 0], portions: [0, 0], locale: [0, 0] } as Record<string, [number, number]>
  for (const t of corpus.texts as any[]) {
    if (Boolean(t.held) !== held) continue
    texts++
    const t0 = performance.now()
    const whole = readWhole(t.text)
    const r = whole.reading
    const lints = lintOf(whole).map(x => x.code)
    const ms = performance.now() - t0
    const got = r.lines.filter(l => l.kind === 'ingredient' && !l.leftOut).flatMap(l => l.items.length ? l.items.map(i => ({ ...i, l })) : [{ ingredientId: null, massG: null, l } as any])
    const bad: string[] = []
    const keys = new Set(r.lines.filter(l => l.question).map(l => l.question!.shared ?? l.text))
    qs.push(keys.size)
    t.items.forEach((e: any, i: number) => {
      const g = got[i]
      lines++
      const show = g ? `${g.l.text.slice(0, 50)} -> ${g.ingredientId} ${g.massG}${g.l.question ? ` ?${g.l.question.kind}` : ''} [${g.l.component?.role}]` : '(nothing)'
      if (e.free) { if (g) right++; else { missing++; bad.push(`free: ${show}`) } return }
      if (!g) { missing++; bad.push(`MISSING ${JSON.stringify(e)}`); return }
      if (e.role) { roleN++; if (g.l.component?.role === e.role) roleOk++; else bad.push(`role ${e.role}: ${show}`) }
      const ok = (e.may ?? []).some(([id, m]: any) => m !== null && id === g.ingredientId && g.massG !== null && Math.abs(g.massG - (Array.isArray(m) ? m[0] : m)) <= Math.max(0.3, (Array.isArray(m) ? m[1] / 100 : 0.015) * (Array.isArray(m) ? m[0] : m)))
      const mayAsk = e.asked || (e.may ?? []).some(([, m]: any) => m === null)
      if (g.l.question) { asked++; if (mayAsk) { askedOk++ } else bad.push(`asked, want ${JSON.stringify(e.may)}: ${show}`) }
      else if (ok) right++
      else { wrong++; bad.push(`WRONG want ${JSON.stringify(e.may ?? 'asked')}: ${show}`) }
    })
    if (got.length > t.items.length) bad.push(`extra: ${got.slice(t.items.length).map(g => g.l.text).join(' | ')}`)
    for (const k of ['vessel', 'oven', 'peakC', 'portions', 'locale']) {
      if (t[k] === undefined) { if (k !== 'portions' && k !== 'locale' && (r as any)[k] !== null && k === 'oven') bad.push(`unasked ${k} ${JSON.stringify((r as any)[k])}`); continue }
      facts[k]![1]++
      const v = (r as any)[k]
      const near = (a: any, b: any) => typeof b === 'number' ? a !== null && Math.abs(a - b) < 0.02 * Math.max(b, 0.01) + (b > 20 ? 0.6 : 0.003) : a === b
      const ok = k === 'vessel' ? t.vessel.some((alt: any) => v && Object.entries(alt).every(([x, y]) => near(v[x], y)))
        : k === 'oven' ? v && Object.entries(t.oven).every(([x, y]) => near(v[x], y)) : near(v, t[k])
      if (ok) facts[k]![0]++
      else bad.push(`${k} want ${JSON.stringify(t[k])} got ${JSON.stringify(v)}`)
    }
    if (t.lint) {
      lintN += t.lint.length
      for (const c of t.lint) if (lints.includes(c)) lintOk++; else bad.push(`lint missing ${c}, got ${lints}`)
      const extra = lints.filter(c => !t.lint.includes(c))
      if (t.lint.length === 0) clean++
      alarms += extra.length
      if (extra.length) bad.push(`alarm ${extra}`)
    } else if (lints.length) bad.push(`(lint ${lints})`)
    if (bad.length) out.push(`## ${t.name} [${r.locale} ${r.habits.country}] ${ms.toFixed(1)} ms`, ...bad.map(b => '   ' + b))
  }
  qs.sort((a, b) => a - b)
  out.push(`texts ${texts} lines ${lines} right ${(100 * right / lines).toFixed(1)} asked ${asked} (with reason ${askedOk}) wrong ${wrong} missing ${missing} roles ${roleOk}/${roleN} lint ${lintOk}/${lintN} alarms ${alarms} clean ${clean} median q ${qs[qs.length >> 1]} ${JSON.stringify(facts)}`)
  writeFileSync('/tmp/probe.txt', out.join('\n'))
  console.log(out.at(-1))
})
