import type { EdgeRole, Garment, Piece } from '../../core/pattern'

// Measures finished pieces a second time, by points along their lines: nothing here is shared with what the product measures by.

interface Place {
  /** Across the grain and down it, mm. */
  x: number
  y: number
}
type Line = Piece['shapes'][string]['edges'][string]

/** Points along a line, near enough that straight ways between them are right to a hundredth of a millimetre. */
const POINTS = 160

function pointsAlong(path: Line): Place[] {
  const points: Place[] = [{ ...path[0]!.from }]
  for (const s of path)
    for (let i = 1; i <= (s.kind === 'line' ? 1 : POINTS); i++) {
      if (s.kind === 'line') {
        points.push({ ...s.to })
        continue
      }
      const [t, u] = [i / POINTS, 1 - i / POINTS]
      const at = (k: 'x' | 'y') => u ** 3 * s.from[k] + 3 * u * u * t * s.c1[k] + 3 * u * t * t * s.c2[k] + t ** 3 * s.to[k]
      points.push({ x: at('x'), y: at('y') })
    }
  return points
}

const lengthOf = (points: readonly Place[]): number =>
  points.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - points[i]!.x, p.y - points[i]!.y), 0)

/** One piece laid with its grain upright. */
interface Laid {
  piece: Piece
  times: number
  edge: (id: string) => Place[]
  line: (role: string) => Place[] | null
  apex: Place | null
  outline: Place[]
}

function lay(piece: Piece, sizeId: string): Laid {
  const shape = piece.shapes[sizeId]!
  const { from, to } = shape.grain
  const long = Math.hypot(to.x - from.x, to.y - from.y)
  const [dx, dy] = [(to.x - from.x) / long, (to.y - from.y) / long]
  const turn = (p: Place): Place => ({ x: p.x * dy - p.y * dx, y: p.x * dx + p.y * dy })
  // Sides are walked down again and again: the points of an edge are worked out once.
  const edges = new Map(piece.edges.map((e) => [e.id, pointsAlong(shape.edges[e.id]!).map(turn)]))
  const edge = (id: string) => edges.get(id)!
  const apex = piece.points.find((p) => p.role === 'apex')
  return {
    piece,
    times: piece.cut.count * (piece.edges.some((e) => e.fold) ? 2 : 1),
    edge,
    line: (role) => {
      const line = piece.lines.find((l) => l.role === role)
      return line ? pointsAlong(shape.lines[line.id]!).map(turn) : null
    },
    apex: apex ? turn(shape.points[apex.id]!) : null,
    outline: piece.edges.flatMap((e) => edge(e.id).slice(0, -1)),
  }
}

/** Where an upright outline crosses a level, from left to right. */
function crossings(outline: readonly Place[], y: number): number[] {
  const found: number[] = []
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length]!
    if (a.y <= y !== b.y <= y) found.push(a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x))
  })
  return found.sort((p, q) => p - q)
}

const levelOf = (line: readonly Place[]): number => (line[0]!.y + line[line.length - 1]!.y) / 2

/** The width of a half or whole piece at a level: from the middle of the body where it is drawn inside, and without its darts. */
function widthAt(laid: Laid, y: number): number {
  const met = crossings(laid.outline, y)
  const middle = laid.line('centre')
  if (middle) return Math.max(...met.map((x) => Math.abs(x - middle[middle.length - 1]!.x)))
  let width = 0
  for (let i = 0; i + 1 < met.length; i += 2) width += met[i + 1]! - met[i]!
  return width
}

const runOf = (laid: Laid, role: EdgeRole) => laid.piece.edges.filter((e) => e.role === role)

/** The corner at which an edge of one role meets one of another, or null. */
function corner(laid: Laid, a: readonly EdgeRole[], b: readonly EdgeRole[]): Place | null {
  const { edges } = laid.piece
  for (const [i, edge] of edges.entries()) {
    const before = edges[(i + edges.length - 1) % edges.length]!
    const meets = (a.includes(edge.role) && b.includes(before.role)) || (a.includes(before.role) && b.includes(edge.role))
    if (meets) return laid.edge(edge.id)[0]!
  }
  return null
}

