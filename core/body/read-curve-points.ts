import { z } from 'zod'
import { ok, refuse, type Result } from '../result'
import { LEAST_POINTS, MOST_POINTS, type CrotchCurve } from './crotch-curve'

/** What a curve reader sends, and what is kept of a file: points in mm from the front waist to the back waist, and the inseam’s index. */
export const CurveFileSchema = z.object({
  unit: z.literal('mm'),
  inseam: z.int(),
  points: z.array(z.tuple([z.number(), z.number()])),
})

export type CurvePoints = Pick<CrotchCurve, 'points' | 'inseam'>

/** More than this is no list of points. */
const LONGEST_TEXT = 200_000
/** A body’s curve spans at least and at most so much, mm. */
const SPAN_MM = { least: 100, most: 1500 }

const WHERE = 'crotch reading'

/** Are points those of a curve along a body, with the inseam between its ends? Refuses what they lack. */
export function checkCurve(points: readonly { x: number; y: number }[], inseam: number): Result<CurvePoints> {
  if (points.length < LEAST_POINTS || points.length > MOST_POINTS)
    return refuse(
      'curve-points',
      WHERE,
      `it has ${points.length} points.`,
      `Give between ${LEAST_POINTS} and ${MOST_POINTS}, one for each inch or centimetre.`,
    )
  if (!(inseam > 0 && inseam < points.length - 1))
    return refuse(
      'curve-inseam',
      WHERE,
      'the point at the inseam is not between the two waist ends.',
      'Mark another one; in a list, by a * behind its line.',
    )
  const spans = (['x', 'y'] as const).map((k) => Math.max(...points.map((p) => p[k])) - Math.min(...points.map((p) => p[k])))
  const span = Math.max(...spans)
  if (!(span >= SPAN_MM.least && span <= SPAN_MM.most))
    return refuse(
      'curve-span',
      WHERE,
      `its points span ${Math.round(span)} mm.`,
      `A body’s spans ${SPAN_MM.least} to ${SPAN_MM.most} mm: look at its unit, and at where it begins and ends.`,
    )
  return ok({ points: points.map((p) => ({ x: p.x, y: p.y })), inseam })
}

/**
 * A reading typed as points, one a line: “x y” in mm, from the front waist to the back waist, a * behind the one at the inseam;
 * or as the file that a curve reader writes (docs/formats.md).
 * Refuses, naming the line: what is no pair of figures, no or several inseam points, too few points, a span that no body has.
 */
export function readCurvePoints(text: string): Result<CurvePoints> {
  if (text.length > LONGEST_TEXT) return refuse('curve-points', WHERE, 'that is far too long.', 'Give one point a line.')
  if (text.trim().startsWith('{')) {
    let json: unknown
    try {
      json = JSON.parse(text)
    } catch {
      return refuse('curve-file', WHERE, 'the file breaks off or is not JSON.', 'Save it again from the reader, or type the points.')
    }
    const read = CurveFileSchema.safeParse(json)
    if (!read.success)
      return refuse(
        'curve-file',
        WHERE,
        'it is not a reading: “unit”, “inseam” and “points” are needed.',
        'Save it again from the reader, or type the points.',
      )
    return checkCurve(
      read.data.points.map(([x, y]) => ({ x, y })),
      read.data.inseam,
    )
  }
  const points: { x: number; y: number }[] = []
  const marks: number[] = []
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    const words = line.trim()
    if (words === '') continue
    const found = /^(-?\d+(?:[.,]\d+)?)(?:\s*[;,\t]\s*|\s+)(-?\d+(?:[.,]\d+)?)\s*(\*|inseam)?$/i.exec(words)
    if (!found)
      return refuse(
        'curve-line',
        `${WHERE}, line ${i + 1}`,
        `“${words.slice(0, 40)}” is no point.`,
        'Write two figures in mm, such as “120 84”, and a * behind the one at the inseam.',
      )
    const number = (s: string) => Number(s.replace(',', '.'))
    if (found[3]) marks.push(points.length)
    points.push({ x: number(found[1]!), y: number(found[2]!) })
  }
  if (points.length > 0 && marks.length !== 1)
    return refuse(
      'curve-inseam',
      WHERE,
      marks.length === 0 ? 'no point is marked as the inseam.' : 'several points are marked as the inseam.',
      'Put a * behind the line of the one point that lies at the inseam.',
    )
  return checkCurve(points, marks[0] ?? 0)
}
