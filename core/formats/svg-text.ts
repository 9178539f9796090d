import type { Element as XmlElement, Node as XmlNode } from '@xmldom/xmldom'
import { spend } from '../budget'
import { applyAffine, type Point } from '../geometry'
import { styleWithin, userUnits, type StrokeStyle } from './svg-attributes'
import type { DrawnText } from './drawing'
import { letterWidth } from './letter-widths'
import type { Within } from './svg-in'

/** Lines of one text beyond this, and letters of one line, are no words on a pattern. */
const MOST_LINES = 200
const MOST_LETTERS = 400

/** Words that are being collected: they go on at this place until a place of its own begins a new line. */
interface Writing {
  lines: { text: string; x: number; y: number; style: StrokeStyle }[]
}

/** The first figure of a list: a letter may have a place of its own each. */
const first = (value: string | null): string | null => value?.trim().split(/[\s,]+/)[0] ?? null

function walkText(el: XmlElement, style: StrokeStyle, writing: Writing, depth: number): void {
  spend()
  const last = writing.lines[writing.lines.length - 1]
  const [x, y, dx, dy] = [
    first(el.getAttribute('x')),
    first(el.getAttribute('y')),
    first(el.getAttribute('dx')),
    first(el.getAttribute('dy')),
  ]
  const own = styleWithin(style, el)
  if (!last || x !== null || y !== null || (dy !== null && userUnits(dy) !== 0))
    writing.lines.push({
      text: '',
      x: userUnits(x, last?.x ?? 0) + userUnits(dx),
      y: userUnits(y, last?.y ?? 0) + lengthIn(dy, own.letters),
      style: own,
    })
  for (let child: XmlNode | null = el.firstChild; child; child = child.nextSibling) {
    if (child.nodeType === 3 || child.nodeType === 4) writing.lines[writing.lines.length - 1]!.text += child.nodeValue ?? ''
    else if (child.nodeType === 1 && depth > 0 && /^(tspan|a|textPath)$/.test((child as XmlElement).localName ?? ''))
      walkText(child as XmlElement, own, writing, depth - 1)
  }
}

/** A length that may be counted in letters (“1.2em”). */
const lengthIn = (value: string | null, letters: number): number => {
  const em = /^([+-]?[\d.]+)em$/.exec(value ?? '')
  return em ? Number(em[1]) * letters : userUnits(value)
}

const DEEPEST = 8

/**
 * The lines of words of a text element: each part with a place of its own is one; parts that lie on the same base line one
 * after the other are one, too. Places in user units of the file.
 */
export function readText(el: XmlElement, { to, groups, style }: Within): DrawnText[] {
  const writing: Writing = { lines: [] }
  walkText(el, style, writing, DEEPEST)
  const scale = Math.sqrt(Math.abs(to.a * to.d - to.b * to.c))
  return joined(writing.lines.slice(0, MOST_LINES)).flatMap(({ text, x, y, style: own }): DrawnText[] => {
    const words = text.slice(0, MOST_LETTERS).replace(/\s+/g, ' ').trim()
    if (words === '') return []
    const long = letterWidth(words) * own.letters
    const begin = x - (own.anchor === 'middle' ? long / 2 : own.anchor === 'end' ? long : 0)
    const at = (part: number): Point => applyAffine(to, { x: begin + long * part, y: y - own.letters * 0.3 })
    return [{ text: words, at: at(0), middle: at(0.5), end: at(1), heightMm: own.letters * scale, groups }]
  })
}

/** Letters and words placed one by one on a base line are one line again. */
function joined(lines: Writing['lines']): Writing['lines'] {
  const out: Writing['lines'] = []
  for (const l of lines) {
    const last = out[out.length - 1]
    const from = last ? last.x + letterWidth(last.text) * last.style.letters : 0
    const goesOn = last && last.y === l.y && last.text.trim() !== '' && Math.abs(l.x - from) < l.style.letters * 1.5
    if (goesOn) last.text += `${l.x - from > -l.style.letters * 0.2 && l.text.length > 1 ? ' ' : ''}${l.text}`
    else out.push({ ...l })
  }
  return out
}

/** Elements of a page that begin a line of their own. */
const BLOCK = /^(?:div|p|li|h[1-6]|tr|br|pre|section|body)$/i
/** Pages nest their words in boxes within boxes. */
const DEEPEST_PAGE = 40
/** From one line of a page to the next, as a part of its letters. */
const LINE_HEIGHT = 1.2

/**
 * The lines of words of a page that is set into a drawing (`foreignObject`), as programs for diagrams write them: from its upper left
 * corner down, or in the middle of its box where they are centred.
 */
export function readForeign(el: XmlElement, { to, groups, style }: Within): DrawnText[] {
  const lines: { text: string; letters: number }[] = []
  let isNew = true
  let centred = false
  const walk = (node: XmlNode, own: StrokeStyle, depth: number) => {
    spend()
    if (node.nodeType === 3 || node.nodeType === 4) {
      const words = (node.nodeValue ?? '').replace(/\s+/g, ' ')
      if (words.trim() === '') return
      if (isNew || lines.length === 0) lines.push({ text: words, letters: own.letters })
      else lines.at(-1)!.text += words
      isNew = false
    }
    if (node.nodeType !== 1 || depth === 0) return
    const element = node as XmlElement
    const within = styleWithin(own, element)
    const isBlock = BLOCK.test(element.localName ?? '')
    centred ||= /text-align:\s*center|justify-content:\s*(?:unsafe )?center/i.test(element.getAttribute('style') ?? '')
    if (isBlock) isNew = true
    for (let child: XmlNode | null = element.firstChild; child; child = child.nextSibling) walk(child, within, depth - 1)
    if (isBlock) isNew = true
  }
  for (let child: XmlNode | null = el.firstChild; child; child = child.nextSibling) walk(child, style, DEEPEST_PAGE)
  const [x, y, width, height] = ['x', 'y', 'width', 'height'].map((side) => userUnits(el.getAttribute(side))) as [
    number,
    number,
    number,
    number,
  ]
  const scale = Math.sqrt(Math.abs(to.a * to.d - to.b * to.c))
  const tall = lines.reduce((sum, l) => sum + l.letters * LINE_HEIGHT, 0)
  let down = y + (centred && height > tall ? (height - tall) / 2 : 0)
  return lines.slice(0, MOST_LINES).flatMap(({ text, letters }): DrawnText[] => {
    const words = text.slice(0, MOST_LETTERS).trim()
    const long = letterWidth(words) * letters
    const begin = x + (centred ? Math.max(0, (width - long) / 2) : 0)
    down += letters * LINE_HEIGHT
    const at = (part: number): Point => applyAffine(to, { x: begin + long * part, y: down - letters * LINE_HEIGHT * 0.5 })
    return words === '' ? [] : [{ text: words, at: at(0), middle: at(0.5), end: at(1), heightMm: letters * scale, groups }]
  })
}
