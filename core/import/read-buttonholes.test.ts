import { describe, expect, it } from 'vitest'
import { readSvg } from '../formats'
import { measureLength } from '../geometry'
import { makeDrafts } from './make-drafts'

/** The lines within the one piece of a drawing: a front with its edge at x = 40. */
function linesIn(inside: string) {
  const read = readSvg(
    `<svg xmlns="http://www.w3.org/2000/svg" width="500mm" height="700mm" viewBox="0 0 500 700"><g fill="none" stroke="#000">
      <path d="M40 60 L150 30 L280 70 Q240 160 300 230 L290 640 H40 Z"/><path id="grain" d="M170 250 V560"/>${inside}</g></svg>`,
  )
  if (!read.ok) throw new Error(read.problem.message)
  const drafts = makeDrafts(read.value, 1)
  if (!drafts.ok) throw new Error(drafts.problem.message)
  expect(drafts.value.filter((d) => !d.aside)).toHaveLength(1)
  return drafts.value[0]!.draft
}
const at = (ys: readonly number[], one: (y: number) => string) => ys.map(one).join('')
const EVEN = [120, 200, 280, 360]
const level = (y: number) => `<path d="M52 ${y} h18"/>`
const upright = (y: number) => `<path d="M60 ${y} v16"/>`
const barred = (y: number) => `<path d="M52 ${y} h18"/><path d="M52 ${y - 3} v6"/><path d="M70 ${y - 3} v6"/>`
const box = (y: number) => `<rect x="52" y="${y}" width="20" height="3"/>`
const words = (text: string, y: number) => `<text x="76" y="${y}" font-size="6" fill="#000" stroke="none">${text}</text>`

describe('buttonholes', () => {
  it.each([
    ['level, in an even row', at(EVEN, level), 4, 18],
    ['upright, in an even row', at(EVEN, upright), 4, 16],
    ['with bars at their ends, wherever they are', at([120, 190, 300], barred), 3, 18],
    ['as narrow boxes, in an even row', at(EVEN, box), 4, 20],
    ['two, with the word beside each', at([120, 320], (y) => level(y) + words('buttonhole', y + 2)), 2, 18],
    ['one, called so by the file', '<g id="buttonholes"><path d="M52 200 h18"/></g>', 1, 18],
  ])('%s', (_, inside, count, mm) => {
    const { lines, notches, points, grain } = linesIn(inside)
    expect(lines.map((l) => l.name)).toEqual(Array.from({ length: count }, (__, i) => (i === 0 ? 'buttonhole' : `buttonhole ${i + 1}`)))
    for (const { path } of lines) expect(measureLength(path)).toBeCloseTo(mm, 3)
    expect([notches, points ?? []]).toEqual([[], []])
    expect(grain).toMatchObject({ from: { x: 170 }, to: { x: 170 } })
  })

  it.each([
    ['strokes at uneven distances', at([120, 160, 300], level)],
    ['two strokes without a word', at([120, 320], level)],
    ['hatching', at([120, 128, 136, 144, 152], level)],
    ['the word “button” beside a stroke', level(120) + words('button', 122)],
  ])('are not: %s', (_, inside) => {
    expect(linesIn(inside).lines.filter((l) => l.name.startsWith('buttonhole'))).toEqual([])
  })

  it('a longer line is a line of its own', () => {
    expect(linesIn('<path d="M60 500 h150" id="waist"/>').lines.map((l) => l.name)).toEqual(['waist'])
  })
})
