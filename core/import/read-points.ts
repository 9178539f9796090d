import type { DrawnText } from '../formats'
import {
  boundsOf,
  distance,
  line,
  measureArea,
  measureLength,
  nearestPlace,
  placeAt,
  subtract,
  unit,
  dot,
  type Path,
  type Point,
} from '../geometry'
import type { OutlineMark } from './find-outlines'

/** A place that is marked within a piece: a drill hole, a button, the bust point. */
export interface ReadPoint {
  name: string
  role: 'apex' | 'other'
  at: Point
}

/** How large a ring or a cross is drawn that marks a place, mm. */
const LEAST_MM = 1.5
const MOST_MM = 16
/** A ring is as high as it is wide to this part, and covers most of its box: a triangle or a bar does not. */
const ROUND_PART = 0.15
const FILLS = 0.45
/** The strokes of a cross meet near their middles, to this part of their length, and stand square to this cosine. */
const MIDDLE_PART = 0.2
const SQUARE = 0.5
/** A place this near to the outline is a notch, or a part of it, mm. */
const WITHIN_MM = 6
/** Rings and crosses about one place are one mark, mm. */
const SAME_PLACE_MM = 3
/** Words stand beside their place within this, mm. */
const BESIDE_MM = 25

const APEX = /\b(?:bust ?point|apex|bp)\b/i
const CALLED: [RegExp, string][] = [
  [APEX, 'bust point'],
  [/\bbutton ?hole/i, 'buttonhole'],
  [/\bbutton/i, 'button'],
  [/\bsnap|\bpopper|\bpress stud/i, 'snap'],
  [/\bpocket/i, 'pocket corner'],
]

const ends = (path: Path): [Point, Point] => [path[0]!.from, path[path.length - 1]!.to]

/** What the file itself calls a hole is no notch, however near the outline: the bust point lies at the tip of its dart. */
export const isCalledHole = (m: OutlineMark): boolean => [m.name, ...m.groups].some((name) => /^(?:drill|apex$|bust ?point$)/i.test(name))

/** The middle of a ring; null for what is none. */
function middleOfRing({ path, closed }: OutlineMark): Point | null {
  if (!closed) return null
  const { minX, maxX, minY, maxY } = boundsOf(path)
  const [wide, high] = [maxX - minX, maxY - minY]
  const isRound = Math.abs(wide - high) <= ROUND_PART * Math.max(wide, high) && Math.abs(measureArea(path)) >= FILLS * wide * high
  return isRound && Math.max(wide, high) >= LEAST_MM && Math.max(wide, high) <= MOST_MM
    ? { x: (minX + maxX) / 2, y: (minY + maxY) / 2 }
    : null
}

/** Where two straight strokes cross at their middles; null where they do not. */
function middleOfCross(a: OutlineMark, b: OutlineMark): Point | null {
  const longs = [a, b].map((m) => measureLength(m.path))
  if ([a, b].some((m, i) => m.closed || m.path.length !== 1 || longs[i]! < 2 * LEAST_MM || longs[i]! > MOST_MM)) return null
  const [p, q] = [a, b].map((m, i) => placeAt(m.path, longs[i]! / 2).point) as [Point, Point]
  const ways = [a, b].map((m) => unit(subtract(ends(m.path)[1], ends(m.path)[0]))) as [Point, Point]
  return distance(p, q) <= MIDDLE_PART * Math.min(...longs) && Math.abs(dot(ways[0], ways[1])) <= SQUARE ? p : null
}

/** What stands beside a place, or the file calls it. */
function calledAt(at: Point, marks: readonly OutlineMark[], texts: readonly DrawnText[]): string {
  const near = texts
    .map((t) => ({ text: t.text, mm: Math.min(nearestPlace([line(t.at, t.end)], at).distanceMm, distance(t.middle, at)) }))
    .filter((t) => t.mm <= BESIDE_MM)
    .sort((a, b) => a.mm - b.mm)
  const words = [...marks.flatMap((m) => [m.name, ...m.groups]), ...near.map((t) => t.text)]
  for (const word of words) for (const [pattern, name] of CALLED) if (pattern.test(word)) return name
  return 'drill hole'
}

/**
 * Places that are marked within a piece by a ring, a cross or both.
 *
 * @param marks what is drawn in it that is neither grain nor notch nor fold
 * @param outline the line of the piece
 */
export function readPoints(
  marks: readonly OutlineMark[],
  outline: Path,
  texts: readonly DrawnText[],
): { points: ReadPoint[]; of: ReadonlySet<OutlineMark> } {
  const found: { at: Point; of: OutlineMark[] }[] = []
  const put = (at: Point | null, of: OutlineMark[]) => {
    if (!at || (!of.some(isCalledHole) && nearestPlace(outline, at).distanceMm < WITHIN_MM)) return
    const there = found.find((f) => distance(f.at, at) <= SAME_PLACE_MM)
    if (there) there.of.push(...of)
    else found.push({ at, of })
  }
  for (const m of marks) put(middleOfRing(m), [m])
  const strokes = marks.filter((m) => !m.closed && m.path.length === 1 && measureLength(m.path) <= MOST_MM)
  for (const [i, a] of strokes.entries()) for (const b of strokes.slice(i + 1)) put(middleOfCross(a, b), [a, b])
  const names = found.map(({ at, of }) => calledAt(at, of, texts))
  const points = found.map(({ at }, i): ReadPoint => {
    const name = names[i]!
    const times = names.slice(0, i + 1).filter((n) => n === name).length
    return { at, name: times > 1 ? `${name} ${times}` : name, role: APEX.test(name) ? 'apex' : 'other' }
  })
  return { points, of: new Set(found.flatMap((f) => f.of)) }
}
