import { fromMask, Mask, type Roi } from 'image-js'
import { Matrix, solve } from 'ml-matrix'
import type { Point } from '../geometry'
import { outwardOf } from './edges'
import type { Pixels } from './pixels'

/** Something of paper that lies on the floor: its rim as it is seen in the photograph, clockwise, about exact to a dot of the small picture. */
export interface FoundPaper {
  rim: Point[]
  areaPx: number
  /** How bright and how grey it is, the middle of its dots: more for white paper. */
  whiteness: number
  /** It goes on beyond the picture. */
  isCut: boolean
}

/** The longer side of the small picture in which papers are told from the floor, dots. */
const SMALL_PX = 900
/** Parts of the picture along its rim that are taken for floor at first. */
const RIM = 0.04
/** The light falls off over the floor as a curved face of this degree, at first. */
const TERMS = 6
/** Less than this above the floor, as the logarithm of the light, is nothing: papers of a tenth more light are still told. */
const LEAST_CONTRAST = 0.1
/** A floor in shadow is darker by up to this, and of the same colour. */
const SHADOW = 0.5
/** Papers smaller than this part of the picture are specks. */
const LEAST_PART = 0.002
/** Rounds of telling floor from paper, of a face through it, and of telling both near to each dot. */
const ROUNDS = 4
const FACE_ROUNDS = 3
const NEAR_ROUNDS = 8
/** Where no more than this part of the dots changes, they are told. */
const SETTLED = 0.0005
/** The floor differs from its face by so many times what three of ten dots of the picture do not exceed. */
const FLOOR_SPREADS = 6
/** Dots of the small picture from one that is looked at for the face of the floor to the next. */
const EVERY = 8
/** The floor differs from its face by so much at least, as a logarithm. */
const LEAST_SPREAD = 0.02
/** Another colour tells more than another light, which is also shadow. */
const COLOUR = 1.5
/** Floor and paper look near to a dot as they do within this part of the picture. */
const NEAR_PART = 1 / 20
/** Paper and floor are compared so far to both sides of a rim, dots of the small picture; and differ alike along this part of it. */
const BESIDE_DOTS = 4
const ALIKE = 0.75
/** What differs by less than this part of what differs most is a board of another tone. */
const LEAST_OF_MOST = 0.12
/** Lines of a mat are up to so many dots of the small picture wide, twice: what is thinner is no paper. */
const OPENINGS = [1, 2, 3]

/** The logarithm of the light in three parts a dot, of a small copy of the picture. */
interface Small {
  width: number
  height: number
  /** Dots of the picture for one of its own. */
  times: number
  logs: Float32Array
}

/** Dots of a picture for one of the small copy in which papers are found. */
export const smallTimes = (pixels: Pixels): number => Math.max(1, Math.ceil(Math.max(pixels.width, pixels.height) / SMALL_PX))

function smallOf(pixels: Pixels): Small {
  const times = smallTimes(pixels)
  const width = Math.floor(pixels.width / times)
  const height = Math.floor(pixels.height / times)
  const logs = new Float32Array(width * height * 3)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      for (let c = 0; c < 3; c++) {
        let sum = 0
        for (let v = 0; v < times; v++)
          for (let u = 0; u < times; u++) sum += pixels.data[((y * times + v) * pixels.width + x * times + u) * 4 + c]!
        // A dot without any light is as dark as one of a few steps: the noise of darkness says nothing.
        logs[(y * width + x) * 3 + c] = Math.log(sum / (times * times) + 6)
      }
  return { width, height, times, logs }
}

/** Six figures that make a gently curved face over the picture, at a dot of it. */
function termsAt(i: number, { width, height }: Small): number[] {
  const x = (i % width) / width - 0.5
  const y = Math.floor(i / width) / height - 0.5
  return [1, x, y, x * x, x * y, y * y]
}

