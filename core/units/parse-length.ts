import { ok, refuse, type Result } from '../result'
import type { UnitSystem } from './types'
import { INCH_MM } from './types'

const VULGAR: Record<string, string> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
  '⅙': '1/6',
  '⅚': '5/6',
}

const UNIT_MM: Record<string, number> = {
  '"': INCH_MM,
  '″': INCH_MM,
  '”': INCH_MM,
  "''": INCH_MM,
  in: INCH_MM,
  inch: INCH_MM,
  inches: INCH_MM,
  "'": 12 * INCH_MM,
  '′': 12 * INCH_MM,
  ft: 12 * INCH_MM,
  foot: 12 * INCH_MM,
  feet: 12 * INCH_MM,
  mm: 1,
  cm: 10,
  m: 1000,
}

/** Full-width digits and signs, typographic fractions, dashes and spaces, brought to plain ones. */
function toPlain(text: string): string {
  let plain = text.normalize('NFKC').replace(/\u2044/g, '/')
  // NFKC writes "1⅜" as "13/8": put the space back by looking at the text as typed.
  plain = [...text].some((c) => c in VULGAR) ? [...text].map((c) => (c in VULGAR ? ` ${VULGAR[c]}` : c.normalize('NFKC'))).join('') : plain
  return plain
    .replace(/[\u2212\u2013\u2014\uFF0D]/g, '-')
    .replace(/[\u00A0\u2009\u202F\u3000]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .toLowerCase()
}

const NUMBER = '(?:\\d+[.,]\\d+|[.,]\\d+|\\d+)'
const TERM = new RegExp(`^(?:(\\d+)(?: |-|\\+| and )(\\d+) ?/ ?(\\d+)|(\\d+) ?/ ?(\\d+)|(${NUMBER})) ?("|″|”|''|'|′|[a-z]+)?`)

/**
 * Reads a length as people type it: `1 3/8`, `1-3/8`, `1.375"`, `3/8 in`, `1⅜`, `35mm`, `3,5 cm`, `1' 2 1/2"`,
 * `-1/2`, full-width digits included. A figure without a unit is in the given system.
 *
 * @returns millimetres in full precision; refuses text that is not one length
 * @example parseLength('1 3/8', 'in') // { ok: true, value: 34.925 }
 */
export function parseLength(text: string, system: UnitSystem): Result<number> {
  const bad = (message: string): Result<number> =>
    refuse('length-unreadable', `“${text}”`, message, 'Type it like 1 3/8, 1.375" or 3.5 cm.')
  let rest = toPlain(text)
  if (rest === '') return bad('No length was typed.')
  let sign = 1
  if (/^[+-]/.test(rest)) {
    if (rest.startsWith('-')) sign = -1
    rest = rest.slice(1).trim()
  }
  let total = 0
  let lastUnit = Infinity
  let terms = 0
  while (rest !== '') {
    const match = TERM.exec(rest)
    if (!match) return bad('This is not a length.')
    const [taken, mixedWhole, mixedTop, mixedBottom, top, bottom, plain, unitName] = match
    let figure: number
    if (mixedWhole !== undefined) {
      if (Number(mixedBottom) === 0) return bad('A fraction cannot have zero below its line.')
      figure = Number(mixedWhole) + Number(mixedTop) / Number(mixedBottom)
    } else if (top !== undefined) {
      if (Number(bottom) === 0) return bad('A fraction cannot have zero below its line.')
      figure = Number(top) / Number(bottom)
    } else {
      figure = Number(plain!.replace(',', '.'))
    }
    let unitMm = system === 'in' ? INCH_MM : 10
    if (unitName !== undefined) {
      const known = UNIT_MM[unitName]
      if (known === undefined) return bad(`“${unitName}” is not a unit of length used here.`)
      unitMm = known
    } else if (terms > 0 && lastUnit !== 12 * INCH_MM) {
      return bad('There is more than one figure here.')
    }
    if (unitMm >= lastUnit) return bad('There is more than one figure here.')
    total += figure * unitMm
    lastUnit = unitMm
    terms += 1
    rest = rest.slice(taken.length).trim()
  }
  if (!Number.isFinite(total)) return bad('This figure is too large.')
  return ok(sign * total)
}
