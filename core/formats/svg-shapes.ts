import type { Element as XmlElement } from '@xmldom/xmldom'
import svgpath from 'svgpath'
import { cubic, distance, line, type Path, type Point, type Segment } from '../geometry'
import { SAME_POINT_MM } from '../tolerances'
import { userUnits } from './svg-attributes'

/** Percentages of these are of the page's height; of all others of its width. */
const UPRIGHT = new Set(['y', 'y1', 'y2', 'cy', 'ry', 'height'])

/**
 * Path data of any basic shape; null for elements that are not shapes.
 * @param page width and height of the page in user units, for percentages
 */
export function pathDataOf(el: XmlElement, page: { width: number; height: number }): string | null {
  const n = (name: string) => userUnits(el.getAttribute(name), 0, UPRIGHT.has(name) ? page.height : page.width)
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
export function readStrokes(d: string): { path: Path; closed: boolean }[] | null {
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
