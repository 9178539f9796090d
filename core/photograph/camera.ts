import { Matrix, solve, inverse } from 'ml-matrix'
import type { Point } from '../geometry'

/**
 * How places of a photograph lie on the plane that was photographed. The lens is a division model (A. Fitzgibbon, 2001): a place
 * r from the middle, in half diagonals, would lie at r / (1 + k r2 + m r4) without it; then follows the perspective, a homography.
 */
export interface Camera {
  middle: Point
  /** Half of the picture's diagonal, dots. */
  half: number
  k: number
  m: number
  /** Row by row; the last is 1. */
  h: readonly number[]
}

/** A dot that is known to lie on a line of the plane: where x, or y, has a value, mm. */
export interface OnLine {
  at: Point
  along: 'x' | 'y'
  mm: number
}

/** Figures of a camera that are looked for: eight of the perspective, two of the lens. */
const FIGURES = 10
const figuresOf = (c: Camera): number[] => [...c.h.slice(0, 8), c.k, c.m]
const withFigures = (c: Camera, v: readonly number[]): Camera => ({ ...c, h: [...v.slice(0, 8), 1], k: v[8]!, m: v[9]! })

/** A camera with how well it is known. */
export interface FittedCamera extends Camera {
  /** Of what it was found from: how far the dots lie off their lines, middle of the squares, dots. */
  offPx: number
  /** Spread of its figures: a matrix of ten rows; not finite where there is no such camera. */
  spread: number[][]
}

function raysOf({ middle, half, k, m }: Camera, p: Point): Point {
  const x = (p.x - middle.x) / half
  const y = (p.y - middle.y) / half
  const r2 = x * x + y * y
  const by = 1 / (1 + k * r2 + m * r2 * r2)
  return { x: x * by, y: y * by }
}

/** Where a place of the photograph lies on the plane, mm. */
export function toPlane(camera: Camera, p: Point): Point {
  const { x, y } = raysOf(camera, p)
  const [a, b, c, d, e, f, g, i, j] = camera.h as [number, number, number, number, number, number, number, number, number]
  const w = g * x + i * y + j
  return { x: (a * x + b * y + c) / w, y: (d * x + e * y + f) / w }
}

const LENS_ROUNDS = 12

/** A step of a figure by which its slope is taken. */
const SLOPE_STEP = 0.000001

/** From the plane to rays before the camera: the other way of its homography, but for a factor, which no place depends on. */
function backOf({ h }: Camera): number[][] {
  const [a, b, c, d, e, f, g, i, j] = h as [number, number, number, number, number, number, number, number, number]
  return [
    [e * j - f * i, c * i - b * j, b * f - c * e],
    [f * g - d * j, a * j - c * g, c * d - a * f],
    [d * i - e * g, b * g - a * i, a * e - b * d],
  ]
}

/** Where places of the plane are seen in the photograph, dots: for many of them. */
export function seenBy(camera: Camera): (mm: Point) => Point {
  const [a, b, c] = backOf(camera) as [number[], number[], number[]]
  return (mm) => {
    const w = c[0]! * mm.x + c[1]! * mm.y + c[2]!
    const x = (a[0]! * mm.x + a[1]! * mm.y + a[2]!) / w
    const y = (b[0]! * mm.x + b[1]! * mm.y + b[2]!) / w
    // How much further from the middle the lens shows it: found by trying, which comes nearer tenfold each time.
    let by = 1
    const r2 = x * x + y * y
    for (let round = 0; round < LENS_ROUNDS; round++) by = 1 + camera.k * r2 * by * by + camera.m * (r2 * by * by) ** 2
    return { x: camera.middle.x + x * by * camera.half, y: camera.middle.y + y * by * camera.half }
  }
}

/** Where a place of the plane is seen in the photograph, dots. */
export const fromPlane = (camera: Camera, mm: Point): Point => seenBy(camera)(mm)

/** Millimetres that a dot covers at a place, the middle of both ways. */
export function mmPerPx(camera: Camera, p: Point): number {
  const at = toPlane(camera, p)
  const right = toPlane(camera, { x: p.x + 1, y: p.y })
  const down = toPlane(camera, { x: p.x, y: p.y + 1 })
  return Math.sqrt(Math.abs((right.x - at.x) * (down.y - at.y) - (right.y - at.y) * (down.x - at.x)))
}

