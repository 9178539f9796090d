import {
  add,
  fitCurve,
  measureSegment,
  pointAt,
  scale,
  tangentAt,
  turnRad,
  unit,
  type Path,
  type Point,
  type Segment,
} from '../../geometry'
import { FIT_MM, RATE_STEP, SMOOTH_DEG } from '../../tolerances'
import { DEG } from '../../units'

/** Rises from 0 to 1 with level ends: 3u^2 - 2u^3, at most 1.5 steep. */
export function easeIn(u: number): number {
  const v = Math.min(1, Math.max(0, u))
  return v * v * (3 - 2 * v)
}

/** Spacing of the points a redrawn stretch is fitted through: at least this many, at most this far apart. */
const LEAST_SAMPLES = 8

const SAMPLE_MM = 6

/**
 * A path whose every place moves along the grain by an amount that depends smoothly on its length from the start.
 * Refitted within 0.02 mm of the exactly moved points, piece by piece between the turns that were there before.
 *
 * @param movedBy displacement along the grain, mm, for a length from the path's start, mm
 */
export function redrawMoved(path: Path, grain: Point, movedBy: (atMm: number) => number): Path {
  const out: Segment[] = []
  let before = 0
  let run: Segment[] = []
  let runMm = 0
  const finish = () => {
    if (run.length === 0) return
    out.push(...fitRun(run, runMm, grain, (atMm) => movedBy(before + atMm)))
    before += runMm
    run = []
    runMm = 0
  }
  for (const s of path) {
    const last = run[run.length - 1]
    const turnDeg = last ? Math.abs(turnRad(tangentAt(last, 1), tangentAt(s, 0))) * DEG : 0
    if (turnDeg > SMOOTH_DEG) finish()
    run.push(s)
    runMm += measureSegment(s)
  }
  finish()
  return out
}

function fitRun(run: Path, runMm: number, grain: Point, movedBy: (atMm: number) => number): Path {
  const points: Point[] = []
  let walked = 0
  for (const s of run) {
    const length = measureSegment(s)
    const steps = Math.max(LEAST_SAMPLES, Math.ceil(length / SAMPLE_MM))
    let atMm = 0
    if (points.length === 0) points.push(add(s.from, scale(grain, movedBy(0))))
    for (let i = 1; i <= steps; i++) {
      atMm += measureSegment(s, (i - 1) / steps, i / steps)
      points.push(add(pointAt(s, i / steps), scale(grain, movedBy(walked + atMm))))
    }
    walked += length
  }
  // Direction at an end: the old one, sheared by how fast the displacement grows there (not at all at a window's end).
  const shear = (direction: Point, rate: number): Point => unit(add(direction, scale(grain, rate)))
  const step = runMm * RATE_STEP
  const startDir = shear(tangentAt(run[0]!, 0), (movedBy(step) - movedBy(0)) / step)
  const endDir = shear(tangentAt(run[run.length - 1]!, 1), (movedBy(runMm) - movedBy(runMm - step)) / step)
  return fitCurve(points, startDir, endDir, FIT_MM)
}
