import {
  applyAffine,
  boundsOf,
  cutPath,
  line,
  mapPath,
  measureLength,
  movePath,
  nearestPlace,
  placeAt,
  pointAt,
  turnAbout,
  type Path,
  type Point,
} from '../../core/geometry'
import { cutLineOf, grown, seamLineOf, type TruthGarment, type TruthPiece } from './draft'

/** What a drawn thing is, as its maker meant it. */
export type Role =
  | 'cut'
  | 'seam'
  | 'grain'
  | 'notch'
  | 'dart'
  | 'line'
  | 'fold'
  | 'words'
  | 'background'
  | 'frame'
  | 'title'
  | 'legend'
  | 'test-square'
  | 'scale-bar'
  | 'logo'
  | 'grid'
  | 'inner'

/** One drawn thing on the sheet, millimetres. */
export interface Item {
  role: Role
  /** Which piece it belongs to. */
  piece?: number
  size?: string
  path?: Path
  closed?: boolean
  filled?: boolean
  dashed?: boolean
  text?: string
  at?: Point
  heightMm?: number
  /** Turned by this, deg. */
  turnDeg?: number
  /** Its ends are arrows of the file. */
  arrows?: boolean
}

/** How a maker draws. */
export interface Hand {
  lines: 'both' | 'cut' | 'seam'
  grain: 'two-heads' | 'one-head' | 'filled-heads' | 'one-shape' | 'glyph' | 'bare' | 'marked' | 'letter' | 'one-stroke'
  notch: 'tick-in' | 'tick-out' | 'triangle' | 'tee' | 'across' | 'cut-in' | 'slit'
  fold: 'bracket' | 'headed-bracket' | 'words' | 'cut-words' | 'line'
  words: 'lines' | 'one-line' | 'titled' | 'numbered' | 'shouted' | 'materials' | 'slashes' | 'colons' | 'below' | 'behind-title'
  /** Pieces lie turned by this on the sheet, deg. */
  turnDeg: number
  /** Curves written as chords. */
  chords: boolean
  /** Outlines drawn twice: an area, and a line round it. */
  twice: boolean
  /** Other things drawn on the pieces: a pocket's place, drill holes, a button. */
  inner: boolean
  /** Outlines as one stroke for each edge, or part of an edge. */
  parted: boolean
  around: Role[]
  /** Sizes beside the base. */
  sizes: string[]
  /** Where the sizes are named, in files without layers. */
  sizesNamed: 'key' | 'list' | 'corners'
  /** What all sizes share is drawn once. */
  shared: boolean
}

export interface Sheet {
  garment: TruthGarment
  hand: Hand
  items: Item[]
  /** Where each piece was laid. */
  placed: Point[]
  width: number
  height: number
}

export const BASE_SIZE_NAME = '38'

const MARGIN = 60
const BETWEEN = 70
const WIDE = 1400

/** Pieces in rows, with room between them. */
function layOut(pieces: readonly TruthPiece[], widest: (p: TruthPiece) => Path): { placed: Point[]; width: number; height: number } {
  let x = MARGIN
  let y = MARGIN + 90
  let row = 0
  const placed = pieces.map((p) => {
    const b = boundsOf(widest(p))
    if (x + b.maxX - b.minX > WIDE - MARGIN && x > MARGIN) {
      x = MARGIN
      y += row + BETWEEN
      row = 0
    }
    const at = { x: x - b.minX, y: y - b.minY }
    x += b.maxX - b.minX + BETWEEN
    row = Math.max(row, b.maxY - b.minY)
    return at
  })
  return { placed, width: WIDE, height: y + row + MARGIN + 120 }
}

const stroke = (...points: [number, number][]): Path =>
  points.slice(1).map((p, i) => line({ x: points[i]![0], y: points[i]![1] }, { x: p[0], y: p[1] }))
const ring = (...points: [number, number][]): Path => stroke(...points, points[0]!)
const box = (x: number, y: number, w: number, h: number): Path => ring([x, y], [x + w, y], [x + w, y + h], [x, y + h])

