import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { greyFile, linesOf, type WordReader } from '../../core/writing'

/** Where the letters of the reader lie, in its own package. */
const letters = join(dirname(createRequire(import.meta.url).resolve('@tesseract.js-data/eng/package.json')), '4.0.0_best_int')

/** Reads words on pictures, on the command line; the reader is begun where there is something to read, and ended with `end`. */
export function wordReader(): { read: WordReader; end: () => Promise<void> } {
  let worker: Promise<import('tesseract.js').Worker> | null = null
  const begin = async () => {
    const { createWorker, PSM } = await import('tesseract.js')
    const own = await createWorker('eng', 1, { langPath: letters, cacheMethod: 'none' })
    await own.setParameters({ tessedit_pageseg_mode: PSM.SINGLE_BLOCK })
    return own
  }
  return {
    async read(picture) {
      worker ??= begin()
      const { data } = await (await worker).recognize(Buffer.from(greyFile(picture)), {}, { blocks: true, text: false })
      return linesOf(data)
    },
    async end() {
      // One that could not be begun has nothing to end.
      await (await worker?.catch(() => null))?.terminate()
    },
  }
}
