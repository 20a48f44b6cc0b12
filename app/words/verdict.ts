/** The verdict in one sentence, and the ribbon's readouts. */
import { given } from '#core/formula/document'
import type { Assessment, FindingCode, Station, VerdictCode } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { familyOf } from '#core/formula/families'
import { solidOf } from '#core/formula/fruit'
import { pieceFigures } from '#core/pipeline/summary'
import { BAND_NAMES, SHARPNESS_NAMES, SHORT_VERDICT } from './names'
import type { Adjustment } from '#core/solve/adjust'
import { moved, type Moves } from '#core/solve/outcome'
import { coldWords, plateWords } from './stands'
import { say } from './say'

type Format = ReturnType<typeof useFormat>
const upper = (s: string) => s.charAt(0).toUpperCase() + s.slice(1)

/** How it tastes: what is not meant to be sour is mild, never flat. */
export function tasteWord(doc: Bench, { balance: { sharpness } }: Assessment): string {
  const mild = !familyOf(doc.family).needsAcid && (sharpness === 'flat' || sharpness === 'mellow')
  return mild ? say('verdict.mild') : SHARPNESS_NAMES[sharpness]
}

/** What the verdict's own sentence says already. */
export const IN_SENTENCE: ReadonlySet<FindingCode> = new Set(['sagsOnTable', 'looseCold', 'tooFirm'])
/** The verdict in two or three words: what cools too slowly is never called good. */
export const shortVerdict = (code: VerdictCode, safe: boolean): string =>
  code === 'good' && !safe ? say('verdict.coolsTooSlowly') : SHORT_VERDICT[code]

/**
 * "Cuts cleanly at 25 mm and holds an hour on the table. Bright." What would make that untrue stands with it: a cooling
 * that is not safe first, and a set that is served before its time after.
 */
export function verdictSentence(doc: Bench, a: Assessment, fmt: Format): string {
  const of = (code: FindingCode) => a.findings.some(f => f.code === code)
  const early = of('servedBeforeSet') && a.verdict.code !== 'servedBeforeSet'
  return [
    of('coolsTooSlowly') ? say('verdict.coolsTooSlowlyAStop') : '',
    setSentence(doc, a, fmt),
    early ? say('verdict.servedBeforeItIsThrough') : '',
  ].filter(Boolean).join(' ')
}

/** What the set does. */
function setSentence(doc: Bench, a: Assessment, fmt: Format): string {
  const v = a.verdict
  const h = fmt.mm(a.shape.pieceHeightM)
  const table = fmt.duration(doc.use.tableTimeS)
  const taste = `${upper(tasteWord(doc, a))}.`
  const kind = doc.use.kind
  const does =
    kind === 'cut'
      ? say('verdict.cutsAt', { p1: h })
      : kind === 'piped'
        ? say('verdict.pipesHigh', { p1: h })
        : kind === 'turnedOut'
          ? say('verdict.turnsOutHigh', { p1: h })
          : kind === 'glass'
            ? say('verdict.setsInItsGlass')
            : say('verdict.fromTheFridge', { band: upper(BAND_NAMES[v.cold.band]) })
  switch (v.code) {
    case 'good':
      if (kind === 'over') {
        const piece = pieceFigures(doc, a)
        return piece.solid
          ? say('verdict.solid', { what: upper(coldWords(piece, fmt)), taste })
          : say('verdict.needsNoSet', { band: upper(BAND_NAMES[v.cold.band]), taste })
      }
      return say('verdict.andHoldsOnTheTable', { does, table, taste })
    case 'edge':
      return say('verdict.onTheEdge', { does, leans: SHORT_VERDICT[v.leans], taste })
    case 'frozen': {
      const thawedS = a.chill.freeze?.thawedS ?? null
      return thawedS === null
        ? say('verdict.stillFrozenAndStaysSo')
        : say('verdict.stillFrozenThawed', { thawedS: fmt.duration(thawedS) })
    }
    case 'sagsOnTable': {
      const after = a.serve.standsOnTableS
      return say('verdict.fromTheFridgeThenSags', { does, warms: after !== null && after > 60 ? say('verdict.afterOnTheTable', { after: fmt.duration(after) }) : say('verdict.asSoonAsItWarms'), taste })
    }
    case 'looseCold': {
      const good = coldWords(pieceFigures(doc, a), fmt)
      return kind === 'cut'
        ? say('verdict.tooLooseToCutAt', { p1: h, good, taste })
        : kind === 'piped'
          ? say('verdict.tooLooseToPipeHigh', { p1: h, good, taste })
          : kind === 'turnedOut'
            ? say('verdict.tooLooseToTurnOut', { p1: h, good, taste })
            : say('verdict.tooLooseForThis', { band: BAND_NAMES[v.cold.band], taste })
    }
    case 'runny':
      return say('verdict.doesNotSet', { band: BAND_NAMES[v.cold.band], taste })
    case 'grainy':
      return familyOf(doc.family).acidGelsMilk
        ? say('verdict.soSharpThatItTurnsGrainy', { taste })
        : say('verdict.turnsGrainyInTheAndLoses', { pan: doc.heat.method === 'oven' ? say('verdict.oven') : say('verdict.pan'), taste })
    case 'tooFirm':
      return say('verdict.firmerThanThisUseWants', { band: BAND_NAMES[v.cold.band], taste })
    case 'servedBeforeSet':
      return say('verdict.rightInTheEndButServed', { taste })
  }
}

