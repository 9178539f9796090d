import { describe, expect, it } from 'vitest'
import { readSvg } from '../formats'
import { bringIn } from './bring-in'
import { makeDrafts } from './make-drafts'
import { sayGuesses, thingsSaid } from './readings'

/** The one piece of a drawing. */
function draftOf(inside: string) {
  const read = readSvg(
    `<svg xmlns="http://www.w3.org/2000/svg" width="500mm" height="500mm" viewBox="0 0 500 500"><g fill="none" stroke="#000">${inside}</g></svg>`,
  )
  if (!read.ok) throw new Error(read.problem.message)
  const drafts = makeDrafts(read.value, 1)
  if (!drafts.ok) throw new Error(drafts.problem.message)
  return drafts.value[0]!
}
const OUTLINE = '<path d="M40 30 H260 V330 L40 360 Z"/>'
const words = (...lines: string[]) =>
  lines.map((l, i) => `<text x="110" y="${140 + 14 * i}" font-size="9" fill="#000" stroke="none">${l}</text>`).join('')

describe('how it is known what a piece is', () => {
  it('is guessed where nothing is written or drawn on it', () => {
    const { readings, doubts, draft } = draftOf(OUTLINE)
    expect(readings).toEqual({ name: 'guessed', count: 'guessed', allowance: 'guessed' })
    expect(doubts).toEqual(sayGuesses(draft, readings))
    expect(doubts).toHaveLength(3)
  })

  it('is written where words say it', () => {
    const { readings } = draftOf(`${OUTLINE}${words('Skirt back', 'size 40', 'cut 2', 'seam allowance included')}`)
    expect(readings).toMatchObject({ name: 'written', count: 'written', size: 'written', allowance: 'written' })
  })

  it('is drawn where a mark shows it: a bracket marks the fold, and with it the grain', () => {
    const bracket = '<path d="M40 90 H70 V290 H40"/><path d="M40 90 l6 -3 v6 z"/><path d="M40 290 l6 -3 v6 z"/>'
    const { readings, draft, doubts } = draftOf(`${OUTLINE}${words('Skirt back', 'cut 1 on fold')}${bracket}`)
    expect(draft.edges.filter((e) => e.fold)).toHaveLength(1)
    expect(readings).toMatchObject({ fold: 'drawn', grain: 'drawn' })
    expect(doubts.filter((d) => /grain|fold/.test(d))).toEqual([])
  })

  it('says of a fold that is only written whether there is an edge for it', () => {
    const { readings, draft } = draftOf(`${OUTLINE}${words('Skirt back', 'cut 1 on fold')}`)
    expect(readings.fold).toBe('guessed')
    expect(sayGuesses(draft, { fold: 'guessed' })).toEqual(['which edge lies on the fold is not marked'])
    const none = { ...draft, edges: draft.edges.map((e) => ({ ...e, fold: false })) }
    expect(sayGuesses(none, { fold: 'guessed' })[0]).toContain('no straight edge of it can')
  })
})

it('parts of a draft that a person settles tell what is known', () => {
  expect(thingsSaid(['count', 'mirrored', 'edges', 'constructor'])).toEqual(['count'])
})

describe('two that are cut of a piece', () => {
  const leg = '<path d="M60 30 H240 L250 330 H70 C66 200 40 120 30 110 C50 90 58 60 60 30 Z"/>'
  const half = '<path d="M40 40 Q150 40 210 30 C240 120 250 200 260 330 Q150 350 40 350 Z"/>'
  const strip = '<path d="M40 30 H340 V70 H40 Z"/>'
  it.each<[string, string, string[], boolean]>([
    ['half a skirt', half, ['Skirt back', 'cut 2'], true],
    ['half a skirt four times, for its lining', half, ['Skirt back', 'cut 4'], true],
    ['a leg', leg, ['Trouser front', 'cut 2'], true],
    ['half a skirt once', half, ['Skirt back', 'cut 1'], false],
    ['half a skirt on the fold', half, ['Skirt back', 'cut 2 on fold'], false],
    ['a band', strip, ['Waistband', 'cut 2'], false],
  ])('are a left and a right one of %s, and alike where it has none', (_, outline, lines, isPair) => {
    expect(draftOf(`${outline}${words(...lines)}`).draft.mirrored).toBe(isPair)
  })
})

describe('the size of what is drawn in one', () => {
  const panel = (x: number, ...lines: string[]) =>
    `<g transform="translate(${x} 0)">${OUTLINE}<path d="M150 90 V300"/><path d="M147 95 L150 90 L153 95"/>${words(...lines)}</g>`
  const sizeOf = (...panels: string[]) => {
    const read = readSvg(
      `<svg xmlns="http://www.w3.org/2000/svg" width="800mm" height="500mm" viewBox="0 0 800 500"><g fill="none" stroke="#000">${panels.join('')}</g></svg>`,
    )
    const brought = read.ok ? bringIn(read.value) : read
    if (!brought.ok) throw new Error(brought.problem.message)
    return brought.value.garment.sizes.map((s) => s.name)
  }

  it('is what all of its pieces say, and none where they differ or say nothing', () => {
    expect(sizeOf(panel(0, 'Skirt front', 'size M'), panel(300, 'Skirt back', 'Size M'))).toEqual(['M'])
    expect(sizeOf(panel(0, 'Skirt front', 'size M'), panel(300, 'Skirt back'))).toEqual(['M'])
    expect(sizeOf(panel(0, 'Skirt front', 'size M'), panel(300, 'Skirt back', 'size L'))).toEqual(['as in the file'])
    expect(sizeOf(panel(0, 'Skirt front'), panel(300, 'Skirt back'))).toEqual(['as in the file'])
  })
})
