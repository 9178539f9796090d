import DxfParser from 'dxf-parser'
import type { IDxf, IEntity } from 'dxf-parser'
import { bounded, spend, Unworkable } from '../budget'
import { applyAffine, boundsOf, chain, IDENTITY, joinBoxes, line, mapPath, pointsOf, type Affine, type Path, type Point } from '../geometry'
import { refuse, type Result } from '../result'
import { WHOLE_TURN_RAD } from '../tolerances'
import { DEG, INCH_MM } from '../units'
import { finishDrawing, type Drawing, type DrawnShape, type DrawnText, type ScaleFrom } from './drawing'
import { circleArc, ellipseArc, polyline, spline } from './dxf-curves'
import { PolylineHandler } from './dxf-polyline'
import { blockWords, isExchange, isOtherLayer, roleOfLayer } from './dxf-layers'
import { figure, isPoint, type Loose } from './dxf-loose'
import { plainText, readDxfText } from './dxf-text'
import { wholeTexts } from './whole-texts'

const MAX_BYTES = 40_000_000
const MAX_DEPTH = 12

const MAX_INSERTS = 5_000
const MAX_SHAPES = 60_000

const MAX_SEGMENTS = 400_000
/** Steps that reading one file may take. */
const STEPS = 40_000_000
/** A place that is marked by a point is drawn as a small square, this far to its corners, in units of a millimetre. */
const POINT_MM = 1.2
/** Room between pieces of a file that lays all of them over each other, mm. */
const BETWEEN_MM = 60

const bad = (where: string, message: string): Result<never> =>
  refuse(
    'dxf-unreadable',
    where,
    message,
    'Save it again as an ASCII DXF (R12 or 2000) with lines and polylines; nothing was changed here.',
  )

/** Units of the header’s $INSUNITS that patterns are drawn in. */
const UNITS: Record<number, [number, ScaleFrom]> = {
  1: [INCH_MM, 'in'],
  2: [INCH_MM * 12, 'in'],
  4: [1, 'mm'],
  5: [10, 'cm'],
  6: [1000, 'cm'],
}

interface State {
  dxf: IDxf
  shapes: DrawnShape[]
  /** Lines on layers that the standard does not know. */
  apart: DrawnShape[]
  texts: DrawnText[]
  inserts: number
  segments: number
  exchange: boolean
  mmPerUnit: number
}

const points = (v: unknown): (Point & { bulge?: number })[] =>
  Array.isArray(v) ? v.filter(isPoint).map((p) => ({ x: p.x, y: p.y, bulge: figure((p as { bulge?: unknown }).bulge, 0) })) : []

/** How far an arc turns from one direction to another, to the left: once round at the most, rad. */
function turnBetween(from: number, to: number): number {
  const turn = (to - from) % (2 * Math.PI)
  return turn > 0 ? turn : turn + 2 * Math.PI
}

/** The line of an entity, upward as in the file; null for what is no line. */
function pathOf(e: Loose, pointReach: number): { path: Path; closed: boolean } | null {
  const centre = isPoint(e.center) ? e.center : null
  switch (e.type) {
    case 'LINE': {
      const [a, b] = points(e.vertices)
      return a && b ? { path: [line(a, b)], closed: false } : null
    }
    case 'LWPOLYLINE':
    case 'POLYLINE': {
      const closed = e.shape === true
      const vertices = points(e.vertices)
      return vertices.length > 1 ? { path: polyline(vertices, closed), closed } : null
    }
    case 'CIRCLE':
    case 'ARC': {
      if (!centre) return null
      const [from, to] = e.type === 'CIRCLE' ? [0, 2 * Math.PI] : [figure(e.startAngle, 0), figure(e.endAngle, 0)]
      return { path: circleArc(centre, figure(e.radius, 0), from, from + turnBetween(from, to)), closed: e.type === 'CIRCLE' }
    }
    case 'ELLIPSE': {
      const u = e.majorAxisEndPoint
      if (!centre || !isPoint(u)) return null
      const ratio = figure(e.axisRatio, 1)
      const [from, to] = [figure(e.startAngle, 0), figure(e.endAngle, 2 * Math.PI)]
      const turn = turnBetween(from, to)
      return {
        path: ellipseArc(centre, [u, { x: -u.y * ratio, y: u.x * ratio }], from, from + turn),
        closed: Math.abs(turn - 2 * Math.PI) < WHOLE_TURN_RAD,
      }
    }
    case 'SPLINE': {
      const knots = Array.isArray(e.knotValues) ? e.knotValues.filter((k): k is number => Number.isFinite(k)) : []
      return {
        path: spline(figure(e.degreeOfSplineCurve, 3), knots, points(e.controlPoints), points(e.fitPoints)),
        closed: e.closed === true,
      }
    }
    case 'POINT': {
      const p = isPoint(e.position) ? e.position : null
      if (!p) return null
      const at = (dx: number, dy: number) => ({ x: p.x + dx * pointReach, y: p.y + dy * pointReach })
      return { path: polyline([at(-1, 0), at(0, 1), at(1, 0), at(0, -1)], true), closed: true }
    }
    default:
      return null
  }
}

