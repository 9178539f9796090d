import { spend } from '../budget'
import { boundsOf, boundsOfPoints, flattenPath, rotateAbout, type Box, type Point } from '../geometry'
import type { DrawnShape } from '../formats'
import { DEG } from '../units'

/** A heap of letters that are drawn as shapes: some lines of words, all in one direction. */
export interface Writing {
  /** Their places in the list of shapes. */
  members: number[]
  /** Outlines of the letters in order of the members, as points, mm. */
  letters: Point[][]
  /** The direction in which it runs, from the x axis, or half a turn more. */
  angleRad: number
  /** Its letters hang from lines, rather than stand on them: it may be upside down. */
  isOver: boolean
  /** About as high as a capital, mm. */
  heightMm: number
}

/** Letters on patterns are within this, mm: from small print to the title of a sheet. */
const LETTER_MM = { least: 0.2, most: 45 }
/** Letters of a heap stand no further apart than so many times the height of the larger. */
const APART = 0.75
/** Dots, commas and strokes are no higher than this part of the highest letter: they say nothing of the direction. */
const LOW = 0.45
/** So many of a heap, at the least, are letters of about one size. */
const MANY = 0.25
/** Letters stand on a line where their lower ends differ by no more than this part of their height. */
const LEVEL = 0.09
/** Letters beside each other may run into each other by so much of their size. */
const BESIDE = 0.12
/** Where so many letters of all stand on level or upright lines, no other way is looked for. */
const MOST = 0.5
/** Other ways that are tried, roughly and then finely, degrees. */
const ROUGH_DEG = Array.from({ length: 60 }, (_, i) => 3 * i - 90)
const FINE_DEG = Array.from({ length: 13 }, (_, i) => 0.5 * (i - 6))
/** No file has as many letters as shapes, nor a letter as many lines: those are hatchings, and traced pictures. */
const MOST_LETTERS = 6000
const MOST_LINES = 600
/** Chords of letters stay within this part of their height. */
const FINE = 0.02
/** Of the heights of a heap, this one counts as a capital’s. */
const CAPITAL = 0.7

const sizeOf = (b: Box) => Math.max(b.maxX - b.minX, b.maxY - b.minY)
const middleOf = (b: Box): Point => ({ x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 })

/** How far two boxes lie from each other, mm. */
function gapBetween(a: Box, b: Box): number {
  const dx = Math.max(0, a.minX - b.maxX, b.minX - a.maxX)
  const dy = Math.max(0, a.minY - b.maxY, b.minY - a.maxY)
  return Math.hypot(dx, dy)
}

/** Heaps of boxes that lie near each other, by their places in the list. */
function heapsOf(boxes: readonly Box[]): number[][] {
  const heapOf = boxes.map((_, i) => i)
  const rootOf = (i: number): number => {
    let root = i
    while (heapOf[root] !== root) root = heapOf[root]!
    heapOf[i] = root
    return root
  }
  const order = boxes.map((_, i) => i).sort((a, b) => boxes[a]!.minX - boxes[b]!.minX)
  order.forEach((i, k) => {
    const a = boxes[i]!
    for (let m = k + 1; m < order.length; m++) {
      const b = boxes[order[m]!]!
      if (b.minX > a.maxX + APART * LETTER_MM.most) break
      spend()
      if (gapBetween(a, b) <= APART * Math.max(sizeOf(a), sizeOf(b))) heapOf[rootOf(i)] = rootOf(order[m]!)
    }
  })
  const heaps = new Map<number, number[]>()
  boxes.forEach((_, i) => heaps.set(rootOf(i), [...(heaps.get(rootOf(i)) ?? []), i]))
  return [...heaps.values()]
}

/** So many letters of a heap are asked which way they run. */
const ASKED = 150
const asked = (count: number): number[] => {
  const step = Math.ceil(count / ASKED)
  return Array.from({ length: Math.ceil(count / step) }, (_, i) => i * step)
}

/** A letter and the one that is nearest to it. */
type Pair = [readonly Point[], readonly Point[]]

/** So many places of an outline say how high and wide a letter is. */
const MOST_PLACES = 60
const thinned = (points: readonly Point[]): readonly Point[] => {
  const step = Math.ceil(points.length / MOST_PLACES)
  return step > 1 ? points.filter((_, i) => i % step === 0) : points
}

/**
 * How well each letter stands on the same line as the one that is nearest to it, when they are turned upright: 1 for each that stands
 * exactly so. Where they hang from a line rather than stand on one, they are upside down.
 */
