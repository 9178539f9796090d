import { z } from 'zod'

/** What can be wrong with the plotter. */
export const TROUBLES = ['none', 'busy', 'out-of-paper', 'cut-off'] as const
export type Trouble = (typeof TROUBLES)[number]

/** Lines of one request, and how long each may be. */
const MOST_STROKES = 200
const LONGEST_STROKE = 60_000

export const PlotRequestSchema = z.strictObject({
  job: z.string().min(1).max(80),
  /** The first of these strokes is the plot’s so-manieth. */
  from: z.int().min(0).max(100_000),
  of: z.int().min(1).max(100_000),
  strokes: z.array(z.string().max(LONGEST_STROKE)).min(1).max(MOST_STROKES),
})
export type PlotRequest = z.infer<typeof PlotRequestSchema>

export interface PlotterState {
  trouble: Trouble
  job: string | null
  /** Strokes that were drawn of the job, and of how many. */
  done: number
  of: number
  /** What the plotter has been drawing, s. */
  seconds: number
  paperMm: number
}

interface Drawn {
  pen: number
  points: string
}

/** Units of HPGL in a millimetre. */
const PER_MM = 40
/** The arm with its pen up, mm in a second. */
const TRAVEL_MM_S = 400
/** A fresh roll, mm. */
const ROLL_MM = 30_000
/** Drawn strokes that are kept for looking at. */
const MOST_DRAWN = 5000

/** What is refused, as the protocol names it. */
export class PlotterRefusal extends Error {
  constructor(
    readonly code: 'busy' | 'out-of-paper' | 'cut-off' | 'out-of-step' | 'wrong',
    message: string,
  ) {
    super(message)
  }
}

/**
 * A simulated plotter: it reads HPGL stroke by stroke, knows how far it is with a job, and can be busy, run out of paper, or lose its
 * line in the middle of a request. What it has drawn it never draws twice.
 */
export class Plotter {
  private trouble: Trouble = 'none'
  private job: string | null = null
  private done = 0
  private of = 0
  private seconds = 0
  private usedMm = 0
  private at = { x: 0, y: 0 }
  private drawn: Drawn[] = []
  private speedMm = 300
  private pen = 0

  state(): PlotterState {
    const { trouble, job, done, of, seconds } = this
    return { trouble, job, done, of, seconds, paperMm: Math.max(0, ROLL_MM - this.usedMm) }
  }

  /** What was drawn since so many strokes, as SVG path data in mm with y up. */
  drawing(since: number): { since: number; strokes: Drawn[] } {
    return { since, strokes: this.drawn.slice(since) }
  }

  /** What goes wrong from now on, as somebody at the machine makes it so; none is a fresh roll and an open line. */
  setTrouble(trouble: Trouble): PlotterState {
    this.trouble = trouble
    if (trouble === 'none') this.usedMm = 0
    return this.state()
  }

  /**
   * Draws the strokes of a request.
   * @throws PlotterRefusal when it is busy, out of paper or cut off (then some of them may have been drawn: `state` tells how many), or
   *   when the strokes do not follow those that it has
   */
  take({ job, from, of, strokes }: PlotRequest): PlotterState {
    if (this.trouble === 'busy') throw new PlotterRefusal('busy', 'somebody else is plotting: wait, and go on.')
    if (this.trouble === 'out-of-paper') throw new PlotterRefusal('out-of-paper', 'the roll is used up: put a new one in, and go on.')
    if (from === 0 && (this.job !== job || this.done >= this.of)) this.begin(job, of)
    if (this.job !== job || from !== this.done)
      throw new PlotterRefusal('out-of-step', `it stands at stroke ${this.job === job ? this.done : 0} of this plot: go on from there.`)
    // A line that is lost takes half of what was under way with it.
    const reach = this.trouble === 'cut-off' ? Math.ceil(strokes.length / 2) : strokes.length
    for (const stroke of strokes.slice(0, reach)) {
      this.draw(stroke)
      this.done += 1
    }
    if (this.trouble === 'cut-off') {
      this.trouble = 'none'
      throw new PlotterRefusal('cut-off', 'the line was lost while it was plotting: go on from where it stopped.')
    }
    return this.state()
  }

  private begin(job: string, of: number): void {
    Object.assign(this, { job, of, done: 0, seconds: 0, drawn: [], at: { x: 0, y: 0 }, pen: 0 })
  }

  /** One stroke: SP, VS, PU and PD with absolute places; anything else is not spoken here. */
  private draw(stroke: string): void {
    const commands = stroke.split(';').filter(Boolean)
    const line: string[] = []
    for (const command of commands) {
      const [name, figures] = [command.slice(0, 2), command.slice(2).split(',').filter(Boolean).map(Number)]
      if (!['SP', 'VS', 'PU', 'PD'].includes(name) || figures.some((f) => !Number.isFinite(f)))
        throw new PlotterRefusal('wrong', `“${command.slice(0, 40)}” is no command that it knows.`)
      if (name === 'SP') this.pen = figures[0] ?? 0
      else if (name === 'VS') this.speedMm = 10 * Math.max(1, figures[0] ?? 30)
      else
        for (let i = 0; i + 1 < figures.length; i += 2) {
          const to = { x: figures[i]! / PER_MM, y: figures[i + 1]! / PER_MM }
          const wayMm = Math.hypot(to.x - this.at.x, to.y - this.at.y)
          this.seconds += wayMm / (name === 'PD' ? this.speedMm : TRAVEL_MM_S)
          if (name === 'PD') {
            if (line.length === 0) line.push(`M${this.at.x.toFixed(2)} ${this.at.y.toFixed(2)}`)
            line.push(`L${to.x.toFixed(2)} ${to.y.toFixed(2)}`)
          }
          this.at = to
          this.usedMm = Math.max(this.usedMm, to.x)
        }
    }
    if (this.drawn.length < MOST_DRAWN) this.drawn.push({ pen: this.pen, points: line.join('') })
  }
}
