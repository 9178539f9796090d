import { cross, joinBoxes, measureLength, subtract, unit, type Path, type Point } from '../geometry'
import type { EdgeRole, PieceKind } from '../pattern'
import { alongGrain, findDarts, groupEdges, groupsFrom, hollow, LEAST_HOLLOW_MM2, middleX, middleY, type Group } from './edge-groups'
import { namePart, partOf } from './name-parts'

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

/** Two halves of a cap meet at the top of their sleeve to this, mm. */
const TOP_MM = 1

/** The halves of a cap that has a corner at its top: two edges that meet there, of five; null where it is drawn as one. */
function partedCap(groups: readonly Group[], edges: readonly Path[]): [Group, Group] | null {
  if (groups.length !== 5) return null
  const top = Math.min(...groups.map((g) => g.box.minY))
  const at = groups.findIndex((g) => edges[g.indexes.at(-1)!]!.at(-1)!.to.y - top < TOP_MM)
  if (at < 0) return null
  const halves: [Group, Group] = [groups[at]!, groups[(at + 1) % groups.length]!]
  // Each falls from the top to the underarm, and is no level edge of a sleeve with a straight top.
  return halves.every((g) => g.box.maxY - g.box.minY > TOP_MM && g.box.minY - top < TOP_MM) ? halves : null
}

/** An edge lies at the rim of its piece within this part of the width. */
const RIM_PART = 0.06

function sequence(kind: PieceKind, groups: Group[], edges: readonly Path[], grain: Point, isPanel: boolean): Map<Group, EdgeRole> {
  const roles = new Map<Group, EdgeRole>()
  const lowest = groups.reduce((a, b) => (middleY(b) > middleY(a) ? b : a))
  const highest = groups.reduce((a, b) => (middleY(b) < middleY(a) ? b : a))
  const straight = groups.filter((g) => g.indexes.length === 1 && alongGrain(edges[g.indexes[0]!]!, grain))
  const longest = (list: Group[]) => list.reduce<Group | undefined>((a, b) => (!a || length(b) > length(a) ? b : a), undefined)
  const length = (g: Group) => g.indexes.reduce((s, i) => s + measureLength(edges[i]!), 0)
  const give = (list: Group[], names: EdgeRole[]) => list.forEach((g, i) => names[i] && roles.set(g, names[i]))
  const whole = joinBoxes(groups.map((g) => g.box))
  const width = whole.maxX - whole.minX
  const atRim = (g: Group) => middleX(g) - whole.minX < width * RIM_PART || whole.maxX - middleX(g) < width * RIM_PART

  const isLevel = (g: Group) => g.indexes.length === 1 && alongGrain(edges[g.indexes[0]!]!, { x: -grain.y, y: grain.x })

  if (kind === 'front' || kind === 'back') {
    const centre = longest(straight.filter(atRim))
    if (centre) {
      roles.set(centre, kind === 'front' ? 'centre-front' : 'centre-back')
      const rest = groupsFrom(groups, centre, middleX(centre) < (whole.minX + whole.maxX) / 2)
      if (rest.length === 5) give(rest, ['neck', 'shoulder', 'armhole', 'side', 'hem'])
      else if (rest.length === 6) give(rest, ['neck', 'shoulder', 'armhole', 'side', 'side', 'hem'])
      // A back below its yoke has a level edge above its armhole.
      else if (!isPanel && rest.length === 4 && isLevel(rest[0]!) && hollow(rest[1]!, edges) > 0)
        give(rest, ['panel', 'armhole', 'side', 'hem'])
      else if (rest.length === 4) give(rest, ['neck', 'shoulder', 'side', 'hem'])
      else roles.set(lowest, 'hem')
    } else if (groups.length === 8) {
      const hem = groupsFrom(groups, lowest, true)
      roles.set(lowest, 'hem')
      give(hem, ['side', 'armhole', 'shoulder', 'neck', 'shoulder', 'armhole', 'side'])
    } else if (groups.length === 10) {
      // Drawn whole, with leg openings beside its crotch.
      roles.set(lowest, 'crotch')
      give(groupsFrom(groups, lowest, true), [
        'leg-opening',
        'side',
        'armhole',
        'shoulder',
        'neck',
        'shoulder',
        'armhole',
        'side',
        'leg-opening',
      ])
    } else nameAroundArmhole(roles, groups, lowest, edges)
  } else if (kind === 'sleeve') {
    const caps = partedCap(groups, edges) ?? [highest]
    for (const g of caps) roles.set(g, 'cap')
    const rest = groupsFrom(groups, caps.at(-1)!, true).slice(0, groups.length - caps.length)
    if (rest.length === 3) give(rest, ['underarm', 'hem', 'underarm'])
    else roles.set(lowest, 'hem')
  } else if (kind === 'leg-front' || kind === 'leg-back') {
    roles.set(highest, 'waist')
    const rest = groupsFrom(groups, highest, true)
    if (rest.length === 4) {
      // The crotch is the short one of the two beside the waist.
      const crotchLast = length(rest[0]!) > length(rest[3]!)
      give(rest, crotchLast ? ['outseam', 'leg-opening', 'inseam', 'crotch'] : ['crotch', 'inseam', 'leg-opening', 'outseam'])
    } else roles.set(lowest, 'leg-opening')
  } else if (kind === 'skirt-front' || kind === 'skirt-back') {
    roles.set(highest, 'waist')
    const rest = groupsFrom(groups, highest, true)
    if (rest.length === 3) {
      const centre: EdgeRole = kind === 'skirt-front' ? 'centre-front' : 'centre-back'
      const isCentre = (g: Group) => straight.includes(g) && atRim(g)
      give(rest, [isCentre(rest[0]!) ? centre : 'side', 'hem', isCentre(rest[2]!) ? centre : 'side'])
    } else roles.set(lowest, 'hem')
  } else if (kind === 'band') {
    // Its long edges, however it lies; what runs across them are its ends.
    const way = (g: Group) => {
      const path = g.indexes.flatMap((i) => [...edges[i]!])
      return unit(subtract(path[path.length - 1]!.to, path[0]!.from))
    }
    const along = way(longest(groups)!)
    for (const g of groups) roles.set(g, Math.abs(cross(way(g), along)) < Math.SQRT1_2 ? 'band' : 'band-end')
  }
  return roles
}

