/** A file with a few of its bytes changed, cut out, doubled, or put elsewhere. */
export function mutate(bytes: Uint8Array, chance: () => number): Uint8Array {
  let out = Uint8Array.from(bytes)
  const times = 1 + Math.floor(chance() * 6)
  for (let i = 0; i < times; i++) {
    const at = Math.floor(chance() * out.length)
    const long = Math.floor(chance() ** 3 * Math.min(4000, out.length - at))
    const part = out.slice(at, at + long)
    const to = Math.floor(chance() * out.length)
    switch (Math.floor(chance() * 6)) {
      case 0:
        out[at] = Math.floor(chance() * 256)
        break
      case 1:
        out = Uint8Array.from([...out.slice(0, at), ...out.slice(at + long)])
        break
      case 2:
        out = Uint8Array.from([...out.slice(0, to), ...part, ...out.slice(to)])
        break
      case 3:
        out = out.slice(0, Math.max(16, at))
        break
      case 4: {
        // A figure becomes another: huge, tiny, none.
        const figures = ['1e308', '-0', '9e9', 'NaN', '0', '-99999999', '1e-300', '""', '999999']
        const text = figures[Math.floor(chance() * figures.length)]!
        const digit = out.findIndex((b, k) => k >= at && b >= 48 && b <= 57)
        if (digit >= 0) out = Uint8Array.from([...out.slice(0, digit), ...new TextEncoder().encode(text), ...out.slice(digit + 1)])
        break
      }
      default:
        for (let k = at; k < at + long; k++) out[k] = out[to % out.length]!
    }
  }
  return out
}
