import { distance, measureLength, nearestPlace, PointGrid, reversePath } from '../geometry'
import { GAP_MM, SAME_POINT_MM } from '../tolerances'
import { endOf, startOf, type Stroke } from './chain-strokes'
import { BIT_MM, closedChain, leadOn, LEAST_DASHES, linked, styleOf, type Chain, type Dash } from './dash-chains'
import { DASH_MM, filled, middleOfDash, WIDEST_MM } from './middle-of-dash'

/** The gaps between dashes are no wider, mm. */
const DASH_GAP_MM = 9
/** Of so few parts a dash is drawn. */
const MOST_PARTS = 4

/** Every stroke that may be a dash. */
function dashesOf(strokes: readonly Stroke[]): Dash[] {
  const areas = strokes.flatMap((stroke): Dash[] => {
    const path = stroke.shape.isArea ? middleOfDash(filled(stroke.path)) : null
    return path ? [{ stroke, path }] : []
  })
  const isArea = new Set(areas.map((d) => d.stroke))
  const open = strokes.filter((o) => !o.shape.closed && !isArea.has(o))
  // A dash stands alone: what touches another end to end is a chord of a curve.
  const ends = new PointGrid<Stroke>(GAP_MM)
  for (const o of open) {
    ends.add(startOf(o.path), o)
    ends.add(endOf(o.path), o)
  }
  const touched = (o: Stroke) => [...new Set([startOf(o.path), endOf(o.path)].flatMap((p) => ends.near(p)))].filter((other) => other !== o)
  // Only the last dash of a closed line touches its first, and nothing else.
  const isAlone = (o: Stroke) => {
    const [only, ...more] = touched(o)
    return !only || (more.length === 0 && touched(only).length === 1)
  }
  const own = open.filter((o) => o.path.length <= MOST_PARTS && measureLength(o.path) <= DASH_MM && isAlone(o))
  return [...areas, ...own.map((stroke): Dash => ({ stroke, path: stroke.path }))]
}

/** All lines that dashes make by going on, each dash in one of them. */
function chainsOf(dashes: readonly Dash[]): Chain[] {
  const grid = new PointGrid<Dash>(DASH_GAP_MM)
  for (const d of dashes) {
    grid.add(startOf(d.path), d)
    grid.add(endOf(d.path), d)
  }
  const used = new Set<Dash>()
  return dashes.flatMap((first) => {
    if (used.has(first)) return []
    const chain: Chain = { of: [first], path: [...first.path], gapMm: null, gapsMm: [] }
    used.add(first)
    const next = () =>
      leadOn(
        chain,
        styleOf(chain),
        grid.near(endOf(chain.path)).filter((d) => !used.has(d)),
      )
    for (const turned of [false, true]) {
      if (turned) chain.path = [...reversePath(chain.path)]
      for (let dash = next(); dash; dash = next()) used.add(dash)
    }
    return [chain]
  })
}

/** Outlines of chains, where each of their edges was dashed by itself: only such as close. The others stay as they are. */
function closedOf(chains: readonly Chain[]): Chain[] {
  const left = new Set<Chain>()
  const done: Chain[] = []
  for (const chain of chains) {
    const closed = closedChain(chain)
    if (closed) done.push(closed)
    else if (chain.gapMm !== null) left.add(chain)
  }
  const grid = new PointGrid<Chain>(DASH_GAP_MM)
  for (const c of left) {
    grid.add(startOf(c.path), c)
    grid.add(endOf(c.path), c)
  }
  for (const first of [...left].sort((a, b) => b.of.length - a.of.length)) {
    const taken = [first]
    let chain = first
    const next = () =>
      linked(
        chain,
        grid.near(endOf(chain.path)).filter((c) => left.has(c) && !taken.includes(c) && styleOf(c) === styleOf(first)),
      )
    for (let more = next(); left.has(first) && more; more = next()) {
      chain = more.chain
      taken.push(more.by)
    }
    const closed = taken.length > 1 ? closedChain(chain) : null
    if (closed) taken.forEach((c) => left.delete(c))
    done.push(...(closed ? [closed] : []))
  }
  return [...done, ...left]
}

/**
 * Dashes that a program wrote one by one, as strokes or as narrow areas, as the lines that they make; all other strokes stay as they are.
 */
export function joinDashes(strokes: readonly Stroke[]): Stroke[] {
  const dashes = dashesOf(strokes)
  if (dashes.length < LEAST_DASHES) return [...strokes]
  const joined = closedOf(chainsOf(dashes)).flatMap(({ of, path }): Stroke[] => {
    if (of.length < LEAST_DASHES) return []
    const closed = distance(startOf(path), endOf(path)) <= SAME_POINT_MM
    return [{ shape: { ...of[0]!.stroke.shape, isDashed: true, isArea: false, closed }, path, of: of.map((d) => d.stroke) }]
  })
  const taken = new Set(joined.flatMap((j) => j.of ?? []))
  const left = strokes.filter((o) => !taken.has(o))
  const isBit = bitsOf(joined)
  return [...left.filter((o) => !isBit(o)), ...joined]
}

/** Tells small areas that are left of dashes where lines of dashes end: they lie on such a line with all their corners. */
function bitsOf(lines: readonly Stroke[]): (stroke: Stroke) => boolean {
  const grid = new PointGrid<Stroke>(DASH_MM)
  for (const l of lines) for (const s of l.path) grid.add(s.from, l)
  return ({ path, shape }) => {
    if (!shape.isArea || measureLength(path) > 2 * (BIT_MM + WIDEST_MM)) return false
    const corners = filled(path).map((s) => s.from)
    const near = new Set(grid.near(corners[0]!).filter((l) => l.shape.style === shape.style))
    return [...near].some((l) => corners.every((p) => nearestPlace(l.path, p).distanceMm <= WIDEST_MM / 2))
  }
}
