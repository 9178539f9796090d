import { INCH_MM } from '../units'

const UNIT = '(cm|mm|inch(?:es)?|in\\b|["″”])'
const LENGTH = new RegExp(`(?:(\\d+)[\\s-]+)?(\\d+)\\s*[/⁄]\\s*(\\d+)\\s*${UNIT}|(\\d+(?:[.,]\\d+)?)\\s*${UNIT}`, 'gi')

/** Lengths that a text states, mm: “5 x 5 cm”, “1,5 cm”, “2 in”, “1 1/2 in”, “⅝"”. */
export function lengthsSaid(text: string): number[] {
  // A fraction that is one sign becomes figures, apart from a figure before it.
  const plain = text.replace(/[¼-¾⅐-⅞]/g, (sign) => ` ${sign.normalize('NFKD')}`)
  return [...plain.matchAll(LENGTH)].flatMap(([, whole, upper, lower, fractionUnit, figure, unit]) => {
    const value = figure === undefined ? Number(whole ?? 0) + Number(upper) / Number(lower) : Number(figure.replace(',', '.'))
    const said = unit ?? fractionUnit!
    return Number.isFinite(value) ? [value * (/^cm/i.test(said) ? 10 : /^mm/i.test(said) ? 1 : INCH_MM)] : []
  })
}
