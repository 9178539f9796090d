import { DEG } from '../../core/units'
import { diceOf } from '../../core/dice'
import { flattenPath, type Path, type Point } from '../../core/geometry'
import type { Pixels } from '../../core/photograph'

/** How a made photograph was taken, and of what. Places on the floor are mm from the first corner of what is known. */
export interface Scene {
  widthPx: number
  heightPx: number
  /** The camera: how high it stands, where it looks, and how far it leans, mm and degrees. */
  camera: { at: Point; heightMm: number; leansX: number; leansY: number; turned: number; widthMm: number }
  /** Of its lens, as r = R (1 + k1 R2 + k2 R4), R in half diagonals of the picture as it was taken. */
  lens: { k1: number; k2: number }
  floor: Floor
  /** What is known: a sheet of these sides with its first corner at 0, 0; null for a floor that is a mat. */
  sheet: { widthMm: number; heightMm: number } | null
  pieces: { path: Path; colour: Colour; lines?: Path[] }[]
  light: { from: Point; fall: number; shadow: Shadow | null }
  noise: number
  blurPx: number
  seed: number
  /** Dots of the drawn floor for each mm: as many as the picture shows, or more. */
  dotsPerMm: number
}
/** A round shadow on all that lies there; its rim is as wide as this part of it. */
interface Shadow {
  at: Point
  radiusMm: number
  dark: number
  soft: number
}
type Colour = readonly [r: number, g: number, b: number]
export type Floor = { kind: 'plain' | 'boards'; colour: Colour } | { kind: 'mat'; colour: Colour; line: Colour; pitchMm: number }

/** Places on the floor between which a photograph shows something, mm, and how finely it is drawn. */
interface Field {
  dots: number
  minX: number
  minY: number
  width: number
  height: number
}

/** The sheet casts so wide a shadow on the floor, mm. */
const CONTACT_MM = 3

/** How much of each dot of the floor lies within a closed line: rows of four thin strips, ends of strips taken exactly. */
function cover(outline: readonly Point[], field: Field, tell: (index: number, part: number) => void): void {
  const STRIPS = 4
  const corners = outline.map((p) => ({ x: (p.x - field.minX) * field.dots, y: (p.y - field.minY) * field.dots }))
  const columns = Math.round(field.width * field.dots)
  const rows = Math.round(field.height * field.dots)
  const row = new Float32Array(columns)
  const first = Math.max(0, Math.floor(Math.min(...corners.map((d) => d.x))))
  const last = Math.min(columns, Math.ceil(Math.max(...corners.map((d) => d.x))) + 1)
  const [top, bottom] = [Math.min(...corners.map((d) => d.y)), Math.max(...corners.map((d) => d.y))]
  for (let y = Math.max(0, Math.floor(top)); y < Math.min(rows, bottom + 1); y++) {
    row.fill(0, first, last)
    for (let strip = 0; strip < STRIPS; strip++) {
      const at = y + (strip + 0.5) / STRIPS
      const cuts: number[] = []
      for (let i = 0; i < corners.length; i++) {
        const a = corners[i]!
        const b = corners[(i + 1) % corners.length]!
        if (a.y <= at !== b.y <= at) cuts.push(a.x + ((at - a.y) / (b.y - a.y)) * (b.x - a.x))
      }
      cuts.sort((a, b) => a - b)
      for (let k = 0; k + 1 < cuts.length; k += 2) {
        const [from, to] = [Math.max(0, cuts[k]!), Math.min(columns, cuts[k + 1]!)]
        for (let x = Math.floor(from); x < to; x++) row[x] = row[x]! + (Math.min(to, x + 1) - Math.max(from, x)) / STRIPS
      }
    }
    for (let x = first; x < last; x++) if (row[x]! > 0) tell(y * columns + x, Math.min(1, row[x]!))
  }
}

/** A line as thick as a pen, as a closed line around it. */
function strokeOf(path: Path, halfMm: number): Point[][] {
  const points = flattenPath(path, 0.2)
  return points.slice(1).map((b, i) => {
    const a = points[i]!
    const length = Math.hypot(b.x - a.x, b.y - a.y) || 1
    const n = { x: (-(b.y - a.y) / length) * halfMm, y: ((b.x - a.x) / length) * halfMm }
    return [
      { x: a.x + n.x, y: a.y + n.y },
      { x: b.x + n.x, y: b.y + n.y },
      { x: b.x - n.x, y: b.y - n.y },
      { x: a.x - n.x, y: a.y - n.y },
    ]
  })
}

/** How far a place lies from the next line of a mat, mm. */
const toLine = (mm: number, pitchMm: number) => Math.abs(mm - Math.round(mm / pitchMm) * pitchMm)