/** When it is ready, as a short clause. */
export function readyWords(doc: Bench, a: Assessment, fmt: Format): string {
  const s = a.serve.readyAfterS
  if (s === null) return a.chill.readyS === null ? say('verdict.doesNotGetThereInA') : ''
  return doc.serve.startAt
    ? say('verdict.readyFrom', { startAt: fmt.clock(doc.serve.startAt, s) })
    : say('verdict.readyAfterYouStart', { p1: fmt.duration(s) })
}

/** Two short lines for a stop of the ribbon. */
export function readout(station: Station, doc: Bench, a: Assessment, fmt: Format): [string, string] {
  switch (station) {
    case 'stock':
      return a.stock.juiceG <= 0
        ? [say('verdict.inAll', { massG: fmt.grams(a.stock.massG) }), say('verdict.noJuice')]
        : [
            say('verdict.juice', { juiceG: fmt.grams(a.stock.juiceG) }),
            `${fmt.fixed(a.stock.juiceAcid.value, 1)} % ${a.stock.juiceProvenance === 'measured' ? say('verdict.measured') : say('verdict.typical')}`,
          ]
    case 'balance':
      return [
        say('verdict.pH', { pH: fmt.fixed(a.balance.pH.value, 2), sharpness: tasteWord(doc, a) }),
        solidOf(doc.school) ? coldWords(pieceFigures(doc, a), fmt) : BAND_NAMES[a.verdict.cold.band],
      ]
    case 'shape':
      return [say('verdict.deep', { depthM: fmt.mm(a.shape.depthM) }), say('verdict.of', { portions: doc.assembly.portions, portionG: fmt.grams(a.shape.portionG) })]
    case 'heat':
      return doc.heat.method === 'none'
        ? [say('verdict.notHeated'), say('verdict.mixedCold')]
        : doc.heat.method === 'oven' && given(doc.heat.oven.timeS) !== null
          ? [
              say('verdict.inTheOvenFor', { time: fmt.duration(given(doc.heat.oven.timeS)!) }),
              say('verdict.middleGetsTo', { peakTempC: fmt.temp(a.heat.peakTempC) }),
            ]
          : a.heat.reachedS === null
            ? [say('verdict.stallsAt', { peakTempC: fmt.temp(a.heat.peakTempC) }), say('verdict.neverReachesItsTarget')]
            : [
                say('verdict.at', { peakTempC: fmt.temp(a.heat.peakTempC), reachedS: fmt.duration(a.heat.reachedS) }),
                a.heat.marginK === null || !familyOf(doc.family).eggSets
                  ? doc.heat.method === 'oven'
                    ? say('verdict.inTheMiddle')
                    : a.heat.evaporatedG >= 10
                      ? say('verdict.boiledOff', { evaporatedG: fmt.grams(a.heat.evaporatedG) })
                      : say('verdict.poursAt', { pourTempC: fmt.temp(a.heat.pourTempC) })
                  : a.heat.marginK > 0
                    ? say('verdict.grainyHigher', { marginK: fmt.degrees(a.heat.marginK, 1) })
                    : say('verdict.grainyBy', { marginK: fmt.degrees(-a.heat.marginK, 1) }),
              ]
    case 'chill':
      return [
        a.chill.safe ? (a.chill.safeSlow ? say('verdict.coolsInTime') : say('verdict.onlyJustCoolsInTime')) : say('verdict.coolsTooSlowly'),
        a.chill.readyS === null
          ? say('verdict.notSetInADay')
          : a.chill.readyS < 60
            ? say('verdict.readyAtOnce')
            : say('verdict.setIn', { readyS: fmt.duration(a.chill.readyS) }),
      ]
    case 'serve':
      return [
        a.serve.readyAfterS === null
          ? say('verdict.notReady')
          : doc.serve.startAt
            ? say('verdict.ready', { readyAfterS: fmt.clock(doc.serve.startAt, a.serve.readyAfterS) })
            : say('verdict.startTime'),
        a.serve.useBy ? say('verdict.useBy', { serve: fmt.day(a.serve.useBy) }) : say('verdict.noUseBy'),
      ]
  }
}

