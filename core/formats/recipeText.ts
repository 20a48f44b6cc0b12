/**
 * A formula's text taken apart: name, ingredient lines by section, method. Plain text, Markdown, and schema.org
 * Recipe as JSON-LD.
 */

export type Section = 'filling' | 'crust' | 'topping'
export interface TextLine {
  text: string
  section: Section
  heading: boolean
  comment: boolean
}
export interface RecipeText {
  format: 'text' | 'markdown' | 'jsonld'
  name: string
  lines: TextLine[]
  steps: string[]
}

const METHOD =
  /^(?:the\s+)?(?:method|directions?|instructions?|steps?|preparation|procedure|to make|how to make it|preparaci[oó]n|elaboraci[oó]n|pr[eé]paration|[eé]tapes|r[eé]alisation)\s*:?$/i
const INGREDIENTS = /^(?:ingredients?|you (?:will )?need|what you need|ingredientes|ingr[eé]dients|formula)\s*:?$/i
const CRUST = /\b(?:crusts?|base|shell|pastry|biscuit base|crumb|shortbread|dough|p[aâ]te|masa|fond)\b/i
const TOPPING = /\b(?:toppings?|meringue topping|to (?:serve|finish|decorate)|garnish|decoration|glaze)\b/i
/** A line that begins like an amount, or names a part of a fruit. */
const AMOUNT =
  /^(?:\d|[½¼¾⅓⅔⅛⅜⅝⅞⅕]|an?\s|half\b|one\b|two\b|three\b|four\b|five\b|six\b|eight\b|ten\b|twelve\b|(?:finely\s+)?(?:grated\s+)?(?:juice|zest|rind|the juice|the zest)\b|le jus|les? zestes?|el zumo|el jugo|la ralladura|une?\s|deux\s|trois\s|un[ao]?\s|dos\s|tres\s|pinch|jus d|zumo de|jugo de)/i

const HEADING = /^(?:for|pour|para)\s+(?:the|la|le|l['’]|el|les|los)\b.*:?$|^[^\d:]{2,40}:$/i

/**
 * Markdown marks off: list signs, check boxes, emphasis, code, links, table bars.
 * @example unmarked('- 200 g sugar') // '200 g sugar'
 */
export const unmarked = (line: string) =>
  line
    .replace(/^\s*>\s?/, '')
    .replace(/^\s*[-*+•·–]\s+(?:\[[ x]\]\s*)?/i, '')
    .replace(/\[([^\]]+)\]\([^)]*\)/g, '$1')
    .replace(/[*_`]{1,3}([^*_`]+)[*_`]{1,3}/g, '$1')
    .replace(/^\|\s*|\s*\|$/g, '')
    .replace(/\s*\|\s*/g, ' ')
    .trim()

const sectionOf = (heading: string): Section =>
  TOPPING.test(heading) ? 'topping' : CRUST.test(heading) ? 'crust' : 'filling'

/**
 * Takes a text apart.
 * @example recipeText('200 g sugar\nWhisk.').lines.length // 2
 */
export function recipeText(text: string): RecipeText {
  const found = fromJsonLd(text)
  if (found) return found
  const markdown = /^#{1,4}\s|^\s*[-*]\s+\*\*|^\|.*\|/m.test(text)
  const out: RecipeText = { format: markdown ? 'markdown' : 'text', name: '', lines: [], steps: [] }
  let section: Section = 'filling'
  let inMethod = false
  for (const raw of text.split(/\r?\n/)) {
    if (/^\s*$/.test(raw) || /^\s*\|?[\s:|-]+\|?\s*$/.test(raw)) continue
    const hash = /^\s*(#{1,6})\s+(.*)$/.exec(raw)
    const numbered = /^\s*\d{1,2}[.)]\s+(?=\p{L})/u.exec(raw)
    const line = unmarked(hash ? hash[2]! : numbered ? raw.slice(numbered[0].length) : raw)
    if (!line) continue
    const said = line.replace(/:$/, '')
    if (METHOD.test(said)) {
      inMethod = true
      continue
    }
    if (INGREDIENTS.test(said)) {
      inMethod = false
      continue
    }
    if (hash && hash[1] === '#' && !out.name && out.lines.length === 0) {
      out.name = said
      continue
    }
    const heading = hash !== null || (HEADING.test(line) && !AMOUNT.test(line))
    if (heading) {
      section = sectionOf(line)
      if (!inMethod) out.lines.push({ text: line, section, heading: true, comment: false })
      continue
    }
    // A numbered line that begins with a letter is a step; a long sentence without an amount, once lines have been
    // read, too.
    if (
      inMethod ||
      (numbered && !AMOUNT.test(line)) ||
      (!AMOUNT.test(line) && out.lines.length > 0 && line.length > 60 && /[.!]$/.test(line))
    ) {
      out.steps.push(line)
      continue
    }
    const comment = /^(?:\/\/|note\b|nb\b|tip\b|\()/i.test(line) && !AMOUNT.test(line)
    out.lines.push({ text: line, section, heading: false, comment })
  }
  // A first line with no amount, followed by lines that have one, is the name.
  const [first, second] = out.lines
  if (
    !out.name &&
    first &&
    second &&
    !first.heading &&
    !first.comment &&
    !AMOUNT.test(first.text) &&
    AMOUNT.test(second.text) &&
    first.text.split(' ').length > 1 &&
    !/\d/.test(first.text)
  ) {
    out.name = first.text
    out.lines.shift()
  }
  return out
}

/** A text taken apart, as plain text again. */
export const asText = (r: RecipeText): string =>
  [
    ...(r.name ? [`# ${r.name}`, ''] : []),
    ...r.lines.map(l => l.text),
    ...(r.steps.length ? ['', 'Method', ...r.steps.map((s, i) => `${i + 1}. ${s}`)] : []),
  ].join('\n')

