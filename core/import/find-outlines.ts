import { spend } from '../budget'
import type { Drawing, DrawnShape, DrawnText } from '../formats'
import {
  handleBoxOf,
  distance,
  findSelfCrossing,
  line,
  mapPath,
  measureArea,
  measureLength,
  nearestPlace,
  placeAt,
  reversePath,
  thinOut,
  type Box,
  type Path,
  type Point,
  type Segment,
} from '../geometry'
import { ok, refuse, type Result } from '../result'
import { FIT_MM, GAP_MM, LEAST_PIECE_MM2, SAME_POINT_MM } from '../tolerances'
import { ASIDES, type Aside } from './asides'
import { chainStrokes, endOf, startOf, type Stroke } from './chain-strokes'
import { findFrames } from './find-frames'
import { findFurniture, type FoundFurniture } from './find-furniture'
import { findNests } from './find-nests'
import { middleOfBands } from './middle-of-bands'
import { joinDashes, mendGaps, type Mended } from './mend-gaps'
import { pairLines } from './pair-lines'
import { hasPartWord } from './part-words'
import { readGrain } from './read-grain'
import { readNotches } from './read-notches'
import { readWords, saysHowCut, speaksOfPiece, type PieceWords } from './read-words'
import { shareLines } from './share-lines'
import { sizeCalled } from './size-called'
import { takeOutNotches } from './take-out-notches'
import { calledLine, contains, groupName, liesIn, sized, type Sized } from './sized'

/** A line that lies in or at an outline and is not one itself. */
export type OutlineMark = DrawnShape

/** Something in a drawing that may be a pattern piece. */
export interface FoundOutline {
  id: string
  /** The best name that the file gives: written on it, or that of its group; or “Piece 3”. */
  name: string
  /** Clockwise on the page; open when there is a gap. The seam line where both lines are drawn. */
  path: Path
  /** The cut line around it, where both are drawn. */
  cutLine: Path | null
  /** Why it cannot be used yet, with the place. */
  trouble: { code: 'open' | 'crosses'; at: Point; gapMm?: number } | null
  aside: Aside | null
  /** Other lines that lie inside it or touch it: marks, grain, notches. */
  marks: OutlineMark[]
  texts: DrawnText[]
  words: PieceWords
  /** The size it is drawn in, and the same piece in other sizes, smallest first; empty when there is one size. */
  sizeName: string
  sizes: { name: string; path: Path }[]
  /** The file itself calls this line the seam line or the cut line. */
  called: 'seam line' | 'cut line' | null
  /** Places of notches that were cut into the outline: it is given without them. */
  cutNotches: Point[]
}

