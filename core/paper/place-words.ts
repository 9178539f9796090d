import { add, dot, scale, subtract, type Point } from '../geometry'
import { containsPoint } from '../moves'

/** Words on paper, one line, beginning at a place and running in a direction. */
export interface PlacedWords {
  text: string
  /** Left end of the base line, mm. */
  at: Point
  /** Turned clockwise on the page, radians; 0 runs to the right. */
  turnRad: number
  sizeMm: number
  bold: boolean
}

/** Widths of letters as parts of their height, rounded up: a line that is measured by them is never longer when it is printed. */
const NARROW = 0.32
const USUAL = 0.54
const WIDE = 0.86
const NARROW_SIGNS = new Set(" .,;:'’!|ijlItfr·()[]-")
const WIDE_SIGNS = new Set('mwMW@%½¼¾⅛⅜⅝⅞→')

/** Most that a line of words is wide, mm. */
export function widthOfWords(text: string, sizeMm: number, bold = false): number {
  let parts = 0
  for (const sign of text) parts += NARROW_SIGNS.has(sign) ? NARROW : WIDE_SIGNS.has(sign) ? WIDE : USUAL
  return parts * sizeMm * (bold ? 1.06 : 1)
}

/** A rectangle anywhere: its middle, the direction of its length, half its length and half its height, mm. */
export interface Room {
  middle: Point
  along: Point
  halfMm: number
  highMm: number
}

export type Chord = readonly [Point, Point]

/** Height of letters above the base line, and depth below it, as parts of their size. */
const ABOVE = 0.76
const BELOW = 0.24

/** The room that a line of words takes. */
export function roomOf({ text, at, turnRad, sizeMm, bold }: PlacedWords): Room {
  const along = { x: Math.cos(turnRad), y: Math.sin(turnRad) }
  const up = { x: along.y, y: -along.x }
  const half = widthOfWords(text, sizeMm, bold) / 2
  const middle = add(add(at, scale(along, half)), scale(up, ((ABOVE - BELOW) / 2) * sizeMm))
  return { middle, along, halfMm: half, highMm: ((ABOVE + BELOW) / 2) * sizeMm }
}

const upOf = ({ along }: Room): Point => ({ x: along.y, y: -along.x })

/** Does a chord come into a room? In the room's own directions, clipped (Liang and Barsky, 1984). */
export function meetsChord(room: Room, [a, b]: Chord): boolean {
  const up = upOf(room)
  const [pa, pb] = [a, b].map((p) => ({ x: dot(subtract(p, room.middle), room.along), y: dot(subtract(p, room.middle), up) })) as [
    Point,
    Point,
  ]
  let [t0, t1] = [0, 1]
  const d = subtract(pb, pa)
  for (const [p, q] of [
    [-d.x, pa.x + room.halfMm],
    [d.x, room.halfMm - pa.x],
    [-d.y, pa.y + room.highMm],
    [d.y, room.highMm - pa.y],
  ] as const) {
    if (p === 0) {
      if (q < 0) return false
    } else if (p < 0) t0 = Math.max(t0, q / p)
    else t1 = Math.min(t1, q / p)
  }
  return t0 <= t1
}

const cornersOf = (room: Room): Point[] =>
  [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([i, k]) => add(add(room.middle, scale(room.along, i! * room.halfMm)), scale(upOf(room), k! * room.highMm)))

/** Do two rooms overlap? They are apart where one direction of either parts them (separating axes). */
function meetsRoom(a: Room, b: Room): boolean {
  const [ca, cb] = [cornersOf(a), cornersOf(b)]
  return [a.along, upOf(a), b.along, upOf(b)].every((axis) => {
    const [sa, sb] = [ca.map((p) => dot(p, axis)), cb.map((p) => dot(p, axis))]
    return Math.min(...sa) < Math.max(...sb) && Math.min(...sb) < Math.max(...sa)
  })
}

/** What is drawn of a piece, and the words that have found their place on it. */
export interface Ground {
  /** The seam line, as a closed polygon: words stay within it. */
  within: readonly Point[]
  /** Everything drawn, as chords. */
  lines: readonly Chord[]
  /** Edges of the pages that it is printed on, as chords: words that lie over one are cut in two, and stand elsewhere where they can. */
  pageEdges: readonly Chord[]
  taken: Room[]
}

/** Kept free between words and lines, mm. */
const CLEAR_MM = 0.7

const clearRoom = (words: PlacedWords): Room => {
  const own = roomOf(words)
  return { ...own, halfMm: own.halfMm + CLEAR_MM, highMm: own.highMm + CLEAR_MM }
}

/** Can words stand in these rooms, on no line and on no other words? */
const isFree = (ground: Ground, rooms: readonly Room[]): boolean =>
  rooms.every(
    (room) =>
      containsPoint(ground.within, room.middle) &&
      !ground.lines.some((c) => meetsChord(room, c)) &&
      !ground.taken.some((other) => meetsRoom(room, other)),
  )

/** The first of some proposals that has room on one page, else the first that has room at all, now taken; null where none has. */
export function placeFirst(ground: Ground, proposals: Iterable<readonly PlacedWords[]>): readonly PlacedWords[] | null {
  let first: readonly PlacedWords[] | null = null
  for (const words of proposals) {
    const rooms = words.map(clearRoom)
    const onOnePage = rooms.every((room) => !ground.pageEdges.some((c) => meetsChord(room, c)))
    if ((first && !onOnePage) || !isFree(ground, rooms)) continue
    first = words
    if (onOnePage) break
  }
  if (first) ground.taken.push(...first.map(roomOf))
  return first
}
