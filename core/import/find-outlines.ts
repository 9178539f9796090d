import type { Drawing, DrawnShape } from '../formats'
import {
  boundsOf,
  distance,
  findSelfCrossing,
  flattenPath,
  line,
  measureArea,
  measureLength,
  reversePath,
  type Path,
  type Point,
  type Segment,
} from '../geometry'
import { containsPoint } from '../moves'
import { GAP_MM, LEAST_PIECE_MM2, SAME_POINT_MM } from '../tolerances'

/** Something in a drawing that may be a pattern piece. */
export interface FoundOutline {
  id: string
  /** The best name the file gives, or “Piece 3”. */
  name: string
  /** Clockwise on the page; open when there is a gap. */
  path: Path
  /** Why it cannot be used yet, with the place. */
  trouble: { code: 'open' | 'crosses'; at: Point; gapMm?: number } | null
  /** Other lines that lie inside it or touch it: marks, grain, notches. */
  marks: DrawnShape[]
  texts: string[]
  /** The size it is drawn in, and the same piece in other sizes, smallest first; empty when there is one size. */
  sizeName: string
  sizes: { name: string; path: Path }[]
  /** The file itself calls this line the seam line or the cut line. */
  called: 'seam line' | 'cut line' | null
}

interface Stroke {
  path: Path
  shape: DrawnShape
}

const endOf = (p: Path): Point => p[p.length - 1]!.to

/** Joins open strokes of one group end to end; each chain that comes back to its start is an outline. */
function chainStrokes(strokes: Stroke[]): Stroke[] {
  const left = [...strokes]
  const chains: Stroke[] = []
  while (left.length > 0) {
    let chain = left.shift()!
    for (let grown = true; grown;) {
      grown = false
      if (distance(chain.path[0]!.from, endOf(chain.path)) <= GAP_MM && chain.path.length > 1) break
      for (const [i, next] of left.entries()) {
        const tip = endOf(chain.path)
        const forward = distance(tip, next.path[0]!.from) <= GAP_MM
        const backward = distance(tip, endOf(next.path)) <= GAP_MM
        const before = distance(chain.path[0]!.from, endOf(next.path)) <= GAP_MM
        if (!forward && !backward && !before) continue
        const add = backward && !forward ? reversePath(next.path) : next.path
        chain = { shape: chain.shape, path: before && !forward && !backward ? [...add, ...chain.path] : [...chain.path, ...add] }
        left.splice(i, 1)
        grown = true
        break
      }
    }
    chains.push(chain)
  }
  return chains
}

/** Takes out parts of no length and lets each part start exactly where the one before ends. */
function weldClosed(path: Path): Path {
  const parts = path.filter((s) => measureLength([s]) > SAME_POINT_MM)
  const welded: Segment[] = parts.map((s, i) => (i === 0 ? s : { ...s, from: parts[i - 1]!.to }))
  const last = welded[welded.length - 1]!
  const start = welded[0]!.from
  if (distance(last.to, start) <= GAP_MM) welded[welded.length - 1] = { ...last, to: start }
  return welded
}

const contains = (outline: Path, p: Point): boolean => containsPoint(flattenPath(outline, 1), p)

/** Closed lines within a piece are buttons and badges, unless they are this many times longer than wide: then a dart. */
const SLENDER_TIMES = 2
/** A closed line is a mark when it covers less than this part of the piece: more is a seam line, or another size. */
const MARK_PART = 0.15

/** Is a closed line long and narrow, whichever way it lies? Of such a line the ends are far apart, and little lies between. */
function isSlender(closed: Path): boolean {
  const corners = closed.map((s) => s.from)
  const reach = Math.max(...corners.flatMap((a) => corners.map((b) => distance(a, b))))
  return Math.abs(measureArea(closed)) * SLENDER_TIMES < reach * reach
}

/** A size that a line or its group is called by: “size 12”, “Size M”. */
const sizeCalled = (shape: DrawnShape): string | null => {
  for (const name of [shape.name, ...[...shape.groups].reverse()]) {
    const found = /\bsize[\s_:-]*([a-z0-9./]{1,8})\b/i.exec(name)
    if (found) return found[1]!
  }
  return null
}

