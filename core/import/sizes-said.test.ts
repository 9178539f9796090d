import { describe, expect, it } from 'vitest'
import { sizesSaid } from './sizes-said'

const said = (count: number, ...texts: string[]) =>
  sizesSaid(
    texts.map((text) => ({ text })),
    count,
  )

describe('the names of so many sizes in the words of a drawing', () => {
  it.each<[string, number, string[], string[]]>([
    ['one beside a line of each', 3, ['Size 42', 'Size 38', 'Key', 'Size 40'], ['38', '40', '42']],
    ['letters', 5, ['size XL', 'size S', 'size M', 'size XXL', 'Size L'], ['S', 'M', 'L', 'XL', 'XXL']],
    ['a list', 4, ['Skirt front', 'Sizes: 6, 8, 10, 12', 'cut 2'], ['6', '8', '10', '12']],
    ['a list with strokes', 3, ['S / M / L'], ['S', 'M', 'L']],
    ['a list with spaces', 3, ['34 36 38'], ['34', '36', '38']],
    ['the first and the last', 5, ['Sizes 34-42'], ['34', '36', '38', '40', '42']],
    ['the first and the last, in words', 3, ['size 10 to 14'], ['10', '12', '14']],
    ['figures that stand alone', 3, ['12', '16', '14', 'Front'], ['12', '14', '16']],
    ['letters with a figure', 4, ['Size 2XL', 'Size XL', 'Size L', 'Size 3XL'], ['L', 'XL', '2XL', '3XL']],
    ['one after the other with an x', 4, ['3X', '1X', '4X', '2X'], ['1X', '2X', '3X', '4X']],
    ['small ones', 3, ['Size XS', 'Size XXS', 'Size S'], ['XXS', 'XS', 'S']],
  ])('are read from %s', (_, count, texts, names) => {
    expect(said(count, ...texts)).toEqual(names)
  })
  it('are none where they do not fit the number of lines, or no size can be told from another', () => {
    expect(said(3, 'Size 38', 'Size 40')).toBeNull()
    expect(said(4, 'Sizes 34-42')).toBeNull()
    expect(said(3, 'Size 38', 'Size M', 'Size 42')).toBeNull()
    expect(said(3, 'Page 1', 'Page 2', 'Page 3', '1', '2', '3')).toBeNull()
    expect(said(2, 'cut 2', '5/8 in', 'Front')).toBeNull()
    expect(said(2, '1x', '2x', '2X', '1x')).toBeNull()
    expect(said(3, '1x', '2x', '4x')).toBeNull()
    expect(said(2, '1x', '38')).toBeNull()
  })
  it('are looked for in no time, whatever is written', () => {
    for (const words of [
      's '.repeat(60),
      '1   '.repeat(40),
      '2xs and '.repeat(20),
      'size '.repeat(4000),
      ' '.repeat(20_000),
      '1'.repeat(20_000),
    ])
      expect(said(3, `${words}!x`)).toBeNull()
  })
})
