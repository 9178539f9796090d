import { spend } from '../budget'
import type { DrawnText } from '../formats'
import { boundsOf, distance, dot, line, measureLength, nearestPlace, placeAt, subtract, unit, type Path, type Point } from '../geometry'
import type { OutlineMark } from './find-outlines'

/** How long a buttonhole is drawn, mm. */
const LEAST_MM = 8
const MOST_MM = 60
/** One drawn as a narrow box is no wider than this, mm, and than this part of its length. */
const BOX_MM = 4
const BOX_PART = 0.3
/** A stroke bends by no more than this part of its length. */
const STRAIGHT_PART = 0.01
/** Bars across its ends: how long, and how near to the end their middles lie, mm. */
const BAR_LEAST_MM = 1.5
const BAR_MOST_MM = 14
const BAR_REACH_MM = 1.5
/** Square to within this cosine; side by side from this one on. */
const SQUARE = 0.2
const ALONG = 0.998
/** In a row of at least so many they are of one length to this, mm, at least this far apart, mm, and as far to this part. */
const ROW = 3
const SAME_MM = 0.6
const APART_MM = 18
const EVEN_PART = 0.08
/** Words stand beside it within this, mm. */
const BESIDE_MM = 25

const CALLED = /\bbutton ?holes?\b/i

interface Slit {
  from: Point
  to: Point
  middle: Point
  way: Point
  mm: number
  mark: OutlineMark
}

const toSlit = (mark: OutlineMark, from: Point, to: Point): Slit => ({
  from,
  to,
  mark,
  mm: distance(from, to),
  middle: { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 },
  way: unit(subtract(to, from)),
})

const isLong = (mm: number): boolean => mm >= LEAST_MM && mm <= MOST_MM

/** A stroke, or a narrow box, as the line that is cut open; null for what cannot be one. */
function slitOf(m: OutlineMark): Slit | null {
  if (m.path.length === 0) return null
  if (!m.closed) {
    const [from, to] = [m.path[0]!.from, m.path[m.path.length - 1]!.to]
    const long = distance(from, to)
    return isLong(long) && measureLength(m.path) - long <= STRAIGHT_PART * long ? toSlit(m, from, to) : null
  }
  if (m.path.length !== 4 || m.path.some((s) => s.kind !== 'line')) return null
  const sides = m.path.map((s) => distance(s.from, s.to))
  const k = sides[0]! >= sides[1]! ? 0 : 1
  const [long, wide] = [sides[k]!, sides[1 - k]!]
  if (!isLong(long) || wide > BOX_MM || wide > BOX_PART * long) return null
  const half = (i: number) => placeAt([m.path[i % 4]!], sides[i % 4]! / 2).point
  return toSlit(m, half(k + 3), half(k + 1))
}

/** The bars that end a buttonhole drawn like an I; empty where there are none. */
function barsOf({ from, to, way }: Slit, marks: readonly OutlineMark[]): OutlineMark[] {
  const bars = [from, to].map((end) =>
    marks.find((m) => {
      if (m.closed || m.path.length !== 1) return false
      const [a, b] = [m.path[0]!.from, m.path[0]!.to]
      const long = distance(a, b)
      const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }
      return (
        long >= BAR_LEAST_MM &&
        long <= BAR_MOST_MM &&
        distance(middle, end) <= BAR_REACH_MM &&
        Math.abs(dot(unit(subtract(b, a)), way)) <= SQUARE
      )
    }),
  )
  return bars.every((b) => b !== undefined) ? bars : []
}

/** Another stroke runs through its middle: both are a cross that marks a place. */
const isCrossed = ({ middle, mark }: Slit, marks: readonly OutlineMark[]): boolean =>
  marks.some(
    (m) =>
      m !== mark && !m.closed && m.path.length === 1 && distance(placeAt(m.path, measureLength(m.path) / 2).point, middle) <= BAR_REACH_MM,
  )

/** Slits of one length, side by side or one after another at even distances. */
function rowsOf(slits: readonly Slit[]): Slit[] {
  const inRows = new Set<Slit>()
  for (const first of slits) {
    if (inRows.has(first)) continue
    const alike = slits.filter((s) => Math.abs(s.mm - first.mm) <= SAME_MM && Math.abs(dot(s.way, first.way)) >= ALONG)
    if (alike.length < ROW) continue
    const { minX, maxX, minY, maxY } = boundsOf(alike.slice(1).map((s, i) => line(alike[i]!.middle, s.middle)))
    const along = maxX - minX > maxY - minY ? (s: Slit) => s.middle.x : (s: Slit) => s.middle.y
    const sorted = [...alike].sort((a, b) => along(a) - along(b))
    const steps = sorted.slice(1).map((s, i) => subtract(s.middle, sorted[i]!.middle))
    const far = steps.map((s) => Math.hypot(s.x, s.y))
    const usual = far.reduce((a, b) => a + b, 0) / far.length
    const isEven = far.every((f) => Math.abs(f - usual) <= EVEN_PART * usual)
    const isInLine = steps.every((s) => dot(unit(s), unit(steps[0]!)) >= ALONG)
    if (usual >= APART_MM && isEven && isInLine) for (const s of alike) inRows.add(s)
  }
  return [...inRows]
}

/**
 * Buttonholes drawn as what they are, a stroke or a narrow box within the piece: so called by the file or by words beside them,
 * ended by bars, or in an even row.
 *
 * @param marks what is drawn in the piece that is neither grain nor notch nor fold
 * @param outline the line of the piece: what begins on it is none
 */
export function readButtonholes(
  marks: readonly OutlineMark[],
  outline: Path,
  texts: readonly DrawnText[],
): { lines: { name: string; path: Path }[]; of: ReadonlySet<OutlineMark> } {
  spend(marks.length * marks.length)
  const slits = marks
    .flatMap((m) => slitOf(m) ?? [])
    .filter((s) => [s.from, s.to].every((p) => nearestPlace(outline, p).distanceMm > BAR_REACH_MM) && !isCrossed(s, marks))
  const said = texts.filter((t) => CALLED.test(t.text))
  const isCalled = ({ mark, middle }: Slit) =>
    [mark.name, ...mark.groups].some((n) => CALLED.test(n)) ||
    said.some((t) => Math.min(nearestPlace([line(t.at, t.end)], middle).distanceMm, distance(t.middle, middle)) <= BESIDE_MM)
  const bars = new Map(slits.map((s) => [s, barsOf(s, marks)]))
  const barMarks = new Set([...bars.values()].flat())
  const whole = slits.filter((s) => !barMarks.has(s.mark))
  const rows = new Set(rowsOf(whole))
  const found = whole.filter((s) => isCalled(s) || bars.get(s)!.length > 0 || rows.has(s))
  return {
    lines: found.map((s, i) => ({ name: i === 0 ? 'buttonhole' : `buttonhole ${i + 1}`, path: [line(s.from, s.to)] })),
    of: new Set(found.flatMap((s) => [s.mark, ...bars.get(s)!])),
  }
}
