/**
 * Why a number is what it is: the equation in words, the inputs used, the source, and how sure. The equations
 * themselves stand in docs/science.md.
 */
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { MECHANISMS } from '#core/physics/set/firmness'
import { bestTest } from '#core/physics/set/kitchenTests'
import { MECHANISM_NAMES } from './names'

type Format = ReturnType<typeof useFormat>
export interface Why {
  title: string
  how: string
  inputs: [name: string, value: string][]
  source: string
  spread: string
}
export const WHY_TOPICS = [
  'juice',
  'juiceAcid',
  'pH',
  'acid',
  'brix',
  'ratio',
  'taste',
  'aw',
  'composition',
  'depth',
  'headroom',
  'portion',
  'heatTime',
  'peak',
  'coats',
  'done',
  'margin',
  'eggSet',
  'lethality',
  'steam',
  'pours',
  'carry',
  'reduction',
  'starch',
  'milkHeat',
  'air',
  'cooling',
  'set',
  'coldThrough',
  'freezing',
  'when',
  'moisture',
  'fridgeLoad',
  'cold',
  'plate',
  'needs',
  'ringSink',
  'mechanisms',
  'shares',
  'ready',
  'holds',
  'plateTemp',
  'useBy',
  'weeping',
] as const
export type WhyTopic = (typeof WHY_TOPICS)[number]

const FITTED = 'Fitted by this project to what cooks expect; see docs/science.md.'
const MEMORY = 'values from memory of the named source'

