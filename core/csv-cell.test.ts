import fc from 'fast-check'
import { expect, it } from 'vitest'
import { fromCell, toCell } from './csv-cell'

it.each(['=1+1', '+49', '-5', '@cmd', "'=x", '\t=x'])('%j never begins as a formula, and comes back as it was', (words) => {
  expect(toCell(words)).toMatch(/^'/)
  expect(fromCell(toCell(words))).toBe(words)
})

it('leaves all other words alone', () => {
  for (const words of ['the Cook', "'tis", '', 'Waist = middle']) expect(toCell(words)).toBe(words)
  fc.assert(fc.property(fc.string(), (words) => fromCell(toCell(words)) === words))
})
