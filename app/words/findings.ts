/** Findings as a cook reads them: what is the matter, and what to do. */
import type { Finding } from '#core/assessment'

export interface Spoken { title: string, text: string }

type Format = ReturnType<typeof useFormat>
const DEFER = 'Your local code and your own food-safety plan decide.'
const ALLERGENS: Record<string, string> = { egg: 'egg', milk: 'milk', gluten: 'cereals with gluten', sulphites: 'sulphites' }
const SETTERS: Record<string, string> = { starch: 'starch', gelatin: 'gelatine', agar: 'agar or pectin', casein: 'cream or milk' }

/** Words for a finding. */
export function speak(f: Finding, fmt: Format): Spoken {
  const n = (key: string) => Number(f.params[key])
  switch (f.code) {
    case 'notModelled': return { title: `The set from ${SETTERS[f.params.setter as string]} is not counted yet.`, text: 'The real one will be firmer than shown here.' }
    case 'phaseInversion': return { title: 'More fat than this model holds.', text: `At ${fmt.fixed(n('fatPercent'))} % fat by volume the cream may turn to butter. Take the figures as a hint only.` }
    case 'waterLow': return { title: 'Very little water.', text: 'Sugar may crystallise, and the figures are outside what the model holds.' }
    case 'noEgg': return { title: 'No egg in it.', text: 'Nothing here sets a curd. Add yolks or whole eggs.' }
    case 'noAcid': return { title: 'Hardly any acid.', text: `${fmt.fixed(n('acidPercent'), 2)} % acid will taste flat. Add a sharp juice or a little citric acid.` }
    case 'coarseGel': return { title: 'Sets coarse and curdles sooner.', text: `At pH ${fmt.fixed(n('pH'), 1)} egg makes a coarse gel. Do not pass ${fmt.temp(82)}; better, add lemon or lime juice.` }
    case 'lowAcid': return { title: 'Too little acid for a curd.', text: `pH ${fmt.fixed(n('pH'), 1)} does not protect it: keep it as you would a custard, not as a curd. Orange juice carries about a sixth of lemon's acid; add a sharp juice or citric acid.` }
    case 'bitterZest': return { title: 'A lot of zest.', text: `${fmt.fixed(n('gPerKg'), 1)} g per kg (bitter fruit counts double) can taste bitter. Use less, or strain it out early.` }
    case 'scrubPeel': return { title: 'Zest: scrub the peel.', text: 'Use unwaxed fruit, scrubbed. Never zest fruit that was sprayed as an ornamental, the glasshouse\'s own included.' }
    case 'overflows': return { title: 'It does not fit.', text: `About ${fmt.grams(n('overG'))} would run over. Use another tin or dish, or scale the formula down.` }
    case 'headroomLow': return { title: 'Full to the brim.', text: `Only ${fmt.mm(n('mm') / 1000, 1)} below the rim. Leave 3 mm, or it spills on the way to the fridge.` }
    case 'potStalls': return { title: 'The pot never gets there.', text: `It stalls at ${fmt.temp(n('tempC'))}: more is lost as steam than the heat gives. Cover it now and then, use a narrower bowl, or set it on direct low heat.` }
    case 'grainy': return { title: 'It will turn grainy.', text: `At ${fmt.temp(n('tempC'))} the egg over-sets. Stop earlier or lower; a sieve removes grains but not the loss of strength.` }
    case 'grainyNear': return { title: 'Close to grainy.', text: `Only ${fmt.degrees(Math.max(n('marginK'), 0), 1)} to spare, less than most thermometers are wrong by. Take it off sooner.` }
    case 'oversetsInDepth': return { title: 'The middle goes on cooking.', text: 'Poured this deep and this hot it over-sets while it cools. Pour shallower, or stir it cool over ice first.' }
    case 'underset': return { title: 'The egg is not set.', text: `Only ${fmt.percent(n('share'))} of its setting is done. Go hotter or hold longer.` }
    case 'lethalityLow': return { title: 'Lightly cooked egg.', text: `This heat gives ${fmt.fixed(n('minutes'), 1)} of the ${fmt.fixed(n('needMinutes'))} minutes at ${fmt.temp(70)} that count, with the thermometer's error taken off. Use pasteurised egg, or heat to a measured ${fmt.temp(n('tempC'))}. Not for pregnant, very young, old or ill guests. ${DEFER}` }
    case 'measure71': return { title: 'Measure it.', text: `Sugar protects bacteria: also see ${fmt.temp(n('tempC'))} or more on a thermometer in the thickest part. ${DEFER}` }
    case 'reactivePan': return { title: 'Steel or enamel pan.', text: 'Bare aluminium, copper or iron taste of metal with this much acid.' }
    case 'hotIntoGlass': return { title: 'Hot filling, cold glass.', text: `At ${fmt.temp(n('tempC'))} a cold glass can crack. Warm the glasses, or let the filling cool first.` }
    case 'filmTooHot': return { title: 'It sweats under film.', text: `Covered at ${fmt.temp(n('tempC'))}: lay the film right on the surface so that no drops fall back.` }
    case 'uncovered': return { title: 'Uncovered in the cold.', text: 'It skins and takes up smells. Cover the surface once it is cool.' }
    case 'coolsTooSlowly': return { title: 'Cools too slowly.', text: `${n('takesS') < 0 ? `It does not reach ${fmt.temp(n('toC'))}` : `It takes ${fmt.duration(n('takesS'))} to ${fmt.temp(n('toC'))}`}; the limit is ${fmt.duration(n('withinS'))}. Go shallower, split it, stir it over ice first, or use a colder place. ${DEFER}` }
    case 'coolsAtLimit': return { title: 'Cooling is close.', text: `In a slow fridge it would take ${n('takesS') < 0 ? 'too long' : fmt.duration(n('takesS'))} to ${fmt.temp(n('toC'))} against ${fmt.duration(n('withinS'))} allowed. Measure it, or cool it faster. ${DEFER}` }
    case 'fridgeWarm': return { title: 'This place is too warm to keep it.', text: `${fmt.temp(n('tempC'), 1)} is above the ${fmt.temp(n('limitC'))} of your code. No use-by is given.` }
    case 'servedBeforeSet': return { title: 'Served before it is set.', text: `It is ready ${fmt.duration(n('readyS'))} after pouring. Start earlier or serve later.` }
    case 'counterTooLong': return { title: 'Too long out of the cold.', text: `At most ${n('hours')} h, once; then throw it away. ${DEFER}` }
    case 'looseCold': return { title: 'Too loose for this use.', text: `${fmt.pascals(n('tauPa'))} from the fridge; this use asks for ${fmt.pascals(n('needPa'))}.` }
    case 'sagsOnTable': return { title: 'Sags on the table.', text: `The butter softens: at ${fmt.temp(n('tempC'))} it no longer stands. Serve it sooner or colder, lower, or with more egg.` }
    case 'tooFirm': return { title: 'Firmer than this use wants.', text: 'More set is not better set. Less yolk or butter makes it tender.' }
    case 'lightSkin': return { title: 'Lime and bergamot in sunlight.', text: 'Their juice and oil on bare skin burn in the sun. Wash hands and arms before going out.' }
    case 'medicines': return { title: 'Grapefruit and bitter orange.', text: 'They change how some medicines work. Name them on the card.' }
    case 'allergens': return { title: 'Allergens', text: String(f.params.list).split(',').filter(Boolean).map(a => ALLERGENS[a] ?? a).join(', ') || 'none of the common ones found in the lines' }
    case 'noStart': return { title: 'No start time.', text: 'Give one under Serve, and the clock times appear.' }
    case 'lotDate': return { title: 'The lot ends first.', text: `Use-by is that of ${f.params.lot}.` }
  }
}
