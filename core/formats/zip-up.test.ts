import { unzipSync } from 'fflate'
import { expect, it } from 'vitest'
import { zipUp } from './zip-up'

it('puts files together that come one after the other, in their folders', () => {
  const zip = zipUp()
  const pdf = Uint8Array.from({ length: 5000 }, (_, i) => i % 251)
  zip.add('the-cook/dress/sheets.pdf', pdf)
  zip.add('table.csv', 'a,b\r\nü,1\r\n')
  const before = zip.bytes()
  expect(before).toBeGreaterThan(5000)
  const files = unzipSync(Buffer.concat(zip.end()))
  expect(files['the-cook/dress/sheets.pdf']).toEqual(pdf)
  expect(new TextDecoder().decode(files['table.csv'])).toBe('a,b\r\nü,1\r\n')
})