/** What a proposal brings: how high it is then good for, and what moves beside it where anyone can tell. */
export function movesWords(moves: Moves, fmt: Format): string[] {
  const { before, after } = moves
  const m = moved(moves)
  const taste = (by: number, more: string, less: string) => (by === 0 ? '' : by > 0 ? more : less)
  const weakest = after.code === 'looseCold' || before.code === 'looseCold' || before.code === 'runny'
  return [
    weakest ? coldWords(after.piece, fmt) : plateWords(after.piece, fmt),
    taste(m.sourer, say('verdict.sharper'), say('verdict.milder')),
    taste(m.sweeter, say('verdict.sweeter'), say('verdict.lessSweet')),
    m.grainier === 0
      ? ''
      : say('verdict.grainyFromTo', { before: fmt.fixed(100 * before.grainy), after: fmt.percent(after.grainy) }),
  ].filter(Boolean)
}

/** An adjustment as a button: what to do, and what it brings. */
export function adjustmentWords(x: Adjustment, fmt: Format): { label: string, brings: string } {
  const name = x.ingredientId ? fmt.name(x.ingredientId).toLowerCase().replace(/,.*$/, '') : ''
  const use = x.changesUse ? [say('verdict.changesTheUse')] : []
  const brings = [...use, ...movesWords(x.moves, fmt)].join(', ')
  const more = fmt.grams(Math.abs(x.to - x.from))
  switch (x.kind) {
    case 'moreEgg':
      return {
        label: say('verdict.more', { more, name, alsoTargetC: x.alsoTargetC === undefined ? '' : say('verdict.to', { alsoTargetC: fmt.temp(x.alsoTargetC) }) }),
        brings,
      }
    case 'lessEgg':
      return { label: say('verdict.less', { more, name }), brings }
    case 'moreButter':
      return { label: say('verdict.moreButter', { more }), brings }
    case 'lessButter':
      return { label: say('verdict.lessButter', { more }), brings }
    case 'lessJuice':
      return { label: say('verdict.less', { more, name }), brings }
    case 'moreJuice':
    case 'moreSetter':
    case 'moreCream':
      return { label: say('verdict.more2', { more, name }), brings }
    case 'lessSetter':
      return { label: say('verdict.less', { more, name }), brings }
    case 'hotter':
      return { label: say('verdict.takeItTo', { to: fmt.temp(x.to) }), brings }
    case 'cooler':
      return { label: say('verdict.stopAt', { to: fmt.temp(x.to) }), brings }
    case 'holdLonger':
      return { label: say('verdict.holdLonger', { from: fmt.duration(x.to - x.from) }), brings }
    case 'holdShorter':
      return { label: x.to === 0 ? say('verdict.noHold') : say('verdict.holdOnly', { to: fmt.duration(x.to) }), brings }
    case 'lowerPiece':
      return { label: say('verdict.makeItHigh', { to: fmt.mm(x.to) }), brings }
    case 'shorterTable':
      return { label: say('verdict.serveWithin', { to: fmt.duration(x.to) }), brings }
    case 'longerChill':
      return {
        label: say('verdict.leaveItLonger', { from: fmt.duration(x.to - x.from) }),
        brings: say('verdict.setEnough'),
      }
    case 'iceBathFirst':
      return { label: say('verdict.stirOverIceFirst', { to: fmt.duration(x.to) }), brings: say('verdict.coolsInTime') }
    case 'moreVessels':
      return { label: say('verdict.spreadOverTinsOrDishes', { to: x.to }), brings: say('verdict.coolsInTime') }
  }
}
