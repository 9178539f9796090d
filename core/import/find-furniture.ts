import { spend } from '../budget'
import type { DrawnText } from '../formats'
import { distance, isStraightPath, nearestPlace, type Box, type Point } from '../geometry'
import { INCH_MM } from '../units'
import type { Aside } from './asides'
import type { Stroke } from './chain-strokes'
import { lengthsSaid } from './lengths-said'
import { saysHowCut, speaksOfPiece } from './read-words'
import { contains, type Sized } from './sized'
import { splitEdges } from './split-edges'

/** What stands on a sheet beside the pieces. */
export type Furniture = Exclude<Aside, 'inside'>

export interface FoundFurniture {
  kinds: Map<Sized, Furniture>
  /** The test square or scale bar, where its true length is said: what it measures, and what it should, mm. */
  scale: { measuredMm: number; saidMm: number } | null
}

/** Words of a title block, a key, or a line about printing: one of them is a sign, several are proof. */
const SHEET_WORDS =
  /\b(?:sheet|page|pages|print|printed|scale|scaled|100 ?%|copyright|pattern(?: no)?|www|rights reserved|personal use|not for (?:re)?sale|commercial|key|legend|instructions?|requirements?|size chart|sizes|sewing level|designed|drawn by|date|tolerance|test|check|measures?)\b|©/i
const LINE_WORDS = /\b(?:cut(?:ting)? line|s(?:titching|ewing|eam) line|grain ?line|fold line|notch(?:es)?|dart|size \w+)\b/i
const TEST_WORDS = /\b(?:test|scale|check|control|gauge|calibrat\w*|print\w*|measure\w*|square|should be|must be)\b/i
/** Sides that test squares are drawn with, mm. */
const TEST_SIDES = [10, 20, 25, 30, 40, 50, 80, 100, INCH_MM, 2 * INCH_MM, 3 * INCH_MM, 4 * INCH_MM]
/** A side is one of these to within this part, where no words say so; where words do, to within the second. */
const SAME_SIDE = 0.004
const SAID_SIDE = 0.35
/** A box is square whose sides differ by no more than this part. */
const SQUARE_PART = 0.02
/** How far from a test square or scale bar its words may stand, mm. */
const WORDS_REACH_MM = 40
/** A scale bar is at least this many times longer than high. */
const BAR_TIMES = 5
/** A badge is no larger than this, mm2: a piece of that size has words on it, or a grain. */
const BADGE_MM2 = 16_000
/** An upright box without anything on it is a box of words drawn as shapes up to this, mm2. */
const BARE_BOX_MM2 = 60_000

const wide = (b: Box) => b.maxX - b.minX
const high = (b: Box) => b.maxY - b.minY
const isBox = (one: Sized) => one.area >= 0.985 * wide(one.box) * high(one.box) && splitEdges(one.loop).length === 4

function farFrom(box: Box, p: Point): number {
  const dx = Math.max(box.minX - p.x, 0, p.x - box.maxX)
  const dy = Math.max(box.minY - p.y, 0, p.y - box.maxY)
  return Math.hypot(dx, dy)
}

/** Is a stroke square across an outline from side to side, as the rules of a table are? */
function rulesAcross(one: Sized, strokes: readonly Stroke[]): number {
  return strokes.filter(({ path, shape }) => {
    if (shape.closed || !isStraightPath(path, 0.5)) return false
    const [a, b] = [path[0]!.from, path[path.length - 1]!.to]
    const level = Math.abs(a.y - b.y) < 0.5 || Math.abs(a.x - b.x) < 0.5
    return level && nearestPlace(one.loop, a).distanceMm < 1 && nearestPlace(one.loop, b).distanceMm < 1 && distance(a, b) > 15
  }).length
}

/**
 * Tells what stands on a sheet beside its pieces: boxes with words about the sheet, the test square, scale bars, badges.
 *
 * @param candidates closed lines that are no frames, largest first
 * @param textsOf texts that lie in each of them
 * @param isMarked has a line marks of a piece: grain, notches, a seam line of its own, a name?
 */