/** The arrow along the threads in the maker's manner. */
function grainItems(piece: TruthPiece, style: Hand['grain']): Item[] {
  const { from, to } = piece.grain
  const long = Math.hypot(to.x - from.x, to.y - from.y)
  const along = { x: (to.x - from.x) / long, y: (to.y - from.y) / long }
  /** A place from an end of the arrow: so far in, so far to the side. */
  const near = (end: Point, way: 1 | -1, inMm: number, side: number): [number, number] => [
    end.x + way * along.x * inMm - along.y * side,
    end.y + way * along.y * inMm + along.x * side,
  ]
  const shaft = stroke([from.x, from.y], [to.x, to.y])
  const head = (end: Point, way: 1 | -1) => stroke(near(end, way, 9, 4), [end.x, end.y], near(end, way, 9, -4))
  const solid = (end: Point, way: 1 | -1) => ring([end.x, end.y], near(end, way, 10, 4), near(end, way, 10, -4))
  const grain = (path: Path, closed = false, filled = false): Item => ({ role: 'grain', path, closed, filled })
  switch (style) {
    case 'two-heads':
      return [grain(shaft), grain(head(from, 1)), grain(head(to, -1))]
    case 'one-head':
      return [grain(shaft), grain(head(to, -1))]
    case 'filled-heads':
      return [grain(shaft), grain(solid(from, 1), true, true), grain(solid(to, -1), true, true)]
    case 'one-shape':
      return [
        grain(
          ring(
            [from.x, from.y],
            near(from, 1, 12, 5),
            near(from, 1, 12, 1),
            near(to, -1, 12, 1),
            near(to, -1, 12, 5),
            [to.x, to.y],
            near(to, -1, 12, -5),
            near(to, -1, 12, -1),
            near(from, 1, 12, -1),
            near(from, 1, 12, -5),
          ),
          true,
          true,
        ),
      ]
    case 'glyph':
      return [grain(shaft), { role: 'grain', text: 'grainline', at: { x: (from.x + to.x) / 2 + 4, y: (from.y + to.y) / 2 }, heightMm: 5 }]
    case 'bare':
      return [grain(shaft)]
    case 'marked':
      return [{ role: 'grain', path: shaft, arrows: true }]
    case 'one-stroke':
      return [grain(stroke(near(from, 1, 9, 4), [from.x, from.y], [to.x, to.y], near(to, -1, 9, 4)))]
    case 'letter':
      return [
        grain(shaft),
        {
          role: 'grain',
          text: 'STRAIGHT GRAIN',
          at: { x: (from.x + to.x) / 2 - 2, y: (from.y + to.y) / 2 + 20 },
          heightMm: 4,
          turnDeg: -90,
        },
      ]
  }
}

/** An outline with its notches cut into it. */
function withCutNotches(path: Path, places: readonly Point[], slit: boolean): Path {
  let out = path
  for (const p of places) {
    const total = measureLength(out)
    const { lengthMm } = nearestPlace(out, p)
    const half = slit ? 0.01 : 3
    if (lengthMm < half + 1 || lengthMm > total - half - 1) continue
    const { point, tangent } = placeAt(out, lengthMm)
    const tip = { x: point.x - tangent.y * 5, y: point.y + tangent.x * 5 }
    const [before, after] = [cutPath(out, 0, lengthMm - half), cutPath(out, lengthMm + half, total)]
    const end = before[before.length - 1]!.to
    out = [...before, line(end, tip), line(tip, after[0]!.from), ...after]
  }
  return out
}

