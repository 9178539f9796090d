import {
  boundsOf,
  isStraightPath,
  joinBoxes,
  line,
  measureArea,
  measureLength,
  subtract,
  tangentAt,
  turnRad,
  unit,
  cross,
  type Path,
  type Point,
} from '../geometry'
import type { EdgeRole, PieceKind } from '../pattern'

/** A dart's two legs are alike within this part of their length, and its tip is sharper than this, deg. */
const LEG_PART = 0.06
const DART_DEG = 50

/** Edges nearer to the grain's direction than this are straight grain edges: folds and centres. */
const GRAIN_EDGE_SINE = 0.06

const STRAIGHT_ENOUGH_MM = 1

/** An edge is hollow when it bends in by more than this, mm2: less is a shaped seam. */
const LEAST_HOLLOW_MM2 = 600

/** Index of the first leg of every dart: two straight neighbours of like length with a sharp inward turn between them. */
export function findDarts(edges: readonly Path[]): number[] {
  const n = edges.length
  return edges.flatMap((a, i) => {
    const b = edges[(i + 1) % n]!
    if (!isStraightPath(a, STRAIGHT_ENOUGH_MM) || !isStraightPath(b, STRAIGHT_ENOUGH_MM)) return []
    const [la, lb] = [measureLength(a), measureLength(b)]
    const turn = (turnRad(tangentAt(a[a.length - 1]!, 1), tangentAt(b[0]!, 0)) * 180) / Math.PI
    // Walking clockwise a dart's tip turns sharply left: nearly all the way round.
    const sharp = turn < 0 && 180 + turn < DART_DEG
    return sharp && Math.abs(la - lb) <= LEG_PART * Math.max(la, lb) ? [i] : []
  })
}

interface Group {
  indexes: number[]
  box: ReturnType<typeof boundsOf>
}

/** Edges parted by a dart belong together; each group is one side of the piece. */
function groupEdges(edges: readonly Path[], darts: readonly number[]): Group[] {
  const n = edges.length
  const legs = new Set(darts.flatMap((i) => [i, (i + 1) % n]))
  const groups: number[][] = []
  // Start right after a place that is certainly a border between groups.
  const start = edges.findIndex((_, i) => !legs.has(i) && !legs.has((i + n - 1) % n))
  for (let k = 0; k < n; k++) {
    const i = (Math.max(start, 0) + k) % n
    if (legs.has(i)) continue
    if (k > 0 && legs.has((i + n - 1) % n)) groups[groups.length - 1]!.push(i)
    else groups.push([i])
  }
  return groups.map((indexes) => ({ indexes, box: joinBoxes(indexes.map((i) => boundsOf(edges[i]!))) }))
}

const middleY = (g: Group) => (g.box.minY + g.box.maxY) / 2
const middleX = (g: Group) => (g.box.minX + g.box.maxX) / 2

function alongGrain(path: Path, grain: Point): boolean {
  return (
    isStraightPath(path, STRAIGHT_ENOUGH_MM) &&
    Math.abs(cross(unit(subtract(path[path.length - 1]!.to, path[0]!.from)), grain)) < GRAIN_EDGE_SINE
  )
}

/** Groups from one on, clockwise or the other way, without it. */
function from(groups: readonly Group[], first: Group, clockwise: boolean): Group[] {
  const i = groups.indexOf(first)
  return Array.from({ length: groups.length - 1 }, (_, k) => groups[(i + (clockwise ? k + 1 : groups.length - k - 1)) % groups.length]!)
}

/** Does a group bend into the piece? Signed area between its path and its chord, mm2; positive is inward. */
function hollow(g: Group, edges: readonly Path[]): number {
  const path = g.indexes.flatMap((i) => [...edges[i]!])
  return -measureArea([...path, line(path[path.length - 1]!.to, path[0]!.from)])
}

/** A front without a straight centre (a wrap, a waistcoat): the lowest hollow edge one away from the hem is the armhole. */
function nameAroundArmhole(roles: Map<Group, EdgeRole>, groups: Group[], hem: Group, edges: readonly Path[]): void {
  roles.set(hem, 'hem')
  const n = groups.length
  const h = groups.indexOf(hem)
  const ways = [1, -1].flatMap((step) => {
    const at = (k: number) => groups[(h + step * k + 2 * n) % n]!
    return n >= 5 && hollow(at(2), edges) > LEAST_HOLLOW_MM2 ? [{ side: at(1), armhole: at(2), shoulder: at(3), neck: at(4) }] : []
  })
  const best = ways.sort((a, b) => middleY(b.armhole) - middleY(a.armhole))[0]
  if (!best) return
  roles.set(best.side, 'side').set(best.armhole, 'armhole').set(best.shoulder, 'shoulder')
  if (best.neck !== hem && hollow(best.neck, edges) > LEAST_HOLLOW_MM2) roles.set(best.neck, 'neck')
}