/** The face through the figures of some dots, by least squares; what lies far off it counts for little. */
function faceThrough(places: readonly number[], terms: readonly number[][], valueOf: (i: number) => number): number[] {
  let face: number[] = []
  let weights = places.map(() => 1)
  for (let round = 0; round < FACE_ROUNDS; round++) {
    const normal = Matrix.zeros(TERMS, TERMS)
    const toward = Matrix.zeros(TERMS, 1)
    for (let a = 0; a < TERMS; a++) {
      for (let b = a; b < TERMS; b++) {
        const sum = places.reduce((s, _, k) => s + weights[k]! * terms[k]![a]! * terms[k]![b]!, 0)
        normal.set(a, b, sum)
        normal.set(b, a, sum)
      }
      toward.set(
        a,
        0,
        places.reduce((s, i, k) => s + weights[k]! * terms[k]![a]! * valueOf(i), 0),
      )
    }
    const found = solve(normal, toward, true).to1DArray()
    face = found
    const off = places.map((i, k) => Math.abs(valueOf(i) - terms[k]!.reduce((s, t, n) => s + t * found[n]!, 0)))
    const usual = Math.max(LEAST_SPREAD, [...off].sort((x, y) => x - y)[off.length >> 1]! * 1.48)
    weights = off.map((d) => (d < 2 * usual ? 1 : usual / d / 2))
  }
  return face
}

/** How the floor looks everywhere, three parts a dot: a curved face through what is taken for it. Null where too little is. */
function floorFrom(small: Small, isFloor: (i: number) => boolean): Float32Array | null {
  const { width, height, logs } = small
  const places: number[] = []
  for (let y = 0; y < height; y += EVERY) for (let x = 0; x < width; x += EVERY) if (isFloor(y * width + x)) places.push(y * width + x)
  if (places.length < TERMS * 10) return null
  const terms = places.map((i) => termsAt(i, small))
  const faces = [0, 1, 2].map((c) => faceThrough(places, terms, (i) => logs[i * 3 + c]!))
  const out = new Float32Array(width * height * 3)
  for (let i = 0; i < width * height; i++) {
    const t = termsAt(i, small)
    for (let c = 0; c < 3; c++) {
      const f = faces[c]!
      out[i * 3 + c] = f[0]! + f[1]! * t[1]! + f[2]! * t[2]! + f[3]! * t[3]! + f[4]! * t[4]! + f[5]! * t[5]!
    }
  }
  return out
}

/** How little each dot looks like the floor: its light and its colour; a shadow is floor. */
function strangeness({ logs }: Small, floor: Float32Array): Float32Array {
  const out = new Float32Array(logs.length / 3)
  for (let i = 0; i < out.length; i++) {
    const r = logs[i * 3]! - floor[i * 3]!
    const g = logs[i * 3 + 1]! - floor[i * 3 + 1]!
    const b = logs[i * 3 + 2]! - floor[i * 3 + 2]!
    const light = (r + g + b) / 3
    const colour = Math.sqrt((r - light) ** 2 + (g - light) ** 2 + (b - light) ** 2) * COLOUR
    const above = light >= 0 ? light : Math.max(0, -light - SHADOW)
    out[i] = Math.sqrt(above * above + colour * colour)
  }
  return out
}

/** Where a row of figures parts best into two heaps (N. Otsu, 1979). */
function parting(figures: Float32Array): number {
  const BINS = 256
  const top = Math.max(...[0.5, 0.9, 0.99].map((q) => sortedSample(figures, q)), LEAST_CONTRAST * 2)
  const heap = new Float64Array(BINS)
  for (const f of figures) heap[Math.min(BINS - 1, Math.floor((f / top) * BINS))]! += 1
  const total = figures.length
  const sumAll = heap.reduce((s, n, i) => s + n * i, 0)
  let [below, sum, best, at] = [0, 0, -1, 0]
  for (let i = 0; i < BINS; i++) {
    below += heap[i]!
    sum += heap[i]! * i
    if (below === 0 || below === total) continue
    const apart = sum / below - (sumAll - sum) / (total - below)
    const between = below * (total - below) * apart * apart
    if (between > best) [best, at] = [between, i]
  }
  return Math.max(LEAST_CONTRAST, ((at + 1) / BINS) * top)
}
function sortedSample(figures: Float32Array, part: number): number {
  const sample = figures.filter((_, i) => i % 17 === 0).sort()
  return sample[Math.min(sample.length - 1, Math.floor(sample.length * part))] ?? 0
}

