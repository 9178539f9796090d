import { spend } from '../budget'
import type { DrawnShape, PdfPage } from '../formats'
import { distance, measureLength, type Point } from '../geometry'
import type { PageSpot } from './page-names'

/** A line lies alike on two pages to this, mm. */
const SAME_MM = 0.3

/** What tells a line from others, wherever it lies. */
const looks = ({ path, style, isArea }: DrawnShape): string => {
  const [a, b] = [path[0]!.from, path[path.length - 1]!.to]
  return `${isArea ? 'area ' : ''}${style}|${path.length}|${measureLength(path).toFixed(1)}|${(b.x - a.x).toFixed(1)}|${(b.y - a.y).toFixed(1)}`
}

/** How far one page is from another, by the lines that both draw whole; null where they do not tell. */
export type OffsetOf = (from: number, to: number) => Point | null

/** Tells how pages lie to each other by lines that several of them draw whole, of such a length or longer, mm. */
export function offsetsOf(pages: readonly PdfPage[], list: readonly number[], leastMm: number): OffsetOf {
  const lines = new Map<number, Map<string, Point | null>>()
  for (const i of list) {
    const own = new Map<string, Point | null>()
    for (const s of pages[i]!.shapes) {
      spend(s.path.length)
      if (measureLength(s.path) < leastMm) continue
      const key = looks(s)
      // What a page draws twice tells nothing.
      own.set(key, own.has(key) ? null : s.path[0]!.from)
    }
    lines.set(i, own)
  }
  const told = new Map<string, Point | null>()
  const tell = (i: number, j: number): Point | null => {
    const votes: Point[] = []
    spend(lines.get(i)!.size)
    for (const [key, p] of lines.get(i)!) {
      const q = lines.get(j)!.get(key)
      if (p && q && distance(p, q) > 1) votes.push({ x: p.x - q.x, y: p.y - q.y })
    }
    spend(votes.length * votes.length)
    const best = votes.map((v) => ({ v, n: votes.filter((w) => distance(v, w) <= SAME_MM).length })).sort((a, b) => b.n - a.n)[0]
    return best && best.n * 2 > votes.length ? best.v : null
  }
  return (i, j) => {
    const pair = `${i} ${j}`
    if (!told.has(pair)) told.set(pair, tell(i, j))
    return told.get(pair)!
  }
}

/** Places by lines that several pages draw whole. Null where they do not tell of all. */
export function bySameLines(list: readonly number[], offset: OffsetOf): Map<number, Point> | null {
  const places = new Map<number, Point>([[list[0]!, { x: 0, y: 0 }]])
  for (const [i, at] of places)
    for (const j of list) {
      if (places.has(j)) continue
      const by = offset(i, j)
      if (by) places.set(j, { x: at.x + by.x, y: at.y + by.y })
    }
  return places.size === list.length ? places : byRegularSteps(list, offset)
}

/** What most of some values are, or are nearest to. */
const usual = <T>(values: readonly T[], same: (a: T, b: T) => boolean): T | undefined =>
  values.map((v) => ({ v, n: values.filter((w) => same(v, w)).length })).sort((x, y) => y.n - x.n)[0]?.v
const near = (a: number, b: number) => Math.abs(a - b) <= SAME_MM

/** A neighbour lies no further off than so many steps: aslant it is one of both. */
const NEXT_TIMES = 1.5
/** So many of the neighbours lie as the steps say. */
const FITTING_PART = 0.9

/** Pages further on than this are not compared when their steps are looked for: a sheet of more columns is rare. */
const FARTHEST = 30

/**
 * Places of pages that hang together in parts only: neighbours tell how far one page is from the next, and how many lie in a row;
 * the others follow in the same steps. Null where the steps are not the same all over.
 */
function byRegularSteps(list: readonly number[], offset: (i: number, j: number) => Point | null): Map<number, Point> | null {
  const found: { k: number; ahead: number; by: Point }[] = []
  for (let k = 0; k < list.length; k++)
    for (let ahead = 1; ahead <= FARTHEST && k + ahead < list.length; ahead++) {
      const by = offset(list[k]!, list[k + ahead]!)
      if (by) found.push({ k, ahead, by })
    }
  const isLevel = ({ by }: (typeof found)[number]) => Math.abs(by.y) <= SAME_MM
  const isUpright = ({ by }: (typeof found)[number]) => Math.abs(by.x) <= SAME_MM
  const step = usual(
    found.filter((f) => f.ahead === 1 && isLevel(f)).map((f) => f.by.x),
    near,
  )
  const rows = usual(
    found.filter((f) => isUpright(f) && f.by.y > 0).map((f) => ({ columns: f.ahead, y: f.by.y })),
    (a, b) => a.columns === b.columns && near(a.y, b.y),
  )
  if (step === undefined || !rows) return null
  const placeOf = (k: number): Point => ({ x: (k % rows.columns) * step, y: Math.floor(k / rows.columns) * rows.y })
  // Pages farther apart draw nothing of each other: two lines of two pieces that are alike.
  const beside = found.flatMap(({ k, ahead, by }) => {
    const [a, b] = [placeOf(k), placeOf(k + ahead)]
    const isNext = Math.abs(b.x - a.x) <= NEXT_TIMES * step && Math.abs(b.y - a.y) <= NEXT_TIMES * rows.y
    return isNext ? [near(b.x - a.x, by.x) && near(b.y - a.y, by.y)] : []
  })
  return beside.filter(Boolean).length >= FITTING_PART * beside.length
    ? settled(new Map(list.map((i, k) => [i, placeOf(k)])), offset)
    : null
}