/** A notch on the outermost line drawn: square to it. */
function notchItems(at: Point, out: Point, style: Hand['notch'], outerMm: number): Item[] {
  const along = { x: -out.y, y: out.x }
  const from = (o: number, a: number): [number, number] => [
    at.x + out.x * (outerMm + o) + along.x * a,
    at.y + out.y * (outerMm + o) + along.y * a,
  ]
  const notch = (path: Path, closed = false): Item => ({ role: 'notch', path, closed, filled: closed })
  switch (style) {
    case 'tick-in':
      return [notch(stroke(from(0, 0), from(-6, 0)))]
    case 'tick-out':
      return [notch(stroke(from(0, 0), from(6, 0)))]
    case 'across':
      return [notch(stroke(from(4, 0), from(-4, 0)))]
    case 'triangle':
      return [notch(ring(from(0, -3), from(0, 3), from(-6, 0)), true)]
    case 'tee':
      return [notch(stroke(from(0, 0), from(-6, 0))), notch(stroke(from(-6, -3), from(-6, 3)))]
    case 'cut-in':
    case 'slit':
      return []
  }
}

const pairWords = (p: TruthPiece, onFold: boolean): string =>
  onFold ? `cut ${p.count} on fold` : p.mirrored ? (p.count === 2 ? 'cut 1 pair' : `cut ${p.count / 2} pairs`) : `cut ${p.count}`

/** What is written on a piece, line by line. */
function wordsOf(p: TruthPiece, i: number, { words, fold }: Hand, garment: string): { text: string; heightMm: number }[] {
  const onFold = p.edges.some((e) => e.fold)
  const said = onFold && !fold.endsWith('bracket')
  const cut = pairWords(p, said)
  switch (words) {
    case 'lines':
      return [
        { text: p.name, heightMm: 9 },
        { text: cut, heightMm: 6 },
        { text: `Size ${BASE_SIZE_NAME}`, heightMm: 5 },
      ]
    case 'one-line':
      return [{ text: `${p.name} – ${cut}`, heightMm: 7 }]
    case 'behind-title':
      return [{ text: `${garment} – ${p.name} – ${cut} in main fabric`, heightMm: 4 }]
    case 'below':
      return [
        { text: p.name, heightMm: 8 },
        { text: cut, heightMm: 6 },
        { text: garment, heightMm: 5 },
      ]
    case 'titled':
      return [
        { text: garment, heightMm: 8 },
        { text: `${i + 1} ${p.name}`, heightMm: 8 },
        { text: p.mirrored ? `cut ${p.count} (mirrored)` : cut, heightMm: 6 },
        { text: 'seam allowance 1 cm included', heightMm: 4 },
      ]
    case 'numbered':
      return [
        { text: `${i + 1}. ${p.name.toUpperCase()}`, heightMm: 8 },
        { text: p.mirrored ? `${p.count} x mirrored` : said ? `${p.count} x on the fold` : `${p.count} x`, heightMm: 6 },
      ]
    case 'shouted':
      return [
        { text: p.name.toUpperCase(), heightMm: 12 },
        { text: (said ? `CUT ${p.count} ON FOLD` : p.mirrored ? `CUT ${p.count} MIRRORED` : `CUT ${p.count}`).toUpperCase(), heightMm: 6 },
      ]
    case 'slashes':
      return [{ text: `${p.name} / ${p.mirrored ? `cut ${p.count}, mirror image` : cut} / size ${BASE_SIZE_NAME}`, heightMm: 6 }]
    case 'colons':
      return [
        { text: `Piece ${i + 1}: ${p.name}`, heightMm: 6 },
        {
          text: `Cut: ${p.count}${p.mirrored ? ' (1 left, 1 right)'.replace('1 left, 1 right', p.count === 2 ? '1 left, 1 right' : 'mirrored') : ''}${said ? ', on fold' : ''}`,
          heightMm: 6,
        },
        { text: `Style: ${garment}`, heightMm: 5 },
      ]
    case 'materials':
      return [
        { text: p.name, heightMm: 8 },
        {
          text: `${p.mirrored ? `Cut ${p.count}, 1 reversed` : said ? `Cut ${p.count} on fold` : `Cut ${p.count}`} from main fabric`,
          heightMm: 5,
        },
        { text: 'interfacing: none', heightMm: 4 },
      ]
  }
}

