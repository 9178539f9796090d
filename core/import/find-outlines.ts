import { spend } from '../budget'
import type { Drawing, DrawnShape } from '../formats'
import {
  handleBoxOf,
  distance,
  findSelfCrossing,
  line,
  mapPath,
  measureArea,
  measureLength,
  reversePath,
  thinOut,
  type Box,
  type Path,
  type Point,
  type Segment,
} from '../geometry'
import { ok, refuse, type Result } from '../result'
import { FIT_MM, GAP_MM, LEAST_PIECE_MM2, SAME_POINT_MM } from '../tolerances'
import { chainStrokes, endOf, startOf, type Stroke } from './chain-strokes'
import { findFrames } from './find-frames'
import { findNests } from './find-nests'
import { calledLine, contains, liesIn, pieceName, sized, type Sized } from './sized'

/** Something in a drawing that may be a pattern piece. */
export interface FoundOutline {
  id: string
  /** The best name the file gives, or “Piece 3”. */
  name: string
  /** Clockwise on the page; open when there is a gap. */
  path: Path
  /** Why it cannot be used yet, with the place. */
  trouble: { code: 'open' | 'crosses'; at: Point; gapMm?: number } | null
  /** It holds the pieces of the page rather than being one: left out unless it is taken back. */
  aside: 'frame' | null
  /** Other lines that lie inside it or touch it: marks, grain, notches. */
  marks: DrawnShape[]
  texts: string[]
  /** The size it is drawn in, and the same piece in other sizes, smallest first; empty when there is one size. */
  sizeName: string
  sizes: { name: string; path: Path }[]
  /** The file itself calls this line the seam line or the cut line. */
  called: 'seam line' | 'cut line' | null
}

/** Takes out parts of no length and lets each part start exactly where the one before ends; empty when nothing is left. */
function weldClosed(path: Path): Path {
  const parts = path.filter((s) => measureLength([s]) > SAME_POINT_MM)
  const welded: Segment[] = parts.map((s, i) => (i === 0 ? s : { ...s, from: parts[i - 1]!.to }))
  const last = welded[welded.length - 1]
  if (last && distance(last.to, welded[0]!.from) <= GAP_MM) welded[welded.length - 1] = { ...last, to: welded[0]!.from }
  return welded.length > FINE_SEGMENTS ? thinOut(welded, FIT_MM) : welded
}

/** An outline with more parts than this was traced by a machine: its chords are thinned out. */
const FINE_SEGMENTS = 1500

/** Closed lines within a piece are buttons and badges, unless they are this many times longer than wide: then a dart. */
const SLENDER_TIMES = 2
/** A closed line is a mark when it covers less than this part of the piece: more is a seam line, or another size. */
const MARK_PART = 0.15

/** Directions in which the reach of a line is measured: enough to find it to a hundredth part. */
const DIRECTIONS = Array.from({ length: 12 }, (_, i) => ({ x: Math.cos((i * Math.PI) / 12), y: Math.sin((i * Math.PI) / 12) }))

/** Is a closed line long and narrow, whichever way it lies? Of such a line the ends are far apart, and little lies between. */
function isSlender(closed: Path): boolean {
  const reach = Math.max(
    ...DIRECTIONS.map((d) => {
      let [low, high] = [Infinity, -Infinity]
      for (const { from } of closed) {
        const along = from.x * d.x + from.y * d.y
        low = Math.min(low, along)
        high = Math.max(high, along)
      }
      return high - low
    }),
  )
  return Math.abs(measureArea(closed)) * SLENDER_TIMES < reach * reach
}

/** Closed lines of one file beyond this are no pattern's: a nest of twenty sizes of fifty pieces has half as many. */
const MOST_CANDIDATES = 2000

