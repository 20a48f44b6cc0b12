/** What the figures of a crust, topping or level say. */
import { CABINET_C } from '#core/physics/chill/churned'
import type { PartFigure } from '#core/plate/partFigures'
import { BAND_NAMES } from './names'
import { say, sentences } from './say'

const binds = sentences('partFigures.BINDS')
const churned = sentences('partFigures.CHURNED')
const bends = sentences('partFigures.BENDS')
interface Format {
  grams: (g: number) => string
  mm: (m: number, digits?: number) => string
  temp: (c: number) => string
  fixed: (n: number, digits?: number) => string
  duration: (s: number) => string
}
/** More cream than anybody heaps, m. */
const ANY_M = 0.3
const hoursOf = (h: number | null, fmt: Format) =>
  (h === null || h >= 7 * 24 ? say('partFigures.aWeek') : say('partFigures.hours', { h: fmt.fixed(h, h < 10 ? 1 : 0) }))

/** The sentence of a figure. */
export function partFigureWords(f: PartFigure, fmt: Format): string {
  const h = (x: number | null) => hoursOf(x, fmt)
  switch (f.code) {
    case 'weights': return say('partFigures.weights', { g: fmt.grams(f.g) })
    case 'shrinks': {
      const said = {
        percent: fmt.fixed(100 * f.share, 0), mm: fmt.mm(f.sideM, 1), slumps: fmt.mm(f.slumpsM, 0), min: f.restMin,
      }
      return f.slumpsM > 0 ? say('partFigures.slumps', said) : say('partFigures.shrinks', said)
    }
    case 'softens': {
      const said = { bare: h(f.bareH), sealed: h(f.sealedH) }
      return f.isSealed ? say('partFigures.softensSealed', said) : say('partFigures.softens', said)
    }
    case 'binds': return binds(f.word, { percent: fmt.fixed(100 * f.share, 0) })
    case 'bends': return bends(f.word, {
      water: fmt.fixed(100 * f.moisture, 0), strain: fmt.fixed(100 * f.strain, 0), bears: fmt.fixed(100 * f.bears, 0),
    })
    case 'sheet': return say('partFigures.sheet', {
      cm2: fmt.fixed(1e4 * f.areaM2, 0), g: fmt.fixed(f.gPerM2 / 100, 1), roll: fmt.mm(f.rollM, 0),
      turns: fmt.fixed(f.turns, 1),
    })
    case 'soaks': return say('partFigures.soaks', { g: fmt.grams(f.g), most: fmt.grams(f.mostG) })
    case 'holds':
      return f.withAcid ? say('partFigures.holdsAcid', { h: h(f.hours) }) : say('partFigures.holdsPlain', { h: h(f.hours) })
    case 'carries': return f.heightM > ANY_M
      ? say('partFigures.carriesAny') : say('partFigures.carries', { mm: fmt.mm(f.heightM, 0) })
    case 'dries': return say('partFigures.dries', {
      min: fmt.fixed(f.minutes, 0), at: fmt.temp(f.ovenC), damp: fmt.fixed(f.dampMin, 0),
    })
    case 'softInAir': return say('partFigures.softInAir', { h: h(f.hours), damp: h(f.dampH) })
    case 'cuts': return say('partFigures.cuts', { from: h(f.fromH), until: h(f.untilH) })
    case 'yields': return say('partFigures.yields', {
      g: fmt.grams(f.g), of: fmt.grams(f.ofG), brix: fmt.fixed(f.brix, 0),
    })
    case 'runs': return say('partFigures.runs', { g: fmt.grams(f.spoonG), mm: fmt.mm(f.acrossM, 0) })
    case 'leaks': return say('partFigures.leaks', { g: fmt.grams(f.g), h: h(f.hours) })
    case 'ready': {
      const said = { band: BAND_NAMES[f.band], pa: fmt.fixed(f.pa, 0) }
      return f.packs === null
        ? say('partFigures.ready', said) : say('partFigures.readyPacks', { ...said, n: fmt.fixed(f.packs, 1) })
    }
    case 'churned': {
      const said = {
        brix: fmt.fixed(f.brix, 0), ice: fmt.fixed(100 * f.ice, 0), freezes: fmt.temp(f.freezingC),
        at: fmt.temp(f.scoopsAtC), cabinet: fmt.temp(CABINET_C),
      }
      const sugar = f.sugarG === null || f.sugarG === 0 ? '' : ` ${f.sugarG > 0
        ? say('churned.more', { g: fmt.grams(f.sugarG) }) : say('churned.less', { g: fmt.grams(-f.sugarG) })}`
      return churned(f.scoop, said) + sugar
    }
    case 'thaws':
      return say('partFigures.thaws', { fridge: fmt.duration(f.fridgeS), water: fmt.duration(f.waterS) })
    case 'browns': return say('partFigures.browns', {
      at: fmt.temp(f.ovenC), min: f.minutes, core: fmt.temp(f.coreC),
      most: fmt.fixed(f.mostMin, f.mostMin < 10 ? 1 : 0),
    })
  }
}
