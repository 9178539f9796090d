import { describe, expect, it } from 'vitest'
import { readSvg } from '../formats'
import { makeDrafts } from './make-drafts'

/** A front drawn at a place of the sheet, as it is or turned over, in a size of its own. */
function front(x: number, words: string, flipped = false, by = 1): string {
  const at = (px: number, py: number) => `${x + (flipped ? 260 - px * by : px * by)} ${20 + py * by}`
  const d = `M${at(0, 75)}C${at(40, 72)} ${at(75, 40)} ${at(80, 0)}L${at(190, 35)}C${at(170, 110)} ${at(185, 190)} ${at(250, 210)}L${at(255, 620)}L${at(0, 620)}Z`
  return `<path d="${d}" fill="none" stroke="#000"/><text x="${x + 60}" y="400" font-size="9">${words}</text>`
}
function drafts(...pieces: string[]) {
  const read = readSvg(
    `<svg xmlns="http://www.w3.org/2000/svg" width="1200mm" height="800mm" viewBox="0 0 1200 800">${pieces.join('')}</svg>`,
  )
  const made = read.ok ? makeDrafts(read.value, 1) : read
  if (!made.ok) throw new Error(made.problem.message)
  return made.value
}

describe('a piece that is drawn twice', () => {
  it.each([
    ['Front', 'Front', 'Front'],
    ['Front (left)', 'Front (right)', 'Front left'],
    ['Left front', 'Right front', 'Left front'],
    ['1. Front', '2. Front', 'Front'],
  ])('is told where it is drawn turned over: %s and %s', (a, b, name) => {
    const [first, second] = drafts(front(20, a), front(400, b, true))
    expect(first!.draft.name).toBe(name)
    expect(first!.twin).toBeNull()
    expect(second!.twin).toEqual({ id: first!.draft.id, turned: true })
    expect(second!.doubts[0]).toBe(`it is drawn twice: “${name}” is the same, turned over`)
  })
  it('is told as it is, too; of three, both others belong to the first', () => {
    const all = drafts(front(20, 'Front'), front(400, 'Front'), front(800, 'Front'))
    expect(all.map((d) => d.twin?.turned)).toEqual([undefined, false, false])
  })
  it.each([
    ['another name', front(400, 'Back', true)],
    ['another size', front(400, 'Front', true, 0.98)],
  ])('is none with %s', (_, other) => {
    expect(drafts(front(20, 'Front'), other).map((d) => d.twin)).toEqual([null, null])
  })
})