/** Boxes of two sizes of a piece share at least this part of what they cover together. */
const NEST_SHARE = 0.55

/** Outlines that only differ in how they are drawn are sizes from this many on: two may be a cut line and a seam line. */
const LEAST_STYLES = 3

interface Sized {
  stroke: Stroke
  loop: Path
  area: number
}

function shareOfBoxes(a: Path, b: Path): number {
  const [p, q] = [boundsOf(a), boundsOf(b)]
  const w = Math.min(p.maxX, q.maxX) - Math.max(p.minX, q.minX)
  const h = Math.min(p.maxY, q.maxY) - Math.max(p.minY, q.minY)
  if (w <= 0 || h <= 0) return 0
  const area = (r: typeof p) => (r.maxX - r.minX) * (r.maxY - r.minY)
  return (w * h) / (area(p) + area(q) - w * h)
}

/**
 * Closed outlines that are one piece in several sizes: they lie over each other and are called by a size each, or are
 * drawn in a style of their own each. Smallest first.
 */
function findNests<T extends Sized>(sized: readonly T[]): { name: string; one: T }[][] {
  const nests: { called: boolean; list: { name: string; one: T }[] }[] = []
  for (const one of [...sized].sort((a, b) => a.area - b.area)) {
    const called = sizeCalled(one.stroke.shape)
    const name = called ?? one.stroke.shape.style
    if (!called && calledLine(one.stroke.shape)) continue
    const nest = nests.find(
      (n) =>
        n.called === (called !== null) &&
        n.list.every((x) => x.name !== name && shareOfBoxes(x.one.loop, one.loop) >= NEST_SHARE) &&
        (called === null || pieceName(n.list[0]!.one.stroke.shape, []) === pieceName(one.stroke.shape, [])),
    )
    if (nest) nest.list.push({ name, one })
    else nests.push({ called: called !== null, list: [{ name, one }] })
  }
  return nests
    .filter((n) => n.list.length >= (n.called ? 2 : LEAST_STYLES))
    .map((n) => (n.called ? n.list : n.list.map((x, i) => ({ ...x, name: String(i + 1) }))))
}

const calledLine = (shape: DrawnShape): FoundOutline['called'] => {
  const words = [shape.name, ...shape.groups].join(' ').toLowerCase().replace(/[-_]/g, ' ')
  if (/\b(seam|stitch(ing)?|sewing) line\b/.test(words)) return 'seam line'
  return /\bcut(ting)? line\b/.test(words) ? 'cut line' : null
}

/** A group's name that says something about the piece, not about the kind of line. */
function pieceName(shape: DrawnShape, texts: readonly string[]): string {
  const useful = [...shape.groups]
    .reverse()
    .concat(shape.name)
    .find((n) => n && !/line|layer|^size\b|^(g|path|svg|rect|polygon)[\d-]*$|^[\d_-]+$/i.test(n))
  return (useful ?? texts.find((t) => /[a-z]{3}/i.test(t)) ?? '').slice(0, 80)
}

/**
 * Finds what may be pattern pieces among the lines of a drawing: closed lines (or strokes that join into one) that are
 * large enough and do not lie inside another. Where the file names a seam line within a cut line, the seam line is the
 * outline. Lines that are long but open, or that cross themselves, are kept too, with the place of the trouble.
 *
 * @param times factor on the file's own scale, when the person gave a true length
 */
