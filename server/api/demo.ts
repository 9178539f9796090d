import { createHash } from 'node:crypto'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import { contentsOf } from '../../core/formats/project'
import { writeProjectFile } from '../../core/formats/project-file'
import { demoWardrobe } from '../../demo/wardrobe'

function draft() {
  const now = new Date()
  const { projects, wearers, log } = demoWardrobe(now)
  const plain = Buffer.from(writeProjectFile(contentsOf(projects, wearers, [], log), now))
  return {
    version: `"${createHash('sha256').update(plain).digest('base64url').slice(0, 22)}"`,
    plain,
    gzip: gzipSync(plain),
    br: brotliCompressSync(plain, { params: { [constants.BROTLI_PARAM_QUALITY]: 6 } }),
  }
}

let made: ReturnType<typeof draft> | null = null

/** The demo wardrobe as a project file: drafted once, sent compressed, and not again to a browser that has this version. */
export default defineEventHandler((event) => {
  if (!isFetch(event)) return refuseMethod(event)
  made ??= draft()
  setHeaders(event, { 'content-type': 'application/json', etag: made.version, 'cache-control': 'no-cache', vary: 'accept-encoding' })
  if (getHeader(event, 'if-none-match') === made.version) {
    setResponseStatus(event, 304)
    return null
  }
  const accepted = getHeader(event, 'accept-encoding') ?? ''
  const encoding = (['br', 'gzip'] as const).find((e) => new RegExp(`\\b${e}\\b`).test(accepted))
  if (encoding) setHeader(event, 'content-encoding', encoding)
  return encoding ? made[encoding] : made.plain
})
