import type { DrawnText } from '../formats'
import { cross, dot, measureLength, nearestPlace, placeAt, subtract, unit, type Path, type Point } from '../geometry'
import type { InnerLineRole } from '../pattern'
import { saysHowCut } from './read-words'

/** Words stand along a line within so many of their heights, or so near, mm. */
const HEIGHTS = 3
const NEAR_MM = 6
/** They run along it to within this sine, and reach beyond it by this part of it at most. */
const ALONG = 0.2
const LONGER_PART = 1.1

/** What is written along lines within a piece, and is no name of a piece nor how it is cut. */
const OF_LINES =
  /\bline\b|lengthen|shorten|\b(?:(?:waist|bust|hip|knee|thigh|roll|fold|hem|stitch)line|waist|bust|hips?|knee|thigh|biceps?|elbow|calf|ankle|cent(?:re|er)|c\.?[fb]|roll|fold|crease|stitch\w*|topstitch\w*|darts?|pleats?|tucks?|pocket|placement|zip(?:per)?|facing|hem|slit|vent|button\w*)\b/i

/** What stands on the paper, whatever is drawn on it. */
const OF_PAPER = /\b(?:page|row|column|sheet|print)\b/i

/** What drawing programs and layers call any line: nothing of this one. */
const ANY_LINE = /^(?:(?:path|line|polyline|g|layer|id)[\s_-]*\d+|(?:inner )?lines?(?: and marks)?(?: within)?)$/i

const ends = (path: Path): [Point, Point] => [path[0]!.from, path[path.length - 1]!.to]

/** How far words stand from a line that they run along, mm; null where they do not. */
function besideMm(text: DrawnText, path: Path): number | null {
  const total = measureLength(path)
  const way = subtract(text.end, text.at)
  const long = Math.hypot(way.x, way.y)
  if (long === 0 || long > LONGER_PART * total) return null
  const near = nearestPlace(path, text.middle)
  if (near.distanceMm > Math.max(NEAR_MM, HEIGHTS * text.heightMm)) return null
  return Math.abs(cross(unit(way), placeAt(path, near.lengthMm).tangent)) <= ALONG ? near.distanceMm : null
}

/**
 * Lines within a piece with their names: the file's own, where it is one for this line alone; else the words that run along it, each for
 * the line that is nearest; else “line 2”.
 * @param ofAll names that are no line's own: those of the piece and of its other marks
 */
export function nameLines(
  lines: readonly { name: string; path: Path }[],
  texts: readonly DrawnText[],
  ofAll: ReadonlySet<string> = new Set(),
): { name: string; path: Path }[] {
  const isNone = (name: string) => name === '' || ANY_LINE.test(name) || ofAll.has(name)
  const isOwn = (name: string) => !isNone(name) && lines.filter((l) => l.name === name).length === 1
  const nameless = lines.filter((l) => !isOwn(l.name))
  const beside = nameless.flatMap((l) =>
    texts
      .filter((t) => OF_LINES.test(t.text) && !OF_PAPER.test(t.text) && !saysHowCut(t.text))
      .flatMap((text) => {
        const mm = besideMm(text, l.path)
        return mm === null ? [] : [{ line: l, text, mm }]
      }),
  )
  const called = new Map<(typeof lines)[number], string>()
  const used = new Set<DrawnText>()
  for (const { line, text } of beside.sort((a, b) => a.mm - b.mm)) {
    if (called.has(line) || used.has(text)) continue
    called.set(line, text.text.trim())
    used.add(text)
  }
  return lines.map((l, i) => ({ ...l, name: (called.get(l) ?? (isNone(l.name) ? '' : l.name)) || `line ${i + 1}` }))
}

/** Levels of the body by what a line across a piece is called. */
const LEVELS: readonly (readonly [InnerLineRole, RegExp])[] = [
  ['bust', /\bbust(?:[ -]?line| level)?\b(?!\s*(?:point|dart|apex))/i],
  ['waist', /\bwaist(?:[ -]?line| level)?\b(?!\s*(?:dart|stay|seam|tie|band))/i],
  ['hip', /(?<!high )\bhips?(?:[ -]?line| level)?\b(?!\s*(?:dart|curve|pocket|yoke))/i],
  ['thigh', /\bthigh\b/i],
  ['knee', /\bknee\b(?!\s*(?:dart|patch|pad))/i],
  ['bicep', /\b(?:biceps?|upper arm)\b/i],
]

/** A line is level where it runs across the grain to within this cosine. */
const LEVEL = 0.3

/**
 * What a line within a piece is, by its name: where the piece is lengthened or shortened; a level of the body, where it runs across the
 * grain; its centre, where it runs along.
 */
export function roleOfLine(name: string, path: Path, grain: { from: Point; to: Point }): InnerLineRole {
  const [from, to] = ends(path)
  const along = Math.abs(dot(unit(subtract(to, from)), unit(subtract(grain.to, grain.from))))
  if (/\b(?:lengthen|shorten)/i.test(name) && along <= LEVEL) return 'shorten'
  if (/^\W*(?:cent(?:re|er)[ -](?:front|back)|c\.?[fb]\.?)(?: line)?\W*$/i.test(name)) return along >= 1 - LEVEL ? 'centre' : 'other'
  return along <= LEVEL ? (LEVELS.find(([, called]) => called.test(name))?.[0] ?? 'other') : 'other'
}
