import { unzlibSync } from 'fflate'

/** “wOFF”. */
const SIGNATURE = 0x774f4646
const WOFF_HEADER = 44
const WOFF_ENTRY = 20
const SFNT_HEADER = 12
const SFNT_ENTRY = 16

/**
 * The font inside a WOFF file (W3C, WOFF File Format 1.0), as TrueType or OpenType: what reads fonts for paper unpacks a packed one anew, and slowly,
 * whenever it looks something up.
 *
 * @param file a font file
 * @returns the same file where it is no WOFF
 */
export function unpackFont(file: Uint8Array): Uint8Array {
  const from = new DataView(file.buffer, file.byteOffset, file.byteLength)
  if (file.length < WOFF_HEADER || from.getUint32(0) !== SIGNATURE) return file
  const count = from.getUint16(12)
  const out = new Uint8Array(from.getUint32(16))
  const to = new DataView(out.buffer)
  to.setUint32(0, from.getUint32(4))
  to.setUint16(4, count)
  // How its tables are searched by halves: the largest power of two that fits, and what is left.
  const halvings = Math.floor(Math.log2(count))
  to.setUint16(6, 2 ** halvings * SFNT_ENTRY)
  to.setUint16(8, halvings)
  to.setUint16(10, (count - 2 ** halvings) * SFNT_ENTRY)
  let place = SFNT_HEADER + count * SFNT_ENTRY
  for (let i = 0; i < count; i++) {
    const entry = WOFF_HEADER + i * WOFF_ENTRY
    const [tag, offset, packed, length, sum] = [0, 4, 8, 12, 16].map((at) => from.getUint32(entry + at)) as [
      number,
      number,
      number,
      number,
      number,
    ]
    const stored = file.subarray(offset, offset + packed)
    out.set(packed < length ? unzlibSync(stored) : stored, place)
    ;[tag, sum, place, length].forEach((value, k) => to.setUint32(SFNT_HEADER + i * SFNT_ENTRY + 4 * k, value))
    // Each begins at a whole word.
    place += Math.ceil(length / 4) * 4
  }
  return out
}