/** The floor with all that lies on it, seen straight from above and without light: three parts a dot. */
function drawFloor(scene: Scene, field: Field): Float32Array {
  const columns = Math.round(field.width * field.dots)
  const rows = Math.round(field.height * field.dots)
  const dots = new Float32Array(columns * rows * 3)
  const dice = diceOf(scene.seed)
  const { floor } = scene
  const tones = Array.from({ length: 64 }, () => 0.9 + 0.16 * dice())
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const mm = { x: field.minX + x / field.dots, y: field.minY + y / field.dots }
      let colour = floor.colour
      let tone = 1
      if (floor.kind === 'boards') {
        const board = Math.floor(mm.y / 140)
        tone = tones[((board % 64) + 64) % 64]! * (1 + 0.04 * Math.sin(mm.y * 0.9 + 3 * Math.sin(mm.x / 170 + board)))
        if (mm.y - board * 140 < 1.2) tone *= 0.6
      } else if (floor.kind === 'mat') {
        if (toLine(mm.x, floor.pitchMm) < 0.45 || toLine(mm.y, floor.pitchMm) < 0.45) colour = floor.line
      }
      for (let c = 0; c < 3; c++) dots[(y * columns + x) * 3 + c] = colour[c]! * tone
    }
  const lay = (outline: readonly Point[], colour: Colour, strength = 1) =>
    cover(outline, field, (i, part) => {
      for (let c = 0; c < 3; c++) dots[i * 3 + c] = dots[i * 3 + c]! * (1 - part * strength) + colour[c]! * part * strength
    })
  const layPaper = (outline: readonly Point[], colour: Colour) => {
    // What lies on the floor darkens it beside itself.
    for (const part of [0.8, 0.4])
      lay(
        outline.map((p) => ({ x: p.x + CONTACT_MM * part, y: p.y + CONTACT_MM * part })),
        [0, 0, 0],
        0.1,
      )
    lay(outline, colour)
  }
  if (scene.sheet) layPaper(cornersOf(scene.sheet), [244, 244, 240])
  for (const piece of scene.pieces) {
    layPaper(flattenPath(piece.path, 0.05), piece.colour)
    for (const path of piece.lines ?? []) for (const part of strokeOf(path, 0.4)) lay(part, [50, 50, 60])
  }
  return dots
}

export const cornersOf = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }): Point[] => [
  { x: 0, y: 0 },
  { x: widthMm, y: 0 },
  { x: widthMm, y: heightMm },
  { x: 0, y: heightMm },
]

/** Where a place of the finished picture lies on the floor, mm: what is true of it. */
function floorAt(scene: Scene): (px: Point) => Point {
  const { camera, lens, widthPx, heightPx } = scene
  const half = Math.hypot(widthPx, heightPx) / 2
  const rad = (deg: number) => deg / DEG
  const [cx, sx] = [Math.cos(rad(camera.leansX)), Math.sin(rad(camera.leansX))]
  const [cy, sy] = [Math.cos(rad(camera.leansY)), Math.sin(rad(camera.leansY))]
  const [cz, sz] = [Math.cos(rad(camera.turned)), Math.sin(rad(camera.turned))]
  // How far the lens sees aside for each half diagonal, seen straight down.
  const aside = ((camera.widthMm / 2) * (half / (widthPx / 2))) / camera.heightMm
  return (px) => {
    const d = { x: (px.x - widthPx / 2) / half, y: (px.y - heightPx / 2) / half }
    const r2 = d.x * d.x + d.y * d.y
    const bent = 1 + lens.k1 * r2 + lens.k2 * r2 * r2
    // A ray in the camera, which then leans, and is turned about the plumb line.
    let [x, y, z] = [d.x * bent * aside, d.y * bent * aside, 1]
    ;[y, z] = [y * cx - z * sx, y * sx + z * cx]
    ;[x, z] = [x * cy - z * sy, x * sy + z * cy]
    ;[x, y] = [x * cz - y * sz, x * sz + y * cz]
    return { x: camera.at.x + (x / z) * camera.heightMm, y: camera.at.y + (y / z) * camera.heightMm }
  }
}

