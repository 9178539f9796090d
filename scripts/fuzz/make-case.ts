import { BODY_MEASURES, writeWearersCsv, type Figure } from '../../core/body'
import { CHANGE_KINDS, contextOf, type ChangeKind } from '../../core/changes'
import { contentsOf, writeProjectFile, writeSvg } from '../../core/formats'
import { DEFAULT_TOLERANCES } from '../../core/match'
import { layOutSheet } from '../../core/paper'
import type { Garment } from '../../core/pattern'
import { FABRICS, FITS, SCHOOLS, writeChart } from '../../core/size'
import type { Case, Part } from './cases'
import { Dice, ODD_WORDS } from './dice'
import { GARMENTS, WEARERS } from './garments'

const NUMBERS = ['0', '1', '-1', '1e-7', '1e9', '-1e9', '1e400', 'NaN', '1e-400', '21000', '.5', '007', '1.2.3', '']

/** A text with one thing done to it that a slip, a bad disk or another program might do. */
function mutate(dice: Dice, text: string): string {
  const at = dice.int(0, text.length)
  const end = Math.min(text.length, at + dice.int(1, dice.pick([2, 20, 400])))
  switch (dice.int(0, 7)) {
    case 0:
      return text.slice(0, at)
    case 1:
      return text.slice(0, at) + text.slice(end)
    case 2:
      return text.slice(0, end) + text.slice(at, end) + text.slice(end)
    case 3:
      return text.slice(0, at) + dice.word() + text.slice(end)
    case 4:
      return text.slice(0, at) + String.fromCharCode(dice.int(0, dice.pick([127, 0xffff]))) + text.slice(at + 1)
    default: {
      // The likeliest slip: another figure.
      const figures = [...text.slice(at).matchAll(/-?\d+(?:\.\d+)?/g)].slice(0, 20)
      if (figures.length === 0) return text
      const one = dice.pick(figures)
      const from = at + one.index
      const other = dice.chance(0.5) ? dice.pick(NUMBERS) : String(dice.figure())
      return text.slice(0, from) + other + text.slice(from + one[0].length)
    }
  }
}

const mutated = (dice: Dice, text: string, most: number): string => {
  let out = text
  for (let n = dice.int(0, most); n > 0; n--) out = mutate(dice, out)
  return out
}

/** An element of a drawing: shapes of all sorts, some of which no hand would draw. */
function element(dice: Dice, depth: number): string {
  const n = () => (dice.chance(0.8) ? String(Math.round(dice.next() * 400)) : dice.chance(0.5) ? dice.pick(NUMBERS) : String(dice.figure()))
  const extra = dice.chance(0.3)
    ? ` ${dice.pick(['id', 'class', 'transform', 'style', 'aria-label', 'stroke', 'data-part'])}="${dice.pick(['scale(0)', `translate(${n()} ${n()})`, `scale(${n()})`, `rotate(${n()})`, 'matrix(0 0 0 0 0 0)', `skewX(${n()})`, 'front', 'Size 12', 'cut line', 'seam line', 'grain', 'display:none', 'test square', '__proto__', 'stroke-dasharray:3 1'])}"`
    : ''
  switch (dice.int(0, depth > 3 ? 8 : 10)) {
    case 0:
      return `<rect x="${n()}" y="${n()}" width="${n()}" height="${n()}"${extra}/>`
    case 1:
      return `<circle cx="${n()}" cy="${n()}" r="${dice.pick([n(), '1e-7', '1e9', '40'])}"${extra}/>`
    case 2:
      return `<ellipse cx="${n()}" cy="${n()}" rx="${n()}" ry="${n()}"${extra}/>`
    case 3:
      return `<line x1="${n()}" y1="${n()}" x2="${n()}" y2="${n()}"${extra}/>`
    case 4: {
      const points = Array.from({ length: dice.int(1, 12) }, () => `${n()},${n()}`).join(' ')
      return `<${dice.pick(['polygon', 'polyline'])} points="${points}"${extra}/>`
    }
    case 5: {
      const d = Array.from({ length: dice.int(1, 12) }, () => {
        const c = dice.pick(['L', 'l', 'H', 'v', 'C', 'c', 'S', 'Q', 'T', 'A', 'M', 'Z'])
        const counts: Record<string, number> = { L: 2, H: 1, V: 1, C: 6, S: 4, Q: 4, T: 2, A: 7, M: 2, Z: 0 }
        return (
          c +
          Array.from({ length: counts[c.toUpperCase()]! }, (_, i) => (c === 'A' && (i === 3 || i === 4) ? dice.int(0, 1) : n())).join(' ')
        )
      }).join('')
      return `<path d="M${n()} ${n()}${d}${dice.chance(0.6) ? 'Z' : ''}"${extra}/>`
    }
    case 6:
      return `<text x="${n()}" y="${n()}">${dice.pick(['Front', 'place on fold', 'cut 2', 'grain', 'size 12', '&lt;', 'Back'])}</text>`
    case 7:
      return `<use href="#${dice.pick(['a', 'b', 'front', 'nobody', '__proto__'])}" x="${n()}"${extra}/>`
    case 8:
      return piece(dice)
    default: {
      const inner = Array.from({ length: dice.int(0, 5) }, () => element(dice, depth + 1)).join('')
      return `<${'g'} id="${dice.pick(['a', 'b', 'front', 'Size 10', 'Size 12', 'layer1'])}"${extra}>${inner}</g>`
    }
  }
}

