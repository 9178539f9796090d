import type { DrawnText } from '../formats'
import { applyAffine, cross, distance, dot, mapPath, measureLength, subtract, turnAbout, unit, type Path, type Point } from '../geometry'
import type { EdgeRole, PieceKind } from '../pattern'
import { bendIn, LEAST_HOLLOW_MM2 } from './edge-groups'
import { nameEdges } from './name-edges'

const DOWN: Point = { x: 0, y: 1 }

/** The grain of a piece as it was read: its ends. */
type Line = { from: Point; to: Point }

/** Edges turned so that a direction runs down the page. */
export function uprightEdges(edges: readonly Path[], down: Point): Path[] {
  const turn = turnAbout({ x: 0, y: 0 }, Math.PI / 2 - Math.atan2(down.y, down.x))
  return edges.map((path) => mapPath(path, (p) => applyAffine(turn, p)))
}

/** All edges of a role, one after the other. */
const ofRole = (edges: readonly Path[], roles: readonly EdgeRole[], role: EdgeRole): Path =>
  edges.flatMap((path, i) => (roles[i] === role ? [...path] : []))

const chordOf = (path: Path) => distance(path[0]!.from, path[path.length - 1]!.to)

/** Does the shape of a piece bear out what its edges were named, when it stands upright? More is better; nothing is said of bands. */
function bearsOut(kind: PieceKind, edges: readonly Path[], roles: readonly EdgeRole[]): number {
  const path = (role: EdgeRole) => ofRole(edges, roles, role)
  const isHollow = (role: EdgeRole) => {
    const mm2 = path(role).length === 0 ? 0 : bendIn(path(role))
    return Math.abs(mm2) < LEAST_HOLLOW_MM2 ? 0 : Math.sign(mm2)
  }
  const isLonger = (role: EdgeRole, other: EdgeRole) => (measureLength(path(role)) >= measureLength(path(other)) ? 1 : -1)
  const hasDarts = (role: EdgeRole) =>
    roles.some((r, i) => r === role && [i + 1, i + roles.length - 1].some((k) => roles[k % roles.length] === 'dart-leg'))
  if (kind === 'sleeve') {
    const [cap, hem] = [path('cap'), path('hem')]
    if (cap.length === 0 || hem.length === 0) return 0
    return measureLength(cap) / chordOf(cap) > measureLength(hem) / chordOf(hem) ? 2 : -2
  }
  if (roles.includes('waist') && roles.includes('panel')) return isLonger('panel', 'waist')
  if (kind === 'front' || kind === 'back' || kind === 'other') {
    const has = (...named: EdgeRole[]) => named.every((role) => path(role).length > 0)
    // An armhole is deeper than a side and shorter, a shoulder shorter than both.
    const besideArmhole = has('armhole', 'side')
      ? (bendIn(path('armhole')) > bendIn(path('side')) ? 1 : -1) + isLonger('side', 'armhole')
      : 0
    const besideShoulder = has('panel', 'shoulder') ? isLonger('panel', 'shoulder') : 0
    return isHollow('armhole') + isHollow('neck') - Math.max(0, isHollow('hem')) + besideArmhole + besideShoulder
  }
  if (kind.startsWith('leg')) return isHollow('crotch') + isLonger('outseam', 'inseam')
  if (kind.startsWith('skirt')) return isLonger('hem', 'waist') + (hasDarts('waist') ? 1.5 : 0) - (hasDarts('hem') ? 1.5 : 0)
  return 0
}

/** Which way a reader of the words on a piece looks down; null where they have no direction, or several. */
function downOfWords(texts: readonly DrawnText[]): Point | null {
  const ways = texts.filter((t) => distance(t.at, t.end) > 1).map((t) => unit(subtract(t.end, t.at)))
  const first = ways[0]
  return first && ways.every((w) => dot(w, first) > 0.9) ? { x: -first.y, y: first.x } : null
}

/** What it costs to stand aslant to one’s grain: only what is cut on the bias does. */
const OFF_GRAIN = 2.5
/** Along and across differ by less than this, as a cosine. */
const SAME_WAY = 0.9

/**
 * Which way is down on a piece as it lies on its sheet: where its grain runs, or against it, or down the page; by how well its edges can
 * be named then, whether its shape bears that out, and how the words on it are read. Pieces lie turned, and on their heads, to save paper.
 *
 * @param edges clockwise on the page
 * @returns a unit direction
 */
export function downOf(kind: PieceKind, edges: readonly Path[], grain: Line | null, texts: readonly DrawnText[], name: string): Point {
  if (!grain || kind === 'band') return DOWN
  const along = unit(subtract(grain.to, grain.from))
  const ofWords = downOfWords(texts)
  const whole = edges.reduce((sum, e) => sum + measureLength(e), 0)
  const scored = [DOWN, along, { x: -along.x, y: -along.y }].map((down) => {
    const upright = uprightEdges(edges, down)
    const roles = nameEdges(kind, upright, DOWN, name)
    const named = edges.reduce((sum, e, i) => sum + (roles[i] === 'other' ? 0 : measureLength(e)), 0)
    const isAside = Math.abs(cross(down, along)) > 1 - SAME_WAY
    // Words along the grain are read from the side: they tell nothing.
    const isRead = ofWords !== null && Math.abs(cross(ofWords, along)) < 1 - SAME_WAY && dot(ofWords, down) > SAME_WAY
    return {
      down,
      score: (2 * named) / whole + bearsOut(kind, upright, roles) + (isRead ? 1 : 0) - (isAside ? OFF_GRAIN : 0) + 0.5 * dot(down, DOWN),
    }
  })
  return scored.reduce((a, b) => (b.score > a.score ? b : a)).down
}

/** A grain that runs down its piece. */
export const pointedDown = (grain: Line, down: Point): Line =>
  dot(subtract(grain.to, grain.from), down) < 0 ? { from: grain.to, to: grain.from } : grain
