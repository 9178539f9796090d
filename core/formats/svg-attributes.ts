import type { Element as XmlElement } from '@xmldom/xmldom'
import svgpath from 'svgpath'
import { IDENTITY, type Affine, type Point } from '../geometry'
import { INCH_MM } from '../units'
import type { ScaleFrom } from './drawing'

/** Millimetres that a unit stands for, and what it says about the scale. */
export const UNIT_MM: Record<string, [number, ScaleFrom]> = {
  mm: [1, 'mm'],
  cm: [10, 'cm'],
  in: [INCH_MM, 'in'],
  pt: [INCH_MM / 72, 'pt'],
  pc: [INCH_MM / 6, 'pt'],
  px: [INCH_MM / 96, 'guess'],
  '': [INCH_MM / 96, 'guess'],
}

/** A length with its unit as written; null for what is none. */
export function lengthOf(text: string | null): { value: number; unit: string } | null {
  const match = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)\s*(mm|cm|in|pt|pc|px|%|)\s*$/.exec(text ?? '')
  return match ? { value: Number(match[1]), unit: match[2]! } : null
}

/**
 * A length inside the drawing, in user units.
 * @param whole what a percentage is of: the page's width or height
 */
export function userUnits(text: string | null, fallback = 0, whole = 0): number {
  const read = lengthOf(text)
  if (!read) return fallback
  const px = INCH_MM / 96
  if (read.unit === '%') return (read.value / 100) * whole
  return read.unit === '' || read.unit === 'px' ? read.value : (read.value * UNIT_MM[read.unit]![0]) / px
}

/** How many figures each step of a “transform” takes. */
const FIGURES: Record<string, readonly number[]> = { matrix: [6], translate: [1, 2], scale: [1, 2], rotate: [1, 3], skewX: [1], skewY: [1] }
const isReadable = (name: string, inner: string): boolean => {
  const figures = inner.split(/[\s,]+/).filter(Boolean)
  return FIGURES[name]?.includes(figures.length) === true && figures.every((f) => Number.isFinite(Number(f)))
}

/** How far along its axes a placement is looked at, units of the drawing. */
const FAR = 1e6

/** What a “transform” does; the identity without one, null for one that cannot be read. In a style its figures have units. */
export function readTransform(written: string | null): Affine | null {
  if (!written) return IDENTITY
  const text = written.replace(/(\d)(?:px|deg)\b/g, '$1')
  for (const [, name, inner] of text.matchAll(/([a-zA-Z]+)\s*\(([^)]*)\)/g)) if (!isReadable(name!, inner!)) return null
  // Where it brings three points says all: the origin, and a far one along each axis, so that a long way loses no small scale.
  const places: Point[] = []
  svgpath(`M0 0L${FAR} 0L0 ${FAR}`)
    .transform(text)
    .iterate((command) => void places.push({ x: command[1] as number, y: command[2] as number }))
  const [origin, along, down] = places as [Point, Point, Point]
  const step = (to: number, from: number) => (to - from) / FAR
  const done: Affine = {
    a: step(along.x, origin.x),
    b: step(along.y, origin.y),
    c: step(down.x, origin.x),
    d: step(down.y, origin.y),
    e: origin.x,
    f: origin.y,
  }
  return Object.values(done).every(Number.isFinite) ? done : null
}

/** A property from an element’s style, or the attribute of that name; what is said last counts. */
export const styleOf = (el: XmlElement, name: string): string | null => {
  const style = el.getAttribute('style')
  let found: string | null = null
  if (style)
    for (const rule of style.split(';')) {
      const colon = rule.indexOf(':')
      if (colon > 0 && rule.slice(0, colon).trim() === name)
        found = rule
          .slice(colon + 1)
          .replace(/!important/, '')
          .trim()
    }
  return found ?? el.getAttribute(name)
}