/** A program rounds the steps from page to page to its own points: so far a page may lie off its even place, mm. */
const UNEVEN_MM = 1

/** Places in even steps, set right by the lines that each page shows with one that is set right already. */
function settled(even: ReadonlyMap<number, Point>, offset: OffsetOf): Map<number, Point> {
  const [first] = even
  const places = new Map(first ? [first] : [])
  const step = (i: number, j: number): Point => ({ x: even.get(j)!.x - even.get(i)!.x, y: even.get(j)!.y - even.get(i)!.y })
  const far = (i: number, j: number) => Math.hypot(step(i, j).x, step(i, j).y)
  for (const [i, at] of places) {
    const left = [...even.keys()].filter((j) => !places.has(j)).sort((a, b) => far(i, a) - far(i, b))
    for (const j of left.slice(0, NEIGHBOURS)) {
      const by = offset(i, j)
      if (by && distance(by, step(i, j)) <= UNEVEN_MM) places.set(j, { x: at.x + by.x, y: at.y + by.y })
    }
  }
  // Pages that show no line of another lie as far from the nearest one that does as the even steps say.
  for (const j of even.keys()) {
    if (places.has(j)) continue
    const near = [...places.keys()].reduce((a, b) => (far(b, j) < far(a, j) ? b : a))
    places.set(j, { x: places.get(near)!.x + step(near, j).x, y: places.get(near)!.y + step(near, j).y })
  }
  return places
}

/** So many pages lie round one. */
const NEIGHBOURS = 8

/** So many of the pages beside each other draw lines whole that both show. */
const TELLING_PART = 0.5
/** Of the pages beside each other, as their names say, so many lie as the steps do: the others draw lines that are alike. */
const AGREEING_PART = 0.5

/**
 * Places of pages that say in which row and column they are, in the steps that lines on neighbours tell. Null where none of the ways to read
 * their names bears out.
 */
export function bySaidSpots(list: readonly number[], readings: readonly PageSpot[][], offset: OffsetOf): Map<number, Point> | null {
  let best: { agreeing: number; places: Map<number, Point> } | null = null
  for (const spots of readings) {
    const at = new Map(spots.map((s, k) => [`${s.column} ${s.row}`, list[k]!]))
    const beside = (right: number, down: number) =>
      spots.flatMap((s, k) => {
        const next = at.get(`${s.column + right} ${s.row + down}`)
        const by = next === undefined ? null : offset(list[k]!, next)
        return by ? [by] : []
      })
    const [across, down] = [beside(1, 0), beside(0, 1)]
    // Pages that draw everything whole tell of most of their neighbours; what others have in common lies in their overlaps.
    const pairs =
      spots.filter((s) => at.has(`${s.column + 1} ${s.row}`)).length + spots.filter((s) => at.has(`${s.column} ${s.row + 1}`)).length
    if (across.length + down.length < TELLING_PART * pairs) continue
    const stepX = usual(
      across.filter((by) => near(by.y, 0) && by.x > 0).map((by) => by.x),
      near,
    )
    const stepY = usual(
      down.filter((by) => near(by.x, 0) && by.y > 0).map((by) => by.y),
      near,
    )
    const [isWide, isHigh] = [spots.some((s) => s.column > 0), spots.some((s) => s.row > 0)]
    if ((isWide && stepX === undefined) || (isHigh && stepY === undefined)) continue
    const agreeing =
      across.filter((by) => near(by.x, stepX ?? 0) && near(by.y, 0)).length +
      down.filter((by) => near(by.y, stepY ?? 0) && near(by.x, 0)).length
    if (agreeing < AGREEING_PART * (across.length + down.length) || (best && agreeing <= best.agreeing)) continue
    const places = new Map(spots.map((s, k) => [list[k]!, { x: s.column * (stepX ?? 0), y: s.row * (stepY ?? 0) }]))
    best = { agreeing, places }
  }
  return best && settled(best.places, offset)
}