/** Curves as chords of some millimetres, as converters write them. */
function chordsOf(path: Path): Path {
  return path.flatMap((s) => {
    if (s.kind === 'line') return [s]
    const n = Math.max(8, Math.round(measureLength([s]) / 4))
    const points = Array.from({ length: n + 1 }, (_, i) => pointAt(s, i / n))
    return points.slice(1).map((q, i) => line(points[i]!, q))
  })
}

/** The upper left corner of the pocket that is drawn on a piece; null on those that are too small for one. */
function pocketOn(p: TruthPiece): Point | null {
  const b = boundsOf(seamLineOf(p))
  const [w, h] = [b.maxX - b.minX, b.maxY - b.minY]
  return w < 150 || h < 300 ? null : { x: b.minX + w * 0.42, y: b.minY + h * 0.68 }
}

/** Where holes are drilled beside it. */
export function holesIn(p: TruthPiece): Point[] {
  const at = pocketOn(p)
  return at
    ? [
        { x: at.x - 12, y: at.y + 10 },
        { x: at.x - 12, y: at.y + 60 },
      ]
    : []
}

/** Where buttonholes are cut above it, each as a stroke. */
export function buttonholesIn(p: TruthPiece): Path[] {
  const at = pocketOn(p)
  return at ? [0, 1, 2].map((k) => stroke([at.x + 22, at.y - 24 - 34 * k], [at.x + 40, at.y - 24 - 34 * k])) : []
}

/** What else may be drawn on a piece. */
function innerItems(p: TruthPiece): Item[] {
  const pocket = pocketOn(p)
  if (!pocket) return []
  const { x, y } = pocket
  const hole = (cx: number, cy: number): Path => ring([cx - 2, cy], [cx, cy - 2], [cx + 2, cy], [cx, cy + 2])
  return [
    { role: 'inner', path: box(x, y, 60, 70), closed: true, dashed: true },
    ...holesIn(p).map((h): Item => ({ role: 'inner', path: hole(h.x, h.y), closed: true })),
    ...buttonholesIn(p).map((path): Item => ({ role: 'inner', path })),
    { role: 'words', text: 'pocket placement', at: { x: x + 4, y: y + 30 }, heightMm: 4 },
  ]
}

