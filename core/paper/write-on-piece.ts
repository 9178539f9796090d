import { add, boundsOfPoints, flattenPath, leftOf, measureLength, placeAt, scale, type Path, type Point } from '../geometry'
import { beforeOpening, edgePath, findPiece, notchPlace, seamsOfEdge, type Edge, type Garment, type Piece, type Shape } from '../pattern'
import { PARALLEL_RAD } from '../tolerances'
import { formatLength, type Ruler } from '../units'
import { placeFirst, widthOfWords, type Chord, type Ground, type PlacedWords } from './place-words'

/** Heights of letters, mm: of a piece’s own lines, and of those on pieces too small for them; of an edge’s name; of a notch. */
const LETTERS_MM = [3.4, 2.8, 2.3, 1.9]
const EDGE_LETTERS_MM = [2.6, 2.1]
const NOTCH_LETTERS_MM = 2.4
/** The first line, the piece’s name, is so much larger. */
const NAME_PART = 1.6
/** From line to line, as a part of the letters. */
const LINE_PART = 1.36
/** A sentence on a piece is broken at such a width, in letters of its size. */
const LINE_LETTERS = 34

/** Every notch that meets another one on a seam has its number: the same on both pieces. By piece and notch. */
export function notchNumbers(garment: Garment): ReadonlyMap<string, number> {
  const numbers = new Map<string, number>()
  let next = 1
  for (const seam of garment.seams)
    for (const pair of seam.marks) {
      const keys = pair.flatMap((m) => ('notchId' in m ? [`${m.pieceId} ${m.notchId}`] : []))
      if (keys.length === 0) continue
      const known = keys.map((k) => numbers.get(k)).find((n) => n !== undefined)
      for (const key of keys) if (!numbers.has(key)) numbers.set(key, known ?? next)
      if (known === undefined) next += 1
    }
  return numbers
}

/** What stands along an edge, also of a piece that was opened out since: what it is called, what it is sewn to, and how much is added to it. */
export function edgeWords(garment: Garment, piece: Piece, edge: Edge, ruler: Ruler): string {
  const others = seamsOfEdge(garment, beforeOpening(piece.id), beforeOpening(edge.id)).flatMap(
    ({ seam, side }) => seam.sides[side === 0 ? 1 : 0],
  )
  const names = [...new Set(others.map((r) => findPiece(garment, r.pieceId)!.name))].filter((name) => name !== piece.name)
  const allowance = edge.allowanceMm > 0 ? `+ ${formatLength(edge.allowanceMm, ruler)}` : 'no allowance'
  return [edge.name, names.length > 0 ? `to ${names.join(' and ')}` : '', allowance].filter(Boolean).join(' · ')
}