type Json = Record<string, unknown>
const isJson = (x: unknown): x is Json => typeof x === 'object' && x !== null && !Array.isArray(x)
const list = (x: unknown): unknown[] => (Array.isArray(x) ? x : x === undefined || x === null ? [] : [x])

/** A schema.org Recipe out of JSON, of a page's script or of a graph; null when there is none. */
function fromJsonLd(text: string): RecipeText | null {
  const script = /<script[^>]*application\/ld\+json[^>]*>([\s\S]*?)<\/script>/i.exec(text)?.[1]
  const source = (script ?? text).trim()
  if (!/^[[{]/.test(source)) return null
  let data: unknown
  try {
    data = JSON.parse(source)
  } catch {
    return null
  }
  const isRecipe = (x: Json) => list(x['@type']).includes('Recipe')
  const all = list(data)
    .filter(isJson)
    .flatMap(x => [x, ...list(x['@graph']).filter(isJson)])
  const recipe = all.find(isRecipe)
  if (!recipe) return null
  const steps = (x: unknown): string[] =>
    list(x).flatMap((s) => {
      if (typeof s === 'string')
        return s
          .split(/\r?\n/)
          .map(t => t.replace(/<[^>]+>/g, ' ').trim())
          .filter(Boolean)
      if (!isJson(s)) return []
      return s.itemListElement
        ? steps(s.itemListElement)
        : typeof s.text === 'string'
          ? [s.text.trim()]
          : typeof s.name === 'string'
            ? [s.name]
            : []
    })
  return {
    format: 'jsonld',
    name: typeof recipe.name === 'string' ? recipe.name.trim() : '',
    lines: list(recipe.recipeIngredient ?? recipe.ingredients)
      .filter((x): x is string => typeof x === 'string')
      .map(text => ({
        text: text
          .replace(/<[^>]+>/g, ' ')
          .replace(/\s+/g, ' ')
          .trim(),
        section: 'filling' as const,
        heading: false,
        comment: false,
      }))
      .filter(l => l.text),
    steps: steps(recipe.recipeInstructions),
  }
}
