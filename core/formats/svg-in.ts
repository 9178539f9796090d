import { DOMParser, type Element as XmlElement, type Node as XmlNode } from '@xmldom/xmldom'
import { applyAffine, chain, distance, IDENTITY, mapPath, type Affine, type Path, type Point } from '../geometry'
import { ok, refuse, type Result } from '../result'
import { JOIN_MM } from '../tolerances'
import { INCH_MM } from '../units'
import { lengthOf, nameOf, readTransform, strokeStyle, styleOf, UNIT_MM, userUnits, type ScaleFrom } from './svg-attributes'
import { pathDataOf, readStrokes } from './svg-shapes'

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
  scaleFrom: ScaleFrom
}

/** Bytes beyond which a file is not read: real pattern files are under 5 MB. */
const MAX_BYTES = 20_000_000
const MAX_DEPTH = 60
const MAX_ELEMENTS = 40_000
const MAX_USES = 2_000

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
function readScale(root: XmlElement): { mmPerUnit: number; scaleFrom: ScaleFrom } {
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