/** The outlines of a drawing, and how large its test square should be, where it says so. */
export interface FoundOutlines {
  outlines: FoundOutline[]
  scale: FoundFurniture['scale']
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

/** Closed lines within a piece are pockets and badges, unless the square on their reach is this many times what they cover: then a dart. */
const SLENDER_TIMES = 3
/** Closed lines smaller than this are marks whatever their shape: notches, arrow heads, drill holes, mm2. */
const SMALL_MARK_MM2 = 700
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

/** Two lines whose boxes and areas differ by no more than this are one that is drawn twice: an area, and a line round it. */
const TWICE_MM = 0.3
const TWICE_PART = 0.002

/** The closed lines without those that are drawn over another again, largest first; the line is kept, not the area. */
function drawnOnce(candidates: readonly Sized[]): { once: Sized[]; again: Sized[] } {
  const once: Sized[] = []
  const again: Sized[] = []
  const order = [...candidates].sort((a, b) => Number(a.stroke.shape.isArea) - Number(b.stroke.shape.isArea))
  for (const c of order) {
    spend(once.length)
    const same = once.some(
      (o) =>
        !c.isOpen &&
        Math.abs(o.area - c.area) <= TWICE_PART * o.area &&
        Math.abs(o.box.minX - c.box.minX) <= TWICE_MM &&
        Math.abs(o.box.minY - c.box.minY) <= TWICE_MM &&
        Math.abs(o.box.maxX - c.box.maxX) <= TWICE_MM &&
        Math.abs(o.box.maxY - c.box.maxY) <= TWICE_MM &&
        c.loop.every((s) => nearestPlace(o.loop, s.from).distanceMm <= TWICE_MM),
    )
    ;(same ? again : once).push(c)
  }
  return { once: once.sort((a, b) => b.area - a.area), again }
}

/** What strokes must have in common to be chained, strictest first: cut line and seam line meet at a fold. */
const MANNERS: ((s: Stroke) => string)[] = [({ shape }) => [...shape.groups, shape.style].join('/'), ({ shape }) => shape.style, () => '']

/** Open strokes joined end to end: within their group and manner first, what stays open then with others. */
function chainByManner(open: readonly Stroke[], all: readonly Stroke[]): Stroke[] {
  let left = open
  const done: Stroke[] = []
  for (const [i, mannerOf] of MANNERS.entries()) {
    const groups = new Map<string, Stroke[]>()
    for (const s of left) {
      const there = groups.get(mannerOf(s))
      if (there) there.push(s)
      else groups.set(mannerOf(s), [s])
    }
    const chains = [...groups.values()].flatMap(chainStrokes)
    const isLast = i === MANNERS.length - 1
    const isDone = (c: Stroke) => distance(startOf(c.path), endOf(c.path)) <= GAP_MM
    done.push(...chains.filter(isDone))
    if (isLast) {
      // What nearly closes is mended, and asked about; what is left is a mark, or an outline with a wide gap.
      const open = chains.filter((c) => !isDone(c))
      const mended = mendGaps(open)
      const used = new Set(mended.flatMap((m) => m.of ?? []))
      done.push(...mended, ...open.filter((o) => !(o.of ?? [o]).some((x) => used.has(x))))
    }
    const unclosed = chains.filter((c) => !isDone(c))
    const shared = i < MANNERS.length - 1 ? shareLines(unclosed, all) : { closed: [], left: unclosed }
    done.push(...shared.closed.map((c) => ({ ...c, of: c.of!.flatMap((o) => o.of ?? [o]) })))
    left = shared.left.flatMap((c) => c.of ?? [c])
  }
  return done
}

/** The closed lines of a drawing, and those that are nearly so, that are large enough for pieces; largest first. */
function findCandidates(strokes: readonly Stroke[]): Sized[] {
  const chains = chainByManner(joinDashes(strokes.filter((s) => !s.shape.closed)), strokes)
  const candidates = [
    ...strokes.filter((s) => s.shape.closed).map((stroke) => ({ stroke, gapMm: 0 })),
    ...chains.map((stroke) => ({ stroke, gapMm: mendOf(stroke)?.mm ?? distance(startOf(stroke.path), endOf(stroke.path)) })),
  ]
  return candidates
    .flatMap(({ stroke, gapMm }) => {
      const isOpen = gapMm > GAP_MM
      const loop = isOpen && !mendOf(stroke) ? [...stroke.path, line(endOf(stroke.path), startOf(stroke.path))] : weldClosed(stroke.path)
      const area = measureArea(loop)
      // An open line counts as an outline when its gap is short for its length; otherwise it is a mark.
      if (Math.abs(area) < LEAST_PIECE_MM2 || (isOpen && gapMm > measureLength(stroke.path) / 5)) return []
      const clockwise = area < 0 ? reversePath(loop) : loop
      const { path, places } = isOpen ? { path: clockwise, places: [] } : takeOutNotches(clockwise)
      return [{ ...sized(stroke, path, Math.abs(area), gapMm, isOpen), notches: places }]
    })
    .sort((a, b) => b.area - a.area)
}

/** How an outline was mended that did not close. */
const mendOf = (stroke: Stroke): Mended['mended'] | null => ('mended' in stroke ? (stroke as Mended).mended : null)

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
function marksOf(piece: Sized, marks: readonly Mark[], ownLines: ReadonlySet<Path>): OutlineMark[] {
  spend(marks.length)
  const { box } = piece
  const inBox = (q: Point) =>
    q.x >= box.minX - MARK_REACH_MM && q.x <= box.maxX + MARK_REACH_MM && q.y >= box.minY - MARK_REACH_MM && q.y <= box.maxY + MARK_REACH_MM
  const around = measureLength(piece.stroke.path)
  return marks
    .filter(
      (s) =>
        !ownLines.has(s.path) &&
        inBox(startOf(s.path)) &&
        inBox(endOf(s.path)) &&
        (!s.shape.closed || s.area < SMALL_MARK_MM2 || (s.slender && !calledLine(s.shape) && s.area < piece.area * MARK_PART)) &&
        s.lengthMm < around * 0.9 &&
        liesAt(piece, s),
    )
    .map((s) => ({ ...s.shape, path: s.path }))
}

/** Does a mark lie in an outline, or begin near to it? */
function liesAt(piece: Sized, { path, lengthMm }: Mark): boolean {
  const middle = placeAt(path, lengthMm / 2).point
  return contains(piece, middle) || nearestPlace(piece.loop, middle).distanceMm <= MARK_REACH_MM
}

function troubleOf(p: Sized): FoundOutline['trouble'] {
  if (p.isOpen) return { code: 'open', at: mendOf(p.stroke)?.at ?? endOf(p.stroke.path), gapMm: p.gapMm }
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
    cutLine: outline.cutLine && moved(outline.cutLine),
    trouble: outline.trouble && { ...outline.trouble, at: home(outline.trouble.at) },
    marks: outline.marks.map((m) => ({ ...m, path: moved(m.path) })),
    cutNotches: outline.cutNotches.map(home),
    texts: outline.texts.map((t) => ({ ...t, at: home(t.at), middle: home(t.middle), end: home(t.end) })),
    sizes: outline.sizes.map((s) => ({ ...s, path: moved(s.path) })),
  }
}

