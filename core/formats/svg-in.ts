import type { Element as XmlElement, Node as XmlNode } from '@xmldom/xmldom'
import { bounded, spend } from '../budget'
import { applyAffine, chain, IDENTITY, mapPath, pointsOf, type Affine, type Box } from '../geometry'
import { refuse, type Result } from '../result'
import { INCH_MM } from '../units'
import {
  inlineStyles,
  isArea,
  isUnseen,
  lengthOf,
  nameOf,
  NO_STYLE,
  readStyleSheets,
  readTransform,
  styleOf,
  styleWithin,
  UNIT_MM,
  userUnits,
  type StrokeStyle,
} from './svg-attributes'
import { badSvg, readRoot } from './svg-root'
import { finishDrawing, type Drawing, type DrawnShape, type DrawnText, type ScaleFrom } from './drawing'
import { readForeign, readText } from './svg-text'
import { nestedBox, sideOf, windowOf } from './svg-window'
import { wholeTexts } from './whole-texts'
import { pathDataOf, readStrokes } from './svg-shapes'

/** Style sheets of one file beyond this are not read. */
const MOST_SHEETS = 20

const MAX_DEPTH = 60
const MAX_ELEMENTS = 40_000
const MAX_USES = 2_000
/** Parts of all lines together, repeated ones counted as often as they are drawn. */
const MAX_SEGMENTS = 400_000

