/** Findings as a cook reads them: what is the matter, and what to do. */
import type { Finding } from '#core/pipeline/assessment'
import type { Allergen } from '#core/base/ingredients/types'
import { ALLERGEN_NAMES } from './names'

export interface Spoken {
  title: string
  text: string
}

type Format = ReturnType<typeof useFormat>
const DEFER = 'Your local code and your own food-safety plan decide.'
const SETTERS: Record<string, string> = { pectin: 'pectin', chocolate: 'chocolate\'s own fat', plant: 'plant cream' }
const CAUSES: Record<string, string> = {
  undercookedStarch: 'the starch is not cooked through',
  amylase: 'live yolk thins the starch',
  frozenStarch: 'starch lets water go after freezing',
  overcookedEgg: 'over-set egg lets water go',
  acidCurdles: 'too much acid for the milk',
  acidShort: 'too little acid for the milk',
  agar: 'agar lets water go by nature',
  frozenEgg: 'baked egg lets water go after freezing',
}

/** Words for a finding. */
export function speak(f: Finding, fmt: Format): Spoken {
  const n = (key: string) => Number(f.params[key])
  switch (f.code) {
    case 'notModelled':
      return {
        title: `The set from ${SETTERS[f.params.setter as string]} is not counted yet.`,
        text: 'The real one will be firmer than shown here.',
      }
    case 'phaseInversion':
      return {
        title: 'More fat than this model holds.',
        text: `At ${fmt.fixed(n('fatPercent'))} % fat by volume the cream may turn to butter. Take the figures as a hint only.`,
      }
    case 'waterLow':
      return {
        title: 'Very little water.',
        text: 'Sugar may crystallise, and the figures are outside what the model holds.',
      }
    case 'noEgg':
      return { title: 'No egg in it.', text: 'Egg sets this dessert. Add yolks or whole eggs.' }
    case 'noSetter':
      return {
        title: 'Nothing in it sets.',
        text: 'Add what this dessert is set with: egg, cream with acid, starch, gelatine or agar.',
      }
    case 'tooSharp':
      return {
        title: 'Sharper than this dessert usually is.',
        text: 'More sugar or fat rounds it; less juice also changes the set.',
      }
    case 'tasteFlat':
      return { title: 'It will taste flat.', text: 'Add a sharper juice, or a little citric acid.' }
    case 'alcohol':
      return {
        title: `${fmt.fixed(n('percent'), 1)} % alcohol stays in it.`,
        text: `${n('percent') > n('limit') ? 'That is outside what the model holds: alcohol weakens the set and freezes later. ' : ''}Say so on the card; not for children, or guests who avoid it.`,
      }
    case 'acidShort':
      return {
        title: 'Too little acid to set the cream.',
        text: `pH ${fmt.fixed(n('pH'), 1)}; milk gels from about ${fmt.fixed(n('limit'), 1)} down. Add a sharp juice: orange or wine alone will not do it.`,
      }
    case 'acidCurdles':
      return {
        title: 'So much acid that it turns grainy.',
        text: `pH ${fmt.fixed(n('pH'), 1)} is past the milk's gel, below ${fmt.fixed(n('limit'), 1)}. Less juice sets firmer and smoother.`,
      }
    case 'acidTooHot':
      return {
        title: 'Juice into cream this hot curdles it.',
        text: `The cream is at ${fmt.temp(n('tempC'))}. Let it fall to ${fmt.temp(n('limitC'))}, and stir as the juice goes in.`,
      }
    case 'gelatinAcid':
      return {
        title: 'Acid weakens the gelatine.',
        text: `At pH ${fmt.fixed(n('pH'), 1)} about ${fmt.fixed(n('lossPercent'))} % of its strength is lost; the figures count it. Add the gelatine late, and do not boil it.`,
      }
    case 'agarAcid':
      return {
        title: 'Agar boiled with acid.',
        text: 'Acid breaks agar while it boils. Boil it in water first, and stir the juice in off the heat.',
      }
    case 'starchUndercooked':
      return {
        title: 'The starch is not cooked.',
        text: `At ${fmt.temp(n('tempC'))} only ${fmt.percent(n('share'))} of it has swollen: loose, and it tastes of flour. Bring it to a bubble and hold it there.`,
      }
    case 'starchAcid':
      return {
        title: 'Juice boiled with the starch thins it.',
        text: `${fmt.fixed(n('minutes'), 1)} min at pH ${fmt.fixed(n('pH'), 1)}. Stir the juice in after the boil.`,
      }
    case 'amylase':
      return {
        title: 'Live yolk will thin it overnight.',
        text: 'The yolk carries an enzyme that eats starch, and it is not hot for long enough to stop it. Bring the filling back to a full bubble for a minute or two after the yolks are in.',
      }
    case 'gelatinStrings':
      return {
        title: 'Gelatine strings.',
        text: `The base meets the cold cream at ${fmt.temp(n('baseC'))} and ends at ${fmt.temp(n('mixC'))}: it sets on contact. Fold at ${fmt.temp(n('limitC'))} to ${fmt.temp(28)}, a little cream first, then the rest.`,
      }
    case 'butterSplits':
      return {
        title: 'The butter may split.',
        text: `It goes in at ${fmt.temp(n('tempC'))}. Blend it in between ${fmt.temp(n('fromC'))} and ${fmt.temp(n('toC'))}.`,
      }
    case 'noAcid':
      return {
        title: 'Hardly any acid.',
        text: `${fmt.fixed(n('acidPercent'), 2)} % acid will taste flat. Add a sharp juice or a little citric acid.`,
      }
    case 'coarseGel':
      return {
        title: 'Sets coarse and curdles sooner.',
        text: `At pH ${fmt.fixed(n('pH'), 1)} egg makes a coarse gel. Do not pass ${fmt.temp(82)}; better, add lemon or lime juice.`,
      }
    case 'lowAcid':
      return {
        title: 'Too little acid for a curd.',
        text: `pH ${fmt.fixed(n('pH'), 1)} does not protect it: keep it as you would a custard, not as a curd. Orange juice carries about a sixth of lemon's acid; add a sharp juice or citric acid.`,
      }
    case 'bitterZest':
      return {
        title: 'A lot of zest.',
        text: `${fmt.fixed(n('gPerKg'), 1)} g per kg (bitter fruit counts double) can taste bitter. Use less, or strain it out early.`,
      }
    case 'scrubPeel':
      return {
        title: 'Zest: scrub the peel.',
        text: 'Use unwaxed fruit, scrubbed. Never zest fruit that was sprayed as an ornamental, the glasshouse\'s own included.',
      }
    case 'overflows':
      return {
        title: 'It does not fit.',
        text: `About ${fmt.grams(n('overG'))} would run over. Use another tin or dish, or scale the formula down.`,
      }
    case 'headroomLow':
      return {
        title: 'Full to the brim.',
        text: `Only ${fmt.mm(n('mm') / 1000, 1)} below the rim. Leave 3 mm, or it spills on the way to the fridge.`,
      }
    case 'potStalls':
      return {
        title: 'The pot never gets there.',
        text: `It stalls at ${fmt.temp(n('tempC'))}: more is lost as steam than the heat gives. Cover it now and then, use a narrower bowl, or set it on direct low heat.`,
      }
    case 'grainy':
      return {
        title: 'It will turn grainy.',
        text: `At ${fmt.temp(n('tempC'))} the egg over-sets. Stop earlier or lower; a sieve removes grains but not the loss of strength.`,
      }
    case 'scrambled':
      return {
        title: 'It will scramble.',
        text: `At ${fmt.temp(n('tempC'))} the egg is far past setting. Nothing brings it back: lower and slower.`,
      }
    case 'ovenStalls':
      return {
        title: 'The oven never gets it there.',
        text: `The middle stops at ${fmt.temp(n('tempC'))}. Hotter oven, or a shallower filling.`,
      }
    case 'boilOver':
      return { title: 'It boils over.', text: 'Take a pan that holds three times the mix, and stay with it.' }
    case 'rawEgg':
      return {
        title: 'Raw egg.',
        text: `It goes in without being cooked; acid and sugar do not make it safe, and poured boiled sugar is no proof. Use pasteurised egg, or cook it. Not for pregnant, very young, old or ill guests. ${DEFER}`,
      }
    case 'rawFlour':
      return {
        title: 'Raw flour.',
        text: `Flour is not clean until it is cooked: heat it to ${fmt.temp(n('tempC'))} or more. ${DEFER}`,
      }
    case 'boilingSugar':
      return {
        title: 'Boiling sugar.',
        text: `At ${fmt.temp(118)} to ${fmt.temp(121)} it burns deep and sticks. Keep a bowl of cold water by, pour slowly down the side, and keep others away.`,
      }
    case 'microwaveJug':
      return {
        title: 'Microwave: hot spots.',
        text: 'Short bursts, and whisk between them. A still jug can boil over all at once when it is moved: let it stand a moment, use a wide glass or ceramic bowl.',
      }
    case 'glassOven':
      return {
        title: 'Cold glass into a hot oven.',
        text: 'A glass dish from the fridge can crack in the oven. Let it come to room temperature first, or bake in metal.',
      }
    case 'frozen':
      return {
        title: 'It freezes here.',
        text: `It begins at ${fmt.temp(n('freezingC'), 1)}; firm enough to unmould ${fmt.duration(n('firmS'))} after pouring, ${fmt.fixed(n('percent'))} % of its water ice at most. ${n('thawedS') < 0 ? 'It does not thaw in this plan.' : `Thawed ${fmt.duration(n('thawedS'))} after pouring.`}`,
      }
    case 'thawing':
      return {
        title: 'Still frozen at service.',
        text:
          n('thawedS') < 0
            ? 'Give it time in the fridge after the freezer.'
            : `It is thawed ${fmt.duration(n('thawedS'))} after pouring: leave it that long.`,
      }
    case 'weeps':
      return {
        title: 'It will weep.',
        text: `Expect clear liquid round it (${fmt.fixed(n('score'))} of 10): ${CAUSES[f.params.cause as string]}.`,
      }
    case 'holdsHours':
      return {
        title: 'Eat it the same day.',
        text: 'Only air holds it up. It is best within a few hours, and sinks overnight.',
      }
    case 'animalGelatin':
      return { title: 'Gelatine is animal.', text: 'Say so on the card: not for vegetarians, and from pork or beef.' }
    case 'springRoom':
      return {
        title: 'It will rise over the rim.',
        text: `This filling springs up in the oven and wants ${fmt.mm(n('wantMm') / 1000)}; there are ${fmt.mm(n('mm') / 1000, 1)}. Fill less, or take a deeper tin.`,
      }
    case 'spillsLeaning':
      return {
        title: 'It spills, leaning like that.',
        text: `${fmt.fixed(n('deg'))}° is too much for this fill: ${fmt.fixed(n('mostDeg'))}° at most.`,
      }
    case 'panTooSmall':
      return {
        title: 'The pan is too small.',
        text: `It holds ${fmt.litres(n('holdMl') / 1e6)}; ${n('boils') ? 'a boil foams to three times the mix and wants' : 'stirring wants'} ${fmt.litres(n('needMl') / 1e6)}. Take a larger pan, or make it in two goes.`,
      }
    case 'acidTooLate':
      return {
        title: 'The juice goes in too cool.',
        text: `The cream is at ${fmt.temp(n('tempC'))}: it sets while you stir, and stirring breaks it. Put the juice in above ${fmt.temp(n('limitC'))}, best near ${fmt.temp(80)}.`,
      }
    case 'claimTooLong':
      return {
        title: `${n('claimed')} days is longer than it may be kept.`,
        text: `The default here is ${n('days')} ${n('days') === 1 ? 'day, the day of making' : 'days, the day of making being day 1'}. What somebody says it keeps is no measurement. Label it with the default. ${DEFER}`,
      }
    case 'fridgeLoad':
      return {
        title: 'More heat than this fridge carries off.',
        text: `About ${fmt.fixed(n('watts'))} W in its first hour, against some ${fmt.fixed(n('capacityW'))} W: everything in it warms. Cool over ice or on the bench first, or bring it in two goes.`,
      }
    case 'rawTopping':
      return {
        title: n('shell') ? 'Raw white on top.' : 'The whites on top are not cooked.',
        text: `${n('poured') ? `The syrup warms them to about ${fmt.temp(n('tempC'))} at most, and nothing holds them there: a pour is no proof. ` : ''}${n('shell') ? 'Use pasteurised white, or warm whites and sugar over a bath to a measured temperature.' : 'Pasteurised white is meant here; keep it cold, and warm it over a bath if you want it cooked.'} Not for pregnant, very young, old or ill guests. ${DEFER}`,
      }
    case 'grainyNear':
      return {
        title: 'Close to grainy.',
        text: `Only ${fmt.degrees(Math.max(n('marginK'), 0), 1)} to spare, less than most thermometers are wrong by. Take it off sooner.`,
      }
    case 'oversetsInDepth':
      return {
        title: 'The middle goes on cooking.',
        text: 'Poured this deep and this hot it over-sets while it cools. Pour shallower, or stir it cool over ice first.',
      }
    case 'underset':
      return {
        title: 'The egg is not set.',
        text: `Only ${fmt.percent(n('share'))} of its setting is done. Go hotter or hold longer.`,
      }
    case 'lethalityLow':
      return {
        title: 'Lightly cooked egg.',
        text: `This heat gives ${fmt.fixed(n('minutes'), 1)} of the ${fmt.fixed(n('needMinutes'))} minutes at ${fmt.temp(70)} that count, with the thermometer's error taken off. Use pasteurised egg, or heat to a measured ${fmt.temp(n('tempC'))}. Not for pregnant, very young, old or ill guests. ${DEFER}`,
      }
    case 'measure71':
      return {
        title: 'Measure it.',
        text: `Sugar protects bacteria: also see ${fmt.temp(n('tempC'))} or more on a thermometer in the thickest part. ${DEFER}`,
      }
    case 'reactivePan':
      return {
        title: 'Steel or enamel pan.',
        text: 'Bare aluminium, copper or iron taste of metal with this much acid.',
      }
    case 'hotIntoGlass':
      return {
        title: 'Hot filling, cold glass.',
        text: `At ${fmt.temp(n('tempC'))} a cold glass can crack. Warm the glasses, or let the filling cool first.`,
      }
    case 'filmTooHot':
      return {
        title: 'It sweats under film.',
        text: `Covered at ${fmt.temp(n('tempC'))}: lay the film right on the surface so that no drops fall back.`,
      }
    case 'uncovered':
      return {
        title: 'Uncovered in the cold.',
        text: 'It skins and takes up smells. Cover the surface once it is cool.',
      }
    case 'coolsTooSlowly':
      return {
        title: 'Cools too slowly.',
        text: `${n('takesS') < 0 ? `It does not reach ${fmt.temp(n('toC'))}` : `It takes ${fmt.duration(n('takesS'))} to ${fmt.temp(n('toC'))}`}; the limit is ${fmt.duration(n('withinS'))}. Go shallower, split it, stir it over ice first, or use a colder place. ${DEFER}`,
      }
    case 'coolsAtLimit':
      return {
        title: 'Cooling is close.',
        text: `In a slow fridge it would take ${n('takesS') < 0 ? 'too long' : fmt.duration(n('takesS'))} to ${fmt.temp(n('toC'))} against ${fmt.duration(n('withinS'))} allowed. Measure it, or cool it faster. ${DEFER}`,
      }
    case 'fridgeWarm':
      return {
        title: 'This place is too warm to keep it.',
        text: `${fmt.temp(n('tempC'), 1)} is above the ${fmt.temp(n('limitC'))} of your code. No use-by is given.`,
      }
    case 'servedBeforeSet':
      return {
        title: 'Served before it is set.',
        text: `It is ready ${fmt.duration(n('readyS'))} after pouring. Start earlier or serve later.`,
      }
    case 'counterTooLong':
      return {
        title: 'Too long out of the cold.',
        text: `At most ${n('hours')} h, once; then throw it away. ${DEFER}`,
      }
    case 'looseCold':
      return {
        title: 'Too loose for this use.',
        text: `${fmt.pascals(n('tauPa'))} from the fridge; this use asks for ${fmt.pascals(n('needPa'))}.`,
      }
    case 'sagsOnTable':
      return {
        title: 'Sags on the table.',
        text: `It softens as it warms: at ${fmt.temp(n('tempC'))} it no longer stands. Serve it sooner or colder, lower, or with more of what sets it.`,
      }
    case 'tooFirm':
      return {
        title: 'Firmer than this use wants.',
        text: 'More set is not better set. Less of what sets it makes it tender.',
      }
    case 'lightSkin':
      return {
        title: 'Lime and bergamot in sunlight.',
        text: 'Their juice and oil on bare skin burn in the sun. Wash hands and arms before going out.',
      }
    case 'medicines':
      return {
        title: 'Grapefruit and bitter orange.',
        text: 'They change how some medicines work. Name them on the card.',
      }
    case 'allergens':
      return {
        title: 'Allergens',
        text:
          String(f.params.list)
            .split(',')
            .filter(Boolean)
            .map(a => ALLERGEN_NAMES[a as Allergen] ?? a)
            .join(', ') || 'none of the common ones found in the lines',
      }
    case 'noStart':
      return { title: 'No start time.', text: 'Give one under Serve, and the clock times appear.' }
    case 'lotDate':
      return { title: 'The lot ends first.', text: `Use-by is that of ${f.params.lot}.` }
  }
}