/** A line that may be a piece, with its seam line where it has both, and its other sizes. */
interface Unit {
  outer: Sized
  inner: Sized | null
  sizeName: string
  others: { name: string; outer: Sized; inner: Sized | null }[]
  isInside: boolean
}

/** The closed lines as pieces: both lines of one are one, sizes of one are one, what lies in another is told. */
function toUnits(candidates: readonly Sized[]): Unit[] {
  const pairs = pairLines(candidates)
  const seams = new Set(pairs.values())
  const innerOf = (outer: Sized) => pairs.get(outer) ?? null
  const outers = candidates.filter((c) => !seams.has(c))
  const nests = findNests(outers.filter((s) => !s.isOpen))
  const nested = new Set(nests.flatMap((n) => n.map((x) => x.one)))
  // A nest comes in as its middle size; the others go along with it.
  const units = nests.map((n): Unit => {
    const middle = n[Math.floor((n.length - 1) / 2)]!
    return {
      outer: middle.one,
      inner: innerOf(middle.one),
      sizeName: middle.name,
      others: n.flatMap((x) => (x === middle ? [] : [{ name: x.name, outer: x.one, inner: innerOf(x.one) }])),
      isInside: false,
    }
  })
  for (const one of outers.filter((s) => !nested.has(s))) {
    spend(units.length)
    const outer = units.find((u) => liesIn(one, u.outer))
    const unit: Unit = { outer: one, inner: innerOf(one), sizeName: '', others: [], isInside: outer !== undefined }
    // Where the file names a seam line within a cut line, it is the outline, however it runs.
    if (outer && !outer.inner && calledLine(one.stroke.shape) === 'seam line' && calledLine(outer.outer.stroke.shape) !== 'seam line')
      outer.inner = one
    else units.push(unit)
  }
  return units
}

/** Texts that lie on more than half of the pieces, and on three at least, are the pattern's own words and no piece's name. */
function commonTexts(lists: readonly (readonly DrawnText[])[]): Set<string> {
  const times = new Map<string, number>()
  for (const list of lists) for (const text of new Set(list.map((t) => t.text))) times.set(text, (times.get(text) ?? 0) + 1)
  return new Set([...times].flatMap(([text, n]) => (n >= 3 && n * 2 > lists.length ? [text] : [])))
}

/** The smallest closed line that each text lies on; texts on frames alone lie on none. */
function placeTexts(texts: readonly DrawnText[], candidates: readonly Sized[]): Map<Sized, DrawnText[]> {
  const smallestFirst = [...candidates].reverse()
  const on = new Map<Sized, DrawnText[]>()
  const beside: DrawnText[] = []
  for (const t of texts) {
    spend(candidates.length)
    const one = [t.middle, t.at, t.end].map((p) => smallestFirst.find((c) => contains(c, p))).find((c) => c !== undefined)
    const own = one ?? groupMate(t, candidates)
    if (own) on.set(own, [...(on.get(own) ?? []), t])
    else beside.push(t)
  }
  // Words beside a small piece that speak of one are its own, where it has none on it.
  for (const t of beside.slice(0, MOST_BESIDE).filter((x) => speaksOfPiece(x.text) || saysHowCut(x.text))) {
    const near = candidates
      .map((c) => ({ c, far: nearestPlace(c.loop, t.middle).distanceMm }))
      .filter(({ c, far }) => far <= WORDS_BESIDE_MM && !(on.get(c) ?? []).some((o) => !beside.includes(o)))
      .sort((a, b) => a.far - b.far)[0]
    if (near) on.set(near.c, [...(on.get(near.c) ?? []), t])
  }
  return on
}