/** The note for a number. */
export function why(topic: WhyTopic, doc: Bench, a: Assessment, fmt: Format): Why {
  const { balance: b, heat: h, chill: c, serve: s, set, shape, stock, verdict: v } = a
  const g = fmt.grams
  const pa = fmt.pascals
  const acidSigma = stock.juiceAcid.lnSigma ?? 0
  switch (topic) {
    case 'juice':
      return {
        title: 'Juice on the bench',
        how: 'The grams of every juice line, added up.',
        inputs: [['juice', g(stock.juiceG)]],
        source: 'the formula\'s own lines',
        spread: 'as good as the scale.',
      }
    case 'juiceAcid':
      return {
        title: 'Strength of the juice',
        how: 'Acid of each juice line, weighted by its grams; measured lots count before the table.',
        inputs: [
          ['juice', g(stock.juiceG)],
          ['acid', `${fmt.fixed(stock.juiceAcid.value, 2)} %`],
        ],
        source:
          stock.juiceProvenance === 'measured'
            ? 'your own measurement'
            : 'composition table (USDA FoodData Central and others, from memory)',
        spread: `one σ is about ${fmt.percent(acidSigma)} of it, from fruit to fruit.`,
      }
    case 'pH':
      return {
        title: `pH ${fmt.fixed(b.pH.value, 2)}`,
        how: 'The pH at which all charges cancel: minerals of the lines against citric and other acids, proteins and milk salts, solved for one kilogram of the mix. Boiling water off does not change it.',
        inputs: [
          ['acid, as citric', `${fmt.fixed(b.acidPercent.value, 2)} %`],
          ['water', `${fmt.fixed(b.composition.water, 0)} %`],
          ['egg protein', `${fmt.fixed(b.composition.eggProtein, 1)} %`],
        ],
        source: `charge balance with CRC Handbook pK at ionic strength 0.1 (Davies), ${MEMORY}`,
        spread: `± ${fmt.fixed(b.pH.sigma ?? 0, 2)}: the model's own .05, and the juice.`,
      }
    case 'acid':
      return {
        title: 'Titratable acidity',
        how: 'Acid of the juices and of added acid, as citric, over the whole mass. It is what a titration to pH 8.2 reads.',
        inputs: [
          ['acid of the juice', `${fmt.fixed(stock.juiceAcid.value, 2)} %`],
          ['whole', g(stock.massG)],
        ],
        source: 'composition table or your own lots; equivalent weights from CRC molar masses',
        spread: `one σ about ${fmt.percent(acidSigma)} of it.`,
      }
    case 'brix':
      return {
        title: '°Brix',
        how: 'Dissolved solids of the water phase: sugars, acids and salts over those and the water. A refractometer reads acid short; that is added back.',
        inputs: [
          ['sugar', `${fmt.fixed(b.sugarPercent.value, 1)} % of the whole`],
          ['water', `${fmt.fixed(b.composition.water, 1)} %`],
        ],
        source: `composition table; acid correction after Stevens & Baier 1939, ${MEMORY}`,
        spread: '± 0.5 °Bx.',
      }
    case 'ratio':
      return {
        title: 'Sugar to acid',
        how: 'Grams of sugars for each gram of acid, as citric.',
        inputs: [
          ['sugar', `${fmt.fixed(b.sugarPercent.value, 1)} %`],
          ['acid', `${fmt.fixed(b.acidPercent.value, 2)} %`],
        ],
        source: 'composition table or your own lots',
        spread: `one σ about ${fmt.percent(acidSigma)}: the juice.`,
      }
    case 'taste':
      return {
        title: 'Sweet and sour, of 10',
        how: 'Sourness grows with acid and falls with pH, sugar and fat; sweetness grows with sugar and falls with acid and fat; both level off. The word compares sourness with what this dessert usually has.',
        inputs: [
          ['acid', `${fmt.fixed(b.acidPercent.value, 2)} %`],
          ['pH', fmt.fixed(b.pH.value, 2)],
          ['sugar', `${fmt.fixed(b.sugarPercent.value, 1)} %`],
          ['fat', `${fmt.fixed(b.fatPercent.value, 1)} %`],
        ],
        source: 'judgement: the form is defensible, the numbers are not sensory data',
        spread: 'low confidence; trust your tongue, then log it.',
      }
    case 'aw':
      return {
        title: 'Water activity',
        how: 'How free the water is: its share of all molecules in the water phase, lowered further by sugar and acid.',
        inputs: [
          ['sugar', `${fmt.fixed(b.sugarPercent.value, 1)} %`],
          ['water', `${fmt.fixed(b.composition.water, 1)} %`],
        ],
        source: `Norrish 1966, ${MEMORY}`,
        spread: '± 0.01.',
      }
    case 'composition':
      return {
        title: 'What it is made of',
        how: 'Grams of every line times its composition, added up.',
        inputs: [['whole', g(stock.massG)]],
        source: 'composition table, one source a row',
        spread: 'fat of a cream ± 1 point; eggs ± 5 % in their grade.',
      }
    case 'depth':
      return {
        title: 'Depth of fill',
        how: 'Volume (mass over density, less what sieve and pan keep) over the area inside the crust, shared by the tins or dishes.',
        inputs: [
          ['filling', g(shape.batchG)],
          ['density', `${fmt.fixed(shape.density)} kg/m³`],
          ['how many', fmt.fixed(shape.count)],
        ],
        source: 'geometry; density from fat at 920 and the sugar in the water, less the air',
        spread: '± 3 %.',
      }
    case 'headroom':
      return {
        title: 'Headroom',
        how: 'Height of the vessel less the depth of fill and the crust under it.',
        inputs: [['depth', fmt.mm(shape.depthM, 1)]],
        source: 'geometry',
        spread: '± 3 % of the depth.',
      }
    case 'portion':
      return {
        title: 'A portion',
        how: 'What is poured, shared evenly.',
        inputs: [
          ['poured', g(shape.batchG)],
          ['portions', fmt.fixed(doc.assembly.portions)],
        ],
        source: 'the formula less its losses',
        spread: 'as even as the hand that pours.',
      }
    case 'heatTime':
    case 'peak':
      return doc.heat.method === 'oven'
        ? {
            title: 'In the oven',
            how: 'Heat creeps in from air, radiation and the hot tin, layer by layer, while the surface dries and cools itself by steam. The coldest layer decides.',
            inputs: [
              ['oven', fmt.temp(doc.heat.oven.airTempC)],
              ['depth', fmt.mm(shape.depthM, 1)],
              ['target', fmt.temp(doc.heat.targetTempC)],
            ],
            source: `one-dimensional conduction; coefficients ${MEMORY} (M), skin fitted`,
            spread: 'one σ of the time is 20 %: ovens differ.',
          }
        : {
            title: 'In the pan',
            how: 'Heat in (bath, burner or microwave) less what steam, air and radiation take, over the heat the mix and its pan hold.',
            inputs: [
              ['mass', g(stock.massG)],
              ['starts at', fmt.temp(doc.heat.startTempC)],
              ['target', fmt.temp(doc.heat.targetTempC)],
            ],
            source: `energy balance with Lewis evaporation; bath coefficient and efficiencies ${MEMORY}`,
            spread: 'about 30 %: pans and rings differ.',
          }
    case 'coats':
    case 'done':
      return {
        title: topic === 'coats' ? 'Coats the spoon' : 'Done',
        how: `Egg sets faster the hotter it is: ten times for every 5.5 K. At ${h.t60C === null ? '—' : fmt.temp(h.t60C, 1)} it takes a minute. Sugar raises that, acid and more egg lower it. ${topic === 'coats' ? 'It coats at 30 %' : 'It is done at 85 %'} of its setting.`,
        inputs: [
          ['sets in a minute at', h.t60C === null ? 'no egg' : fmt.temp(h.t60C, 1)],
          ['pH in the pan', fmt.fixed(b.pH.value, 2)],
        ],
        source: 'fitted; shifts remembered from Donovan 1977, Kulmyrzaev 2000, Vega & Mercadé-Prieto 2011',
        spread: `± ${fmt.degrees(1.8, 1)}.`,
      }
    case 'margin':
      return {
        title: 'To spare before grainy',
        how: 'How much hotter the same course could have been before 30 % of the egg over-sets; over-setting speeds up ten times for every 3.2 K.',
        inputs: [
          ['peak', fmt.temp(h.peakTempC, 1)],
          ['grainy from', h.grainyAtC === null ? 'no egg' : fmt.temp(h.grainyAtC, 1)],
        ],
        source: FITTED,
        spread: `± ${fmt.degrees(1.2, 1)}, and the thermometer's own ${fmt.degrees(1.5, 1)}.`,
      }
    case 'eggSet':
      return {
        title: 'Egg set, over-set',
        how: 'The setting and over-setting that this course of temperature adds up to, while it cools included; layer by layer in the oven.',
        inputs: [
          ['peak', fmt.temp(h.peakTempC, 1)],
          ['coldest part', fmt.percent(h.coreA)],
        ],
        source: FITTED,
        spread: `where it sets ± ${fmt.degrees(1.8, 1)}.`,
      }
    case 'lethality':
      return {
        title: 'Lethality',
        how: `Minutes at ${fmt.temp(70)} that the coldest part had, each degree counted ten times for every 7.5 K, with ${fmt.degrees(1.5, 1)} of thermometer error taken off.`,
        inputs: [
          ['peak', fmt.temp(h.peakTempC, 1)],
          ['asked', `2 min at ${fmt.temp(70)}`],
        ],
        source: `UK guidance on safe cooking, ${MEMORY}`,
        spread: 'never called safe on its own: sugar protects bacteria. Your local code and your own plan decide.',
      }
    case 'steam':
      return {
        title: 'What leaves as steam',
        how: 'Below the boil as the surface dries into the room; at the boil, all heat that is left over.',
        inputs: [
          ['peak', fmt.temp(h.peakTempC, 1)],
          ['time', fmt.duration(h.endS)],
        ],
        source: `Lewis analogy; steam tables, ${MEMORY}`,
        spread: 'about 30 %. Weigh the pan and be sure.',
      }
    case 'reduction':
      return {
        title: 'Where to stop',
        how: 'Boiled until the volume is that of the cream alone: each gram of sugar had added 0.62 ml, and a millilitre of water weighs a gram. Half the sugar means half the water off, so the set loosens twice.',
        inputs: h.reduction
          ? [
              ['to boil off', g(h.reduction.lossG)],
              ['volume then', `${fmt.fixed(h.reduction.volumeMl)} ml`],
              ['as a hot jug reads it', `${fmt.fixed(h.reduction.hotVolumeMl)} ml`],
            ]
          : [['boiled off', g(h.evaporatedG)]],
        source: `trade rule; sugar's volume in solution ${MEMORY}`,
        spread: 'a hot jug reads about 4 % large; a scale does not.',
      }
    case 'pours':
      return {
        title: 'Pours at',
        how: 'Carry-over of the pan, the sieve, what is stirred or folded in, and the cold vessel: one energy balance after another, butterfat melting included.',
        inputs: [['off the heat at', fmt.temp(h.tempC.at(-1)!, 0)]],
        source: 'energy balance; heat capacities after Choi & Okos 1986',
        spread: `± ${fmt.degrees(3)}.`,
      }
    case 'starch':
      return {
        title: 'Starch swollen',
        how: 'The share of starch that has swollen at its peak; sugar makes it need more heat, time helps a little.',
        inputs: [
          ['peak', fmt.temp(set.making.starch.peakTempC, 0)],
          ['minutes there', fmt.fixed(set.making.starch.minutes, 1)],
          ['starch', `${fmt.fixed(set.starchC, 1)} g per 100 g water and sugar`],
        ],
        source: FITTED,
        spread: `± ${fmt.degrees(2)}.`,
      }
    case 'milkHeat':
      return {
        title: 'Heat the milk has had',
        how: 'Heated whey joins the milk\'s gel. A boil is all of it; condensed milk brings its own.',
        inputs: [['heat treatment', fmt.percent(set.making.milkHeat)]],
        source: 'fitted to two marks; whey kinetics after Dannenberg & Kessler 1988, from memory',
        spread: 'low confidence.',
      }
    case 'air':
      return {
        title: 'Air',
        how: 'Volume gained by whipping, less what folding loses (15 % of cream\'s, 40 % of whites\').',
        inputs: [
          ['air', fmt.percent(set.making.air)],
          ['whipped milk fat', `${fmt.fixed(100 * set.making.whippedFat, 1)} %`],
        ],
        source: 'common practice',
        spread: 'about a quarter of it: hands differ.',
      }
    case 'cooling':
      return {
        title: 'Cooling',
        how: 'Heat leaves through top, base and side of the piece, each with its own air, wall and cover; the core is the warmest spot. The code counts from its own start.',
        inputs: [
          ['poured at', fmt.temp(h.pourTempC)],
          ['depth', fmt.mm(shape.depthM, 1)],
        ],
        source: 'two-dimensional conduction, within 1 % of Carslaw & Jaeger\'s series; air coefficients from memory',
        spread: 'air 30 %: the slow fridge is the one-in-twenty end.',
      }
    case 'set':
      return {
        title: 'Set through',
        how: 'When the core has three quarters of its strength after a day, and what this use asks for. Fat hardens, gelatine ripens, milk knits and starch firms, each at its own pace.',
        inputs: [
          ['strength after a day', pa(v.cold.tauPa.value)],
          ['wanted', pa(v.target.coldMinPa)],
        ],
        source: FITTED,
        spread: 'times × or ÷ 1.5.',
      }
    case 'carry':
      return {
        title: 'Still to come',
        how:
          doc.heat.method === 'oven'
            ? 'Out of the oven the middle rises towards the mean of the whole.'
            : 'The pan is hotter than the mix by what its heat needs to get through; that excess is shared out once the heat is off.',
        inputs: [['the heat ends at', fmt.temp(h.tempC.at(-1)!, 1)]],
        source: 'energy balance, C_pan·ΔT/(m·cp + C_pan)',
        spread: `about ${fmt.degrees(0.5, 1)}; a heavy pan gives more.`,
      }
    case 'when':
      return {
        title: 'When',
        how: 'The cold run three times: as expected, in a quick and in a slow fridge, with setting half as long again either way. The later of “three quarters of a day’s strength” and “strong enough for this use” counts; after a freezer, the thaw too.',
        inputs: [['likely, after pouring', c.readyS === null ? 'not in a day' : fmt.duration(c.readyS)]],
        source: 'two-dimensional conduction; setting rates fitted',
        spread: 'four batches in five lie between, as far as those spreads are right.',
      }
    case 'moisture':
      return {
        title: 'Sweat',
        how: 'Vapour from the warm surface condenses on a cover halfway between surface and air, until both are one.',
        inputs: [
          ['water activity', fmt.fixed(b.waterActivity.value, 2)],
          ['poured at', fmt.temp(h.pourTempC)],
        ],
        source: 'Lewis analogy; saturation pressure after WMO and NIST',
        spread: 'half as much or twice as much: how still the air is decides.',
      }
    case 'fridgeLoad':
      return {
        title: 'Heat into the fridge',
        how: 'Mass times heat capacity times how far the mean falls in the first hour there, over that hour.',
        inputs: [
          ['batch', g(shape.batchG)],
          ['such a fridge carries off', c.load ? `${fmt.fixed(c.load.capacityW)} W` : '—'],
        ],
        source: 'energy balance; capacities from memory, low confidence',
        spread: 'the load 15 %, the capacity by half either way.',
      }
    case 'coldThrough':
      return {
        title: 'Cold through',
        how: 'When the core is within a degree of its last place.',
        inputs: [['poured at', fmt.temp(h.pourTempC)]],
        source: 'two-dimensional conduction',
        spread: 'about 30 %.',
      }
    case 'freezing':
      return {
        title: 'Freezing',
        how: 'Ice forms from the freezing point down, which sugar lowers, and its latent heat is taken out and given back. Firm enough to unmould when the mean is at −3 °C, thawed when it is back above 2 °C.',
        inputs: [
          ['freezes from', c.freeze ? fmt.temp(c.freeze.freezingC, 1) : '—'],
          ['most ice', c.freeze ? fmt.percent(c.freeze.mostIce) : '—'],
        ],
        source: 'Schwartzberg 1976 as in ASHRAE; step correction after Pham 1985; marks by judgement',
        spread: 'about 30 %.',
      }
    case 'cold':
    case 'plate': {
      const r = topic === 'cold' ? v.cold : v.plate
      return {
        title: `Yield stress ${topic === 'cold' ? 'from the fridge' : 'on the plate'}`,
        how: 'The push under which it begins to flow: what each thing that sets it carries, added up at its temperature.',
        inputs: [
          ...MECHANISMS.filter(k => r.mechanismsPa[k] >= 0.5).map((k): [string, string] => [
            MECHANISM_NAMES[k],
            pa(r.mechanismsPa[k]),
          ]),
          ['at', fmt.temp(r.tempC, 1)],
          [
            'this use needs',
            `${pa(topic === 'cold' ? v.target.coldMinPa : v.target.plateMinPa)}${doc.use.kind === 'cut' || doc.use.kind === 'turnedOut' ? `: ${topic === 'cold' ? 4 : 2} × density × gravity × height ÷ 2` : ''}`,
          ],
        ],
        source:
          'forms after Narine & Marangoni 1999 (fat), GMIA handbook (gelatine); prefactors tuned by hand, not measured',
        spread: `one σ is × or ÷ ${fmt.fixed(Math.exp(r.tauPa.lnSigma ?? 0.35), 1)}.`,
      }
    }
    case 'needs':
      return {
        title: 'What the use asks for',
        how:
          doc.use.kind === 'cut' || doc.use.kind === 'turnedOut'
            ? 'A piece stands if it carries half its own height of itself: density × gravity × height ÷ 2, twice that untended, four times under the knife.'
            : 'The band that the words of this use mean.',
        inputs: [
          ['height', fmt.mm(shape.pieceHeightM)],
          ['from the fridge', pa(v.target.coldMinPa)],
          ['on the plate', pa(v.target.plateMinPa)],
        ],
        source: 'statics; allowances by judgement, bands common practice',
        spread: 'the allowance is the margin.',
      }
    case 'ringSink': {
      const t = bestTest(v.cold.tauPa.value, shape.density)
      return {
        title: 'Test it with a ring',
        how: 'Fill a 50 mm ring, lift it, measure how far the filling sinks; softer ones spread, firmer ones bear a weight.',
        inputs: [
          [
            'this one, best tested by',
            t.test === 'spread'
              ? `60 ml on a plate: spreads to ${fmt.mm(2 * t.reading)} across`
              : t.test === 'slump'
                ? `ring: sinks ${fmt.mm(t.reading)}`
                : `cylinder Ø 60 × 50 mm: bulges under ${g(1000 * t.reading)}`,
          ],
        ],
        source: 'Pashias et al. 1996; Roussel & Coussot 2005',
        spread: 'the relation is good to 10 %, the prediction to its own spread.',
      }
    }
    case 'mechanisms':
      return {
        title: 'What makes it set',
        how: 'Each mechanism\'s share of the yield stress.',
        inputs: MECHANISMS.filter(k => v.cold.mechanismsPa[k] >= 0.5).map(k => [
          MECHANISM_NAMES[k],
          `${pa(v.cold.mechanismsPa[k])} cold, ${pa(v.plate.mechanismsPa[k])} plate`,
        ]),
        source: FITTED,
        spread: 'gelatine ± 25 %, agar ± 50 %, the rest ± 35 %.',
      }
    case 'shares':
      return {
        title: 'How sure',
        how: 'The same formula 400 times, each uncertain input drawn from its own spread: juice, eggs, cream, thermometer, setting, pace, table, and the law itself.',
        inputs: [],
        source: 'sampling with a fixed seed, so that the same formula always gives the same shares',
        spread: '400 draws: a share is good to about 2 points.',
      }
    case 'ready':
      return {
        title: 'Ready',
        how: 'Time in the heat, what is done to it after, and the cold until it is set through.',
        inputs: [
          ['heat', fmt.duration(h.endS)],
          ['set after pouring', c.readyS === null ? 'not in a day' : fmt.duration(c.readyS)],
        ],
        source: 'the Heat and Chill stations',
        spread: 'times × or ÷ 1.5 in the setting.',
      }
    case 'holds':
      return {
        title: 'Holds on the table',
        how: 'The piece warms in the room from its face inwards; fat melts, gelatine lets go. It holds until it carries less than standing needs.',
        inputs: [
          ['table', fmt.temp(doc.use.tableTempC)],
          ['needs', pa(v.target.plateMinPa)],
        ],
        source: 'the same set, run forward as it warms',
        spread: 'about 30 %.',
      }
    case 'plateTemp':
      return {
        title: 'On the plate by then',
        how: 'Mean temperature of the piece after its time on the table.',
        inputs: [
          ['from', fmt.temp(v.cold.tempC, 1)],
          ['table', fmt.temp(doc.use.tableTempC)],
          ['time', fmt.duration(s.tableTimeS)],
        ],
        source: 'two-dimensional conduction',
        spread: `± ${fmt.degrees(1)}.`,
      }
    case 'useBy':
      return {
        title: 'Use by',
        how: 'The day of making is day 1, and no lot\'s own date is passed.',
        inputs: [['days', fmt.fixed(s.storageDays)]],
        source: 'US Food Code 3-501.17 or UK guidance, from memory',
        spread: 'a rule, not a prediction. Your local code and your own food-safety plan decide.',
      }
    case 'weeping':
      return {
        title: 'Weeping, of 10',
        how: 'Points for what lets water go (undercooked or thinned or frozen starch, over-set egg, too much or too little acid for milk, agar), less where fat, sugar or gelatine hold it.',
        inputs: set.weeping.causes.map(x => [
          x.cause.replace(/([A-Z])/g, ' $1').toLowerCase(),
          fmt.fixed(x.points, 1),
        ]),
        source: 'order by common practice, points by judgement',
        spread: 'an order, not a volume.',
      }
  }
}
