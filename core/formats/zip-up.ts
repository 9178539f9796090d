import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'

/** Files that are packed inside already gain nothing by being packed again. */
const PACKED = /\.(pdf|jpg|png|webp)$/

/** One file of many, put together as they come: nothing waits in memory but what is packed. */
export function zipUp() {
  const chunks: Uint8Array<ArrayBuffer>[] = []
  let bytes = 0
  let failed: Error | null = null
  const zip = new Zip((error, chunk) => {
    if (error) failed = error
    else {
      chunks.push(new Uint8Array(chunk))
      bytes += chunk.length
    }
  })
  return {
    /** Puts a file in, by its name with its folders. */
    add(name: string, data: Uint8Array | string): void {
      const file = PACKED.test(name) ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 6 })
      zip.add(file)
      file.push(typeof data === 'string' ? new TextEncoder().encode(data) : data, true)
    },
    /** How large it is by now, bytes. */
    bytes: () => bytes,
    /** The whole, in parts. @throws where one of the files could not be packed */
    end(): readonly Uint8Array<ArrayBuffer>[] {
      zip.end()
      if (failed) throw failed
      return chunks
    },
  }
}