/** The line that words outside of every line share their groups with: a piece’s block holds its words wherever they stand. */
function groupMate({ groups }: DrawnText, candidates: readonly Sized[]): Sized | undefined {
  if (groups.length === 0) return undefined
  const mates = candidates.filter((c) => groups.every((g, i) => c.stroke.shape.groups[i] === g))
  const [largest, ...others] = mates
  return largest && others.every((o) => liesIn(o, largest)) ? largest : undefined
}

/** Words that stand beside a piece do so within this, mm. */
const WORDS_BESIDE_MM = 60
/** Words beside pieces are looked at up to this many. */
const MOST_BESIDE = 200

/**
 * Finds what may be pattern pieces among the lines of a drawing: closed lines (or strokes that join into one) that are
 * large enough. Both lines of a piece are one outline, its sizes are one; frames, boxes of words, test squares, badges and what
 * lies within a piece are set aside by kind. Lines that are long but open, or that cross themselves, are kept too, with the place
 * of the trouble. Refuses a drawing with more closed lines than any pattern has.
 *
 * @param times factor on the file's own scale, when the person gave a true length
 * @param progress told before each outline
 */
export function findOutlines(drawing: Drawing, times = 1, progress?: ImportProgress): Result<FoundOutlines> {
  const by = (p: Point): Point => ({ x: p.x * times, y: p.y * times })
  const strokes = drawing.shapes.map((shape) => ({ shape, path: times === 1 ? shape.path : mapPath(shape.path, by) }))
  const texts = drawing.texts.map((t) => ({ ...t, at: by(t.at), middle: by(t.middle), end: by(t.end), heightMm: t.heightMm * times }))
  const all = findCandidates(strokes)
  if (all.length > MOST_CANDIDATES)
    return refuse(
      'too-many',
      'drawing',
      `it has ${all.length} closed lines that could be pieces.`,
      `Part it: up to ${MOST_CANDIDATES} are looked at.`,
    )
  const { once, again: twice } = drawnOnce(all)
  const { lines: candidates, rims } = middleOfBands(once)
  const again = [...twice, ...rims]
  const page = drawing.page && {
    minX: drawing.page.minX * times,
    maxX: drawing.page.maxX * times,
    minY: drawing.page.minY * times,
    maxY: drawing.page.maxY * times,
  }
  const frames = findFrames(candidates, page)
  const own = candidates.filter((c) => !frames.has(c))
  const units = toUnits(own)
  const placed = placeTexts(texts, own)
  const linesOf = ({ outer, inner, others }: Unit) => [outer, inner, ...others.flatMap((o) => [o.outer, o.inner])].flatMap((x) => x ?? [])
  const ownTexts = (u: Unit) => linesOf(u).flatMap((l) => placed.get(l) ?? [])
  const speaks = (list: readonly DrawnText[]) => list.some((t) => speaksOfPiece(t.text))
  // What is written on a line within a piece is written on the piece, too, unless it is one of its own.
  const within = (u: Unit) => units.filter((o) => o.isInside && o !== u && !speaks(ownTexts(o)) && liesIn(o.outer, u.outer))
  const textsOf = new Map(units.map((u) => [u.outer, [u, ...(u.isInside ? [] : within(u))].flatMap(ownTexts)]))
  // What an outline was joined of is no mark on it; nor is the line of a piece a mark on another.
  const lines = new Set(
    [...frames, ...again, ...units.filter((u) => !isMarkOn(u, units)).flatMap(linesOf)].flatMap((p) => [
      p.stroke.path,
      ...(p.stroke.of ?? []).map((s) => s.path),
    ]),
  )
  const marks = strokes
    .filter((s) => !lines.has(s.path))
    .map((s): Mark => ({
      ...s,
      lengthMm: measureLength(s.path),
      slender: s.shape.closed && isSlender(s.path),
      area: s.shape.closed ? Math.abs(measureArea(s.path)) : 0,
    }))
  const kept = units.filter((u) => !isMarkOn(u, units))
  const marksAt = new Map(kept.map((u) => [u.outer, marksOf(u.outer, marks, lines)]))
  const isMarked = (one: Sized): boolean => {
    const unit = kept.find((u) => u.outer === one)
    const own = marksAt.get(one) ?? []
    return (
      (unit !== undefined && (unit.inner !== null || unit.others.length > 0)) ||
      hasPartWord(groupName(one.stroke.shape)) ||
      one.notches.length > 0 ||
      readNotches(own, [one.loop]).places.length > 0 ||
      readGrain(own, one.loop, textsOf.get(one) ?? [])?.sure === true
    )
  }
  const furniture = findFurniture(
    kept.filter((u) => !u.isInside).map((u) => u.outer),
    texts,
    textsOf,
    strokes,
    isMarked,
  )
  const asideOf = (u: Unit): Aside | null =>
    furniture.kinds.get(u.outer) ?? (u.isInside && !speaks(textsOf.get(u.outer) ?? []) ? 'inside' : null)
  const frameUnits = [...frames].map((outer): Unit => ({ outer, inner: null, sizeName: '', others: [], isInside: false }))
  const found = [...kept, ...frameUnits].sort((a, b) => a.outer.stroke.shape.index - b.outer.stroke.shape.index)
  const pieces = kept.filter((u) => asideOf(u) === null)
  const common = commonTexts(pieces.map((u) => textsOf.get(u.outer) ?? []))
  const commonGroups = commonNames(pieces.map((u) => groupName(u.outer.stroke.shape)))
  const outlines = found.map((u, i): FoundOutline => {
    progress?.(i, found.length)
    const isFrame = frames.has(u.outer)
    const own = textsOf.get(u.outer) ?? []
    const words = readWords(own, common)
    const aside = isFrame ? 'frame' : asideOf(u)
    const called = groupName(u.outer.stroke.shape)
    const group = commonGroups.has(called) ? '' : called
    const trouble = troubleOf(u.inner ?? u.outer) ?? (u.inner && troubleOf(u.outer))
    const outline: FoundOutline = {
      id: `outline-${u.outer.stroke.shape.index}`,
      name: (aside && !words.isPart ? ASIDES[aside].name : bestName(words, group)) || `Piece ${i + 1}`,
      path: (u.inner ?? u.outer).loop,
      cutLine: u.inner ? u.outer.loop : null,
      trouble,
      aside,
      marks: ofThisSize(marksAt.get(u.outer) ?? [], u),
      texts: own,
      words,
      sizeName: u.sizeName,
      sizes: u.others.map((x) => ({ name: x.name, path: (x.inner && u.inner ? x.inner : x.outer).loop })),
      called: u.inner ? 'seam line' : calledLine(u.outer.stroke.shape),
      cutNotches: [u.outer, ...(u.inner ? [u.inner] : [])].flatMap((l) => l.notches),
    }
    return broughtHome(outline, handleBoxOf(u.outer.loop))
  })
  return ok({ outlines, scale: furniture.scale })
}

