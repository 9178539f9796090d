import { createHash } from 'node:crypto'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import file from '#demo-file'

function pack() {
  const plain = Buffer.from(file)
  return {
    version: `"${createHash('sha256').update(plain).digest('base64url').slice(0, 22)}"`,
    plain,
    gzip: gzipSync(plain),
    br: brotliCompressSync(plain, { params: { [constants.BROTLI_PARAM_QUALITY]: 6 } }),
  }
}

let packed: ReturnType<typeof pack> | null = null

/** The demo wardrobe as a project file: drafted when the server is built, sent compressed, and not again to a browser that has this version. */
export default defineEventHandler((event) => {
  if (!isFetch(event)) return refuseMethod(event)
  packed ??= pack()
  setHeaders(event, { 'content-type': 'application/json', etag: packed.version, 'cache-control': 'no-cache', vary: 'accept-encoding' })
  if (getHeader(event, 'if-none-match') === packed.version) {
    setResponseStatus(event, 304)
    return null
  }
  const accepted = getHeader(event, 'accept-encoding') ?? ''
  const encoding = (['br', 'gzip'] as const).find((e) => new RegExp(`\\b${e}\\b`).test(accepted))
  if (encoding) setHeader(event, 'content-encoding', encoding)
  return encoding ? packed[encoding] : packed.plain
})
