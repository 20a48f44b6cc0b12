/**
 * Spanish and French kitchen words in ingredient lines, turned into the English ones the reader knows. A first step
 * abroad: what is not listed stays as it is and is asked. Longest first; accents may be missing.
 */

/** One entry: pattern on a text without accents, and what it becomes. */
type Word = readonly [RegExp, string]
const word = (pattern: string, to: string): Word => [new RegExp(`(?<![\\p{L}])(?:${pattern})(?![\\p{L}])`, 'giu'), to]

const FRENCH: readonly Word[] = [
  word('le jus et le zeste (?:de |d\')', 'juice and zest of '),
  word('les? zestes? et le jus (?:de |d\')', 'zest and juice of '),
  word('(?:le )?jus (?:de |d\')(?=\\d|un|deux|trois|quatre|½|¼)', 'juice of '),
  word('(?:les? )?zestes? (?:rapes? )?(?:de |d\')(?=\\d|un|deux|trois|quatre|½|¼)', 'zest of '),
  word('jus de citrons? verts?', 'lime juice'),
  word('jus de citrons?', 'lemon juice'),
  word('jus d\'oranges? sanguines?', 'blood orange juice'),
  word('jus d\'oranges?', 'orange juice'),
  word('jus de pamplemousses?', 'grapefruit juice'),
  word('jus de bergamotes?', 'bergamot juice'),
  word('jus de yuzu', 'yuzu juice'),
  word('pulpe de fruits? de la passion', 'passion fruit pulp'),
  word('jus de fruits? de la passion', 'passion fruit juice'),
  word('zestes? de citrons? verts?', 'lime zest'),
  word('zestes? de citrons?', 'lemon zest'),
  word('zestes? d\'oranges?', 'orange zest'),
  word('zestes?', 'zest'),
  word('citrons? verts?', 'limes'),
  word('citrons?', 'lemons'),
  word('oranges? sanguines?', 'blood oranges'),
  word('pamplemousses?', 'grapefruits'),
  word('bergamotes?', 'bergamots'),
  word('fruits? de la passion', 'passion fruits'),
  word('jaunes? d\'oe?ufs?|jaunes? d\'œufs?|jaunes?', 'egg yolks'),
  word('blancs? d\'oe?ufs?|blancs? d\'œufs?', 'egg whites'),
  word('oe?ufs? entiers?|œufs? entiers?', 'eggs'),
  word('œufs?|oeufs?', 'eggs'),
  word('sucre (?:semoule|en poudre|blanc|cristal)', 'caster sugar'),
  word('sucre glace', 'icing sugar'),
  word('cassonade|sucre roux', 'brown sugar'),
  word('sucre', 'sugar'),
  word('sirop de glucose', 'glucose syrup'),
  word('miel', 'honey'),
  word('beurre (?:doux|pommade|mou|froid)', 'butter'),
  word('beurre', 'butter'),
  word('lait concentre sucre', 'condensed milk'),
  word('lait (?:entier)', 'whole milk'),
  word('lait en poudre', 'skimmed milk powder'),
  word('lait', 'milk'),
  word('creme fraiche(?: epaisse)?', 'creme fraiche'),
  word('creme (?:liquide|fleurette)(?: entiere)?', 'liquid cream'),
  word('creme entiere liquide|creme entiere', 'liquid cream'),
  word('yaourts? (?:a la )?grec', 'greek yoghurt'),
  word('yaourts?(?: nature)?', 'yoghurt'),
  word('fromage frais', 'cream cheese'),
  word('ma[iï]zena|fecule de mais', 'cornflour'),
  word('farine(?: de ble)?', 'plain flour'),
  word('feuilles? de gelatine', 'leaves gelatine'),
  word('gelatine en poudre', 'powdered gelatin'),
  word('gelatine', 'gelatine'),
  word('agar-agar', 'agar'),
  word('acide citrique', 'citric acid'),
  word('eau', 'water'),
  word('sel(?: fin)?', 'salt'),
  word('poudre d\'amandes?', 'ground almonds'),
  word('biscuits? sables?|sables?', 'shortbread'),
  word('cuilleres? a soupe|cuil\\. a soupe|c\\. ?a ?s\\.?|c\\. ?a soupe|cas', 'tbsp'),
  word('cuilleres? a cafe|cuil\\. a cafe|c\\. ?a ?c\\.?|c\\. ?a cafe|cac', 'tsp'),
  word('tasses?', 'cups'),
  word('une? pincee', 'a pinch'),
  word('pincees?', 'pinch'),
  word('sachets?', 'packet'),
  word('boites?', 'can'),
  word('un|une', '1'),
  word('deux', '2'),
  word('trois', '3'),
  word('quatre', '4'),
  word('cinq', '5'),
  word('six', '6'),
  word('environ', 'about'),
  word('gros|grosses?', 'large'),
  word('moyens?|moyennes?', 'medium'),
  word('petits?|petites?', 'small'),
  word('froide?s?|fraiche?s?|bio|non traites?|ramollis?|fondus?|tamisee?s?', ''),
]
const SPANISH: readonly Word[] = [
  word('(?:el )?(?:zumo|jugo) y (?:la )?ralladura de', 'juice and zest of'),
  word('(?:la )?ralladura y (?:el )?(?:zumo|jugo) de', 'zest and juice of'),
  word('(?:el )?(?:zumo|jugo) de(?= ?\\d| un| dos| tres| cuatro)', 'juice of'),
  word('(?:la )?(?:ralladura|piel rallada) de(?= ?\\d| un| dos| tres| cuatro)', 'zest of'),
  word('(?:zumo|jugo) de limas?', 'lime juice'),
  word('zumo de limon(?:es)?', 'lemon juice'),
  word('jugo de limon(?:es)?', 'sour-citrus juice'),
  word('(?:zumo|jugo) de naranjas?(?: sanguinas?)', 'blood orange juice'),
  word('(?:zumo|jugo) de naranjas?', 'orange juice'),
  word('(?:zumo|jugo) de (?:pomelos?|toronjas?)', 'grapefruit juice'),
  word('(?:pulpa|jugo|zumo) de (?:maracuya|parchita|fruta de la pasion)', 'passion fruit pulp'),
  word('ralladura de limas?', 'lime zest'),
  word('ralladura de limon(?:es)?', 'lemon zest'),
  word('ralladura de naranjas?', 'orange zest'),
  word('ralladura', 'zest'),
  word('limones', 'lemons'),
  word('limon', 'lemon'),
  word('limas?', 'limes'),
  word('naranjas?', 'oranges'),
  word('pomelos?|toronjas?', 'grapefruits'),
  word('yemas?(?: de huevos?)?', 'egg yolks'),
  word('claras?(?: de huevos?)?', 'egg whites'),
  word('huevos?(?: enteros?)?', 'eggs'),
  word('azucar (?:glas|glass|impalpable)', 'icing sugar'),
  word('azucar moren[oa]', 'brown sugar'),
  word('azucar(?: blanca| blanco| granulada?)?', 'sugar'),
  word('miel', 'honey'),
  word('jarabe de glucosa', 'glucose syrup'),
  word('mantequilla(?: sin sal)?|manteca', 'butter'),
  word('leche condensada(?: azucarada)?', 'condensed milk'),
  word('leche evaporada', 'evaporated milk'),
  word('leche en polvo', 'skimmed milk powder'),
  word('leche(?: entera)?', 'milk'),
  word('nata (?:para montar|liquida)?|crema de leche|crema para batir', 'liquid cream'),
  word('nata', 'liquid cream'),
  word('queso crema', 'cream cheese'),
  word('yogur griego', 'greek yoghurt'),
  word('yogur(?: natural)?', 'yoghurt'),
  word('maicena|fecula de maiz|almidon de maiz', 'cornflour'),
  word('harina(?: de trigo)?', 'plain flour'),
  word('hojas? de gelatina|laminas? de gelatina', 'leaves gelatine'),
  word('gelatina en polvo|grenetina', 'powdered gelatin'),
  word('gelatina', 'gelatine'),
  word('acido citrico', 'citric acid'),
  word('agua', 'water'),
  word('sal(?: fina)?', 'salt'),
  word('galletas? maria', 'digestive biscuits'),
  word('cucharaditas?|cdtas?\\.?', 'tsp'),
  word('cucharadas?|cdas?\\.?', 'tbsp'),
  word('tazas?', 'cups'),
  word('una? pizca', 'a pinch'),
  word('latas?|botes?', 'can'),
  word('sobres?', 'packet'),
  word('un|una', '1'),
  word('dos', '2'),
  word('tres', '3'),
  word('cuatro', '4'),
  word('cinco', '5'),
  word('seis', '6'),
  word('grandes?', 'large'),
  word('median[oa]s?', 'medium'),
  word('pequen[oa]s?', 'small'),
  word('fri[oa]s?|fresc[oa]s?|derretida|blanda|colad[oa]', ''),
]
/** Words that give a language away; one is enough, since none is an English kitchen word. */
const TELLS: readonly [readonly Word[], RegExp][] = [
  [
    FRENCH,
    /(?<!\p{L})(?:sucre|beurre|jaunes?|blancs?|œufs?|oeufs?|citrons?|zestes?|jus d[e']|creme (?:liquide|fleurette|entiere)|lait|farine|feuilles?|cuilleres?|c\. ?a ?[sc]\.?|eau|sel|maizena|fecule|miel|pincee|pamplemousse|gelatine en poudre|cassonade|poudre d'amandes?|yaourts?)(?!\p{L})/iu,
  ],
  [
    SPANISH,
    /(?<!\p{L})(?:azucar|mantequilla|manteca|yemas?|claras?|huevos?|limon|limones|limas?|zumo|jugo|ralladura|leche|nata|crema de leche|crema para batir|harina|maicena|cucharad(?:as?|itas?)|tazas?|hojas? de gelatina|gelatina|agua|sal|pizca|miel|naranjas?|pomelos?|queso crema|yogur|latas?|maracuya|almidon de maiz|galletas?)(?!\p{L})/iu,
  ],
]

const plain = (text: string) =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036F]/g, '')
    .replace(/’/g, '\'')

/**
 * The line in English kitchen words, or as it is. "miel" and "sal" stand in both languages and mean the same.
 * @example translate('200 g de azúcar') // '200 g sugar'
 */
export function translate(text: string): string {
  const bare = plain(text)
  for (const [words, tell] of TELLS) {
    if (!tell.test(bare)) continue
    let out = bare
    for (const [pattern, to] of words) out = out.replace(pattern, to)
    // "200 g de sugar", "250 g d'butter": the link falls away after a measure, and before what it links.
    return out
      .replace(/(?<!\p{L})(?:de la|de l'|de|du|des|d')\s*(?=\p{L}|\d)/giu, m => (/of $/.test(m) ? m : ''))
      .replace(/(?<!\p{L})(?:et|y)(?!\p{L})/giu, 'and')
      .replace(/(?<!\p{L})(?:le|la|les|el|los|las)\s+/giu, '')
      .replace(/\s+/g, ' ')
      .trim()
  }
  return text
}