interface State {
  shapes: DrawnShape[]
  texts: DrawnText[]
  byId: Map<string, XmlElement>
  /** Width and height of the page in user units. */
  page: { width: number; height: number }
  elements: number
  segments: number
  uses: number
  problem: Result<never> | null
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

/** Where an element stands: what moves it, the names and the style of the groups that it is in, and how deep. */
export interface Within {
  to: Affine
  groups: string[]
  style: StrokeStyle
  depth: number
}

function walk(el: XmlElement, within: Within, state: State): void {
  if (state.problem) return
  const { to, groups, depth } = within
  spend()
  state.elements += 1
  const where = `element ${state.elements}${el.getAttribute('id') ? ` (“${el.getAttribute('id')}”)` : ''}`
  if (state.elements > MAX_ELEMENTS) return void (state.problem = badSvg('file', `it has more than ${MAX_ELEMENTS} parts.`))
  if (depth > MAX_DEPTH) return void (state.problem = badSvg(where, `groups lie more than ${MAX_DEPTH} deep in each other.`))
  if (SKIPPED.has(el.localName ?? '') || styleOf(el, 'display') === 'none' || styleOf(el, 'visibility') === 'hidden') return
  const own = readTransform(styleOf(el, 'transform') ?? null)
  if (!own) return void (state.problem = badSvg(where, 'its transform cannot be read.'))
  const here = chain(to, own)
  const style = styleWithin(within.style, el)
  if (el.localName === 'use') return walkUse(el, { to: here, groups, style, depth }, state, where)
  if (el.localName === 'text') return void state.texts.push(...readText(el, { to: here, groups, style, depth }))
  if (el.localName === 'foreignObject') return void state.texts.push(...readForeign(el, { to: here, groups, style, depth }))
  if (el.localName === 'switch') {
    const one = chosenOf(el)
    if (one) walk(one, { to: here, groups, style, depth: depth + 1 }, state)
    return
  }
  const data = pathDataOf(el, state.page)
  if (data !== null) {
    if (isUnseen(style)) return
    const strokes = readStrokes(data)
    if (!strokes) return void (state.problem = badSvg(where, 'its line cannot be read or runs to infinity.'))
    for (const s of strokes) {
      const path = mapPath(s.path, (p) => applyAffine(here, p))
      if (path.flatMap(pointsOf).some((p) => !Number.isFinite(p.x) || !Number.isFinite(p.y)))
        return void (state.problem = badSvg(where, 'its line runs to infinity.'))
      state.segments += path.length
      spend(path.length)
      if (state.segments > MAX_SEGMENTS) return void (state.problem = badSvg('file', `its lines have more than ${MAX_SEGMENTS} parts.`))
      state.shapes.push({
        index: state.shapes.length + 1,
        name: nameOf(el) || groups[groups.length - 1] || '',
        groups,
        style: `${style.stroke} ${style.dashes}`.trim(),
        isDashed: style.dashes !== '',
        isArea: isArea(style),
        hasMarkers: style.hasMarkers,
        path,
        closed: s.closed,
      })
    }
    return
  }
  const name = nameOf(el)
  const inner = el.localName === 'g' || el.localName === 'svg' || el.localName === 'a'
  if (!inner) return
  // A nested svg has its own window.
  const box = depth > 0 && el.localName === 'svg' ? nestedBox(el) : IDENTITY
  for (let child: XmlNode | null = el.firstChild; child; child = child.nextSibling)
    if (child.nodeType === 1)
      walk(
        child as XmlElement,
        { to: chain(here, box), groups: name && depth > 0 ? [...groups, name] : groups, style, depth: depth + 1 },
        state,
      )
}

/** Of what a file offers for one place, what is drawn here: lines and words before a page that is set in, the language of this program. */
function chosenOf(el: XmlElement): XmlElement | null {
  const offered: XmlElement[] = []
  for (let child: XmlNode | null = el.firstChild; child; child = child.nextSibling)
    if (child.nodeType === 1) offered.push(child as XmlElement)
  const plain = offered.filter((e) => e.localName !== 'foreignObject' && !e.getAttribute('requiredExtensions'))
  const spoken = plain.find((e) => /^en\b/i.test(e.getAttribute('systemLanguage') ?? 'en'))
  return spoken ?? plain[0] ?? offered[0] ?? null
}

function walkUse(el: XmlElement, within: Within, state: State, where: string): void {
  state.uses += 1
  if (state.uses > MAX_USES) return void (state.problem = badSvg(where, 'it repeats parts of itself too often.'))
  const href = el.getAttribute('href') ?? el.getAttribute('xlink:href') ?? ''
  const target = href.startsWith('#') ? state.byId.get(href.slice(1)) : undefined
  if (!target) return
  const moved = chain(within.to, { ...IDENTITY, e: userUnits(el.getAttribute('x')), f: userUnits(el.getAttribute('y')) })
  const inside = { ...within, to: moved, depth: within.depth + 1 }
  if (target.localName !== 'symbol') return walk(target, inside, state)
  // A symbol has a window as large as is said where it is used, else with itself, else as the page.
  const side = (name: 'width' | 'height') => sideOf(el, name) ?? sideOf(target, name) ?? (state.page[name] || null)
  const windowed = { ...inside, to: chain(moved, windowOf(target, { width: side('width'), height: side('height') })) }
  for (let child = target.firstChild; child; child = child.nextSibling) if (child.nodeType === 1) walk(child as XmlElement, windowed, state)
}

function collect(el: XmlElement, state: State): boolean {
  const sheets = el.getElementsByTagName('style')
  const rules = readStyleSheets(Array.from({ length: Math.min(sheets.length, MOST_SHEETS) }, (_, i) => sheets.item(i)!.textContent ?? ''))
  // Iterative: a hostile file may nest deeper than the stack reaches.
  const open: XmlElement[] = [el]
  while (open.length > 0) {
    const next = open.pop()!
    const id = next.getAttribute('id')
    if (id && !state.byId.has(id)) state.byId.set(id, next)
    if (next.localName === 'script') return false
    if (rules.size > 0) inlineStyles(next, rules)
    for (let i = 0; i < next.attributes.length; i++) if (/^on/i.test(next.attributes.item(i)!.name)) return false
    for (let child = next.firstChild; child; child = child.nextSibling) if (child.nodeType === 1) open.push(child as XmlElement)
  }
  return true
}

/** The page of the root element: its box in user units, where it states one, and the millimetres of a unit. */
function readPage(root: XmlElement): { mmPerUnit: number; scaleFrom: ScaleFrom; view: Box | null } {
  const width = lengthOf(root.getAttribute('width'))
  const height = lengthOf(root.getAttribute('height'))
  const box = (root.getAttribute('viewBox') ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  const hasView = box.length === 4 && box.every(Number.isFinite) && box[2]! > 0 && box[3]! > 0
  const [x, y, w, h] = box as [number, number, number, number]
  const side =
    width && width.unit !== '%' && width.value > 0
      ? { read: width, units: w }
      : height && height.unit !== '%' && height.value > 0
        ? { read: height, units: h }
        : null
  const px = INCH_MM / 96
  const [mm, scaleFrom] = side ? UNIT_MM[side.read.unit]! : ([px, 'guess'] as const)
  const mmPerUnit = side && hasView ? (side.read.value * mm) / side.units : px
  if (hasView) return { mmPerUnit, scaleFrom, view: { minX: x, minY: y, maxX: x + w, maxY: y + h } }
  const sides = [root.getAttribute('width'), root.getAttribute('height')].map((s) => userUnits(s))
  return { mmPerUnit, scaleFrom, view: sides.every((s) => s > 0) ? { minX: 0, minY: 0, maxX: sides[0]!, maxY: sides[1]! } : null }
}

/** Steps that reading one file may take: forty thousand lines of ten parts are read. */
const STEPS = 40_000_000

/**
 * Reads the lines of an SVG file, in millimetres by the file's own scale: nested groups and transforms, `use`, all basic
 * shapes, arcs, relative commands, style attributes. Nothing in the file is ever run or fetched. Lines of no length are
 * dropped; what no paper could hold is left out by name.
 * Refuses, with the place: text that is not XML or not SVG, over 20 MB, scripts, declared entities, lines that cannot be
 * read or run to infinity, groups over 60 deep, over 40 000 parts.
 */
export function readSvg(text: string): Result<Drawing> {
  return bounded('file', () => readWhole(text), STEPS)
}

function readWhole(text: string): Result<Drawing> {
  const parsed = readRoot(text)
  if (!parsed.ok) return parsed
  const root = parsed.value
  const { mmPerUnit, scaleFrom, view } = readPage(root)
  const page = { width: view ? view.maxX - view.minX : 0, height: view ? view.maxY - view.minY : 0 }
  const state: State = { shapes: [], texts: [], byId: new Map(), page, elements: 0, segments: 0, uses: 0, problem: null }
  if (!collect(root, state))
    return refuse('svg-script', 'file', 'it contains a script.', 'Save it as plain SVG without scripts; nothing was changed here.')
  walk(root, { to: IDENTITY, groups: [], style: NO_STYLE, depth: 0 }, state)
  if (state.problem) return state.problem
  const { shapes, texts } = state
  return finishDrawing({ shapes, texts: wholeTexts(texts, shapes), mmPerUnit, scaleFrom, page: view }, badSvg)
}
