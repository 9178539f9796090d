import type { Element as XmlElement } from '@xmldom/xmldom'
import { chain, IDENTITY, type Affine } from '../geometry'
import { userUnits } from './svg-attributes'

/**
 * How what is drawn in a window of its own lies on the page: its box laid into the window as large as it goes there, in the middle.
 *
 * @param el what has the box (`viewBox`)
 * @param size of the window in user units; null where it has none of its own
 */
export function windowOf(el: XmlElement, size: { width: number | null; height: number | null }): Affine {
  const view = (el.getAttribute('viewBox') ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  const [x, y, w, h] = view as [number, number, number, number]
  if (view.length !== 4 || view.some((v) => !Number.isFinite(v)) || w <= 0 || h <= 0) return IDENTITY
  const times = [size.width === null ? [] : size.width / w, size.height === null ? [] : size.height / h].flat().filter((n) => n > 0)
  const s = times.length > 0 ? Math.min(...times) : 1
  const beside = (mm: number | null, own: number) => (mm === null ? 0 : (mm - own * s) / 2)
  return { a: s, b: 0, c: 0, d: s, e: beside(size.width, w) - x * s, f: beside(size.height, h) - y * s }
}

/** A side of an element's window in user units; null where it is not said, or as a part of another. */
export function sideOf(el: XmlElement, name: 'width' | 'height'): number | null {
  const said = el.getAttribute(name)
  return said === null || said.includes('%') ? null : userUnits(said)
}
const windowSize = (el: XmlElement) => ({ width: sideOf(el, 'width'), height: sideOf(el, 'height') })

/** A nested svg in its window. */
export function nestedBox(el: XmlElement): Affine {
  const at = { ...IDENTITY, e: userUnits(el.getAttribute('x')), f: userUnits(el.getAttribute('y')) }
  return chain(at, windowOf(el, windowSize(el)))
}