/** An honest piece: a closed outline with a grainline and notches. */
function piece(dice: Dice): string {
  const [x, y, w, h] = [dice.int(0, 500), dice.int(0, 500), dice.int(60, 300), dice.int(60, 500)]
  const neck = dice.int(10, 50)
  return `<g id="${dice.pick(['Front', 'Back', 'Sleeve', 'Skirt front', 'Band'])}"><path d="M${x} ${y + neck}C${x + neck} ${y + neck} ${x + neck} ${y} ${x + neck} ${y}L${x + w} ${y + 15}L${x + w} ${y + h}L${x} ${y + h}Z"/><path class="grain" d="M${x + w / 2} ${y + 30}V${y + h - 20}"/><path d="M${x + w} ${y + h / 2}h-6"/></g>`
}

/** One line many times over, each a little further on: hatching, a grid, a nest of a thousand sizes, a line drawn again and again. */
function crowd(dice: Dice): string {
  const [n, by] = [dice.pick([20, 60, 200, 400]), dice.pick([0, 0.01, 0.3, 2, 40])]
  const form = dice.int(0, 5)
  const d = (i: number) => {
    const on = (i * by).toFixed(3)
    const turn = (2 * Math.PI * i) / n
    return [
      `M${on} 10V${500 - i * by}H${400 - i * by}V10`,
      `M250 250l${(200 * Math.cos(turn)).toFixed(3)} ${(200 * Math.sin(turn)).toFixed(3)}`,
      `M${on} 20L300 ${on}`,
      `M${on} ${on}h${200 + i * by}v300h-200z`,
      `M${on} 30C90 ${on} 180 60 200 ${on}C${on} 300 90 400 ${on} 30`,
      `M${on} 40h6`,
    ][form]!
  }
  const lines = Array.from({ length: n }, (_, i) => `<path d="${d(i)}" fill="none" stroke="#000"/>`)
  return (dice.chance(0.5) ? lines : lines.map((l, i) => `<g id="Size ${i}">${l}</g>`)).join('')
}

function drawing(dice: Dice): string {
  const head = dice.pick([
    'width="800mm" height="900mm" viewBox="0 0 800 900"',
    'width="20in" height="20in"',
    '',
    'width="1e9mm" viewBox="0 0 1 1"',
    'viewBox="0 0 0 0" width="5mm"',
    'width="800" height="900" viewBox="-10 -10 800 900"',
  ])
  const frame = dice.chance(0.4) ? `<rect x="0" y="0" width="800" height="900"/>` : ''
  const pieces = Array.from({ length: dice.int(0, 3) }, () => piece(dice)).join('')
  const others = Array.from({ length: dice.int(0, 8) }, () => element(dice, 0)).join('')
  const many = dice.chance(0.08) ? crowd(dice) : ''
  return `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${head}>${frame}${pieces}${others}${many}</svg>`
}

/** The inputs after one field was set, as a form sets it or as a file may have it. */
function setField(dice: Dice, kind: ChangeKind<unknown>, garment: Garment, inputs: unknown): unknown {
  const field = dice.pick([null, ...kind.fields(garment, inputs)])
  if (!field)
    return kind.withAmount ? kind.withAmount(garment, inputs, dice.figure(), contextOf(garment, null, null, DEFAULT_TOLERANCES)) : inputs
  const set = (value: unknown) => kind.withField?.(garment, inputs, field.key, value) ?? { ...(inputs as object), [field.key]: value }
  switch (field.type) {
    case 'choice':
      return field.options.length > 0 ? set(dice.pick(field.options).value) : inputs
    case 'piece':
      return kind.withPiece?.(garment, inputs, dice.pick(garment.pieces).id, contextOf(garment, null, null, DEFAULT_TOLERANCES)) ?? inputs
    case 'switch':
      return set(dice.chance(0.5))
    case 'growth':
    case 'length':
      return set(dice.figure())
    case 'count':
      return set(dice.int(-1, field.max + 1))
    case 'partners':
      return set(garment.pieces.filter(() => dice.chance(0.4)).map((p) => p.id))
    default:
      return spoil(dice, inputs)
  }
}

/** Plain data with one leaf replaced: by another of its sort, now and then by one of another. */
function spoil(dice: Dice, value: unknown): unknown {
  if (typeof value === 'object' && value !== null) {
    const keys = Object.keys(value)
    if (keys.length === 0 || dice.chance(0.05)) return dice.pick<unknown>([null, [], {}, dice.figure()])
    const key = dice.pick(keys)
    const other = spoil(dice, (value as Record<string, unknown>)[key])
    if (Array.isArray(value))
      return dice.chance(0.15) ? [...(value as unknown[]), other] : value.map((v, i) => (String(i) === key ? other : (v as unknown)))
    return { ...value, [key]: other }
  }
  if (dice.chance(0.1)) return dice.pick<unknown>([null, '', 0, true, [], dice.word()])
  return typeof value === 'number' ? dice.figure() : typeof value === 'boolean' ? !value : dice.pick([dice.word(), dice.pick(ODD_WORDS)])
}