/** A place so far down a side, its darts closed; the sides of a piece are walked from the underarm. */
function downSide(laid: Laid, mm: number): Place | null {
  const top = corner(laid, ['armhole'], ['side'])
  if (!top) return null
  const runs = runOf(laid, 'side').map((e) => laid.edge(e.id))
  const isNear = (p: Place) => Math.hypot(p.x - top.x, p.y - top.y) < 0.1
  // Walked with the outline the first begins at the underarm, or the last ends there.
  const ordered = runs.some((r) => isNear(r[0]!)) ? runs : runs.map((r) => [...r].reverse()).reverse()
  let left = mm
  for (const run of ordered)
    for (let i = 1; i < run.length; i++) {
      const [a, b] = [run[i - 1]!, run[i]!]
      const step = Math.hypot(b.x - a.x, b.y - a.y)
      if (left <= step) return { x: a.x + ((b.x - a.x) * left) / step, y: a.y + ((b.y - a.y) * left) / step }
      left -= step
    }
  return null
}

/** How far down its side a level lies on a piece without darts there. */
function sideDownTo(laid: Laid, y: number): number | null {
  for (let low = 0, high = 600, i = 0; i < 60; i++) {
    const mm = (low + high) / 2
    const at = downSide(laid, mm)
    if (at && at.y < y) low = mm
    else high = mm
    if (i === 59) return downSide(laid, low) ? low : null
  }
  return null
}

export interface MeasuredAgain {
  /** Round the body, mm, by zone; zones that the pattern has no line for are left out. */
  rounds: Record<string, number>
  /** Lengths along the body, mm, by measure. */
  lengths: Record<string, number>
  /** How far each seam lies outside its wanted ease, mm. */
  seams: { name: string; offMm: number }[]
  /** Largest difference of the two legs of a dart, mm. */
  legsMm: number
  isFinite: boolean
}

/** A thigh is measured so far below the crotch, mm. */
const THIGH_BELOW_MM = 25

const BODY = ['front', 'back']
const LEGS = ['leg-front', 'leg-back']

/** The bust of a front: from its middle to the bust point, and on to the side as far down as the bust of the back lies. */
function bustOf(laid: Laid, back: Laid | undefined): number | null {
  const line = laid.line('bust')
  if (!line) return null
  const backLine = back?.line('bust')
  if (laid.piece.kind !== 'front' || !laid.apex || !back || !backLine) return widthAt(laid, levelOf(line))
  const down = sideDownTo(back, levelOf(backLine))
  const side = down === null ? null : downSide(laid, down)
  if (!side) return null
  const drawn = laid.line('centre')
  const centre = laid.piece.edges.find((e) => e.fold || e.role === 'centre-front')!
  const middle = drawn ? drawn[drawn.length - 1]!.x : laid.edge(centre.id)[0]!.x
  return Math.abs(laid.apex.x - middle) + Math.hypot(side.x - laid.apex.x, side.y - laid.apex.y)
}

/** Round one leg, mm: below the crotch, and at the line of the knee. */
function roundLegs(laid: readonly Laid[]): Record<string, number> {
  const legs = laid.filter((l) => LEGS.includes(l.piece.kind))
  const round = (zone: string, levelOn: (l: Laid) => number | null): [string, number][] => {
    const each = legs.map((l) => ({ level: levelOn(l), l }))
    if (each.length === 0 || each.some((e) => e.level === null)) return []
    return [[zone, each.reduce((all, { l, level }) => all + (widthAt(l, level!) * l.times) / 2, 0)]]
  }
  return Object.fromEntries([
    ...round('thigh', (l) => {
      const crotch = corner(l, ['crotch'], ['inseam'])
      return crotch && crotch.y + THIGH_BELOW_MM
    }),
    ...round('knee', (l) => {
      const line = l.line('knee')
      return line ? levelOf(line) : null
    }),
  ])
}