function sequence(kind: PieceKind, groups: Group[], edges: readonly Path[], grain: Point): Map<Group, EdgeRole> {
  const roles = new Map<Group, EdgeRole>()
  const lowest = groups.reduce((a, b) => (middleY(b) > middleY(a) ? b : a))
  const highest = groups.reduce((a, b) => (middleY(b) < middleY(a) ? b : a))
  const straight = groups.filter((g) => g.indexes.length === 1 && alongGrain(edges[g.indexes[0]!]!, grain))
  const longest = (list: Group[]) => list.reduce<Group | undefined>((a, b) => (!a || length(b) > length(a) ? b : a), undefined)
  const length = (g: Group) => g.indexes.reduce((s, i) => s + measureLength(edges[i]!), 0)
  const give = (list: Group[], names: EdgeRole[]) => list.forEach((g, i) => names[i] && roles.set(g, names[i]))
  const whole = joinBoxes(groups.map((g) => g.box))
  const width = whole.maxX - whole.minX
  const atRim = (g: Group) => middleX(g) - whole.minX < width * 0.06 || whole.maxX - middleX(g) < width * 0.06

  if (kind === 'front' || kind === 'back') {
    const centre = longest(straight.filter(atRim))
    if (centre) {
      roles.set(centre, kind === 'front' ? 'centre-front' : 'centre-back')
      const rest = from(groups, centre, middleX(centre) < (whole.minX + whole.maxX) / 2)
      if (rest.length === 5) give(rest, ['neck', 'shoulder', 'armhole', 'side', 'hem'])
      else if (rest.length === 6) give(rest, ['neck', 'shoulder', 'armhole', 'side', 'side', 'hem'])
      else if (rest.length === 4) give(rest, ['neck', 'shoulder', 'side', 'hem'])
      else roles.set(lowest, 'hem')
    } else if (groups.length === 8) {
      const hem = from(groups, lowest, true)
      roles.set(lowest, 'hem')
      give(hem, ['side', 'armhole', 'shoulder', 'neck', 'shoulder', 'armhole', 'side'])
    } else nameAroundArmhole(roles, groups, lowest, edges)
  } else if (kind === 'sleeve') {
    roles.set(highest, 'cap')
    const rest = from(groups, highest, true)
    if (rest.length === 3) give(rest, ['underarm', 'hem', 'underarm'])
    else roles.set(lowest, 'hem')
  } else if (kind === 'leg-front' || kind === 'leg-back') {
    roles.set(highest, 'waist')
    const rest = from(groups, highest, true)
    if (rest.length === 4) {
      // The crotch is the short one of the two beside the waist.
      const crotchLast = length(rest[0]!) > length(rest[3]!)
      give(rest, crotchLast ? ['outseam', 'leg-opening', 'inseam', 'crotch'] : ['crotch', 'inseam', 'leg-opening', 'outseam'])
    } else roles.set(lowest, 'leg-opening')
  } else if (kind === 'skirt-front' || kind === 'skirt-back') {
    roles.set(highest, 'waist')
    const rest = from(groups, highest, true)
    if (rest.length === 3) {
      const centre: EdgeRole = kind === 'skirt-front' ? 'centre-front' : 'centre-back'
      const isCentre = (g: Group) => straight.includes(g) && atRim(g)
      give(rest, [isCentre(rest[0]!) ? centre : 'side', 'hem', isCentre(rest[2]!) ? centre : 'side'])
    } else roles.set(lowest, 'hem')
  } else if (kind === 'band') {
    for (const g of groups) roles.set(g, g.box.maxX - g.box.minX > g.box.maxY - g.box.minY ? 'band' : 'band-end')
  }
  return roles
}

/**
 * A first guess at what each edge of an outline is, from the kind of piece: from the centre round over neckline, shoulder
 * and armhole to side and hem, and so on. Edges it is not sure of stay “other”.
 *
 * @param edges clockwise on the page, as splitEdges gives them
 * @param grain unit direction from the top of the garment down
 */
export function nameEdges(kind: PieceKind, edges: readonly Path[], grain: Point): EdgeRole[] {
  const darts = findDarts(edges)
  const n = edges.length
  const legs = new Set(darts.flatMap((i) => [i, (i + 1) % n]))
  const groups = groupEdges(edges, darts)
  const roles = sequence(kind, groups, edges, grain)
  return edges.map((_, i) => (legs.has(i) ? 'dart-leg' : (roles.get(groups.find((g) => g.indexes.includes(i))!) ?? 'other')))
}

/** Parts whose edges have no names of their own: a pocket, a flap, a facing. */
const PLAIN_PARTS = /\b(?:pocket|flap|tab|welt|loop|bag|facing|interfacing|jet|carrier|epaulette?|gusset)s?\b/i
export const hasPlainEdges = (name: string): boolean => PLAIN_PARTS.test(name)

/** The likely kind of a piece from what it is called. */
export function guessKind(name: string): PieceKind {
  const n = name.toLowerCase()
  if (PLAIN_PARTS.test(n) || /\byoke\b|\bbib\b|\bhood\b/.test(n)) return 'other'
  const back = /\bback\b|\brear\b/.test(n)
  if (/sleeve/.test(n)) return 'sleeve'
  if (/band|collar|belt|strap|tie|cuff|sash/.test(n)) return 'band'
  if (/leg|trouser|pant|short/.test(n)) return back ? 'leg-back' : 'leg-front'
  if (/skirt/.test(n)) return back ? 'skirt-back' : 'skirt-front'
  if (back) return 'back'
  return /front|bodice/.test(n) ? 'front' : 'other'
}