/** A text as lines of no more than so many letters, broken between words. */
function broken(text: string): string[] {
  const lines: string[] = []
  for (const word of text.split(' ')) {
    const last = lines[lines.length - 1]
    if (last !== undefined && `${last} ${word}`.length <= LINE_LETTERS) lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  return lines
}

/** Facts on so many lines, about as many letters on each. */
function inLines(facts: readonly string[], count: number): string[] {
  const letters = facts.reduce((sum, f) => sum + f.length, 0) / count
  const lines: string[] = []
  let own = 0
  for (const fact of facts) {
    if (lines.length === 0 || (own + fact.length / 2 > letters && lines.length < count)) {
      lines.push(fact)
      own = fact.length
    } else {
      lines[lines.length - 1] += ` · ${fact}`
      own += fact.length
    }
  }
  return lines
}

/** Lines of words under each other, the first one large, from the upper left corner of their block. */
function block(lines: readonly string[], corner: Point, sizeMm: number, turnRad: number): PlacedWords[] {
  const along = { x: Math.cos(turnRad), y: Math.sin(turnRad) }
  const down = { x: -along.y, y: along.x }
  let depth = 0
  return lines.map((text, i) => {
    const own = i === 0 ? sizeMm * NAME_PART : sizeMm
    depth += own * (i === 0 ? 0.8 : LINE_PART)
    return { text, at: add(corner, scale(down, depth)), turnRad, sizeMm: own, bold: i === 0 }
  })
}

/** Corners for a block, from the wanted one outward. */
function* around(wanted: Point, box: { minX: number; minY: number; maxX: number; maxY: number }): Generator<Point> {
  const step = Math.max(4, Math.min(box.maxX - box.minX, box.maxY - box.minY) / 28)
  const places: Point[] = []
  for (let y = box.minY; y <= box.maxY; y += step) for (let x = box.minX; x <= box.maxX; x += step) places.push({ x, y })
  yield wanted
  yield* places.sort((a, b) => Math.hypot(a.x - wanted.x, a.y - wanted.y) - Math.hypot(b.x - wanted.x, b.y - wanted.y))
}

/**
 * What a piece says of itself, where it has room: everything beside the grainline; else in smaller letters, along the piece where it
 * is low or narrow; else its name alone with how to cut it.
 */
function ownWords(ground: Ground, lines: readonly string[], wanted: Point): readonly PlacedWords[] | null {
  const box = boundsOfPoints(ground.within)
  const told = lines.flatMap((l, i) => (i === 0 ? [l] : broken(l)))
  // On a low piece several facts share a line.
  const shared = [4, 3, 2, 1].map((count) => [lines[0]!, ...inLines(lines.slice(1), count)])
  const least = [lines[0]!, lines[1]!]
  const proposals = function* (blocks: readonly string[][]): Generator<PlacedWords[]> {
    for (const of of blocks)
      for (const sizeMm of LETTERS_MM)
        for (const turnRad of [0, -Math.PI / 2]) for (const corner of around(wanted, box)) yield block(of, corner, sizeMm, turnRad)
  }
  return placeFirst(ground, proposals([told, ...shared])) ?? placeFirst(ground, proposals([least]))
}

/** Places along an edge for its words, from its middle outward, and how far within they stand, in letters. */
const ALONG = [0.5, 0.35, 0.65, 0.2, 0.8]
const INSIDE = [0.5, 1, 1.6, 2.4, 3.4]

/** So many parts of somebody else’s line are tried for the name on it. */
const NAMED_PARTS = 6

/** Words along an edge, upright to read; nothing where the edge is too short or bent for them. */
function alongEdge(ground: Ground, path: Path, text: string): readonly PlacedWords[] | null {
  const total = measureLength(path)
  const proposals = function* (): Generator<PlacedWords[]> {
    for (const sizeMm of EDGE_LETTERS_MM)
      for (const within of INSIDE)
        for (const part of ALONG) {
          const width = widthOfWords(text, sizeMm)
          if (width > total * 1.1) continue
          const { point, tangent } = placeAt(path, total * part)
          const inward = scale(leftOf(tangent), -1)
          // Read from the left, or from below on an upright edge.
          const forward = Math.abs(tangent.x) > PARALLEL_RAD ? tangent.x > 0 : tangent.y < 0
          const along = forward ? tangent : scale(tangent, -1)
          const up = { x: along.y, y: -along.x }
          const isAbove = inward.x * up.x + inward.y * up.y > 0
          const base = add(point, scale(inward, sizeMm * (within + (isAbove ? 0.24 : 0.76))))
          yield [{ text, at: add(base, scale(along, -width / 2)), turnRad: Math.atan2(along.y, along.x), sizeMm, bold: false }]
        }
  }
  return placeFirst(ground, proposals())
}

/** A notch’s number beside its mark, within the piece. */
function besideNotch(ground: Ground, at: Point, outward: Point, number: number): readonly PlacedWords[] | null {
  const text = String(number)
  const width = widthOfWords(text, NOTCH_LETTERS_MM, true)
  const tangent = { x: -outward.y, y: outward.x }
  const proposals = function* (): Generator<PlacedWords[]> {
    for (const inMm of [3, 4.5, 6.5, 9])
      for (const besideMm of [0, 3, -3, 5, -5]) {
        const middle = add(add(at, scale(outward, -inMm)), scale(tangent, besideMm))
        const left = add(middle, { x: -width / 2, y: NOTCH_LETTERS_MM * 0.36 })
        yield [{ text, at: left, turnRad: 0, sizeMm: NOTCH_LETTERS_MM, bold: true }]
      }
  }
  return placeFirst(ground, proposals())
}

/** Words keep clear of lines by more than their chords are off, mm. */
const CHORD_MM = 0.3

const chordsOf = (path: Path): Chord[] => {
  const points = flattenPath(path, CHORD_MM)
  return points.slice(1).map((p, i) => [points[i]!, p] as const)
}

/**
 * All words on one piece, none of them on a line or on another: first what the piece says of itself, then the numbers of its notches,
 * “place on the fold”, the names of its edges, and of its lines and marks. What has no room is left out, but for the piece’s own name.
 *
 * @param drawn every line of the piece, in its own coordinates, but for the seam line
 * @param named lines among them that are somebody else’s: each has its name along it, where there is room
 * @param pageEdges edges of pages across it: words stand on one page where they can
 */
export function writeOnPiece(
  garment: Garment,
  piece: Piece,
  shape: Shape,
  lines: readonly string[],
  drawn: readonly Path[],
  numbers: ReadonlyMap<string, number>,
  ruler: Ruler,
  named: readonly { name: string; path: Path }[] = [],
  pageEdges: readonly Path[] = [],
): PlacedWords[] {
  const seamLine = piece.edges.flatMap((e) => [...edgePath(shape, e.id)])
  const ground: Ground = {
    within: flattenPath(seamLine, CHORD_MM),
    lines: [...chordsOf(seamLine), ...drawn.flatMap(chordsOf)],
    pageEdges: pageEdges.flatMap(chordsOf),
    taken: [],
  }
  const { grain } = shape
  const wanted = { x: (grain.from.x + grain.to.x) / 2 + 8, y: grain.from.y + (grain.to.y - grain.from.y) * 0.3 }
  const own = ownWords(ground, lines, wanted) ?? block([lines[0]!], wanted, LETTERS_MM.at(-1)!, 0)
  // Along the longest parts of a line first.
  const names = named.flatMap(({ name, path }) => {
    const parts = [...path].sort((a, b) => measureLength([b]) - measureLength([a]))
    for (const part of parts.slice(0, NAMED_PARTS)) {
      const words = alongEdge(ground, [part], name)
      if (words) return words
    }
    return []
  })
  const notches = piece.notches.flatMap((n) => {
    const place = notchPlace(piece, shape, n.id, measureLength)
    const number = numbers.get(beforeOpening(`${piece.id} ${n.id}`))
    return place && number !== undefined ? (besideNotch(ground, place.point, leftOf(place.tangent), number) ?? []) : []
  })
  const edges = piece.edges
    .filter((e) => e.role !== 'dart-leg')
    .flatMap((e) => alongEdge(ground, edgePath(shape, e.id), e.fold ? 'place on the fold' : edgeWords(garment, piece, e, ruler)) ?? [])
  const marks = piece.points.flatMap((p) => {
    const at = shape.points[p.id]!
    const size = EDGE_LETTERS_MM[0]!
    const around = [4, -4 - widthOfWords(p.name, size)].map((dx) => [
      { text: p.name, at: { x: at.x + dx, y: at.y - 1 }, turnRad: 0, sizeMm: size, bold: false },
    ])
    return placeFirst(ground, around) ?? []
  })
  const inner = piece.lines.flatMap((l) => alongEdge(ground, shape.lines[l.id]!, l.name) ?? [])
  return [...own, ...names, ...notches, ...edges, ...marks, ...inner]
}
