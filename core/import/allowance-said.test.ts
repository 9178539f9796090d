import { describe, expect, it } from 'vitest'
import { readSvg } from '../formats'
import { allowanceSaid, firstSaid } from './allowance-said'
import { lengthsSaid } from './lengths-said'
import { makeDrafts } from './make-drafts'

type Said = ReturnType<typeof allowanceSaid>

describe('words about seam allowances', () => {
  it.each([
    ['seam allowance 1 cm included', true, 10, null],
    ['Seam allowances of 1,5 cm are included', true, 15, null],
    ['5/8" seam allowance included', true, 15.875, null],
    ['All seam allowances included: 1 cm (hem 4 cm)', true, 10, 40],
    ['Includes ⅜ in seam allowance; hem 1 1/4 in', true, 9.525, 31.75],
    ['1.5 cm seam allowance', true, 15, null],
    ['seam allowance: 6 mm', true, 6, null],
    ['with seam allowances', true, null, null],
    ['S.A. 1cm incl.', true, 10, null],
    ['SA 12 mm included', true, 12, null],
    ['no seam allowance', false, null, null],
    ['NO SEAM ALLOWANCES', false, null, null],
    ['Without seam allowances', false, null, null],
    ['Seam allowance not included', false, null, null],
    ['Seam allowances must be added', false, null, null],
    ['add 1 cm seam allowance, 3 cm at hem', false, 10, 30],
    ['Add seam and hem allowances', false, null, null],
    ['excluding seam allowance', false, null, null],
    ['Seam allowance is NOT included', false, null, null],
    ['1cm S/A included', true, 10, null],
    ['allow 1.5 cm for seams', false, 15, null],
    ['includes 1 cm for seams', true, 10, null],
    ['all seams 1.5 cm included', true, 15, null],
    ['seam allowance: none', false, null, null],
    ['Seam allowance 0 cm', false, null, null],
    ['Seam allowances have been added', true, null, null],
    ['Seam allowances have not been added', false, null, null],
    ['Seam allowance 1 cm (not included)', false, 10, null],
    ['seam allowance incl. 1cm / hem 3cm', true, 10, 30],
    ['Stitch 1.5 cm from the edge', null, null, null],
    ['lengthen here, match side seam', null, null, null],
    ['Seam allowances are included, do not add them', true, null, null],
    ['no additional seam allowance needed', true, null, null],
    ['No side seam: seam allowance 1 cm included', true, 10, null],
    ['1 cm seam allowance included, side seam is not stitched', true, 10, null],
    ['cut 2 on the fold', null, null, null],
    ['sa', null, null, null],
  ] as const)('%s', (text, included, mm, hemMm) => {
    const near = (x: number | null) => (x === null ? null : (expect.closeTo(x, 6) as number))
    expect(allowanceSaid(['Front', text])).toEqual({ included, mm: near(mm), hemMm: near(hemMm) })
  })
  it('on a piece go before those beside the pieces, and these before those on another', () => {
    const [with1, with2, none, silent] = ['seam allowance 1 cm included', 'seam allowance 2 cm included', 'no seam allowance', 'Front'].map(
      (t) => allowanceSaid([t]),
    ) as [Said, Said, Said, Said]
    expect(firstSaid(none, with1, with2).included).toBe(false)
    expect(firstSaid(silent, with1, none).mm).toBe(10)
    expect(firstSaid(silent, silent, with2).mm).toBe(20)
    expect(firstSaid(silent, silent).included).toBeNull()
  })
})

it.each([
  ['1 1/2 in and 3/8"', [38.1, 9.525]],
  ['2½" or 2 ½ in', [63.5, 63.5]],
  ['5 x 5 cm', [50]],
  ['size 12', []],
] as const)('lengths in “%s”', (text, mm) => {
  expect(lengthsSaid(text)).toEqual(mm.map((x) => expect.closeTo(x, 6) as number))
})

describe('a single line', () => {
  const draft = (words: string, beside = '') => {
    const read = readSvg(
      `<svg xmlns="http://www.w3.org/2000/svg" width="500mm" height="700mm" viewBox="0 0 500 700"><path d="M50 20H350V620H50Z" fill="none" stroke="#000"/>
      <text x="80" y="300" font-size="8">Skirt back</text><text x="80" y="320" font-size="6">${words}</text><text x="20" y="680" font-size="6">${beside}</text></svg>`,
    )
    const drafts = read.ok ? makeDrafts(read.value, 1) : read
    if (!drafts.ok) throw new Error(drafts.problem.message)
    return drafts.value[0]!
  }
  const doubt = (d: ReturnType<typeof draft>) => d.doubts.some((x) => x.includes('seam allowance'))
  it('is the seam line where words say that nothing is added yet', () => {
    const d = draft('cut 1', 'All pieces without seam allowance')
    expect([d.draft.allowanceIncluded, doubt(d)]).toEqual([false, false])
  })
  it('has the room within it that words say, at the hem another', () => {
    const d = draft('seam allowance 5/8 in, hem 1 1/2 in included')
    expect([d.draft.allowanceIncluded, doubt(d)]).toEqual([true, false])
    const widths = d.draft.edges.map((e) => [e.role === 'hem', e.allowanceMm])
    expect(widths).toContainEqual([true, expect.closeTo(38.1, 6)])
    expect(widths.filter(([isHem]) => !isHem).map(([, mm]) => mm)).toEqual([15.875, 15.875, 15.875])
  })
  it('is taken for the cut line where nothing is said, and that is asked about', () => {
    const d = draft('cut 1')
    expect([d.draft.allowanceIncluded, d.draft.edges[0]!.allowanceMm, doubt(d)]).toEqual([true, 10, true])
  })
})
