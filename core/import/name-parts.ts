import { joinBoxes, type Path, type Point } from '../geometry'
import type { EdgeRole, PieceKind } from '../pattern'
import { alongGrain, groupsFrom, hollow, LEAST_HOLLOW_MM2, middleX, middleY, type Group } from './edge-groups'

/** A part of a front, a back or a skirt that is cut by itself. */
export type Part = 'centre-panel' | 'side-panel' | 'yoke' | 'hip-yoke'

/** Which part of a garment a piece is, by its name; null where it is a whole one, or something else. */
export function partOf(name: string, kind: PieceKind): Part | null {
  const n = name.toLowerCase()
  if (/\byoke\b/.test(n)) return /\b(?:skirt|hip|waist|trouser|pant|leg)s?\b/.test(n) ? 'hip-yoke' : 'yoke'
  const isOfBody = /\b(?:front|back|panel|bodice|skirt)\b/.test(n) && kind !== 'sleeve' && kind !== 'band'
  if (!isOfBody) return null
  if (/\bside\b/.test(n)) return 'side-panel'
  return /\b(?:cent(?:re|er)|middle)\b/.test(n) ? 'centre-panel' : null
}

const lowestOf = (groups: readonly Group[]) => groups.reduce((a, b) => (middleY(b) > middleY(a) ? b : a))
const highestOf = (groups: readonly Group[]) => groups.reduce((a, b) => (middleY(b) < middleY(a) ? b : a))

/** A centre lies within this part of the piece's width from its rim. */
const RIM_PART = 0.06

/** The straight edge along the grain at the rim of a piece: its centre, or its fold. */
function centreOf(groups: readonly Group[], edges: readonly Path[], grain: Point): Group | null {
  const { minX, maxX } = joinBoxes(groups.map((g) => g.box))
  const reach = (maxX - minX) * RIM_PART
  const atRim = (g: Group) => middleX(g) - minX < reach || maxX - middleX(g) < reach
  return groups.find((g) => g.indexes.length === 1 && alongGrain(edges[g.indexes[0]!]!, grain) && atRim(g)) ?? null
}

/** A panel between a front and a back, or beside their middles: from its armhole round, where it has one. */
function nameSidePanel(roles: Map<Group, EdgeRole>, groups: readonly Group[], edges: readonly Path[]): void {
  const hem = lowestOf(groups)
  for (const g of groups) roles.set(g, 'panel')
  roles.set(hem, 'hem')
  const round = groupsFrom(groups, hem, true)
  const inner = round.slice(1, -1)
  const armhole = inner.filter((g) => hollow(g, edges) > LEAST_HOLLOW_MM2).sort((a, b) => hollow(b, edges) - hollow(a, edges))[0]
  if (round.length < 3 || round.length > 4 || !armhole) return
  roles.set(armhole, 'armhole')
  const at = round.indexOf(armhole)
  const [before, after] = [round[at - 1]!, round[at + 1]!]
  if (round.length === 4) {
    // From the shoulder down: beyond the armhole is the side, and between it and the panel's long edge the shoulder.
    const isShoulderBefore = at === 2
    roles.set(isShoulderBefore ? before : after, 'shoulder')
    roles.set(isShoulderBefore ? after : before, 'side')
    return
  }
  // From the armhole down: the side begins at the lower end of the armhole; level ends are those of a panel between two seams.
  const path = armhole.indexes.flatMap((i) => [...edges[i]!])
  const rise = path[path.length - 1]!.to.y - path[0]!.from.y
  const reach = armhole.box.maxX - armhole.box.minX
  if (Math.abs(rise) > reach / 4) roles.set(rise > 0 ? after : before, 'side')
}

/**
 * Names the edges of a part by what lies round it; null where it is named as a whole piece is.
 *
 * @param groups the sides of the piece, clockwise on the page
 */
export function namePart(
  part: Part,
  kind: PieceKind,
  groups: readonly Group[],
  edges: readonly Path[],
  grain: Point,
): Map<Group, EdgeRole> | null {
  const roles = new Map<Group, EdgeRole>()
  const give = (list: readonly Group[], names: readonly EdgeRole[]) => list.forEach((g, i) => roles.set(g, names[i]!))
  if (groups.length < 3) return null
  const centre = centreOf(groups, edges, grain)
  const isLeft = (g: Group) => groups.every((o) => middleX(g) <= middleX(o))
  switch (part) {
    case 'side-panel':
      if (kind.startsWith('skirt')) {
        for (const g of groups) roles.set(g, 'panel')
        roles.set(highestOf(groups), 'waist').set(lowestOf(groups), 'hem')
      } else nameSidePanel(roles, groups, edges)
      return roles
    case 'yoke': {
      const rest = centre ? groupsFrom(groups, centre, isLeft(centre)) : groupsFrom(groups, lowestOf(groups), true)
      if (centre && rest.length === 4) give([centre, ...rest], ['centre-back', 'neck', 'shoulder', 'armhole', 'panel'])
      else if (rest.length === 5) give([lowestOf(groups), ...rest], ['panel', 'armhole', 'shoulder', 'neck', 'shoulder', 'armhole'])
      else return null
      return roles
    }
    case 'hip-yoke':
      for (const g of groups) roles.set(g, 'side')
      if (centre) roles.set(centre, 'centre-back')
      roles.set(highestOf(groups), 'waist').set(lowestOf(groups), 'panel')
      return groups.length === 4 ? roles : null
    case 'centre-panel':
      return null
  }
}
