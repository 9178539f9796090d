import { readSvg, type DrawnShape, type Drawing } from '../formats'
import { line, nearestPlace, type Point } from '../geometry'
import { outlineOf, shapeOf, type Piece } from '../pattern'
import type { PieceDraft } from './build-piece'
import { findOutlines, type FoundOutline } from './find-outlines'
import { makeDrafts, type Draft } from './make-drafts'

/** For tests: the outlines of a drawing that has some. */
export function outlinesIn(drawing: Drawing, times = 1): FoundOutline[] {
  const found = findOutlines(drawing, times)
  if (!found.ok) throw new Error(`${found.problem.where}: ${found.problem.message}`)
  return found.value.outlines
}

/** For tests: the drafts of an SVG file that can be read. */
export function draftsIn(text: string): Draft[] {
  const read = readSvg(text)
  if (!read.ok) throw new Error(`${read.problem.where}: ${read.problem.message}`)
  const drafts = makeDrafts(read.value, 1)
  if (!drafts.ok) throw new Error(`${drafts.problem.where}: ${drafts.problem.message}`)
  return drafts.value
}

/** For tests: how far a draft that came back lies off the seam line of its piece at most, mm. It was laid out anew: moved as a whole, as its grain tells. */
export function offSeamLine(draft: PieceDraft, piece: Piece, sizeId: string): number {
  const shape = shapeOf(piece, sizeId)
  const by = { x: draft.grain!.from.x - shape.grain.from.x, y: draft.grain!.from.y - shape.grain.from.y }
  const own = outlineOf(piece, shape)
  return Math.max(
    ...draft.edges.flatMap((e) => e.path.map((q) => nearestPlace(own, { x: q.from.x - by.x, y: q.from.y - by.y }).distanceMm)),
  )
}

export type Stroke = readonly [Point, Point]

/** A straight stroke as a reader of files gives it. */
export const drawnStroke = ([from, to]: Stroke, index: number): DrawnShape => ({
  index,
  name: '',
  groups: [],
  style: '#000',
  isDashed: false,
  isArea: false,
  hasMarkers: false,
  path: [line(from, to)],
  closed: false,
})
