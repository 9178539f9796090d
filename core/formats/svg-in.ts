import { DOMParser, type Element as XmlElement, type Node as XmlNode } from '@xmldom/xmldom'
import svgpath from 'svgpath'
import { applyAffine, chain, cubic, distance, IDENTITY, line, mapPath, type Affine, type Path, type Point, type Segment } from '../geometry'
import { ok, refuse, type Result } from '../result'
import { INCH_MM } from '../units'
import { JOIN_MM, SAME_POINT_MM } from '../tolerances'

/** One drawn line of a file, in millimetres by the file's own scale. */
export interface DrawnShape {
  /** Its place in the file, for messages and choosing: “shape 3”. */
  index: number
  /** From its title, label or id, or of the group it is in; empty when the file gives none. */
  name: string
  /** Names of the groups it lies in, outermost first. */
  groups: string[]
  /** How it is drawn: colour and dashes of the stroke, its own or those of its groups. */
  style: string
  /** One path per stroke (a path element may have several). */
  path: Path
  closed: boolean
}

export interface DrawnText {
  text: string
  at: Point
}

export interface Drawing {
  shapes: DrawnShape[]
  texts: DrawnText[]
  /** Millimetres one unit of the file's inner coordinates stands for. */
  mmPerUnit: number
  /** Where the scale comes from; “guess” when the file gives pixels or nothing. */
  scaleFrom: 'mm' | 'cm' | 'in' | 'pt' | 'guess'
}

/** Bytes beyond which a file is not read: real pattern files are under 5 MB. */
const MAX_BYTES = 20_000_000
const MAX_DEPTH = 60
const MAX_ELEMENTS = 40_000
const MAX_USES = 2_000

const UNIT_MM: Record<string, [number, Drawing['scaleFrom']]> = {
  mm: [1, 'mm'],
  cm: [10, 'cm'],
  in: [INCH_MM, 'in'],
  pt: [INCH_MM / 72, 'pt'],
  pc: [INCH_MM / 6, 'pt'],
  px: [INCH_MM / 96, 'guess'],
  '': [INCH_MM / 96, 'guess'],
}

interface State {
  shapes: DrawnShape[]
  texts: DrawnText[]
  byId: Map<string, XmlElement>
  elements: number
  uses: number
  problem: Result<never> | null
}

const bad = (where: string, message: string): Result<never> =>
  refuse('svg-unreadable', where, message, 'Save it again as plain SVG from the drawing program; nothing was changed here.')

function lengthOf(text: string | null): { value: number; unit: string } | null {
  const match = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)\s*(mm|cm|in|pt|pc|px|%|)\s*$/.exec(text ?? '')
  return match ? { value: Number(match[1]), unit: match[2]! } : null
}

/** A length inside the drawing, in user units. */
function userUnits(text: string | null, fallback = 0): number {
  const read = lengthOf(text)
  if (!read) return fallback
  const px = INCH_MM / 96
  return read.unit === '' || read.unit === 'px' || read.unit === '%' ? read.value : (read.value * UNIT_MM[read.unit]![0]) / px
}

function readTransform(text: string | null): Affine | null {
  if (!text) return IDENTITY
  let m = IDENTITY
  const parts = [...text.matchAll(/([a-zA-Z]+)\s*\(([^)]*)\)/g)]
  for (const [, name, inner] of parts) {
    const n = inner!
      .split(/[\s,]+/)
      .filter(Boolean)
      .map(Number)
    if (n.some((v) => !Number.isFinite(v))) return null
    const [p0 = 0, p1 = 0, p2 = 0] = n
    const turn = (deg: number): Affine => {
      const r = (deg * Math.PI) / 180
      return { a: Math.cos(r), b: Math.sin(r), c: -Math.sin(r), d: Math.cos(r), e: 0, f: 0 }
    }
    let one: Affine
    if (name === 'matrix' && n.length === 6) one = { a: n[0]!, b: n[1]!, c: n[2]!, d: n[3]!, e: n[4]!, f: n[5]! }
    else if (name === 'translate') one = { ...IDENTITY, e: p0, f: p1 }
    else if (name === 'scale') one = { ...IDENTITY, a: p0, d: n.length > 1 ? p1 : p0 }
    else if (name === 'rotate')
      one = n.length > 2 ? chain(chain({ ...IDENTITY, e: p1, f: p2 }, turn(p0)), { ...IDENTITY, e: -p1, f: -p2 }) : turn(p0)
    else if (name === 'skewX') one = { ...IDENTITY, c: Math.tan((p0 * Math.PI) / 180) }
    else if (name === 'skewY') one = { ...IDENTITY, b: Math.tan((p0 * Math.PI) / 180) }
    else return null
    m = chain(m, one)
  }
  return m
}