/** The camera without a lens that sees four places of the plane where they are seen. Null where three of them lie on a line. */
export function cameraFrom(width: number, height: number, seen: readonly Point[], plane: readonly Point[]): Camera | null {
  const camera: Camera = { middle: { x: width / 2, y: height / 2 }, half: Math.hypot(width, height) / 2, k: 0, m: 0, h: [] }
  const rows: number[][] = []
  const values: number[] = []
  seen.forEach((p, i) => {
    const { x, y } = raysOf(camera, p)
    const mm = plane[i]!
    rows.push([x, y, 1, 0, 0, 0, -mm.x * x, -mm.x * y], [0, 0, 0, x, y, 1, -mm.y * x, -mm.y * y])
    values.push(mm.x, mm.y)
  })
  try {
    const h = solve(new Matrix(rows), Matrix.columnVector(values)).to1DArray()
    return h.every(Number.isFinite) ? { ...camera, h: [...h, 1] } : null
  } catch {
    return null
  }
}

/** Lenses of phones bend by less than this, as a part of the half diagonal: what the fit is held to where nothing tells it. */
const LENS = 0.08
/** How far the second figure of a lens may be from none, in squares of the first: the common models of a lens differ by so much. */
const SECOND = 2
const LEAST_SECOND = 0.0001
const ROUNDS = 12
/** Dots lie off their line by about this where all is well: what a fit through few of them is not believed to be better than. */
const LEAST_OFF_PX = 0.1
/** Neighbouring dots err alike: as if there were so many times fewer of them. */
const ALIKE = 4

/**
 * The camera by which dots lie on their lines best, the squares of what is left being least (Gauss and Newton); dots that lie far off
 * count for little (Huber, 1964).
 * @param leastOffPx what the dots are not believed to be better than
 */
export function fitCamera(start: Camera, lines: readonly OnLine[], leastOffPx = LEAST_OFF_PX): FittedCamera {
  const weights = lines.map(() => 1)
  let camera = start
  let off = leastOffPx
  let normal = Matrix.zeros(FIGURES, FIGURES)
  for (let round = 0; round < ROUNDS; round++) {
    const now = figuresOf(camera)
    const per = lines.map((l) => mmPerPx(camera, l.at) || 1)
    const left = (c: Camera, i: number) => (toPlane(c, lines[i]!.at)[lines[i]!.along] - lines[i]!.mm) / per[i]!
    const rest = lines.map((_, i) => left(camera, i))
    off = Math.max(leastOffPx, middleOf(rest.map(Math.abs)) * 1.48)
    rest.forEach((r, i) => (weights[i] = Math.abs(r) <= 1.5 * off ? 1 : (1.5 * off) / Math.abs(r)))
    const steps = now.map((v) => Math.max(SLOPE_STEP, Math.abs(v) * SLOPE_STEP))
    const slopes = steps.map((step, n) => {
      const moved = withFigures(
        camera,
        now.map((v, i) => (i === n ? v + step : v)),
      )
      return lines.map((_, i) => (left(moved, i) - rest[i]!) / step)
    })
    normal = Matrix.zeros(FIGURES, FIGURES)
    const toward = Matrix.zeros(FIGURES, 1)
    for (let a = 0; a < FIGURES; a++) {
      for (let b = a; b < FIGURES; b++) {
        let sum = 0
        for (let i = 0; i < lines.length; i++) sum += weights[i]! * slopes[a]![i]! * slopes[b]![i]!
        normal.set(a, b, sum)
        normal.set(b, a, sum)
      }
      let sum = 0
      for (let i = 0; i < lines.length; i++) sum += weights[i]! * slopes[a]![i]! * rest[i]!
      toward.set(a, 0, -sum)
    }
    for (const [i, usual] of [
      [8, LENS],
      [9, Math.max(LEAST_SECOND, SECOND * camera.k ** 2)],
    ] as const) {
      const held = (off * off * ALIKE) / (usual * usual)
      normal.set(i, i, normal.get(i, i) + held)
      toward.set(i, 0, toward.get(i, 0) - held * now[i]!)
    }
    // Places behind the horizon are nowhere: solving would not come to an end.
    if (!allFinite(normal) || !allFinite(toward)) return { ...camera, offPx: Number.NaN, spread: [[Number.NaN]] }
    const move = solvedOf(normal, toward)
    const next = withFigures(
      camera,
      now.map((v, i) => v + move[i]!),
    )
    if (!next.h.every(Number.isFinite) || Math.abs(next.k) > 1) break
    camera = next
  }
  const rest = lines.map((l) => (toPlane(camera, l.at)[l.along] - l.mm) / (mmPerPx(camera, l.at) || 1))
  const offPx = Math.sqrt(rest.reduce((sum, r, i) => sum + weights[i]! * r * r, 0) / Math.max(1, rest.length))
  const noise = Math.max(leastOffPx, offPx) ** 2 * ALIKE
  return { ...camera, offPx, spread: inverseOf(normal).map((row) => row.map((v) => v * noise)) }
}