/** The closed lines of a drawing, and those that are nearly so, that are large enough for pieces; largest first. */
function findCandidates(strokes: readonly Stroke[]): Sized[] {
  const open = strokes.filter((s) => !s.shape.closed)
  const byGroup = new Map<string, Stroke[]>()
  for (const s of open) {
    const group = s.shape.groups.join('/')
    const there = byGroup.get(group)
    if (there) there.push(s)
    else byGroup.set(group, [s])
  }
  const chains = [...byGroup.values()].flatMap(chainStrokes)
  const candidates = [
    ...strokes.filter((s) => s.shape.closed).map((stroke) => ({ stroke, gapMm: 0 })),
    ...chains.map((stroke) => ({ stroke, gapMm: distance(startOf(stroke.path), endOf(stroke.path)) })),
  ]
  return candidates
    .flatMap(({ stroke, gapMm }) => {
      const isOpen = gapMm > GAP_MM
      const loop = isOpen ? [...stroke.path, line(endOf(stroke.path), startOf(stroke.path))] : weldClosed(stroke.path)
      const area = measureArea(loop)
      // An open line counts as an outline when its gap is short for its length; otherwise it is a mark.
      if (Math.abs(area) < LEAST_PIECE_MM2 || (isOpen && gapMm > measureLength(stroke.path) / 5)) return []
      return [sized(stroke, area < 0 ? reversePath(loop) : loop, Math.abs(area), gapMm, isOpen)]
    })
    .sort((a, b) => b.area - a.area)
}

/** Marks may stand this far outside of the outline that they belong to, mm: notches drawn outward. */
const MARK_REACH_MM = 12

/** Told how many of the outlines have been looked at. */
export type ImportProgress = (done: number, of: number) => void

interface Mark extends Stroke {
  lengthMm: number
  /** Of a closed one: is it long and narrow, and how much does it cover? */
  slender: boolean
  area: number
}

/** The lines that lie in or at an outline and are not one themselves. */
function marksOf(piece: Sized, marks: readonly Mark[]): DrawnShape[] {
  spend(marks.length)
  const { box } = piece
  const inBox = (q: Point) =>
    q.x >= box.minX - MARK_REACH_MM && q.x <= box.maxX + MARK_REACH_MM && q.y >= box.minY - MARK_REACH_MM && q.y <= box.maxY + MARK_REACH_MM
  const around = measureLength(piece.stroke.path)
  return marks
    .filter(
      (s) =>
        s.path !== piece.stroke.path &&
        inBox(startOf(s.path)) &&
        inBox(endOf(s.path)) &&
        (!s.shape.closed || (s.slender && !calledLine(s.shape) && s.area < piece.area * MARK_PART)) &&
        s.lengthMm < around * 0.9,
    )
    .map((s) => ({ ...s.shape, path: s.path }))
}

function troubleOf(p: Sized): FoundOutline['trouble'] {
  if (p.isOpen) return { code: 'open', at: endOf(p.stroke.path), gapMm: p.gapMm }
  const crossing = findSelfCrossing(p.loop)
  return crossing && { code: 'crosses', at: crossing }
}

/** Pieces that lie further out than this are brought home, mm: half of what a garment may span. */
const FAR_MM = 10_000

/** An outline with all that belongs to it, brought near to the origin when it was drawn far away. */
function broughtHome(outline: FoundOutline, box: Box): FoundOutline {
  if (Math.max(Math.abs(box.minX), Math.abs(box.maxX), Math.abs(box.minY), Math.abs(box.maxY)) <= FAR_MM) return outline
  const home = (p: Point): Point => ({ x: p.x - box.minX, y: p.y - box.minY })
  const moved = (path: Path) => mapPath(path, home)
  return {
    ...outline,
    path: moved(outline.path),
    trouble: outline.trouble && { ...outline.trouble, at: home(outline.trouble.at) },
    marks: outline.marks.map((m) => ({ ...m, path: moved(m.path) })),
    sizes: outline.sizes.map((s) => ({ ...s, path: moved(s.path) })),
  }
}