function onLines(pairs: readonly Pair[], angleRad: number): { fit: number; isOver: boolean } {
  const upright = (points: readonly Point[]): Box => boundsOfPoints(points.map((p) => rotateAbout(p, { x: 0, y: 0 }, -angleRad)))
  const fits = pairs.flatMap((pair) => {
    const [a, b] = [upright(pair[0]), upright(pair[1])]
    // The next letter of a line lies beside it, not above it.
    const isBeside = b.minX >= a.maxX - BESIDE * sizeOf(a) || b.maxX <= a.minX + BESIDE * sizeOf(a)
    const fit = (off: number): number => Math.max(0, 1 - Math.abs(off) / (LEVEL * Math.max(sizeOf(a), sizeOf(b))))
    return isBeside ? [{ below: fit(a.maxY - b.maxY), above: fit(a.minY - b.minY) }] : []
  })
  const sumOf = (side: 'below' | 'above') => fits.reduce((sum, f) => sum + f[side], 0)
  const [below, above] = [sumOf('below'), sumOf('above')]
  return { fit: Math.max(below, above), isOver: above > below }
}

function nearestTo(i: number, middles: readonly Point[]): number | null {
  let best: number | null = null
  let bestMm = Infinity
  middles.forEach((p, k) => {
    spend()
    const mm = Math.hypot(p.x - middles[i]!.x, p.y - middles[i]!.y)
    if (k === i || mm >= bestMm) return
    bestMm = mm
    best = k
  })
  return best
}

/** The outlines of letters without those of the holes in them. */
function outerOf(letters: readonly (readonly Point[])[]): (readonly Point[])[] {
  const boxes = letters.map((points) => ({ points, box: boundsOfPoints(points) })).sort((a, b) => a.box.minX - b.box.minX)
  const widest = Math.max(...boxes.map(({ box }) => box.maxX - box.minX))
  const isHole = (k: number): boolean => {
    const { box } = boxes[k]!
    for (let i = k - 1; i >= 0 && boxes[i]!.box.minX >= box.minX - widest; i--) {
      spend()
      const other = boxes[i]!.box
      if (other.maxX >= box.maxX && other.minY <= box.minY && other.maxY >= box.maxY) return true
    }
    return false
  }
  return boxes.flatMap(({ points }, k) => (isHole(k) ? [] : [points]))
}

/** The direction in which most letters stand on lines: level or upright where about all do, and else whichever it is. */
function directionOf(letters: readonly (readonly Point[])[]): { angleRad: number; isOver: boolean } {
  const outer = outerOf(letters).map(thinned)
  const middles = outer.map((points) => middleOf(boundsOfPoints(points)))
  const pairs = asked(outer.length).flatMap((i): Pair[] => {
    const near = nearestTo(i, middles)
    return near === null ? [] : [[outer[i]!, outer[near]!]]
  })
  const bestOf = (angles: readonly number[]) =>
    angles.map((angleRad) => ({ angleRad, ...onLines(pairs, angleRad) })).reduce((best, one) => (one.fit > best.fit ? one : best))
  const square = bestOf([0, Math.PI / 2])
  if (square.fit >= MOST * pairs.length) return square
  const about = bestOf([0, Math.PI / 2, ...ROUGH_DEG.map((deg) => deg / DEG)])
  return bestOf([square.angleRad, about.angleRad, ...FINE_DEG.map((deg) => about.angleRad + deg / DEG)])
}

/** The size of the highest letter of a heap, mm: beside an arrow's head or a badge, which is larger than all letters, it is not the largest. */
function highestOf(sizes: readonly number[]): number {
  const falling = [...sizes].sort((a, b) => b - a)
  const enough = Math.max(2, MANY * sizes.length)
  return falling.find((size) => falling.filter((other) => other >= LOW * size && other <= size).length >= enough) ?? falling[0]!
}

/**
 * Words that a file draws as shapes: areas of the size of letters that stand together, as converters and drawing programs write words
 * for which they send no font. One area by itself (an arrow’s head, the triangle of a notch) is none.
 */
export function findWriting(shapes: readonly DrawnShape[]): Writing[] {
  const small = shapes.flatMap((s, i) => {
    if (!s.isArea || !s.closed || s.path.length > MOST_LINES) return []
    const box = boundsOf(s.path)
    return sizeOf(box) >= LETTER_MM.least && sizeOf(box) <= LETTER_MM.most ? [{ i, box }] : []
  })
  if (small.length > MOST_LETTERS) return []
  return heapsOf(small.map((s) => s.box)).flatMap((all): Writing[] => {
    const highMm = highestOf(all.map((k) => sizeOf(small[k]!.box)))
    const heap = all.filter((k) => sizeOf(small[k]!.box) <= highMm)
    const letters = heap.map((k) => flattenPath(shapes[small[k]!.i]!.path, FINE * highMm))
    const tall = heap.flatMap((k, n) => (sizeOf(small[k]!.box) >= LOW * highMm ? [letters[n]!] : []))
    if (tall.length < 2) return []
    const { angleRad, isOver } = directionOf(tall)
    const heights = tall
      .map((points) => boundsOfPoints(points.map((p) => rotateAbout(p, { x: 0, y: 0 }, -angleRad))))
      .map((b) => b.maxY - b.minY)
      .sort((a, b) => a - b)
    const heightMm = heights[Math.floor(heights.length * CAPITAL)]!
    // Areas without a height, as dashes are drawn, are no letters.
    return heightMm >= LETTER_MM.least ? [{ members: heap.map((k) => small[k]!.i), letters, angleRad, isOver, heightMm }] : []
  })
}