/** Figures of a body that is one, of any size, with some missing and now and then one that is odd. */
function figures(dice: Dice): Record<string, Figure> {
  const size = dice.next()
  return Object.fromEntries(
    BODY_MEASURES.filter(() => dice.chance(0.85)).map((m): [string, Figure] => {
      const { fromMm, toMm } = m.usual
      const part = Math.min(1, Math.max(0, size + (dice.next() - 0.5) * 0.5))
      const mm = dice.chance(0.03) ? dice.pick([1, 40, 4999, 5000]) : fromMm + (toMm - fromMm) * part
      return [m.id, m.sided && dice.chance(0.2) ? { leftMm: mm, rightMm: Math.min(5000, mm + dice.int(0, 20)) } : { mm }]
    }),
  )
}

function changesCase(dice: Dice): Case {
  const project = dice.pick([...GARMENTS.values()])
  const context = contextOf(project.garment, project, null, DEFAULT_TOLERANCES)
  const stops = Array.from({ length: dice.pick([1, 1, 1, 2, 3]) }, () => {
    const kind = dice.pick(CHANGE_KINDS)
    const begun = kind.begin(project.garment, context)
    let inputs: unknown = begun.ok ? begun.value : {}
    for (let n = dice.int(0, 4); n > 0 && begun.ok; n--) {
      inputs = setField(dice, kind, project.garment, inputs)
      // A form works on what the schema lets through; a file may hold anything.
      if (!kind.schema.safeParse(inputs).success) break
    }
    return { kind: kind.kind, inputs: dice.chance(0.12) ? spoil(dice, inputs) : inputs }
  })
  return { part: 'changes', garment: project.id, stops: JSON.parse(JSON.stringify(stops)) as typeof stops }
}

function lengthText(dice: Dice): string {
  const glyphs = '0123456789 ./-+,"\'½⅛⅜⅞⅐⅒⅟″′’”cmintf'
  const free = () => Array.from({ length: dice.int(0, 9) }, () => dice.pick([...glyphs])).join('')
  const typed = () =>
    `${dice.pick(['', '-', '+'])}${dice.int(0, 40)}${dice.pick(['', ' 3/8', '-1/2', '⅞', '.5', ',25', ' 1/0'])}${dice.pick(['', ' in', '"', '″', '’', ' cm', 'mm', ' ft', ' constructor'])}`
  return dice.pick([free, typed, () => dice.word()])()
}

/** One case of a part; the same for the same seed. */
export function makeCase(part: Part, seed: number): Case {
  const dice = new Dice(seed)
  switch (part) {
    case 'length':
      return { part, text: lengthText(dice), units: dice.pick(['in', 'cm']) }
    case 'csv': {
      const what = dice.pick(['wearers', 'chart'] as const)
      const units = dice.pick(['in', 'cm'] as const)
      const { garment, sizing } = GARMENTS.get('demo-dress')!
      const text = what === 'wearers' ? writeWearersCsv(WEARERS.slice(0, 2), units) : writeChart(sizing.bodyChart, garment.sizes, units)
      const made = dice.chance(0.2)
        ? `wearer,taken on,measure,figure\r\n${dice.word()},${dice.word()},${dice.word()},${lengthText(dice)}\r\n`
        : text
      return { part, what, text: mutated(dice, made, 4), units }
    }
    case 'svg': {
      const { garment, name } = dice.pick([...GARMENTS.values()])
      const words = { garmentName: name, wearerName: null, sizeName: 'one', date: '2026-01-01', changes: [], ruler: 'in' as const }
      const text = dice.chance(0.75) ? drawing(dice) : writeSvg(layOutSheet(garment, garment.baseSizeId, words, 900), name)
      return { part, text: mutated(dice, text, dice.pick([0, 1, 4])) }
    }
    case 'project': {
      const project = dice.pick([...GARMENTS.values()])
      const file = JSON.parse(writeProjectFile(contentsOf([project], WEARERS.slice(0, 2)), new Date(0))) as unknown
      let data = file
      for (let n = dice.int(1, 3); n > 0; n--) data = spoil(dice, data)
      const text = JSON.stringify(data)
      return { part, text: dice.chance(0.2) ? mutated(dice, text, 2) : text }
    }
    case 'changes':
      return changesCase(dice)
    case 'plan': {
      const sizing = { fit: dice.pick(FITS), fabric: dice.pick(FABRICS), school: dice.pick([null, ...SCHOOLS]) }
      const odd = dice.chance(0.1) ? { wantedMm: { bust: dice.pick([-300, 0, 40, 900]) } } : {}
      return { part, garment: dice.pick([...GARMENTS.keys()]), figures: figures(dice), sizing: { ...sizing, ...odd } }
    }
  }
}
