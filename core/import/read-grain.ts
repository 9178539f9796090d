import type { DrawnText } from '../formats'
import {
  add,
  distance,
  dot,
  isStraightPath,
  joinStraight,
  line,
  measureArea,
  measureLength,
  nearestPlace,
  scale,
  subtract,
  unit,
  type Path,
  type Point,
} from '../geometry'
import type { OutlineMark } from './find-outlines'

/** A grainline with how it was told: what it is called, its arrow heads, words beside it, or only that it lies so. */
export interface ReadGrain {
  from: Point
  to: Point
  sure: boolean
  /** The marks that it was drawn with: they are no lines of the piece. */
  of: ReadonlySet<OutlineMark>
}

/** The shortest line that passes for a grain, mm, and the longest stroke of an arrow's head. */
const LEAST_MM = 24
const HEAD_MM = 45
/** A head is drawn at the end of its line to this, mm; a line touches the outline to this. */
const AT_END_MM = 3
const TOUCH_MM = 2.5
/** Words stand beside their line within this, mm. */
const BESIDE_MM = 14
/** A drawn line that bends by less than this was meant to be straight, mm. */
const STRAIGHT_MARK_MM = 0.5
/** An arrow drawn as one shape has at least so many corners and covers at most this part of a square on its length. */
const ARROW_CORNERS = 7
const ARROW_PART = 0.12

/** An edge of this length that runs as a line does speaks for it, mm: on a piece that lies aslant. */
const LEAST_EDGE_MM = 50
/** A line stands upright or lies level to this part of its length. */
const UPRIGHT = 0.02

const GRAIN_WORDS = /\bgrain|\bthread|\bstraight (?:of|grain)|\blengthwise|\bwarp\b/i
const OTHER_WORDS =
  /lengthen|shorten|\bfold\b|waist ?line|hip ?line|bust ?line|\bdart\b|stitch|\bnotch|centre|center|pleat|placement|roll ?line|hem ?line/i

const ends = (path: Path): [Point, Point] => [path[0]!.from, path[path.length - 1]!.to]
const called = (m: OutlineMark) => [m.name, ...m.groups].join(' ')

/** A point to the end of a stretch, and a line's distance from it. */
function besideMm(t: DrawnText, a: Point, b: Point): number {
  const path = [line(a, b)]
  return Math.min(...[t.at, t.middle, t.end].map((p) => nearestPlace(path, p).distanceMm))
}

const downward = (a: Point, b: Point): { from: Point; to: Point } => (a.y <= b.y ? { from: a, to: b } : { from: b, to: a })

/** How much speaks for a straight mark being the grain; below nothing it is something else. */
function scoreOf(
  mark: OutlineMark,
  marks: readonly OutlineMark[],
  outline: Path,
  texts: readonly DrawnText[],
): { score: number; heads: OutlineMark[] } {
  const [a, b] = ends(mark.path)
  const long = distance(a, b)
  const name = called(mark)
  const heads = [a, b].map((end) => marks.filter((m) => m !== mark && isHead(m, end, long)))
  const touching = [a, b].filter((p) => nearestPlace(outline, p).distanceMm <= TOUCH_MM).length
  const near = texts.filter((t) => besideMm(t, a, b) <= BESIDE_MM)
  const along = unit(subtract(b, a))
  const besideEdge = outline.some(
    (s) => s.kind === 'line' && distance(s.from, s.to) >= LEAST_EDGE_MM && Math.abs(dot(unit(subtract(s.to, s.from)), along)) > 0.9998,
  )
  const level = Math.min(Math.abs(along.x), Math.abs(along.y)) < UPRIGHT
  const goesOn = marks.some(
    (m) => m !== mark && measureLength(m.path) > HEAD_MM && !m.closed && ends(m.path).some((p) => distance(p, a) < 1 || distance(p, b) < 1),
  )
  const isAlone =
    touching === 0 &&
    !marks.some((m) => m !== mark && !m.closed && isStraightPath(m.path, STRAIGHT_MARK_MM) && measureLength(m.path) > long / 2)
  const score =
    (GRAIN_WORDS.test(name) ? 6 : 0) +
    (mark.hasMarkers ? 4 : 0) +
    3 * heads.filter((h) => h.length > 0).length +
    (near.some((t) => GRAIN_WORDS.test(t.text)) ? 3 : 0) +
    (level || besideEdge ? 1 : 0) +
    (isAlone ? 0.5 : 0) +
    Math.min(1, long / 200) -
    (touching === 2 ? 4 : touching === 1 ? 3 : 0) -
    (mark.isDashed ? 2 : 0) -
    (OTHER_WORDS.test(mark.name) && !GRAIN_WORDS.test(name) ? 5 : 0) -
    (near.some((t) => /lengthen|shorten/i.test(t.text) && runsAlong(t, along)) ? 3 : 0) -
    (goesOn ? 2.5 : 0)
  return { score, heads: heads.flat() }
}

/** Do words run along a line, and not across it? */
const runsAlong = (t: DrawnText, along: Point): boolean =>
  distance(t.at, t.end) > 0 && Math.abs(dot(unit(subtract(t.end, t.at)), along)) > 0.9

/** A short stroke, or a small shape, that begins at the end of a line: part of an arrow's head. */
function isHead(m: OutlineMark, end: Point, shaftMm: number): boolean {
  const long = measureLength(m.path)
  if (long > HEAD_MM || long > shaftMm || long < 1) return false
  return nearestPlace(m.path, end).distanceMm <= AT_END_MM
}