export function findFurniture(
  candidates: readonly Sized[],
  texts: readonly DrawnText[],
  textsOf: ReadonlyMap<Sized, readonly DrawnText[]>,
  strokes: readonly Stroke[],
  isMarked: (one: Sized) => boolean,
): FoundFurniture {
  const kinds = new Map<Sized, Furniture>()
  let scale: FoundFurniture['scale'] = null
  const speaks = (one: Sized) => (textsOf.get(one) ?? []).some((t) => speaksOfPiece(t.text))
  const shapes = candidates.filter((c) => !isBox(c))
  const free = texts.filter((t) => !shapes.some((c) => contains(c, t.middle)))
  for (const one of candidates) {
    spend(texts.length)
    if (!isBox(one)) continue
    const own = textsOf.get(one) ?? []
    const near = free.filter((t) => Math.min(farFrom(one.box, t.middle), farFrom(one.box, t.at)) <= WORDS_REACH_MM)
    const [w, h] = [wide(one.box), high(one.box)]
    const square = Math.abs(w - h) <= SQUARE_PART * Math.max(w, h)
    const bar = Math.max(w, h) >= BAR_TIMES * Math.min(w, h)
    const said = [...own, ...near]
      .filter((t) => !speaksOfPiece(t.text))
      .flatMap((t) => lengthsSaid(t.text).map((mm) => ({ mm, isTest: TEST_WORDS.test(t.text) })))
      .filter(({ mm }) => Math.abs(Math.max(w, h) - mm) <= SAID_SIDE * mm)
      .sort((a, b) => Math.abs(Math.max(w, h) - a.mm) - Math.abs(Math.max(w, h) - b.mm))[0]
    const called = [one.stroke.shape.name, ...one.stroke.shape.groups].some((n) => /test|scale|calibrat|gauge/i.test(n))
    const known = TEST_SIDES.some((mm) => Math.abs(w - mm) <= SAME_SIDE * mm)
    const asked = [...own, ...near].some((t) => TEST_WORDS.test(t.text) && !speaksOfPiece(t.text))
    if (square && (said || called || (known && (asked || (!speaks(one) && !isMarked(one)))))) {
      kinds.set(one, 'test-square')
      if (said && (!scale || said.isTest)) scale = { measuredMm: Math.max(w, h), saidMm: said.mm }
    } else if (bar && (said || called) && !speaks(one) && !isMarked(one)) {
      kinds.set(one, 'scale-bar')
      if (said && !scale) scale = { measuredMm: Math.max(w, h), saidMm: said.mm }
    } else if (isWordsBox(one, own, strokes)) kinds.set(one, 'words')
  }
  // Where the pieces of a sheet have words or marks on them, a small shape without any is a badge.
  const rest = candidates.filter((c) => !kinds.has(c))
  const saysHow = (c: Sized) => (textsOf.get(c) ?? []).some((t) => saysHowCut(t.text))
  // Where the others say how they are cut, a box of several lines that does not, without a mark, is no piece.
  const worded = rest.filter((c) => (textsOf.get(c) ?? []).length > 0)
  if (worded.filter(saysHow).length * 3 >= worded.length * 2)
    for (const one of worded) if (isBox(one) && textsOf.get(one)!.length >= 2 && !saysHow(one) && !isMarked(one)) kinds.set(one, 'words')
  const bare = rest.filter((c) => !speaks(c) && !isMarked(c))
  if (rest.length - bare.length >= 2 && bare.length * 2 <= rest.length)
    for (const one of bare) if (one.area <= (isBox(one) ? BARE_BOX_MM2 : BADGE_MM2)) kinds.set(one, 'badge')
  return { kinds, scale }
}

/** A box of words: a title block, a key, a table. */
function isWordsBox(one: Sized, own: readonly DrawnText[], strokes: readonly Stroke[]): boolean {
  if (own.length === 0) return false
  if (own.some((t) => saysHowCut(t.text))) return false
  const sheet = own.filter((t) => SHEET_WORDS.test(t.text)).length
  const lines = own.filter((t) => LINE_WORDS.test(t.text)).length
  const inside = strokes.filter((s) => s.path !== one.stroke.path && contains(one, s.path[0]!.from))
  const rules = rulesAcross(one, strokes)
  return sheet + lines + Math.min(rules, 2) >= 2 || (sheet >= 1 && inside.length === 0 && !own.some((t) => speaksOfPiece(t.text)))
}
