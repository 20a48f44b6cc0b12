/**
 * Writes what the documents of the project take from the code: the limits of the JSON Schemas from the table of fields,
 * and the parameters of docs/science.md from theirs. `npm run tables`; tests fail where they differ.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { benchPath } from '#core/formula/bench'
import { FIELDS, type FieldPath } from '#core/base/fields'
import { PARAMETER_TABLE, type ParameterRow } from '#core/base/parameters'

export type SchemaNode = Record<string, unknown> & {
  properties?: Record<string, SchemaNode>
  items?: SchemaNode
  $ref?: string
}

/**
 * Counted for some kinds only, so that a document may hold what is not looked at: the width of a round tin, an oven
 * unused.
 */
export const CONDITIONAL: readonly FieldPath[] = ['assembly.vessel.widthM', 'heat.oven.airTempC']

/** The published schemas of documents, with what stands before their fields. */
export const SCHEMAS = { 'docs/formula.schema.json': '', 'docs/occasion.schema.json': 'occasion.' } as const

/** Calls back for every number of a JSON Schema with its path as the stations name it. */
export function eachField(schema: SchemaNode, before: string, see: (path: string, node: SchemaNode) => void): void {
  eachNumber(schema, (path, node) => see(benchPath(before + path), node))
}

/** Calls back for every number of a JSON Schema with its path in a document. */
function eachNumber(
  schema: SchemaNode,
  see: (path: string, node: SchemaNode) => void,
  node = schema,
  path: string[] = [],
): void {
  if (node.$ref) {
    const target = node.$ref.slice(2).split('/').reduce((n, k) => n[k] as SchemaNode, schema)
    return eachNumber(schema, see, target, path)
  }
  if ([node.type].flat().some(t => t === 'number' || t === 'integer')) see(path.join('.'), node)
  for (const [key, child] of Object.entries(node.properties ?? {}))
    eachNumber(schema, see, child, key === 'given' ? path : [...path, key])
  if (node.items) eachNumber(schema, see, node.items, [...path, '*'])
  for (const key of ['oneOf', 'anyOf', 'allOf'])
    for (const child of (node[key] as SchemaNode[] | undefined) ?? []) eachNumber(schema, see, child, path)
}

/** The parameters as a table in Markdown, group by group. */
export function parameterTables(): string {
  const number = (x: number) => String(Number(x.toPrecision(4)))
  const cell = (x: string) => x.replaceAll('|', '\\|')
  const line = (name: string, r: ParameterRow) =>
    `| \`${name}\` | ${number(r.value)} ${r.unit} | ${r.law === 'normal' ? '±' : '×÷ e^'}${number(r.spread)} `
    + `| ${cell(r.what)} | ${r.confidence} | ${cell(r.source)} |`
  return Object.entries(PARAMETER_TABLE as Record<string, Record<string, ParameterRow>>).map(([group, rows]) => [
    `### ${group}`,
    '',
    '| name | value | one σ | what it is | confidence | source |',
    '| --- | --- | --- | --- | --- | --- |',
    ...Object.entries(rows).map(([name, row]) => line(`${group}.${name}`, row)),
  ].join('\n')).join('\n\n')
}

const FROM = '<!-- parameters: written by npm run tables -->'
const TO = '<!-- /parameters -->'
/** A document with its table of parameters made anew. */
export function withParameters(text: string): string {
  const [from, to] = [text.indexOf(FROM), text.indexOf(TO)]
  if (from < 0 || to < from) throw new Error('docs/science.md has no place for the parameters')
  return `${text.slice(0, from + FROM.length)}\n\n${parameterTables()}\n\n${text.slice(to)}`
}

/** Writes both. @returns the exit code */
export function main(): number {
  for (const [file, before] of Object.entries(SCHEMAS)) {
    const schema = JSON.parse(readFileSync(file, 'utf8')) as SchemaNode
    eachField(schema, before, (path, node) => {
      if (!(path in FIELDS) || CONDITIONAL.includes(path as FieldPath)) return
      const { min, max } = FIELDS[path as FieldPath]
      Object.assign(node, { minimum: min, maximum: max })
    })
    writeFileSync(file, `${JSON.stringify(schema, null, 1)}\n`)
  }
  writeFileSync('docs/science.md', withParameters(readFileSync('docs/science.md', 'utf8')))
  return 0
}