/**
 * A first guess at what each edge of an outline is, from the kind of piece: from the centre round over neckline, shoulder
 * and armhole to side and hem, and so on. Edges it is not sure of stay “other”.
 *
 * @param edges clockwise on the page, as splitEdges gives them
 * @param grain unit direction from the top of the garment down
 * @param name what the piece is called: a panel or a yoke has other neighbours than a whole front
 */
export function nameEdges(kind: PieceKind, edges: readonly Path[], grain: Point, name = ''): EdgeRole[] {
  const darts = findDarts(edges)
  const n = edges.length
  const legs = new Set(darts.flatMap((i) => [i, (i + 1) % n]))
  const groups = groupEdges(edges, darts)
  const part = partOf(name, kind)
  const roles = (part && namePart(part, kind, groups, edges, grain)) ?? sequence(kind, groups, edges, grain, part === 'centre-panel')
  // Beside the centre of a garment in panels there is another panel.
  if (part === 'centre-panel') for (const [group, role] of roles) if (role === 'side') roles.set(group, 'panel')
  return edges.map((_, i) => (legs.has(i) ? 'dart-leg' : (roles.get(groups.find((g) => g.indexes.includes(i))!) ?? 'other')))
}

/** Parts whose edges have no names of their own: a pocket, a flap, a facing. */
const PLAIN_PARTS =
  /\b(?:pocket|flap|tab|welt|loop|bag|facing|interfacing|jet|carrier|epaulette?|gusset|patch|shield|placket|fly|keeper|bow)(?:s|es)?\b/i
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