/**
 * Finds what may be pattern pieces among the lines of a drawing: closed lines (or strokes that join into one) that are
 * large enough and do not lie inside another. Frames and backgrounds are set aside. Where the file names a seam line within
 * a cut line, the seam line is the outline. Lines that are long but open, or that cross themselves, are kept too, with the
 * place of the trouble. Refuses a drawing with more closed lines than any pattern has.
 *
 * @param times factor on the file's own scale, when the person gave a true length
 * @param progress told before each outline
 */
export function findOutlines(drawing: Drawing, times = 1, progress?: ImportProgress): Result<FoundOutline[]> {
  const by = (p: Point): Point => ({ x: p.x * times, y: p.y * times })
  // A printed test square is not a piece.
  const shapes = drawing.shapes.filter((s) => ![s.name, ...s.groups].some((n) => /^test[ -]square/i.test(n)))
  const strokes = shapes.map((shape) => ({ shape, path: times === 1 ? shape.path : mapPath(shape.path, by) }))
  const candidates = findCandidates(strokes)
  if (candidates.length > MOST_CANDIDATES)
    return refuse(
      'too-many',
      'drawing',
      `it has ${candidates.length} closed lines that could be pieces.`,
      `Part it: up to ${MOST_CANDIDATES} are looked at.`,
    )
  const page = drawing.page && {
    minX: drawing.page.minX * times,
    maxX: drawing.page.maxX * times,
    minY: drawing.page.minY * times,
    maxY: drawing.page.maxY * times,
  }
  const frames = findFrames(candidates, page)
  const own = candidates.filter((c) => !frames.has(c))
  const nests = findNests(own.filter((s) => !s.isOpen))
  // A nest comes in as its middle size; the others go along with it.
  const middles = new Map(nests.map((n) => [n[Math.floor((n.length - 1) / 2)]!.one, n]))
  const others = new Set(nests.flatMap((n) => n.map((x) => x.one)).filter((one) => !middles.has(one)))
  const pieces: Sized[] = [...middles.keys()]
  for (const one of own.filter((s) => !others.has(s) && !middles.has(s))) {
    spend(pieces.length)
    const outer = pieces.find((p) => liesIn(one, p))
    if (!outer) pieces.push(one)
    else if (calledLine(one.stroke.shape) === 'seam line' && calledLine(outer.stroke.shape) !== 'seam line')
      pieces[pieces.indexOf(outer)] = one
  }
  const found = [...pieces, ...frames].sort((a, b) => a.stroke.shape.index - b.stroke.shape.index)
  // What an outline was joined of is no mark on it.
  const joined = new Set(found.flatMap((p) => p.stroke.of ?? []))
  const marks = strokes
    .filter((s) => !joined.has(s))
    .map((s): Mark => ({
      ...s,
      lengthMm: measureLength(s.path),
      slender: s.shape.closed && isSlender(s.path),
      area: s.shape.closed ? Math.abs(measureArea(s.path)) : 0,
    }))
  const outlines = found.map((p, i): FoundOutline => {
    progress?.(i, found.length)
    const isFrame = frames.has(p)
    spend(drawing.texts.length)
    const texts = isFrame ? [] : drawing.texts.filter((t) => contains(p, by(t.at))).map((t) => t.text)
    const outline: FoundOutline = {
      id: `outline-${p.stroke.shape.index}`,
      name: pieceName(p.stroke.shape, texts) || (isFrame ? 'Frame of the page' : `Piece ${i + 1}`),
      path: p.loop,
      trouble: troubleOf(p),
      aside: isFrame ? 'frame' : null,
      marks: isFrame ? [] : marksOf(p, marks),
      texts,
      sizeName: middles.get(p)?.find((x) => x.one === p)!.name ?? '',
      sizes: (middles.get(p) ?? []).filter((x) => x.one !== p).map((x) => ({ name: x.name, path: x.one.loop })),
      called: calledLine(p.stroke.shape),
    }
    return broughtHome(outline, handleBoxOf(p.loop))
  })
  return ok(outlines)
}
