import { it } from 'vitest'
import { tokensOf } from './tokens'
import { amountsIn } from './amounts'
import { draftsOf } from './drafts'
import { lexiconOf } from './lexicon'
import { sort } from './classify'
import { readText } from './read'
it('dbg', () => {
  for (const t of (process.env.DBG ?? '').split('||')) {
    const ts = tokensOf(t, 0, lexiconOf('en'))
    console.log(JSON.stringify(ts.map(x => [x.k, x.text])), JSON.stringify(amountsIn(ts)))
    console.log(JSON.stringify(draftsOf(ts), (k, v) => v instanceof Map ? [...v] : v))
    console.log(sort(t, 0, lexiconOf('en'), { area: null, bullet: false, marked: false, numbered: false }).kind, JSON.stringify(readText(t).lines))
  }
})
