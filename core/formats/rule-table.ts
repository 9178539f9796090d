import type { Point } from '../geometry'
import { ok, refuse, type Result } from '../result'
import { INCH_MM } from '../units'

/** The rule table that goes with a DXF file of the sewing trade's exchange standard (ASTM D6673): how places move from size to size. */
export interface RuleTable {
  sizes: string[]
  /** The size that the pieces are drawn in, by its place among the sizes. */
  sample: number
  /** For each rule, by its number, how far a place of the sample lies in every size, mm; y upward, as in the DXF. */
  rules: Map<number, Point[]>
}

const MOST_BYTES = 2_000_000
const MOST_SIZES = 60
const MOST_RULES = 5000
/** Places move no further from the sample than this, mm. */
const FARTHEST_MM = 2000

const bad = (where: string, message: string) =>
  refuse('rule-table-unreadable', where, message, 'Choose the rule table (.rul) that belongs to this DXF; nothing was changed here.')

const said = (lines: readonly string[], key: string): string | null => {
  const found = lines.find((l) => l.toUpperCase().startsWith(`${key}:`))
  return found === undefined ? null : found.slice(key.length + 1).trim()
}

/** Steps from size to size, or places in every size, as places from the sample. */
function fromSample(points: readonly Point[], sizes: number, sample: number): Point[] | null {
  const sums = [{ x: 0, y: 0 }]
  for (const step of points) sums.push({ x: sums[sums.length - 1]!.x + step.x, y: sums[sums.length - 1]!.y + step.y })
  const all = points.length === sizes ? points : points.length === sizes - 1 ? sums : null
  const own = all?.[sample]
  return all && own ? all.map((p) => ({ x: p.x - own.x, y: p.y - own.y })) : null
}

/**
 * Reads a rule table: sizes, the sample among them, and the rules (“RULE: DELTA 3” with a pair of figures for every size, or for every
 * step between two).
 * Refuses, with the line: what is none, a sample that is no size, a rule with another number of figures, figures out of reach.
 */
export function readRuleTable(text: string): Result<RuleTable> {
  if (text.length > MOST_BYTES) return bad('file', 'it is larger than any rule table.')
  const lines = text.split(/\r?\n/).map((l) => l.trim())
  const sizes = (said(lines, 'SIZE LIST') ?? '').split(/[\s,;]+/).filter((s) => s !== '')
  if (sizes.length === 0) return bad('file', 'it is no rule table: it has no line “SIZE LIST:”.')
  if (sizes.length > MOST_SIZES || new Set(sizes).size < sizes.length)
    return bad('“SIZE LIST”', 'it names a size twice, or more than there are.')
  const sample = sizes.indexOf(said(lines, 'SAMPLE SIZE') ?? '')
  if (sample < 0) return bad('“SAMPLE SIZE”', 'it is none of the sizes in the list.')
  const mm = /^ENGLISH/i.test(said(lines, 'UNITS') ?? '') ? INCH_MM : 1
  const rules = new Map<number, Point[]>()
  const heads = lines.flatMap((l, i) => (/^(?:RULE\b|END\b)/i.test(l) ? [i] : []))
  if (heads.length > MOST_RULES) return bad('file', 'it has more rules than any pattern.')
  for (const [k, i] of heads.entries()) {
    const head = /^RULE\s*:\s*(?:DELTA\s*)?#?\s*(\d{1,6})\s*$/i.exec(lines[i]!)
    if (!head) continue
    const where = `line ${i + 1}, rule ${head[1]!}`
    const body = lines.slice(i + 1, heads[k + 1] ?? lines.length).join(' ')
    const figures = body
      .split(/[\s,;]+/)
      .filter((f) => f !== '')
      .map(Number)
    if (figures.some((f) => !Number.isFinite(f) || Math.abs(f * mm) > FARTHEST_MM))
      return bad(where, 'it has something else than figures in reach.')
    const pairs = Array.from({ length: Math.floor(figures.length / 2) }, (_, k) => ({
      x: figures[2 * k]! * mm,
      y: figures[2 * k + 1]! * mm,
    }))
    const places = figures.length % 2 === 0 ? fromSample(pairs, sizes.length, sample) : null
    if (!places) return bad(where, `it has ${figures.length} figures, and not two for each of ${sizes.length} sizes.`)
    rules.set(Number(head[1]), places)
  }
  return rules.size === 0 ? bad('file', 'it has no rule in it.') : ok({ sizes, sample, rules })
}
