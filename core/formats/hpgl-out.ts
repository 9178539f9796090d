import { z } from 'zod'
import { distance, flattenPath, type Path, type Point } from '../geometry'
import { grainStrokes, markStrokes, type Sheet } from '../paper'

/** HPGL counts in fortieths of a millimetre. */
const PER_MM = 40
/** Chords of curves stay within this, mm: two steps of the plotter. */
const CHORD_MM = 0.05
/** The arm goes from one line to the next so fast, mm in a second. */
const TRAVEL_MM_S = 400
/** Raising and lowering a pen takes so long, s. */
const LIFT_S = 0.15

/** What is drawn of a piece, in the order in which it is: from the inside out, so that nothing is cut loose before it is finished. */
export const PLOTTED = ['inner', 'marks', 'seam', 'cut'] as const
export type Plotted = (typeof PLOTTED)[number]
export const PLOTTED_NAMES: Record<Plotted, string> = {
  inner: 'Lines within',
  marks: 'Grain, folds and notches',
  seam: 'Seam line',
  cut: 'Cut line',
}

export const MOST_PENS = 8
export const MOST_SPEED_CM = 100
const Pen = z.strictObject({ pen: z.int().min(0).max(MOST_PENS), speedCm: z.int().min(1).max(MOST_SPEED_CM) })
/** Pen or knife of each sort of line, and how fast it goes; pen 0 leaves it out. */
export const PenChoiceSchema = z.strictObject({ inner: Pen, marks: Pen, seam: Pen, cut: Pen })
export type PenChoice = z.infer<typeof PenChoiceSchema>

export const usualPens = (): PenChoice => ({
  inner: { pen: 1, speedCm: 30 },
  marks: { pen: 1, speedCm: 30 },
  seam: { pen: 1, speedCm: 30 },
  cut: { pen: 2, speedCm: 15 },
})

/** One line of a plot: what it is, and the command that draws it from pen up to pen up. */
export interface PlotStroke {
  pieceName: string
  what: Plotted
  command: string
  lengthMm: number
  seconds: number
}

export interface Plot {
  strokes: PlotStroke[]
  widthMm: number
  heightMm: number
  seconds: number
}

const closed = (path: Path): Point[] => {
  const points = flattenPath(path, CHORD_MM)
  return distance(points[0]!, points[points.length - 1]!) < 1 / PER_MM ? points : [...points, points[0]!]
}

/** The lines of one piece on a sheet, by sort. */
function linesOf(p: Sheet['pieces'][number]): Record<Plotted, Point[][]> {
  const open = (path: Path) => flattenPath(path, CHORD_MM)
  return {
    inner: [...p.innerLines.map((l) => open(l.path)), ...p.points.flatMap((q) => markStrokes(q.at).map(open))],
    marks: [...p.notches.map(open), ...p.folds.map(open), ...grainStrokes(p.grain).map(open)],
    seam: [closed(p.seamLine)],
    cut: [closed(p.cutLine)],
  }
}

/** Pieces in an order in which the arm goes little: always to the nearest one next. */
function nearestFirst(sheet: Sheet): Sheet['pieces'] {
  const rest = [...sheet.pieces]
  const ordered: Sheet['pieces'] = []
  let here: Point = { x: 0, y: 0 }
  while (rest.length > 0) {
    const begin = (p: Sheet['pieces'][number]) => p.cutLine[0]!.from
    const next = rest.reduce((a, b) => (distance(begin(b), here) < distance(begin(a), here) ? b : a))
    rest.splice(rest.indexOf(next), 1)
    ordered.push(next)
    here = begin(next)
  }
  return ordered
}

/**
 * A sheet as lines for a cutter or pen plotter, each a command of HPGL that stands by itself, so that a plot can be gone on with from
 * any of them: pen, speed, there with the pen up, along with the pen down. Piece by piece, inside out.
 */
export function plotOf(sheet: Sheet, pens: PenChoice): Plot {
  const strokes: PlotStroke[] = []
  let here: Point = { x: 0, y: sheet.heightMm }
  // The plotter’s y runs up from the lower rim.
  const at = (p: Point) => `${Math.round(p.x * PER_MM)},${Math.round((sheet.heightMm - p.y) * PER_MM)}`
  for (const piece of nearestFirst(sheet)) {
    const lines = linesOf(piece)
    for (const what of PLOTTED) {
      const { pen, speedCm } = pens[what]
      if (pen === 0) continue
      for (const points of lines[what]) {
        const lengthMm = points.slice(1).reduce((sum, p, i) => sum + distance(points[i]!, p), 0)
        const seconds = lengthMm / (speedCm * 10) + distance(here, points[0]!) / TRAVEL_MM_S + LIFT_S
        const command = `SP${pen};VS${speedCm};PU${at(points[0]!)};PD${points.slice(1).map(at).join(',')};PU;`
        strokes.push({ pieceName: piece.piece.name, what, command, lengthMm, seconds })
        here = points[points.length - 1]!
      }
    }
  }
  return { strokes, widthMm: sheet.widthMm, heightMm: sheet.heightMm, seconds: strokes.reduce((sum, s) => sum + s.seconds, 0) }
}

/** A whole plot as an HPGL file. */
export const writeHpgl = (plot: Plot): string => `IN;\n${plot.strokes.map((s) => s.command).join('\n')}\nPU;SP0;\n`
