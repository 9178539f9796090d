import workerUrl from 'tesseract.js/dist/worker.min.js?url'
import coreUrl from 'tesseract.js-core/tesseract-core-simd-lstm.wasm.js?url'
import type { Worker as Reader } from 'tesseract.js'
import { greyFile, linesOf, type WordReader } from '~~/core/writing'

/** Without a sign of life for so long it is not waited for, ms. */
const SILENT_MS = 30_000

/** Where its letters lie: as `nuxt.config.ts` serves them. */
const LETTERS = '/words'

/**
 * Reads words on pictures, within the import worker. The reader ships with the application; it is fetched when there is something to
 * read for the first time, and begun only then.
 * @param heard told now and then that it still works
 */
export function wordReader(heard: () => void): { read: WordReader; end: () => Promise<void> } {
  let reader: Promise<Reader> | null = null
  let lastMs = Date.now()
  const alive = () => {
    lastMs = Date.now()
    heard()
  }
  /** What fails within the reader is not told by it: it falls silent. @throws then */
  async function unlessSilent<T>(job: Promise<T>): Promise<T> {
    alive()
    let timer: ReturnType<typeof setInterval> | undefined
    const silence = new Promise<never>((_, reject) => {
      timer = setInterval(() => {
        if (Date.now() - lastMs > SILENT_MS) reject(new Error('the reader of words does not answer'))
      }, 1000)
    })
    return Promise.race([job, silence]).finally(() => clearInterval(timer))
  }
  const begin = async () => {
    const { createWorker, PSM } = await import('tesseract.js')
    const own = await createWorker('eng', 1, {
      workerPath: workerUrl,
      corePath: coreUrl,
      langPath: new URL(LETTERS, self.location.origin).href,
      workerBlobURL: false,
      cacheMethod: 'none',
      logger: alive,
    })
    await own.setParameters({ tessedit_pageseg_mode: PSM.SINGLE_BLOCK })
    return own
  }
  return {
    async read(picture) {
      reader ??= begin()
      const own = await unlessSilent(reader)
      // It takes the bytes of a file too, which its types do not say.
      const { data } = await unlessSilent(own.recognize(greyFile(picture) as never, {}, { blocks: true, text: false }))
      return linesOf(data)
    },
    async end() {
      // One that never began has nothing to end, and is not waited for.
      void reader?.then((own) => own.terminate()).catch(() => undefined)
    },
  }
}