/**
 * Sums over every rectangle from the upper left corner, of those dots that count: their number and their three logarithms, four figures a
 * corner (F. Crow, 1984).
 */
function sumsOf({ logs, width, height }: Small, counts: Uint8Array | null): Float64Array {
  const row = (width + 1) * 4
  const sums = new Float64Array(row * (height + 1))
  for (let y = 0; y < height; y++) {
    let [n, r, g, b] = [0, 0, 0, 0]
    for (let x = 0; x < width; x++) {
      const i = y * width + x
      if (counts === null || counts[i] === 1) {
        n += 1
        r += logs[i * 3]!
        g += logs[i * 3 + 1]!
        b += logs[i * 3 + 2]!
      }
      const at = (y + 1) * row + (x + 1) * 4
      sums[at] = sums[at - row]! + n
      sums[at + 1] = sums[at - row + 1]! + r
      sums[at + 2] = sums[at - row + 2]! + g
      sums[at + 3] = sums[at - row + 3]! + b
    }
  }
  return sums
}

/**
 * Each dot goes to paper or floor, whichever it looks more like as both look near to it: in a shadow paper is as dark as the floor is
 * elsewhere. Gives how many went over.
 */
function tellNear(small: Small, dots: Uint8Array, all: Float64Array): number {
  const { logs, width, height } = small
  const reach = Math.round(Math.max(width, height) * NEAR_PART)
  const paper = sumsOf(small, dots)
  const row = (width + 1) * 4
  let changed = 0
  for (let y = 0; y < height; y++) {
    const top = Math.max(0, y - reach) * row
    const bottom = Math.min(height, y + reach + 1) * row
    for (let x = 0; x < width; x++) {
      const left = Math.max(0, x - reach) * 4
      const right = Math.min(width, x + reach + 1) * 4
      const [a, b, c, d] = [bottom + right, top + right, bottom + left, top + left]
      const papers = paper[a]! - paper[b]! - paper[c]! + paper[d]!
      const floors = all[a]! - all[b]! - all[c]! + all[d]! - papers
      if (papers < 1 || floors < 1) continue
      const i = y * width + x
      let [ahead, apart] = [0, 0]
      for (let k = 1; k <= 3; k++) {
        const ofPaper = paper[a + k]! - paper[b + k]! - paper[c + k]! + paper[d + k]!
        const onFloor = (all[a + k]! - all[b + k]! - all[c + k]! + all[d + k]! - ofPaper) / floors
        const way = ofPaper / papers - onFloor
        ahead += (logs[i * 3 + k - 1]! - onFloor) * way
        apart += way * way
      }
      const now = ahead > apart / 2 ? 1 : 0
      if (now === dots[i]) continue
      dots[i] = now
      changed += 1
    }
  }
  return changed
}

/** What the floor itself differs from its face by, and a little more: it is no paper. */
function floorLimit(strange: Float32Array): number {
  // More than half of the picture is floor, mostly: its middle is that of the floor.
  return Math.max(LEAST_CONTRAST, Math.min(parting(strange), sortedSample(strange, 0.3) * FLOOR_SPREADS))
}

/** Which dots are paper. Null where nothing stands out from the floor. */
function paperDots(small: Small): Uint8Array | null {
  const { width, height } = small
  const n = width * height
  const rim = Math.round(Math.max(width, height) * RIM)
  const isRim = (i: number) => {
    const [x, y] = [i % width, Math.floor(i / width)]
    return x < rim || y < rim || x >= width - rim || y >= height - rim
  }
  let floor = floorFrom(small, isRim)
  if (!floor) return null
  const dots = new Uint8Array(n)
  for (let round = 0; round < ROUNDS; round++) {
    const strange = strangeness(small, floor)
    const limit = floorLimit(strange)
    for (let i = 0; i < n; i++) dots[i] = strange[i]! > limit ? 1 : 0
    const next = floorFrom(small, (i) => strange[i]! < limit / 2)
    if (!next) break
    floor = next
  }
  const all = sumsOf(small, null)
  for (let round = 0; round < NEAR_ROUNDS; round++) if (tellNear(small, dots, all) < n * SETTLED) break
  return dots.includes(1) ? dots : null
}