/** One piece as it is drawn where it lies; its words lie over each other in its middle. */
function pieceItems(p: TruthPiece, i: number, hand: Hand, garment: string): Item[] {
  const notched = (path: Path, isOuter: boolean): Path =>
    isOuter && (hand.notch === 'cut-in' || hand.notch === 'slit')
      ? withCutNotches(
          path,
          p.notches.map((n) => placeAt(p.edges[n.edge]!.path, n.atMm).point),
          hand.notch === 'slit',
        )
      : path
  const chorded = (path: Path): Path => (hand.chords ? chordsOf(path) : path)
  const cut = chorded(notched(cutLineOf(p), true))
  const seam = chorded(notched(seamLineOf(p), hand.lines === 'seam'))
  const outer = hand.lines === 'seam' ? seam : cut
  const ends = (path: Path) => (hand.parted ? path.map((s): Path => [s]) : [path])
  const outline = (role: 'cut' | 'seam', path: Path, dashed: boolean): Item[] =>
    ends(path).map((part) => ({ role, path: part, closed: !hand.parted, dashed }))
  const items: Item[] = []
  if (hand.twice) items.push({ role: 'cut', path: outer, closed: true, filled: true })
  if (hand.lines !== 'seam') items.push(...outline('cut', cut, false))
  if (hand.lines !== 'cut') items.push(...outline('seam', seam, hand.lines === 'both'))
  items.push(...grainItems(p, hand.grain))
  for (const n of p.notches) {
    const { path, allowanceMm } = p.edges[n.edge]!
    const { point, tangent } = placeAt(path, n.atMm)
    items.push(...notchItems(point, { x: tangent.y, y: -tangent.x }, hand.notch, hand.lines === 'seam' ? 0 : allowanceMm))
  }
  for (const d of p.darts) {
    const { path } = p.edges[d.edge]!
    for (const side of [-1, 1]) {
      const { point } = placeAt(path, d.atMm + (side * d.intakeMm) / 2)
      items.push({ role: 'dart', path: [line(point, d.tip)] })
    }
  }
  items.push(...p.lines.map((l): Item => ({ role: 'line', path: l.path, dashed: true })))
  for (const l of p.lines)
    items.push({ role: 'words', text: l.name, at: { x: l.path[0]!.from.x + 30, y: l.path[0]!.from.y - 3 }, heightMm: 4 })
  for (const e of p.edges.filter((x) => x.fold)) {
    const long = measureLength(e.path)
    const { point: a, tangent } = placeAt(e.path, long * 0.25)
    const { point: z } = placeAt(e.path, long * 0.75)
    const inside = (q: Point, mm: number): [number, number] => [q.x - tangent.y * mm, q.y + tangent.x * mm]
    if (hand.fold === 'bracket') {
      items.push({ role: 'fold', path: stroke(inside(a, 1), inside(a, 12), inside(z, 12), inside(z, 1)) })
      const [x, y] = inside(placeAt(e.path, long * 0.5).point, 16)
      items.push({ role: 'words', text: 'PLACE ON FOLD', at: { x, y }, heightMm: 4, turnDeg: -90 })
    }
    if (hand.fold === 'headed-bracket') {
      // It ends a little off the edge, in heads of their own.
      items.push({ role: 'fold', path: stroke(inside(a, 0.6), inside(a, 12), inside(z, 12), inside(z, 0.6)) })
      for (const q of [a, z]) {
        const beside = (mm: number): [number, number] => {
          const [x, y] = inside(q, 3)
          return [x + tangent.x * mm, y + tangent.y * mm]
        }
        items.push({ role: 'fold', path: stroke(beside(-2.5), inside(q, 0.6), beside(2.5)) })
      }
    }
    if (hand.fold === 'line') {
      // A line of its own on the edge, called what it is.
      items.push({ role: 'fold', path: e.path, dashed: true })
      const [x, y] = inside(placeAt(e.path, long * 0.5).point, 7)
      items.push({ role: 'words', text: 'Fold', at: { x, y }, heightMm: 4, turnDeg: -90 })
    }
    if (hand.fold === 'words') {
      const [x, y] = inside(placeAt(e.path, long * 0.5).point, 7)
      items.push({ role: 'words', text: 'fold', at: { x, y }, heightMm: 4, turnDeg: -90 })
    }
  }
  if (hand.inner) items.push(...innerItems(p))
  const b = boundsOf(outer)
  const narrow = b.maxX - b.minX < 110
  const isBelow = hand.words === 'below'
  let y = isBelow ? b.maxY + 14 : b.minY + (b.maxY - b.minY) * 0.42
  for (const w of wordsOf(p, i, hand, garment)) {
    const heightMm = narrow ? Math.min(w.heightMm, 4) : w.heightMm
    const x = isBelow ? b.minX : b.minX + (b.maxX - b.minX) * (narrow ? 0.12 : 0.28)
    items.push({ role: 'words', text: w.text, at: { x, y }, heightMm })
    y += heightMm * 1.5
  }
  return items.map((item) => ({ ...item, piece: i }))
}