function walk(entities: readonly IEntity[], to: Affine, groups: string[], depth: number, state: State): Result<never> | null {
  for (const one of entities) {
    spend()
    const e = one as Loose
    const layer = String(e.layer ?? '0')
    if (e.visible === false || e.inPaperSpace === true) continue
    if (e.type === 'INSERT') {
      const problem = walkInsert(e, to, groups, depth, state)
      if (problem) return problem
      continue
    }
    const role = state.exchange ? roleOfLayer(layer) : layer
    const named = role === null || role === '0' ? groups : [...groups, role]
    if (e.type === 'TEXT' || e.type === 'MTEXT' || e.type === 'ATTRIB') {
      state.texts.push(...readDxfText(e, to, groups))
      continue
    }
    const isApart = state.exchange && isOtherLayer(layer)
    if (state.exchange && role === null && !isApart) continue
    if (e.type === 'POINT' && !isApart && !/notch|drill/i.test(role ?? '')) continue
    const found = pathOf(e, POINT_MM / state.mmPerUnit)
    if (!found || found.path.length === 0) continue
    const path = mapPath(found.path, (p) => applyAffine(to, p))
    const where = `line ${state.shapes.length + state.apart.length + 1} on layer “${layer}”`
    if (path.flatMap(pointsOf).some((p) => !Number.isFinite(p.x) || !Number.isFinite(p.y))) return bad(where, 'it runs to infinity.')
    state.segments += path.length
    spend(path.length)
    if (state.segments > MAX_SEGMENTS || state.shapes.length + state.apart.length >= MAX_SHAPES)
      return bad('file', 'it has more lines than any pattern.')
    const dashed = /dash|hidden|dot|center|phantom/i.test(String(e.lineType ?? ''))
    ;(isApart ? state.apart : state.shapes).push({
      index: state.shapes.length + state.apart.length + 1,
      name: isApart ? layer : role && role !== '0' ? role : (groups[groups.length - 1] ?? ''),
      groups: isApart ? [...groups, layer] : named,
      style: `${figure(e.colorIndex, 0)} ${String(e.lineType ?? '')}`.trim(),
      isDashed: dashed,
      isArea: false,
      hasMarkers: false,
      path,
      closed: found.closed,
    })
  }
  return null
}

function walkInsert(e: Loose, to: Affine, groups: string[], depth: number, state: State): Result<never> | null {
  state.inserts += 1
  if (state.inserts > MAX_INSERTS || depth > MAX_DEPTH) return bad(`block “${String(e.name)}”`, 'blocks repeat each other too often.')
  const block = Object.hasOwn(state.dxf.blocks ?? {}, String(e.name)) ? state.dxf.blocks[String(e.name)] : undefined
  if (!block?.entities) return null
  const turn = figure(e.rotation, 0) / DEG
  const [sx, sy] = [figure(e.xScale, 1), figure(e.yScale, 1)]
  const at = isPoint(e.position) ? e.position : { x: 0, y: 0 }
  const base = isPoint(block.position) ? block.position : { x: 0, y: 0 }
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  const placed: Affine = { a: c * sx, b: s * sx, c: -s * sy, d: c * sy, e: at.x, f: at.y }
  const here = chain(chain(to, placed), { ...IDENTITY, e: -base.x, f: -base.y })
  const words = blockWords(
    block.entities.flatMap((x) => (typeof (x as Loose).text === 'string' ? plainText(String((x as Loose).text)) : [])),
  )
  const name = words.piece ?? String(e.name)
  const own = [...groups, name, ...(words.size ? [`Size ${words.size}`] : [])]
  return walk(block.entities, here, own, depth + 1, state)
}