const allFinite = (matrix: Matrix): boolean => matrix.to1DArray().every(Number.isFinite)

const middleOf = (list: readonly number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0

/** Figures of very unlike sizes are brought to one before they are solved. */
function evened(normal: Matrix): { even: Matrix; by: number[] } {
  const by = Array.from({ length: normal.rows }, (_, i) => 1 / Math.sqrt(Math.max(normal.get(i, i), Number.MIN_VALUE)))
  const even = normal.clone()
  by.forEach((v, i) => {
    even.mulRow(i, v)
    even.mulColumn(i, v)
  })
  return { even, by }
}
function solvedOf(normal: Matrix, toward: Matrix): number[] {
  const { even, by } = evened(normal)
  const found = solve(even, Matrix.columnVector(by.map((v, i) => v * toward.get(i, 0))), true).to1DArray()
  return found.map((v, i) => v * by[i]!)
}
function inverseOf(normal: Matrix): number[][] {
  const { even, by } = evened(normal)
  return inverse(even, true)
    .to2DArray()
    .map((row, i) => row.map((v, j) => v * by[i]! * by[j]!))
}

/** How far a place of the plane may be off because the camera is not known better, mm: one spread of it. */
export function errorAt(camera: FittedCamera, p: Point): number {
  const now = figuresOf(camera)
  const at = toPlane(camera, p)
  const slopes = now.map((v, n) => {
    const step = Math.max(SLOPE_STEP, Math.abs(v) * SLOPE_STEP)
    const own = now.map((w, i) => (i === n ? w + step : w))
    const moved = toPlane(withFigures(camera, own), p)
    return { x: (moved.x - at.x) / step, y: (moved.y - at.y) / step }
  })
  let square = 0
  for (let a = 0; a < FIGURES; a++)
    for (let b = 0; b < FIGURES; b++) square += camera.spread[a]![b]! * (slopes[a]!.x * slopes[b]!.x + slopes[a]!.y * slopes[b]!.y)
  return Math.sqrt(Math.max(0, square))
}

/** Lenses of phones and cameras that take in a whole table: their focal lengths in half diagonals of the picture. */
const FOCAL = [0.9, 1.1, 1.3, 1.6, 2, 2.5]

/**
 * How many times longer the first side of what is known seems, beside the second, than it was said to be: 1 where its proportion is right.
 * The dots of a camera are square and its lens looks through the middle of the picture, so that a rectangle seen at a slant tells its own
 * proportion (Z. Zhang and L. He, 2003). Where it is seen nearly straight, the focal length that fits best is taken.
 */
export function stretchOf(camera: Camera): number {
  const back = backOf(camera)
  const [a, b] = [0, 1].map((i) => back.map((row) => row[i]!)) as [number[], number[]]
  // Both axes of the plane are square to each other in the camera: that tells the focal length, if it is told at all.
  const square = -(a[0]! * b[0]! + a[1]! * b[1]!) / (a[2]! * b[2]!)
  const found = Math.sqrt(square)
  const focals = found > FOCAL[0]! && found < FOCAL.at(-1)! ? [found] : FOCAL
  const lengthOf = (v: readonly number[], f: number) => Math.sqrt((v[0]! * v[0]! + v[1]! * v[1]!) / (f * f) + v[2]! * v[2]!)
  const stretches = focals.map((f) => lengthOf(a, f) / lengthOf(b, f))
  return stretches.reduce((best, s) => (Math.abs(Math.log(s)) < Math.abs(Math.log(best)) ? s : best))
}