/** What stands around the pieces. */
function aroundItems(roles: readonly Role[], garment: TruthGarment, width: number, height: number, sizes: readonly string[]): Item[] {
  const bottom = height - 100
  const words = (role: Role, text: string, x: number, y: number, heightMm = 6): Item => ({ role, text, at: { x, y }, heightMm })
  const drawn: Partial<Record<Role, () => Item[]>> = {
    background: () => [{ role: 'background', path: box(0, 0, width, height), closed: true, filled: true }],
    frame: () => [
      { role: 'frame', path: box(10, 10, width - 20, height - 20), closed: true },
      { role: 'frame', path: box(14, 14, width - 28, height - 28), closed: true },
    ],
    title: () => [
      { role: 'title', path: box(width - 320, bottom, 300, 80), closed: true },
      { role: 'title', path: stroke([width - 320, bottom + 40], [width - 20, bottom + 40]) },
      words('title', garment.name.toUpperCase(), width - 310, bottom + 26, 14),
      words('title', 'Sheet 1 of 1 · print at 100 %', width - 310, bottom + 62),
    ],
    legend: () => [
      { role: 'legend', path: box(420, bottom, 200, 80), closed: true },
      { role: 'legend', path: stroke([420, bottom + 27], [620, bottom + 27]) },
      { role: 'legend', path: stroke([480, bottom], [480, bottom + 80]) },
      words('legend', 'Key', 425, bottom + 18),
      words('legend', 'cut line', 490, bottom + 18, 5),
      words('legend', 'grainline', 490, bottom + 50, 5),
      { role: 'legend', path: stroke([430, bottom + 48], [470, bottom + 48]) },
      ...sizes.map((s, i) => words('legend', `Size ${s}`, 560, bottom + 40 + i * 10, 5)),
    ],
    'test-square': () => [
      { role: 'test-square', path: box(40, bottom, 50, 50), closed: true },
      words('test-square', 'Test square 5 x 5 cm', 40, bottom + 62, 5),
    ],
    'scale-bar': () => [
      { role: 'scale-bar', path: box(150, bottom + 10, 100, 6), closed: true },
      { role: 'scale-bar', path: stroke([200, bottom + 10], [200, bottom + 16]) },
      words('scale-bar', '10 cm', 255, bottom + 16, 5),
    ],
    grid: () => [
      ...Array.from({ length: Math.floor(width / 100) }, (_, i): Item => ({
        role: 'grid',
        path: stroke([(i + 1) * 100, 0], [(i + 1) * 100, height]),
      })),
      ...Array.from({ length: Math.floor(height / 100) }, (_, i): Item => ({
        role: 'grid',
        path: stroke([0, (i + 1) * 100], [width, (i + 1) * 100]),
      })),
    ],
    logo: () => [
      {
        role: 'logo',
        path: ring([330, bottom], [380, bottom + 25], [355, bottom + 75], [305, bottom + 75], [285, bottom + 25]),
        closed: true,
        filled: true,
      },
    ],
  }
  return roles.flatMap((r) => drawn[r]?.() ?? [])
}

/** A piece turned on the paper: all of it is, but for its words. */
function turnedPiece(p: TruthPiece, deg: number): TruthPiece {
  if (deg === 0) return p
  const m = turnAbout({ x: 0, y: 0 }, (deg * Math.PI) / 180)
  const at = (q: Point) => applyAffine(m, q)
  return {
    ...p,
    edges: p.edges.map((e) => ({ ...e, path: mapPath(e.path, at) })),
    grain: { from: at(p.grain.from), to: at(p.grain.to) },
    darts: p.darts.map((d) => ({ ...d, tip: at(d.tip) })),
    lines: p.lines.map((l) => ({ ...l, path: mapPath(l.path, at) })),
  }
}

/** A drawn thing turned with its piece. */
function turnedItem(it: Item, deg: number): Item {
  if (deg === 0) return it
  const m = turnAbout({ x: 0, y: 0 }, (deg * Math.PI) / 180)
  return {
    ...it,
    ...(it.path ? { path: mapPath(it.path, (q) => applyAffine(m, q)) } : {}),
    ...(it.at ? { at: applyAffine(m, it.at), turnDeg: (it.turnDeg ?? 0) + deg } : {}),
  }
}

