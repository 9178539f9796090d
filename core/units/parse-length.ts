import { ok, refuse, type Result } from '../result'
import type { UnitSystem } from './types'
import { INCH_MM } from './types'

const FOOT_MM = 12 * INCH_MM

/** By the word or mark as it is after `plainText`. A map, so that no word of the language is taken for a unit. */
const UNIT_MM = new Map<string, number>(
  Object.entries({
    '"': INCH_MM,
    in: INCH_MM,
    inch: INCH_MM,
    inches: INCH_MM,
    "'": FOOT_MM,
    ft: FOOT_MM,
    foot: FOOT_MM,
    feet: FOOT_MM,
    mm: 1,
    cm: 10,
    m: 1000,
  }),
)

/** Marks of inches and of feet, however a keyboard or another program writes them. */
const INCH_MARKS = /[\u2033\u201c\u201d\u201e\u201f\u3003\uff02]|''|[\u2032\u2019\u2018\u02b9\u00b4`]{2}/g
const FOOT_MARKS = /[\u2032\u2019\u2018\u02b9\u00b4`\uff07]/g

/** Full-width digits and signs, typographic fractions of every kind, dashes, marks and spaces, brought to plain ones. */
export function plainText(text: string): string {
  // A sign that is a fraction (“⅜”) is one of its own after a whole figure: “1⅜” is 1 3/8 and not 13/8.
  const parted = [...text.replace(INCH_MARKS, '"').replace(FOOT_MARKS, "'")].map((c) => {
    const plain = c.normalize('NFKC')
    return plain !== c && plain.includes('\u2044') ? ` ${plain}` : plain
  })
  return parted
    .join('')
    .replace(/[\u2044\u2215]/g, '/')
    .replace(/[\u2212\u2012\u2013\u2014]/g, '-')
    .replace(/\s+/g, ' ')
    .trim()
    .toLowerCase()
}

/** No length is written with more signs than this. */
const LONGEST = 60

const NUMBER = '(?:\\d+[.,]\\d+|[.,]\\d+|\\d+)'
const TERM = new RegExp(`^(?:(\\d+)(?: |-|\\+| and )(\\d+) ?/ ?(\\d+)|(\\d+) ?/ ?(\\d+)|(${NUMBER})) ?("|'|[a-z]+)?`)

/**
 * Reads a length as people type it: `1 3/8`, `1-3/8`, `1.375"`, `3/8 in`, `1⅜`, `35mm`, `3,5 cm`, `1' 2 1/2"`, `5 ft`,
 * `-1/2`, full-width digits included. A figure without a unit is in the given system.
 *
 * @returns millimetres in full precision; refuses text that is not one length, and asks about a foot mark that stands alone,
 * since that is more often half of an inch mark
 * @example parseLength('1 3/8', 'in') // { ok: true, value: 34.925 }
 */
export function parseLength(text: string, system: UnitSystem): Result<number> {
  const bad = (message: string): Result<number> =>
    refuse('length-unreadable', `“${text}”`, message, 'Type it like 1 3/8, 1.375" or 3.5 cm.')
  if (text.length > LONGEST)
    return refuse('length-unreadable', `“${text.slice(0, 20)} ...”`, 'This is not a length.', 'Type it like 1 3/8, 1.375" or 3.5 cm.')
  let rest = plainText(text)
  if (rest === '') return bad('No length was typed.')
  let sign = 1
  if (/^[+-]/.test(rest)) {
    if (rest.startsWith('-')) sign = -1
    rest = rest.slice(1).trim()
  }
  let total = 0
  let lastUnit = Infinity
  let terms = 0
  if (/^[^']*'$/.test(rest))
    return refuse(
      'length-feet',
      `“${text}”`,
      'A single mark stands for feet.',
      `Is that meant? Then type “ft”; for inches type " or nothing.`,
    )
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
      const known = UNIT_MM.get(unitName)
      if (known === undefined) return bad(`“${unitName}” is not a unit of length used here.`)
      unitMm = known
    } else if (terms > 0 && lastUnit !== FOOT_MM) {
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
