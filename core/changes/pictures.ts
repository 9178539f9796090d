import type { Path, Point } from '../geometry'

/** One thing that the hands do with a piece, so that it can be played: parts are turned about a pin, or slid. */
export interface PlayMove {
  pieceId: string
  label: string
  /** Where the pin or the hinge sits; null when it is slid. */
  pin: Point | null
  /** The line that is cut open; null when nothing is cut. */
  cut: Path | null
  /** What moves, as it lies before the move: parts of the paper, each with its number, or the whole pattern. */
  parts: { id: number; outline: Path }[]
  /** What is traced of it where it then lies. */
  traced: Path[]
  turnRad: number
  by: Point
}

/** Something on a piece that can be dragged to set an input. */
export interface Handle {
  id: string
  pieceId: string
  /** On the piece as it is after the change. */
  at: Point
  /** Unit direction in which dragging counts. */
  axis: Point
  /** A line drawn with it, if it sets a level. */
  line?: { from: Point; to: Point }
  label: string
  /** What the readout beside the handle says, mm; growth is written with its sign. */
  valueMm: number
  isGrowth: boolean
  kind: 'level' | 'amount'
  /** The line along which it is dragged, where that is not straight; its value then grows along it. */
  track?: Path
  /** How far the place moves along its axis for one millimetre of the value; 1 when left out. */
  pace?: number
}

/** What is drawn beside a paper step, in the coordinates of one piece, mm. */
export interface StepDrawing {
  pieceId: string
  strokes: { path: Path; kind: 'outline' | 'result' | 'line' | 'cut' | 'tape' }[]
  labels: { at: Point; text: string }[]
}

/** Pieces laid together as they will be sewn, in coordinates of one of them, mm. */
export interface SewnPicture {
  title: string
  strokes: { path: Path; kind: 'was' | 'is' | 'seam' | 'cap' | 'body' }[]
  /** Lengths as tokens. */
  labels: { at: Point; text: string }[]
}

export interface PaperStep {
  text: string
  drawing: StepDrawing | null
}