/** Pieces that a file lays over each other are laid side by side, each with its sizes, words and marks. */
function laidApart(
  shapes: readonly DrawnShape[],
  apart: readonly DrawnShape[],
  texts: readonly DrawnText[],
  between: number,
): { shapes: DrawnShape[]; apart: DrawnShape[]; texts: DrawnText[] } {
  const names = [...new Set(shapes.map((s) => s.groups[0] ?? ''))]
  let x = 0
  const moves = new Map<string, Point>()
  for (const name of names) {
    const box = joinBoxes(shapes.flatMap((s) => (s.groups[0] === name ? [boundsOf(s.path)] : [])))
    moves.set(name, { x: x - box.minX, y: -box.minY })
    x += box.maxX - box.minX + between
  }
  const by = (groups: string[], p: Point): Point => {
    const move = moves.get(groups[0] ?? '') ?? { x: 0, y: 0 }
    return { x: p.x + move.x, y: p.y + move.y }
  }
  const moved = (s: DrawnShape): DrawnShape => ({ ...s, path: mapPath(s.path, (p) => by(s.groups, p)) })
  return {
    shapes: shapes.map(moved),
    apart: apart.map(moved),
    texts: texts.map((t) => ({ ...t, at: by(t.groups, t.at), middle: by(t.groups, t.middle), end: by(t.groups, t.end) })),
  }
}

/**
 * Reads the lines and words of a DXF file, in millimetres by its own units: lines, polylines with bulges, arcs, ellipses, splines,
 * blocks and their inserts. A file of the sewing trade's exchange standard is read by the roles of its layers, and its pieces are
 * laid side by side.
 * Refuses, with the place: what is no DXF, over 40 MB, lines that run to infinity, blocks that repeat each other without end.
 */
export function readDxf(text: string): Result<Drawing> {
  return bounded('file', () => readWhole(text), STEPS)
}

function parse(text: string): IDxf | null {
  const parser = new DxfParser()
  parser.registerEntityHandler(PolylineHandler as unknown as Parameters<typeof parser.registerEntityHandler>[0])
  try {
    return parser.parseSync(text)
  } catch (error) {
    if (error instanceof Unworkable) throw error
    return null
  }
}

function readWhole(text: string): Result<Drawing> {
  if (text.length > MAX_BYTES)
    return refuse(
      'dxf-too-large',
      'file',
      `it has ${Math.round(text.length / 1e6)} MB; up to ${MAX_BYTES / 1e6} MB are read.`,
      'Part it; nothing was changed here.',
    )
  if (/^\w+ Binary DXF/.test(text)) return bad('file', 'it is a binary DXF, which is not read.')
  const dxf = parse(text)
  if (!dxf) return bad('file', 'it is no whole DXF file.')
  const all = [...(dxf.entities ?? []), ...Object.values(dxf.blocks ?? {}).flatMap((b) => b.entities ?? [])] as Loose[]
  const words = blockWords(all.flatMap((e) => (typeof e.text === 'string' ? plainText(e.text) : [])))
  const exchange = isExchange([...new Set(all.map((e) => String(e.layer ?? '0')))], words.piece !== null)
  const header = figure(dxf.header?.$INSUNITS, 0)
  const [mmPerUnit, scaleFrom]: [number, ScaleFrom] =
    UNITS[header] ?? (words.isMetric === null ? [1, 'guess'] : words.isMetric ? [1, 'mm'] : [INCH_MM, 'in'])
  const state: State = { dxf, shapes: [], apart: [], texts: [], inserts: 0, segments: 0, exchange, mmPerUnit }
  // Upward in the file is downward here.
  const problem = walk(dxf.entities ?? [], { ...IDENTITY, d: -1 }, [], 0, state)
  if (problem) return problem
  const read = { ...state, texts: wholeTexts(state.texts, [...state.shapes, ...state.apart]) }
  const { shapes, apart, texts } = exchange ? laidApart(read.shapes, read.apart, read.texts, BETWEEN_MM / mmPerUnit) : read
  return finishDrawing({ shapes, apart, texts, mmPerUnit, scaleFrom, page: null }, bad)
}