/** Where a place of the floor is seen in a made photograph: found by going toward it, step by step. */
export function placeIn(scene: Scene, mm: Point): Point {
  const look = floorAt(scene)
  let at = { x: scene.widthPx / 2, y: scene.heightPx / 2 }
  for (let round = 0; round < 60; round++) {
    const now = look(at)
    const right = look({ x: at.x + 1, y: at.y })
    const down = look({ x: at.x, y: at.y + 1 })
    const [a, b, c, d] = [right.x - now.x, down.x - now.x, right.y - now.y, down.y - now.y]
    const [x, y] = [mm.x - now.x, mm.y - now.y]
    const det = a * d - b * c
    at = { x: at.x + (0.7 * (d * x - b * y)) / det, y: at.y + (0.7 * (a * y - c * x)) / det }
  }
  return at
}
/** A made photograph; the same for the same scene. */
export function makePhotograph(scene: Scene): Pixels {
  const { widthPx, heightPx, light } = scene
  const seen = floorAt(scene)
  const rim = [0, 0.25, 0.5, 0.75, 1].flatMap((t) => [
    seen({ x: t * widthPx, y: 0 }),
    seen({ x: t * widthPx, y: heightPx }),
    seen({ x: 0, y: t * heightPx }),
    seen({ x: widthPx, y: t * heightPx }),
  ])
  const [minX, minY] = [Math.min(...rim.map((p) => p.x)) - 2, Math.min(...rim.map((p) => p.y)) - 2]
  const field: Field = {
    dots: scene.dotsPerMm,
    minX,
    minY,
    width: Math.max(...rim.map((p) => p.x)) + 2 - minX,
    height: Math.max(...rim.map((p) => p.y)) + 2 - minY,
  }
  const dots = drawFloor(scene, field)
  const columns = Math.round(field.width * field.dots)
  const rows = Math.round(field.height * field.dots)
  const taken = new Float32Array(widthPx * heightPx * 3)
  const PARTS = [0.25, 0.75]
  for (let y = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++) {
      const sum: [number, number, number] = [0, 0, 0]
      const lit = lightAt(light, seen({ x: x + 0.5, y: y + 0.5 }))
      for (const v of PARTS)
        for (const u of PARTS) {
          const mm = seen({ x: x + u, y: y + v })
          const fx = Math.min(columns - 2, Math.max(0, (mm.x - field.minX) * field.dots - 0.5))
          const fy = Math.min(rows - 2, Math.max(0, (mm.y - field.minY) * field.dots - 0.5))
          const [ix, iy] = [Math.floor(fx), Math.floor(fy)]
          const [tx, ty] = [fx - ix, fy - iy]
          for (let c = 0; c < 3; c++) {
            const at = (iy * columns + ix) * 3 + c
            const upper = dots[at]! * (1 - tx) + dots[at + 3]! * tx
            const lower = dots[at + columns * 3]! * (1 - tx) + dots[at + columns * 3 + 3]! * tx
            sum[c] = sum[c]! + ((upper * (1 - ty) + lower * ty) * lit) / PARTS.length ** 2
          }
        }
      for (let c = 0; c < 3; c++) taken[(y * widthPx + x) * 3 + c] = sum[c]!
    }
  return finished(scene, blurred(taken, widthPx, heightPx, scene.blurPx))
}

/** How bright a place is lit: less with the distance from the lamp, and within a soft shadow. */
function lightAt({ from, fall, shadow }: Scene['light'], mm: Point): number {
  const far = Math.hypot(mm.x - from.x, mm.y - from.y)
  const lit = 1.05 / (1 + fall * (far / 1000) ** 2)
  if (!shadow) return lit
  const near = Math.hypot(mm.x - shadow.at.x, mm.y - shadow.at.y) / shadow.radiusMm
  const s = Math.min(1, Math.max(0, (1 - near) / shadow.soft + 0.5))
  return lit * (1 - shadow.dark * s * s * (3 - 2 * s))
}

/** A picture of three parts a dot, unsharp by so much in both ways. */
function blurred(data: Float32Array, width: number, height: number, sigma: number): Float32Array {
  const reach = Math.ceil(sigma * 2.5)
  const weights = Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-((i - reach) ** 2) / (2 * sigma * sigma)))
  const total = weights.reduce((a, b) => a + b, 0)
  const pass = (from: Float32Array, across: boolean) => {
    const to = new Float32Array(from.length)
    const length = across ? width : height
    const step = across ? 1 : width
    for (let line = 0; line < (across ? height : width); line++) {
      const start = across ? line * width : line
      for (let i = 0; i < length; i++)
        for (let k = -reach; k <= reach; k++) {
          const at = (start + Math.min(length - 1, Math.max(0, i + k)) * step) * 3
          const weight = weights[k + reach]! / total
          const own = (start + i * step) * 3
          to[own] = to[own]! + weight * from[at]!
          to[own + 1] = to[own + 1]! + weight * from[at + 1]!
          to[own + 2] = to[own + 2]! + weight * from[at + 2]!
        }
    }
    return to
  }
  return pass(pass(data, true), false)
}

/** What the sensor makes of it: noise, whole steps of brightness. */
function finished({ widthPx, heightPx, noise, seed }: Scene, light: Float32Array): Pixels {
  const dice = diceOf(seed + 1)
  const data = new Uint8ClampedArray(widthPx * heightPx * 4)
  for (let i = 0; i < widthPx * heightPx; i++) {
    for (let c = 0; c < 3; c++) data[i * 4 + c] = light[i * 3 + c]! + noise * (dice() + dice() + dice() + dice() - 2) * 1.7
    data[i * 4 + 3] = 255
  }
  return { width: widthPx, height: heightPx, data }
}