export function findOutlines(drawing: Drawing, times = 1): FoundOutline[] {
  const scaled = (path: Path): Path =>
    times === 1
      ? path
      : path.map((s) =>
          s.kind === 'line' ? line(by(s.from), by(s.to)) : { ...s, from: by(s.from), c1: by(s.c1), c2: by(s.c2), to: by(s.to) },
        )
  const by = (p: Point): Point => ({ x: p.x * times, y: p.y * times })
  // A printed test square is not a piece.
  const shapes = drawing.shapes.filter((s) => ![s.name, ...s.groups].some((n) => /^test[ -]square/i.test(n)))
  const strokes = shapes.map((shape) => ({ shape, path: scaled(shape.path) }))
  const closed = strokes.filter((s) => s.shape.closed)
  const open = strokes.filter((s) => !s.shape.closed)
  const byGroup = new Map<string, Stroke[]>()
  for (const s of open) byGroup.set(s.shape.groups.join('/'), [...(byGroup.get(s.shape.groups.join('/')) ?? []), s])
  const chains = [...byGroup.values()].flatMap(chainStrokes)
  const candidates: { stroke: Stroke; gapMm: number }[] = [
    ...closed.map((stroke) => ({ stroke, gapMm: 0 })),
    ...chains.map((stroke) => ({ stroke, gapMm: distance(stroke.path[0]!.from, endOf(stroke.path)) })),
  ]
  const sized = candidates.flatMap(({ stroke, gapMm }) => {
    const isOpen = gapMm > GAP_MM
    const loop = isOpen ? [...stroke.path, line(endOf(stroke.path), stroke.path[0]!.from)] : weldClosed(stroke.path)
    const area = measureArea(loop)
    // An open line counts as an outline when its gap is short for its length; otherwise it is a mark.
    if (Math.abs(area) < LEAST_PIECE_MM2 || (isOpen && gapMm > measureLength(stroke.path) / 5)) return []
    return [{ stroke, loop: area < 0 ? reversePath(loop) : loop, area: Math.abs(area), isOpen, gapMm }]
  })
  sized.sort((a, b) => b.area - a.area)
  const nests = findNests(sized.filter((s) => !s.isOpen))
  // A nest comes in as its middle size; the others go along with it.
  const middles = new Map(nests.map((n) => [n[Math.floor((n.length - 1) / 2)]!.one, n]))
  const others = new Set(nests.flatMap((n) => n.map((x) => x.one)).filter((one) => !middles.has(one)))
  const pieces: typeof sized = [...middles.keys()]
  for (const one of sized.filter((s) => !others.has(s) && !middles.has(s))) {
    const outer = pieces.find(
      (p) => contains(p.loop, one.loop[0]!.from) || contains(p.loop, endOf([one.loop[Math.floor(one.loop.length / 2)]!])),
    )
    if (!outer) pieces.push(one)
    else if (calledLine(one.stroke.shape) === 'seam line' && calledLine(outer.stroke.shape) !== 'seam line')
      pieces[pieces.indexOf(outer)] = one
  }
  pieces.sort((a, b) => a.stroke.shape.index - b.stroke.shape.index)
  return pieces.map((p, i): FoundOutline => {
    const box = boundsOf(p.loop)
    const inBox = (q: Point) => q.x >= box.minX - 12 && q.x <= box.maxX + 12 && q.y >= box.minY - 12 && q.y <= box.maxY + 12
    const marks = strokes
      .filter(
        (s) =>
          s !== p.stroke &&
          (!s.shape.closed || (isSlender(s.path) && !calledLine(s.shape) && Math.abs(measureArea(s.path)) < p.area * MARK_PART)) &&
          inBox(s.path[0]!.from) &&
          inBox(endOf(s.path)) &&
          measureLength(s.path) < measureLength(p.stroke.path) * 0.9,
      )
      .map((s) => ({ ...s.shape, path: s.path }))
    const texts = drawing.texts.filter((t) => contains(p.loop, by(t.at))).map((t) => t.text)
    const crossing = p.isOpen ? null : findSelfCrossing(p.loop)
    return {
      id: `outline-${p.stroke.shape.index}`,
      name: pieceName(p.stroke.shape, texts) || `Piece ${i + 1}`,
      path: p.loop,
      trouble: p.isOpen ? { code: 'open', at: endOf(p.stroke.path), gapMm: p.gapMm } : crossing ? { code: 'crosses', at: crossing } : null,
      marks,
      texts,
      sizeName: middles.get(p)?.find((x) => x.one === p)!.name ?? '',
      sizes: (middles.get(p) ?? []).filter((x) => x.one !== p).map((x) => ({ name: x.name, path: x.one.loop })),
      called: calledLine(p.stroke.shape),
    }
  })
}