/** How a line is drawn, with what an element's groups say where it says nothing itself. */
export interface StrokeStyle {
  stroke: string
  dashes: string
  fill: string
  /** Size of letters, user units. */
  letters: number
  /** How letters lie at their place: “start”, “middle” or “end”. */
  anchor: string
  /** It ends in an arrow of the file. */
  hasMarkers: boolean
}
export const NO_STYLE: StrokeStyle = { stroke: '', dashes: '', fill: '', letters: 16, anchor: 'start', hasMarkers: false }

const isMarker = (value: string | null) => value !== null && value !== '' && value !== 'none'

/** The style of an element within a group of that style. */
export const styleWithin = (outer: StrokeStyle, el: XmlElement): StrokeStyle => {
  const said = (name: string) => styleOf(el, name)?.replace(/\s+/g, ' ')
  const dashes = said('stroke-dasharray')
  return {
    stroke: said('stroke') || outer.stroke,
    dashes: dashes === 'none' ? '' : dashes || outer.dashes,
    fill: said('fill') || outer.fill,
    letters: userUnits(said('font-size') ?? null, outer.letters),
    anchor: said('text-anchor') || outer.anchor,
    hasMarkers:
      outer.hasMarkers || isMarker(styleOf(el, 'marker-start')) || isMarker(styleOf(el, 'marker-end')) || isMarker(styleOf(el, 'marker')),
  }
}

/** An area is filled and no line drawn round it. */
export const isArea = ({ stroke, fill }: StrokeStyle): boolean =>
  (stroke === '' || stroke === 'none') && fill !== 'none' && fill !== 'transparent'

/** Neither line nor area of it is drawn: a box that a program keeps round something. */
export const isUnseen = ({ stroke, fill }: StrokeStyle): boolean =>
  (stroke === 'none' || stroke === 'transparent') && (fill === 'none' || fill === 'transparent')

/** Rules of a style sheet beyond this are not looked at. */
const MOST_RULES = 2000

/**
 * What the style sheets of a file say, for elements by name, class or id: `.line{fill:none}`. Other selectors are left out.
 * @returns declarations by selector, in their order
 */
export function readStyleSheets(texts: readonly string[]): Map<string, string> {
  const rules = new Map<string, string>()
  for (const text of texts)
    for (const [, selectors, declarations] of [...text.replace(/\/\*[^]*?\*\//g, '').matchAll(/([^{}]+)\{([^{}]*)\}/g)].slice(
      0,
      MOST_RULES,
    ))
      for (const selector of selectors!.split(',').map((s) => s.trim()))
        if (/^[.#]?[\w-]+$/.test(selector)) rules.set(selector, `${rules.get(selector) ?? ''};${declarations!}`)
  return rules
}

/** Writes what the style sheets say of an element into its own style, before what it says itself. */
export function inlineStyles(el: XmlElement, rules: ReadonlyMap<string, string>): void {
  const classes = (el.getAttribute('class') ?? '').split(/\s+/).filter(Boolean)
  const asked = [el.localName ?? '', ...classes.map((c) => `.${c}`), ...(el.getAttribute('id') ? [`#${el.getAttribute('id')}`] : [])]
  const said = asked.flatMap((s) => rules.get(s) ?? []).join(';')
  if (said) el.setAttribute('style', `${said};${el.getAttribute('style') ?? ''}`)
}

/** What a person called an element: its title, label or id. */
export function nameOf(el: XmlElement): string {
  for (let child = el.firstChild; child; child = child.nextSibling)
    if (child.nodeType === 1 && (child as XmlElement).localName === 'title' && child.textContent?.trim()) return child.textContent.trim()
  // Labels live in editors' own namespaces; any attribute called “label” will do.
  for (let i = 0; i < el.attributes.length; i++) {
    const a = el.attributes.item(i)!
    if ((a.localName ?? a.name).replace(/^aria-/, '') === 'label' && a.value.trim()) return a.value.trim()
  }
  return el.getAttribute('data-part') ?? el.getAttribute('id') ?? ''
}
