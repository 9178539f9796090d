import { readSvg, type DrawnShape, type Drawing } from '../formats'
import { line, type Point } from '../geometry'
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