/** A garment laid out on one sheet in a maker's hand. */
export function drawSheet(drafted: TruthGarment, hand: Hand): Sheet {
  const garment = { ...drafted, pieces: drafted.pieces.map((p) => turnedPiece(p, hand.turnDeg)) }
  const largest = (p: TruthPiece) => grown(p, 1 + 0.03 * hand.sizes.length, 1 + 0.015 * hand.sizes.length)
  const { placed, width, height } = layOut(garment.pieces, (p) => cutLineOf(largest(p)))
  const around = aroundItems(hand.around, garment, width, height, [BASE_SIZE_NAME, ...hand.sizes])
  const pieces = garment.pieces.flatMap((p, i) => {
    const own = pieceItems(drafted.pieces[i]!, i, hand, garment.name).map((it): Item =>
      hand.sizes.length > 0 && (it.role === 'cut' || it.role === 'seam') ? { ...it, size: BASE_SIZE_NAME } : it,
    )
    const others = hand.sizes.flatMap((size, k): Item[] => {
      const larger = grown(p, 1 + 0.03 * (k + 1), 1 + 0.015 * (k + 1))
      const path = hand.lines === 'seam' ? seamLineOf(larger) : cutLineOf(larger)
      return [{ role: hand.lines === 'seam' ? 'seam' : 'cut', path, closed: true, piece: i, size }]
    })
    if (hand.sizesNamed === 'corners')
      for (const it of [...own, ...others].filter((o) => o.size !== undefined && o.path)) {
        const far = it.path!.map((x) => x.from).reduce((a, b) => (b.x + b.y > a.x + a.y ? b : a))
        others.push({ role: 'words', text: it.size!, at: { x: far.x - 8, y: far.y - 2 }, heightMm: 3, piece: i })
      }
    const by = placed[i]!
    if (hand.shared && p.edges.some((e) => e.fold)) {
      const all = [p, ...hand.sizes.map((_, k) => grown(p, 1 + 0.03 * (k + 1), 1 + 0.015 * (k + 1)))]
      const folds = all.map((one) => one.edges.find((e) => e.fold)!.path)
      const ys = folds.flatMap((f) => [f[0]!.from.y, f[f.length - 1]!.to.y])
      const once: Item = { role: 'seam', path: stroke([0, Math.min(...ys)], [0, Math.max(...ys)]), piece: i }
      const open = all.map((one, k): Item => {
        const at = one.edges.findIndex((e) => e.fold)
        const rest = [...one.edges.slice(at + 1), ...one.edges.slice(0, at)]
        return { role: 'seam', path: rest.flatMap((e) => [...e.path]), piece: i, size: [BASE_SIZE_NAME, ...hand.sizes][k]! }
      })
      return [once, ...open, ...own.filter((it) => it.role !== 'seam')].map((it): Item => ({
        ...it,
        ...(it.path ? { path: movePath(it.path, by) } : {}),
        ...(it.at ? { at: { x: it.at.x + by.x, y: it.at.y + by.y } } : {}),
      }))
    }
    return [...own.map((it) => turnedItem(it, hand.turnDeg)), ...others].map((it): Item => ({
      ...it,
      ...(it.path ? { path: movePath(it.path, by) } : {}),
      ...(it.at ? { at: { x: it.at.x + by.x, y: it.at.y + by.y } } : {}),
    }))
  })
  const list: Item[] =
    hand.sizesNamed === 'list'
      ? [{ role: 'words', text: `Sizes ${[BASE_SIZE_NAME, ...hand.sizes].join(', ')}`, at: { x: 660, y: height - 60 }, heightMm: 8 }]
      : []
  return { garment, hand, items: [...around, ...list, ...pieces], placed, width, height }
}

/** An edge of the truth where it was laid, without the mouths of its darts. */
export function edgeParts(p: TruthPiece, edge: number): Path[] {
  const { path } = p.edges[edge]!
  const total = measureLength(path)
  const mouths = p.darts.filter((d) => d.edge === edge).map((d) => [d.atMm - d.intakeMm / 2, d.atMm + d.intakeMm / 2] as const)
  const cuts = [0, ...mouths.flat().sort((a, b) => a - b), total]
  return Array.from({ length: cuts.length / 2 }, (_, k) => cutPath(path, cuts[2 * k]!, cuts[2 * k + 1]!))
}