/** Path data of any basic shape; null for elements that are not shapes. */
function pathDataOf(el: XmlElement): string | null {
  const n = (name: string) => userUnits(el.getAttribute(name))
  switch (el.localName) {
    case 'path':
      return el.getAttribute('d')
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`
    case 'polygon':
    case 'polyline': {
      const points = (el.getAttribute('points') ?? '').trim()
      return points === '' ? null : `M${points}${el.localName === 'polygon' ? 'Z' : ''}`
    }
    case 'rect': {
      const [x, y, w, h] = [n('x'), n('y'), n('width'), n('height')]
      if (w <= 0 || h <= 0) return null
      const rx = Math.min(el.hasAttribute('rx') ? n('rx') : n('ry'), w / 2)
      const ry = Math.min(el.hasAttribute('ry') ? n('ry') : n('rx'), h / 2)
      if (rx <= 0 || ry <= 0) return `M${x} ${y}h${w}v${h}h${-w}z`
      return `M${x + rx} ${y}h${w - 2 * rx}a${rx} ${ry} 0 0 1 ${rx} ${ry}v${h - 2 * ry}a${rx} ${ry} 0 0 1 ${-rx} ${ry}h${-(w - 2 * rx)}a${rx} ${ry} 0 0 1 ${-rx} ${-ry}v${-(h - 2 * ry)}a${rx} ${ry} 0 0 1 ${rx} ${-ry}z`
    }
    case 'circle':
    case 'ellipse': {
      const rx = el.localName === 'circle' ? n('r') : n('rx')
      const ry = el.localName === 'circle' ? n('r') : n('ry')
      if (rx <= 0 || ry <= 0) return null
      return `M${n('cx') - rx} ${n('cy')}a${rx} ${ry} 0 1 1 ${2 * rx} 0a${rx} ${ry} 0 1 1 ${-2 * rx} 0z`
    }
    default:
      return null
  }
}

/** Strokes of path data as lines and cubics: arcs and quadratics turned into cubics, relative commands made absolute. */
function readStrokes(d: string): { path: Path; closed: boolean }[] | null {
  const parsed = svgpath(d)
  if ((parsed as unknown as { err: string }).err) return null
  const strokes: { path: Path; closed: boolean }[] = []
  let run: Segment[] = []
  let at: Point = { x: 0, y: 0 }
  let start = at
  const finish = (closed: boolean) => {
    if (run.length > 0) strokes.push({ path: run, closed })
    run = []
  }
  const go = (to: Point) => {
    if (distance(at, to) > SAME_POINT_MM) run.push(line(at, to))
    at = to
  }
  let finite = true
  parsed
    .abs()
    .unarc()
    .unshort()
    .iterate((command) => {
      const n = command.slice(1) as number[]
      if (n.some((v) => !Number.isFinite(v))) {
        finite = false
        return
      }
      const last = { x: n[n.length - 2]!, y: n[n.length - 1]! }
      switch (command[0]) {
        case 'M':
          finish(false)
          at = last
          start = last
          break
        case 'L':
          go(last)
          break
        case 'H':
          go({ x: n[0]!, y: at.y })
          break
        case 'V':
          go({ x: at.x, y: n[0]! })
          break
        case 'C':
          run.push(cubic(at, { x: n[0]!, y: n[1]! }, { x: n[2]!, y: n[3]! }, last))
          at = last
          break
        case 'Q': {
          const q = { x: n[0]!, y: n[1]! }
          const third = (from: Point) => ({ x: from.x + ((q.x - from.x) * 2) / 3, y: from.y + ((q.y - from.y) * 2) / 3 })
          run.push(cubic(at, third(at), third(last), last))
          at = last
          break
        }
        case 'Z':
          go(start)
          finish(true)
          at = start
          break
      }
    })
  finish(false)
  return finite ? strokes : null
}

const styleOf = (el: XmlElement, name: string): string | null => {
  const inline = new RegExp(`(?:^|;)\\s*${name}\\s*:\\s*([^;]+)`).exec(el.getAttribute('style') ?? '')
  return inline ? inline[1]!.trim() : el.getAttribute(name)
}

/** Colour and dashes of a stroke; what an element does not say, its groups do. */
function strokeStyle(el: XmlElement): string {
  const said = (name: string): string => {
    for (let at: XmlNode | null = el; at?.nodeType === 1; at = at.parentNode) {
      const own = styleOf(at as XmlElement, name)
      if (own) return own.replace(/\s+/g, ' ')
    }
    return ''
  }
  return `${said('stroke')} ${said('stroke-dasharray')}`.trim()
}

function nameOf(el: XmlElement): string {
  for (let child = el.firstChild; child; child = child.nextSibling)
    if (child.nodeType === 1 && (child as XmlElement).localName === 'title' && child.textContent?.trim()) return child.textContent.trim()
  // Labels live in editors' own namespaces; any attribute called “label” will do.
  for (let i = 0; i < el.attributes.length; i++) {
    const a = el.attributes.item(i)!
    if ((a.localName ?? a.name).replace(/^aria-/, '') === 'label' && a.value.trim()) return a.value.trim()
  }
  return el.getAttribute('data-part') ?? el.getAttribute('id') ?? ''
}

const SKIPPED = new Set([
  'defs',
  'symbol',
  'clipPath',
  'mask',
  'marker',
  'pattern',
  'metadata',
  'title',
  'desc',
  'style',
  'linearGradient',
  'radialGradient',
  'filter',
  'namedview',
])

function walk(el: XmlElement, to: Affine, groups: string[], depth: number, state: State): void {
  if (state.problem) return
  state.elements += 1
  const where = `element ${state.elements}${el.getAttribute('id') ? ` (“${el.getAttribute('id')}”)` : ''}`
  if (state.elements > MAX_ELEMENTS) return void (state.problem = bad('file', `it has more than ${MAX_ELEMENTS} parts.`))
  if (depth > MAX_DEPTH) return void (state.problem = bad(where, `groups lie more than ${MAX_DEPTH} deep in each other.`))
  if (SKIPPED.has(el.localName ?? '') || styleOf(el, 'display') === 'none' || styleOf(el, 'visibility') === 'hidden') return
  const own = readTransform(styleOf(el, 'transform') ?? null)
  if (!own) return void (state.problem = bad(where, 'its transform cannot be read.'))
  const here = chain(to, own)
  if (el.localName === 'use') return walkUse(el, here, groups, depth, state, where)
  if (el.localName === 'text') {
    const text = (el.textContent ?? '').replace(/\s+/g, ' ').trim()
    if (text) state.texts.push({ text, at: applyAffine(here, { x: userUnits(el.getAttribute('x')), y: userUnits(el.getAttribute('y')) }) })
    return
  }
  const data = pathDataOf(el)
  if (data !== null) {
    const strokes = readStrokes(data)
    if (!strokes) return void (state.problem = bad(where, 'its line cannot be read or runs to infinity.'))
    for (const s of strokes) {
      const path = mapPath(s.path, (p) => applyAffine(here, p))
      if (path.some((x) => ![x.from, x.to].every((p) => Number.isFinite(p.x) && Number.isFinite(p.y))))
        return void (state.problem = bad(where, 'its line runs to infinity.'))
      state.shapes.push({
        index: state.shapes.length + 1,
        name: nameOf(el) || groups[groups.length - 1] || '',
        groups,
        style: strokeStyle(el),
        path,
        closed: s.closed,
      })
    }
    return
  }
  const name = nameOf(el)
  const inner = el.localName === 'g' || el.localName === 'svg' || el.localName === 'a' || el.localName === 'switch'
  if (!inner) return
  // A nested svg has its own window.
  const box = depth > 0 && el.localName === 'svg' ? nestedBox(el) : IDENTITY
  for (let child: XmlNode | null = el.firstChild; child; child = child.nextSibling)
    if (child.nodeType === 1) walk(child as XmlElement, chain(here, box), name && depth > 0 ? [...groups, name] : groups, depth + 1, state)
}

function nestedBox(el: XmlElement): Affine {
  const view = (el.getAttribute('viewBox') ?? '').split(/[\s,]+/).map(Number)
  const x = userUnits(el.getAttribute('x'))
  const y = userUnits(el.getAttribute('y'))
  if (view.length !== 4 || view.some((v) => !Number.isFinite(v)) || view[2]! <= 0) return { ...IDENTITY, e: x, f: y }
  const s = userUnits(el.getAttribute('width'), view[2]!) / view[2]!
  return { a: s, b: 0, c: 0, d: s, e: x - view[0]! * s, f: y - view[1]! * s }
}

function walkUse(el: XmlElement, here: Affine, groups: string[], depth: number, state: State, where: string): void {
  state.uses += 1
  if (state.uses > MAX_USES) return void (state.problem = bad(where, 'it repeats parts of itself too often.'))
  const href = el.getAttribute('href') ?? el.getAttribute('xlink:href') ?? ''
  const target = href.startsWith('#') ? state.byId.get(href.slice(1)) : undefined
  if (!target) return
  const moved = chain(here, { ...IDENTITY, e: userUnits(el.getAttribute('x')), f: userUnits(el.getAttribute('y')) })
  if (target.localName !== 'symbol') return walk(target, moved, groups, depth + 1, state)
  for (let child = target.firstChild; child; child = child.nextSibling)
    if (child.nodeType === 1) walk(child as XmlElement, moved, groups, depth + 1, state)
}

function collect(el: XmlElement, state: State): boolean {
  // Iterative: a hostile file may nest deeper than the stack reaches.
  const open: XmlElement[] = [el]
  while (open.length > 0) {
    const next = open.pop()!
    const id = next.getAttribute('id')
    if (id && !state.byId.has(id)) state.byId.set(id, next)
    if (next.localName === 'script') return false
    for (let i = 0; i < next.attributes.length; i++) if (/^on/i.test(next.attributes.item(i)!.name)) return false
    for (let child = next.firstChild; child; child = child.nextSibling) if (child.nodeType === 1) open.push(child as XmlElement)
  }
  return true
}

/** Millimetres per inner unit from width, height and viewBox. */
function readScale(root: XmlElement): { mmPerUnit: number; scaleFrom: Drawing['scaleFrom'] } {
  const width = lengthOf(root.getAttribute('width'))
  const height = lengthOf(root.getAttribute('height'))
  const view = (root.getAttribute('viewBox') ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  const hasView = view.length === 4 && view.every(Number.isFinite) && view[2]! > 0 && view[3]! > 0
  const side =
    width && width.unit !== '%' && width.value > 0
      ? { read: width, units: view[2]! }
      : height && height.unit !== '%' && height.value > 0
        ? { read: height, units: view[3]! }
        : null
  if (!side) return { mmPerUnit: INCH_MM / 96, scaleFrom: 'guess' }
  const [mm, from] = UNIT_MM[side.read.unit]!
  return { mmPerUnit: hasView ? (side.read.value * mm) / side.units : INCH_MM / 96, scaleFrom: from }
}

/**
 * Reads the lines of an SVG file, in millimetres by the file's own scale: nested groups and transforms, `use`, all basic
 * shapes, arcs, relative commands, style attributes. Nothing in the file is ever run or fetched.
 * Refuses, with the place: text that is not XML or not SVG, over 20 MB, scripts, declared entities, lines that cannot be
 * read or run to infinity, groups over 60 deep, over 40 000 parts.
 */
export function readSvg(text: string): Result<Drawing> {
  if (text.length > MAX_BYTES)
    return refuse(
      'svg-too-large',
      'file',
      `it has ${Math.round(text.length / 1e6)} MB; up to ${MAX_BYTES / 1e6} MB are read.`,
      'Take pictures and hidden parts out of it and save it again; nothing was changed here.',
    )
  if (/<!(?:ENTITY|ELEMENT|ATTLIST)/i.test(text)) return bad('file', 'it declares entities, which are not read.')
  let complaint: string | null = null
  let root: XmlElement | null = null
  try {
    const doc = new DOMParser({
      onError(level, message, context) {
        if (level !== 'warning')
          complaint ??= `${message} (line ${(context as { locator?: { lineNumber?: number } }).locator?.lineNumber ?? '?'})`
      },
    }).parseFromString(text, 'image/svg+xml')
    root = doc.documentElement
  } catch (error) {
    complaint ??= String(error instanceof Error ? error.message : error).split('\n')[0]!
  }
  if (complaint || !root) {
    const at = /line (\d+)/i.exec(complaint ?? '') ?? /line:(\d+)/i.exec(complaint ?? '') ?? /@#\[line:(\d+)/.exec(complaint ?? '')
    return bad(at ? `line ${at[1]}` : 'file', 'it is not a whole XML file.')
  }
  if (root.localName !== 'svg') return bad('file', 'it is not an SVG file.')
  const state: State = { shapes: [], texts: [], byId: new Map(), elements: 0, uses: 0, problem: null }
  if (!collect(root, state))
    return refuse('svg-script', 'file', 'it contains a script.', 'Save it as plain SVG without scripts; nothing was changed here.')
  walk(root, IDENTITY, [], 0, state)
  if (state.problem) return state.problem
  if (state.shapes.length === 0) return bad('file', 'it has no lines in it.')
  const { mmPerUnit, scaleFrom } = readScale(root)
  const toMm = (p: Point): Point => ({ x: p.x * mmPerUnit, y: p.y * mmPerUnit })
  return ok({
    shapes: state.shapes.map((s) => {
      const path = mapPath(s.path, toMm)
      const closed = s.closed || distance(path[0]!.from, path[path.length - 1]!.to) <= JOIN_MM
      return { ...s, path, closed }
    }),
    texts: state.texts.map((t) => ({ ...t, at: toMm(t.at) })),
    mmPerUnit,
    scaleFrom,
  })
}