/** From the top of the cap to the hem of a sleeve, mm; null without one. */
function sleeveOf(laid: readonly Laid[]): number | null {
  const sleeve = laid.find((l) => l.piece.kind === 'sleeve' && runOf(l, 'cap').length > 0 && runOf(l, 'hem').length > 0)
  if (!sleeve) return null
  const ys = (role: 'hem' | 'cap') => runOf(sleeve, role).flatMap((e) => sleeve.edge(e.id).map((p) => p.y))
  return Math.max(...ys('hem')) - Math.min(...ys('cap'))
}

/** Every figure of a garment in a size, measured anew. */
export function measureAgain(garment: Garment, sizeId: string): MeasuredAgain {
  const laid = garment.pieces.map((p) => lay(p, sizeId))
  const body = laid.filter((l) => BODY.includes(l.piece.kind))
  const back = body.find((l) => l.piece.kind === 'back')
  const rounds: Record<string, number> = {}
  const sum = (zone: string, of: readonly Laid[], one: (l: Laid) => number | null) => {
    const each = of.map((l) => ({ mm: one(l), times: l.times }))
    if (each.length > 0 && each.every((e) => e.mm !== null)) rounds[zone] = each.reduce((all, e) => all + e.mm! * e.times, 0)
  }
  sum('bust', body, (l) => bustOf(l, back))
  for (const zone of ['waist', 'hip'] as const)
    sum(zone, [...body, ...laid.filter((l) => LEGS.includes(l.piece.kind))], (l) => {
      const edges = zone === 'waist' ? runOf(l, 'waist') : []
      if (edges.length > 0) return edges.reduce((mm, e) => mm + lengthOf(l.edge(e.id)), 0)
      const line = l.line(zone)
      return line ? widthAt(l, levelOf(line)) : null
    })
  Object.assign(rounds, roundLegs(laid))
  const lengths: Record<string, number> = {}
  const sleeveMm = sleeveOf(laid)
  if (sleeveMm !== null) lengths['arm-length'] = sleeveMm
  const waistOf = (l: Laid): number | null => {
    const line = l.line('waist')
    return line ? levelOf(line) : (corner(l, ['waist'], ['centre-front', 'centre-back'])?.y ?? null)
  }
  const length = (id: string, l: Laid | undefined, from: Place | null) => {
    const to = l ? waistOf(l) : null
    if (from && to !== null) lengths[id] = to - from.y
  }
  const front = body.find((l) => l.piece.kind === 'front')
  length('back-neck-to-waist', back, back ? corner(back, ['neck'], ['centre-back']) : null)
  length('front-to-waist', front, front ? corner(front, ['neck'], ['shoulder']) : null)
  const leg = laid.find((l) => LEGS.includes(l.piece.kind))
  const waistAtSide = leg ? corner(leg, ['waist'], ['outseam']) : null
  for (const [id, role] of [
    ['waist-to-hip', 'hip'],
    ['waist-to-knee', 'knee'],
  ] as const) {
    const line = leg?.line(role)
    if (line && waistAtSide) lengths[id] = levelOf(line) - waistAtSide.y
  }
  const shoulders = front && corner(front, ['shoulder'], ['armhole']) ? runOf(front, 'shoulder') : []
  if (shoulders.length > 0) lengths.shoulder = (shoulders.reduce((mm, e) => mm + lengthOf(front!.edge(e.id)), 0) * front!.times) / 2
  length('underarm-to-waist', back, back ? corner(back, ['armhole'], ['side']) : null)
  const sideMm = (runs: readonly { pieceId: string; edgeId: string }[]) =>
    runs.reduce((mm, r) => mm + lengthOf(laid.find((l) => l.piece.id === r.pieceId)!.edge(r.edgeId)), 0)
  const seams = garment.seams.map((s) => {
    const over = sideMm(s.sides[0]) - sideMm(s.sides[1])
    return { name: s.name, offMm: Math.max(0, over - s.wantedEase.maxMm, s.wantedEase.minMm - over) }
  })
  const dartLegs = laid.flatMap((l) => l.piece.darts.map((d) => Math.abs(lengthOf(l.edge(d.legs[0])) - lengthOf(l.edge(d.legs[1])))))
  const isFinite = laid.every((l) => l.outline.every((p) => Number.isFinite(p.x + p.y)))
  return { rounds, lengths, seams, legsMm: Math.max(0, ...dartLegs), isFinite }
}
