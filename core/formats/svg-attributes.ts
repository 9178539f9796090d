import type { Element as XmlElement } from '@xmldom/xmldom'
import { chain, IDENTITY, type Affine } from '../geometry'
import { INCH_MM } from '../units'

/** Where the scale of a drawing comes from; “guess” when the file gives pixels or nothing. */
export type ScaleFrom = 'mm' | 'cm' | 'in' | 'pt' | 'guess'

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

/** What a “transform” does; the identity without one, null for one that cannot be read. */
export function readTransform(text: string | null): Affine | null {
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

/** A property from an element’s style, or the attribute of that name. */
export const styleOf = (el: XmlElement, name: string): string | null => {
  const style = el.getAttribute('style')
  if (style)
    for (const rule of style.split(';')) {
      const colon = rule.indexOf(':')
      if (colon > 0 && rule.slice(0, colon).trim() === name) return rule.slice(colon + 1).trim()
    }
  return el.getAttribute(name)
}

/** Colour and dashes of a stroke, with what an element's groups say where it says nothing itself. */
export interface StrokeStyle {
  stroke: string
  dashes: string
}
export const NO_STYLE: StrokeStyle = { stroke: '', dashes: '' }

/** The style of an element within a group of that style. */
export const styleWithin = (outer: StrokeStyle, el: XmlElement): StrokeStyle => ({
  stroke: styleOf(el, 'stroke')?.replace(/\s+/g, ' ') || outer.stroke,
  dashes: styleOf(el, 'stroke-dasharray')?.replace(/\s+/g, ' ') || outer.dashes,
})

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