/** The axis of an arrow that is drawn as one closed shape; null for any other. */
function arrowShape(mark: OutlineMark): { from: Point; to: Point } | null {
  const { path } = mark
  if (!mark.closed || path.length < ARROW_CORNERS || path.length > 40 || path.filter((s) => s.kind === 'cubic').length > 4) return null
  const corners = path.map((s) => s.from)
  const far = corners
    .flatMap((a, i) => corners.slice(i + 1).map((b) => ({ a, b, mm: distance(a, b) })))
    .reduce((x, y) => (y.mm > x.mm ? y : x))
  const area = Math.abs(measureArea(path))
  if (far.mm < LEAST_MM || area > ARROW_PART * far.mm * far.mm) return null
  // Both halves beside the axis are alike, and at least one end comes to a point.
  const along = unit(subtract(far.b, far.a))
  const side = (p: Point) => (p.x - far.a.x) * -along.y + (p.y - far.a.y) * along.x
  const sides = corners.map(side)
  const even = Math.abs(Math.max(...sides) + Math.min(...sides)) <= 0.25 * (Math.max(...sides) - Math.min(...sides))
  return even ? { from: far.a, to: far.b } : null
}

/** An arrow drawn in one stroke has at most so many lines; those of its heads are no longer than this part of its shaft. */
const STROKE_LINES = 9
const STROKE_HEAD_PART = 0.34
const STROKED_SCORE = 4
/** Cosines between which a barb stands to its shaft: neither square to it, as the arm of a bracket is, nor along it. */
const BARB_SLANT = { least: 0.3, most: 0.99 }

/** The shaft of an arrow that is drawn in one open stroke, with a barb or a head at an end or at both; null for any other. */
function arrowStroke({ path: drawn, closed }: OutlineMark): { from: Point; to: Point } | null {
  // What was cut at the edge of a page is a line in two parts.
  const path = closed ? drawn : joinStraight(drawn, STRAIGHT_MARK_MM)
  if (closed || path.length < 2 || path.length > STROKE_LINES || path.some((s) => s.kind !== 'line')) return null
  const long = (s: Path[number]) => distance(s.from, s.to)
  const shaft = path.reduce((a, b) => (long(b) > long(a) ? b : a))
  if (long(shaft) < LEAST_MM) return null
  const most = Math.min(HEAD_MM, STROKE_HEAD_PART * long(shaft))
  const along = unit(subtract(shaft.to, shaft.from))
  // A barb leads back from the end that it stands at, aslant.
  const alongMm = (p: Point) => dot(subtract(p, shaft.from), along)
  const isBarb = ({ from, to }: Path[number]) => {
    const slant = Math.abs(dot(unit(subtract(to, from)), along))
    return (
      slant > BARB_SLANT.least &&
      slant < BARB_SLANT.most &&
      [from, to].every(
        (p) => Math.min(distance(p, shaft.from), distance(p, shaft.to)) <= most && alongMm(p) > -1 && alongMm(p) < long(shaft) + 1,
      )
    )
  }
  return path.every((s) => s === shaft || isBarb(s)) ? { from: shaft.from, to: shaft.to } : null
}

/** Arrows that are letters: which way they point along their base line, or across it. */
const ALONG_GLYPH = /^[\s]*[↔←→⟷⟵⟶⇔⇄⬌➝➔]+[\s]*$/
const ACROSS_GLYPH = /^[\s]*[↕↑↓⇕⬍⥮]+[\s]*$/

function glyphArrow(t: DrawnText): { from: Point; to: Point } | null {
  if (!ALONG_GLYPH.test(t.text) && !ACROSS_GLYPH.test(t.text)) return null
  const base = distance(t.at, t.end) > 0 ? unit(subtract(t.end, t.at)) : { x: 1, y: 0 }
  const way = ALONG_GLYPH.test(t.text) ? base : { x: -base.y, y: base.x }
  const half = Math.max(t.heightMm * t.text.trim().length, LEAST_MM) / 2
  return downward(add(t.middle, scale(way, -half)), add(t.middle, scale(way, half)))
}

/** What must speak for a line before it passes for the grain; and from where on it is sure. */
const LEAST_SCORE = 0.9
const SURE_SCORE = 3.5

/**
 * The arrow along the threads among the marks of a piece: the line that says so, that has arrow heads or the word beside it;
 * an arrow drawn as one shape, or as a letter; else the longest straight line inside that lies along the page. Null without any.
 */
export function readGrain(marks: readonly OutlineMark[], outline: Path, texts: readonly DrawnText[]): ReadGrain | null {
  const found: (ReadGrain & { score: number })[] = []
  for (const mark of marks) {
    const arrow = arrowShape(mark)
    if (arrow) found.push({ ...downward(arrow.from, arrow.to), sure: true, of: new Set([mark]), score: 6 })
    const stroked = arrowStroke(mark)
    if (stroked) found.push({ ...downward(stroked.from, stroked.to), sure: true, of: new Set([mark]), score: STROKED_SCORE })
    const [a, b] = ends(mark.path)
    if (mark.closed || distance(a, b) < LEAST_MM || !isStraightPath(mark.path, STRAIGHT_MARK_MM)) continue
    const { score, heads } = scoreOf(mark, marks, outline, texts)
    if (score >= LEAST_SCORE) found.push({ ...downward(a, b), sure: score >= SURE_SCORE, of: new Set([mark, ...heads]), score })
  }
  for (const t of texts) {
    const arrow = glyphArrow(t)
    if (arrow) found.push({ ...arrow, sure: true, of: new Set(), score: 5 })
  }
  const best = found.sort((x, y) => y.score - x.score || distance(y.from, y.to) - distance(x.from, x.to))[0]
  return best ? { from: best.from, to: best.to, sure: best.sure, of: best.of } : null
}
