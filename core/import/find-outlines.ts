import { spend } from '../budget'
import type { Drawing, DrawnShape, DrawnText } from '../formats'
import {
  findSelfCrossing,
  handleBoxOf,
  mapPath,
  measureArea,
  measureLength,
  nearestPlace,
  placeAt,
  type Box,
  type Path,
  type Point,
} from '../geometry'
import { ok, refuse, type Result } from '../result'
import { allowanceSaid, firstSaid, type AllowanceSaid } from './allowance-said'
import { ASIDES, type Aside } from './asides'
import { endOf, startOf, type Stroke } from './chain-strokes'
import { closeOnFold } from './close-on-fold'
import { drawnOnce, findClosedLines, mendOf } from './find-closed-lines'
import { findFrames } from './find-frames'
import { findFurniture, type FoundFurniture } from './find-furniture'
import { joinDashes } from './join-dashes'
import { joinRings } from './join-rings'
import { middleOfBands } from './middle-of-bands'
import { inEnglish } from './in-english'
import { hasPartWord } from './part-words'
import { bestName, commonNames, placeTexts, repeatedWords } from './place-texts'
import { readGrain } from './read-grain'
import { readNotches } from './read-notches'
import { readWords, speaksOfPiece, type PieceWords, type Repeated } from './read-words'
import { calledLine, contains, groupName, liesIn, type Sized } from './sized'
import { sizesOf, type SizeOfOutline } from './sizes-of'
import { isMarkOn, isSlender, linesOf, MARK_PART, ofThisSize, toUnits, type Unit } from './units'

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
  sizes: SizeOfOutline[]
  /** What words say of seam allowances: on it, or for the whole sheet. */
  allowance: AllowanceSaid
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

/** Closed lines of one file beyond this are no pattern's: a nest of twenty sizes of fifty pieces has half as many. */
const MOST_CANDIDATES = 2000

/** Closed lines smaller than this are marks whatever their shape: notches, arrow heads, drill holes, mm2. */
const SMALL_MARK_MM2 = 700
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
    sizes: outline.sizes.map((s) => ({ ...s, path: moved(s.path), notches: s.notches.map(home) })),
  }
}

/**
 * Finds what may be pattern pieces among the lines of a drawing: closed lines (or strokes that join into one) that are
 * large enough. Both lines of a piece are one outline, its sizes are one; frames, boxes of words, test squares, badges and what
 * lies within a piece are set aside by kind. Lines that are long but open, or that cross themselves, are kept too, with the place
 * of the trouble. Refuses a drawing with more closed lines than any pattern has.
 *
 * @param times factor on the file's own scale, when the person gave a true length
 * @param progress told before each outline
 */
export function findOutlines(asRead: Drawing, times = 1, progress?: ImportProgress): Result<FoundOutlines> {
  const drawing = inEnglish(asRead)
  const by = (p: Point): Point => ({ x: p.x * times, y: p.y * times })
  const drawn = drawing.shapes.map((shape) => ({ shape, path: times === 1 ? shape.path : mapPath(shape.path, by) }))
  const strokes = joinDashes(joinRings(drawn))
  const texts = drawing.texts.map((t) => ({ ...t, at: by(t.at), middle: by(t.middle), end: by(t.end), heightMm: t.heightMm * times }))
  const all = findClosedLines(strokes)
  if (all.length > MOST_CANDIDATES)
    return refuse(
      'too-many',
      'drawing',
      `it has ${all.length} closed lines that could be pieces.`,
      `Part it: up to ${MOST_CANDIDATES} are looked at.`,
    )
  const { once, again: twice } = drawnOnce(all)
  const { lines: closed, rims } = middleOfBands(once)
  const candidates = [...closed, ...closeOnFold(closed, strokes)].sort((a, b) => b.area - a.area)
  const frames = findFrames(candidates, drawing.page && scaledBox(drawing.page, times))
  const own = candidates.filter((c) => !frames.has(c))
  const sheet = toSheet(strokes, texts, toUnits(own, texts), placeTexts(texts, own), [...frames, ...twice, ...rims])
  const furniture = findFurniture(
    sheet.units.filter((u) => !u.isInside).map((u) => u.outer),
    texts,
    sheet.textsOf,
    strokes,
    (one) => isMarked(one, sheet),
  )
  const asideOf = (u: Unit): Aside | null =>
    frames.has(u.outer)
      ? 'frame'
      : (furniture.kinds.get(u.outer) ?? (u.isInside && !speaks(sheet.textsOf.get(u.outer) ?? []) ? 'inside' : null))
  const frameUnits = [...frames].map((outer): Unit => ({ outer, inner: null, sizeName: '', others: [], isInside: false }))
  const found = [...sheet.units, ...frameUnits].sort((a, b) => a.outer.stroke.shape.index - b.outer.stroke.shape.index)
  const pieces = sheet.units.filter((u) => asideOf(u) === null)
  const onPieces = pieces.map((u) => sheet.textsOf.get(u.outer) ?? [])
  const placed = new Set(onPieces.flat())
  const beside = texts.filter((t) => !placed.has(t))
  const common = {
    allowance: firstSaid(allowanceSaid(wordsOf(beside)), allowanceSaid(wordsOf(onPieces.flat()))),
    texts: repeatedWords(onPieces, beside),
    groups: commonNames(pieces.map((u) => groupName(u.outer.stroke.shape))),
  }
  const outlines = found.map((u, i): FoundOutline => {
    progress?.(i, found.length)
    return outlineOf(u, asideOf(u), sheet, common, `Piece ${i + 1}`)
  })
  return ok({ outlines, scale: furniture.scale })
}