/** How bright the dots of a paper are, less by how coloured they are: by the logarithm of the light. */
function whitenessOf({ logs, width }: Small, roi: Roi): number {
  const found: number[] = []
  for (let y = 0; y < roi.height; y += EVERY)
    for (let x = 0; x < roi.width; x += EVERY) {
      const [column, row] = [x + roi.origin.column, y + roi.origin.row]
      if (roi.getMapValue(column, row) !== roi.id) continue
      const i = (row * width + column) * 3
      const [r, g, b] = [logs[i]!, logs[i + 1]!, logs[i + 2]!]
      found.push((r + g + b) / 3 - 2 * (Math.max(r, g, b) - Math.min(r, g, b)))
    }
  return found.sort((a, b) => a - b)[found.length >> 1] ?? 0
}

/**
 * How much what lies within a rim differs from the floor beside it, where it does so all the way round in the same manner; 0 for a patch
 * of the floor, which does not.
 */
function contrastOf({ logs, width, height, times }: Small, rim: readonly Point[]): number {
  const outward = outwardOf(rim, BESIDE_DOTS)
  const steps: number[][] = []
  rim.forEach((p, i) => {
    const at = (by: number) => {
      const x = Math.floor(p.x / times + by * outward[i]!.x)
      const y = Math.floor(p.y / times + by * outward[i]!.y)
      return x < 0 || y < 0 || x >= width || y >= height ? null : (y * width + x) * 3
    }
    const [inside, outside] = [at(-BESIDE_DOTS), at(BESIDE_DOTS)]
    if (inside !== null && outside !== null) steps.push([0, 1, 2].map((c) => logs[inside + c]! - logs[outside + c]!))
  })
  const usual = [0, 1, 2].map((c) => steps.map((s) => s[c]!).sort((a, b) => a - b)[steps.length >> 1] ?? 0)
  const size = Math.hypot(...usual)
  const alike = steps.filter((s) => s.reduce((sum, v, c) => sum + v * usual[c]!, 0) > (size * size) / 2).length
  return alike >= ALIKE * steps.length ? size : 0
}

/** The papers in a photograph, the largest first; empty where nothing stands out from what it lies on. */
export function findPapers(pixels: Pixels): FoundPaper[] {
  const small = smallOf(pixels)
  const dots = paperDots(small)
  if (!dots) return []
  const { width, height, times } = small
  const whole = new Mask(width, height, { data: dots })
  // Lines of the floor are no papers; where they run into papers, they are cut off.
  for (const reach of [0, ...OPENINGS]) {
    const mask = reach === 0 ? whole : opened(whole, reach)
    const map = fromMask(mask)
    const rois = map.getRois({ minSurface: LEAST_PART * width * height })
    const isNet = rois.some((r) => r.width > 0.95 * width && r.height > 0.95 * height)
    if (isNet && reach !== OPENINGS.at(-1)) continue
    const found = rois
      .filter((r) => !(r.width > 0.95 * width && r.height > 0.95 * height))
      .map((roi) => {
        const filled = roi.getMask().solidFill({ allowCorners: true })
        const rim = filled.getExternalContour().map((p) => ({
          x: (p.column + roi.origin.column + 0.5) * times,
          y: (p.row + roi.origin.row + 0.5) * times,
        }))
        return { roi, rim, contrast: contrastOf(small, rim) }
      })
    const least = Math.max(LEAST_CONTRAST, Math.max(...found.map((f) => f.contrast)) * LEAST_OF_MOST)
    return found
      .filter((f) => f.contrast >= least)
      .map(({ roi, rim }): FoundPaper => {
        const { column, row } = roi.origin
        return {
          rim,
          areaPx: roi.surface * times * times,
          whiteness: whitenessOf(small, roi),
          isCut: column <= 1 || row <= 1 || column + roi.width >= width - 1 || row + roi.height >= height - 1,
        }
      })
      .sort((a, b) => b.areaPx - a.areaPx)
  }
  return []
}

/** What is thinner than twice the reach is taken away. */
function opened(mask: Mask, reach: number): Mask {
  const kernel = Array.from({ length: 3 }, () => [1, 1, 1])
  return mask.erode({ kernel, iterations: reach }).dilate({ kernel, iterations: reach })
}
