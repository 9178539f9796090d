import { distance, handleBoxOf, mapPath, measureLength, type Box, type Path, type Point } from '../geometry'
import { REACH_MM } from '../pattern'
import { ok, type Result } from '../result'
import { JOIN_MM, SAME_POINT_MM } from '../tolerances'

/** Where the scale of a drawing comes from; “guess” when the file gives pixels or nothing. */
export type ScaleFrom = 'mm' | 'cm' | 'in' | 'pt' | 'guess'

/** One drawn line of a file, in millimetres by the file's own scale. */
export interface DrawnShape {
  /** Its place in the file, for messages and choosing: “shape 3”. */
  index: number
  /** From its title, label or id, or of the group it is in; empty when the file gives none. */
  name: string
  /** Names of the groups it lies in, outermost first. */
  groups: string[]
  /** How it is drawn: colour and dashes of the stroke, its own or those of its groups. */
  style: string
  isDashed: boolean
  /** An area and no line: the arrow’s head, a badge, the ground of the page. */
  isArea: boolean
  /** The file ends it with an arrow. */
  hasMarkers: boolean
  /** One path per stroke (a path element may have several). */
  path: Path
  closed: boolean
}

/** A line of words on the drawing. */
export interface DrawnText {
  text: string
  /** Where it begins, on its base line. */
  at: Point
  /** About the middle and the end of it: how wide letters are is not known exactly. */
  middle: Point
  end: Point
  /** Size of its letters, mm. */
  heightMm: number
  groups: string[]
}

export interface Drawing {
  shapes: DrawnShape[]
  texts: DrawnText[]
  /** Millimetres one unit of the file's inner coordinates stands for. */
  mmPerUnit: number
  scaleFrom: ScaleFrom
  /** The page as the file states it, where it states one. */
  page: Box | null
  /** Lines on layers that no reader knows the meaning of: they count only where a person says what they are. */
  apart: DrawnShape[]
  /** Lines that are no lines of a pattern, by name and reason: larger than any paper, or lost far away. */
  leftOut: { name: string; why: string }[]
}

/** Coordinates beyond this are no longer exact to a pencil line, mm: 10 km. */
const LOST_MM = 1e7

/** Why a line is no line of a pattern, or null: no length, larger than any paper, or so far away that it is not exact. */
function absurd(path: Path): string | null {
  const b = handleBoxOf(path)
  if (Math.max(Math.abs(b.minX), Math.abs(b.maxX), Math.abs(b.minY), Math.abs(b.maxY)) > LOST_MM) return 'it lies more than 10 km away.'
  return Math.max(b.maxX - b.minX, b.maxY - b.minY) > REACH_MM ? `it is larger than ${REACH_MM / 1000} m.` : null
}

const scaledBox = (b: Box, by: number): Box => ({ minX: b.minX * by, minY: b.minY * by, maxX: b.maxX * by, maxY: b.maxY * by })

/** A drawing as a reader found it, in units of its file. */
export type RawDrawing = Omit<Drawing, 'leftOut' | 'apart'> & Partial<Pick<Drawing, 'apart'>>

/**
 * The border of all readers: a drawing in units of its file becomes one in millimetres. Lines of no length are dropped, what
 * no paper could hold is left out by name, a line that ends where it begins is closed.
 * @param bad the reader's own refusal, for a file without any line
 */
export function finishDrawing(raw: RawDrawing, bad: (where: string, message: string) => Result<never>): Result<Drawing> {
  const { mmPerUnit } = raw
  const toMm = (p: Point): Point => ({ x: p.x * mmPerUnit, y: p.y * mmPerUnit })
  const leftOut: Drawing['leftOut'] = []
  const sound = (s: DrawnShape): DrawnShape[] => {
    const path = mapPath(s.path, toMm)
    const why = absurd(path)
    if (why) leftOut.push({ name: s.name || `line ${s.index}`, why })
    if (why || measureLength(path) <= SAME_POINT_MM) return []
    return [{ ...s, path, closed: s.closed || distance(path[0]!.from, path[path.length - 1]!.to) <= JOIN_MM }]
  }
  const shapes = raw.shapes.flatMap(sound)
  const apart = (raw.apart ?? []).flatMap(sound)
  const first = leftOut[0]
  if (shapes.length === 0) return first ? bad(`“${first.name}”`, first.why) : bad('file', 'it has no lines in it.')
  const texts = raw.texts
    .map((t) => ({ ...t, at: toMm(t.at), middle: toMm(t.middle), end: toMm(t.end), heightMm: t.heightMm * mmPerUnit }))
    .filter((t) => [t.at, t.middle, t.end].every((p) => Number.isFinite(p.x + p.y)) && Number.isFinite(t.heightMm))
  return ok({ ...raw, shapes, apart, texts, page: raw.page && scaledBox(raw.page, mmPerUnit), leftOut })
}