/** A drawing as far as it was told: its pieces, what is written on each, and the marks that lie in each. */
interface Sheet {
  units: readonly Unit[]
  textsOf: ReadonlyMap<Sized, readonly DrawnText[]>
  marksAt: ReadonlyMap<Sized, readonly OutlineMark[]>
}

const speaks = (list: readonly DrawnText[]) => list.some((t) => speaksOfPiece(t.text))

/**
 * Gives each piece its words and marks.
 * @param placed the words on each closed line
 * @param others lines that are no pieces and no marks: frames, what was drawn twice
 */
function toSheet(
  strokes: readonly Stroke[],
  texts: readonly DrawnText[],
  all: readonly Unit[],
  placed: ReadonlyMap<Sized, readonly DrawnText[]>,
  others: readonly Sized[],
): Sheet {
  spend(texts.length)
  const ownTexts = (u: Unit) => linesOf(u).flatMap((l) => [...(placed.get(l) ?? [])])
  // What is written on a line within a piece is written on the piece, too, unless it is one of its own.
  const within = (u: Unit) => all.filter((o) => o.isInside && o !== u && !speaks(ownTexts(o)) && liesIn(o.outer, u.outer))
  const textsOf = new Map(all.map((u) => [u.outer, [u, ...(u.isInside ? [] : within(u))].flatMap(ownTexts)]))
  const units = all.filter((u) => !isMarkOn(u, all))
  // What an outline was joined of is no mark on it; nor is the line of a piece a mark on another.
  const lines = new Set([...others, ...units.flatMap(linesOf)].flatMap((p) => [p.stroke.path, ...(p.stroke.of ?? []).map((s) => s.path)]))
  const marks = strokes
    .filter((s) => !lines.has(s.path))
    .map((s): Mark => ({
      ...s,
      lengthMm: measureLength(s.path),
      slender: s.shape.closed && isSlender(s.path),
      area: s.shape.closed ? Math.abs(measureArea(s.path)) : 0,
    }))
  const drawn = units.flatMap((u) => [u.outer, ...u.others.map((o) => o.outer)])
  return { units, textsOf, marksAt: new Map(drawn.map((outer) => [outer, marksOf(outer, marks, lines)])) }
}

/** Does something on a line say that it is a piece: a seam line or sizes of its own, a name, notches, a grain? */
function isMarked(one: Sized, { units, marksAt, textsOf }: Sheet): boolean {
  const unit = units.find((u) => u.outer === one)
  const own = marksAt.get(one) ?? []
  return (
    (unit !== undefined && (unit.inner !== null || unit.others.length > 0)) ||
    hasPartWord(groupName(one.stroke.shape)) ||
    one.notches.length > 0 ||
    readNotches(own, [one.loop]).places.length > 0 ||
    readGrain(own, one.loop, textsOf.get(one) ?? [])?.sure === true
  )
}

const wordsOf = (texts: readonly DrawnText[]): string[] => texts.map((t) => t.text)

/** What a sheet says beside one piece: of all of them, and more than once. */
interface Common {
  allowance: AllowanceSaid
  texts: Repeated
  groups: ReadonlySet<string>
}

/** A piece with all that is known of it. */
function outlineOf(u: Unit, aside: Aside | null, { textsOf, marksAt }: Sheet, common: Common, nameless: string): FoundOutline {
  const texts = [...(textsOf.get(u.outer) ?? [])]
  const words = readWords(texts, common.texts)
  const called = groupName(u.outer.stroke.shape)
  const group = common.groups.has(called) ? '' : called
  const outline: FoundOutline = {
    id: `outline-${u.outer.stroke.shape.index}`,
    name: (aside && !words.isPart ? ASIDES[aside].name : bestName(words, group)) || nameless,
    path: (u.inner ?? u.outer).loop,
    cutLine: u.inner ? u.outer.loop : null,
    trouble: troubleOf(u.inner ?? u.outer) ?? (u.inner && troubleOf(u.outer)),
    aside,
    marks: ofThisSize(marksAt.get(u.outer) ?? [], u),
    texts,
    words,
    sizeName: u.sizeName,
    sizes: sizesOf(u, marksAt),
    allowance: firstSaid(allowanceSaid(wordsOf(texts)), common.allowance),
    called: u.inner ? 'seam line' : calledLine(u.outer.stroke.shape),
    cutNotches: [u.outer, ...(u.inner ? [u.inner] : [])].flatMap((l) => l.notches),
  }
  return broughtHome(outline, handleBoxOf(u.outer.loop))
}

const scaledBox = (b: Box, by: number): Box => ({ minX: b.minX * by, maxX: b.maxX * by, minY: b.minY * by, maxY: b.maxY * by })
