import { onScopeDispose, shallowReactive } from 'vue'
import { problemSentence, refuse, type Result } from '~~/core/result'
import { db } from '~/data/db'
import { roomLeft } from '~/data/pictures'
import { sayFault } from '~/messages'
import { useFittings } from '~/stores/fittings'
import { Bench } from '~/workers/bench'
import type { ScaledPhoto, scalePhoto } from '~/workers/scale-photo'

/** A photograph that takes longer than this to scale down hangs, ms. */
const SILENT_MS = 20_000
/** From so full on it is said before a photograph is lost. */
const NEARLY_FULL = 0.9

const bench = new Bench<{ scalePhoto: typeof scalePhoto }>(
  () => new Worker(new URL('../workers/photo.worker.ts', import.meta.url), { type: 'module' }),
)

/** Brings photographs in, and shows the kept ones. */
export function usePhotos() {
  const log = useFittings()
  /** Addresses of pictures that are shown, by the photograph's id; '' where its picture is not here. */
  const shown = shallowReactive(new Map<string, string>())
  const asked = new Set<string>()
  onScopeDispose(() => {
    for (const url of shown.values()) if (url) URL.revokeObjectURL(url)
  })

  /** The address of a picture; undefined while it is being read. */
  function pictureUrl(id: string): string | undefined {
    if (!asked.has(id)) {
      asked.add(id)
      void db.pictures.get(id).then((row) => shown.set(id, row ? URL.createObjectURL(new Blob([row.data], { type: row.type })) : ''))
    }
    return shown.get(id)
  }

  /** Takes photographs in, one after the other; gives how many were kept. What cannot be taken is named, the others are kept. */
  async function takeIn(fittingId: string, files: readonly File[]): Promise<number> {
    let kept = 0
    for (const file of files) {
      const room = await roomLeft()
      if (room && room.usedBytes > NEARLY_FULL * room.ofBytes) {
        sayFault('The storage of this browser is nearly full. Back up, then thin out photographs of earlier fittings.')
        return kept
      }
      const scaled = await bench
        .run<Result<ScaledPhoto>>((worker) => worker.scalePhoto(file, file.name), SILENT_MS)
        .catch((error: unknown) =>
          refuse<ScaledPhoto>('no-photo', file.name, error instanceof Error ? error.message : String(error), 'Choose it again.'),
        )
      if (!scaled.ok) {
        sayFault(problemSentence(scaled.problem))
        continue
      }
      const { data, ...photo } = scaled.value
      if (await log.addPhoto({ ...photo, fittingId, bytes: data.byteLength }, data)) kept += 1
    }
    return kept
  }

  return { pictureUrl, takeIn }
}