/** The marks of a nest's base size: those that are called by, or drawn in the manner of, another size are left out. */
function ofThisSize(marks: readonly OutlineMark[], { outer, sizeName, others }: Unit): OutlineMark[] {
  const own = outer.stroke.shape.style
  const theirs = new Set(others.map((o) => o.outer.stroke.shape.style).filter((style) => style !== own))
  const isOwn = (m: OutlineMark) => {
    const called = sizeCalled(m)
    return called !== null ? called === sizeName : !theirs.has(m.style)
  }
  return others.length === 0 ? [...marks] : marks.filter(isOwn)
}

/** A long narrow line that lies in a piece is a dart drawn on it. */
function isMarkOn(u: Unit, units: readonly Unit[]): boolean {
  if (!u.isInside || u.inner) return false
  const outer = units.find((o) => o !== u && liesIn(u.outer, o.outer))
  return outer !== undefined && isSlender(u.outer.loop) && !calledLine(u.outer.stroke.shape) && u.outer.area < outer.outer.area * MARK_PART
}

/** Names of groups that most pieces have are layers and no names. */
function commonNames(names: readonly string[]): Set<string> {
  return new Set(names.filter((n) => n !== '' && names.filter((o) => o === n).length >= 2))
}

/** What is written with a word for a part of a garment, else the group that has one, else what is written, else the group. */
const bestName = (words: PieceWords, group: string): string =>
  (words.isPart ? words.name : hasPartWord(group) ? group : words.name || group) ?? ''
