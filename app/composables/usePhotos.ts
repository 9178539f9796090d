import { onScopeDispose, shallowReactive } from 'vue'
import type { Photo } from '~~/core/fittings'
import { problemSentence, refuse, type Result } from '~~/core/result'
import { db } from '~/data/db'
import { roomLeft } from '~/data/pictures'
import { sayFault } from '~/messages'
import { useFittings } from '~/stores/fittings'
import { Bench } from '~/workers/bench'
import { openWorker } from '~/workers/open-worker'
import type { ScaledPhoto, scalePhoto } from '~/workers/scale-photo'

/** A photograph that takes longer than this to scale down hangs, ms. */
const SILENT_MS = 20_000
/** The longer side of a photograph that was thinned out, pixels: what was decided can still be seen. */
const THIN_PX = 800
/** From so full on it is said before a photograph is lost. */
const NEARLY_FULL = 0.9

const bench = new Bench<{ scalePhoto: typeof scalePhoto }>(() => openWorker('photo'))

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
      void db.pictures
        .get(id)
        // One that cannot be read is said to be missing, where it should stand.
        .catch(() => undefined)
        .then((row) => shown.set(id, row ? URL.createObjectURL(new Blob([row.data], { type: row.type })) : ''))
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

  /** Makes kept photographs smaller, for good; gives how many. One that is small already, or whose picture is not here, stays as it is. */
  async function thinOut(photos: readonly Photo[]): Promise<number> {
    let made = 0
    for (const photo of photos) {
      const row = Math.max(photo.widthPx, photo.heightPx) > THIN_PX ? await db.pictures.get(photo.id) : undefined
      if (!row) continue
      const blob = new Blob([row.data], { type: row.type })
      const scaled = await bench
        .run<Result<ScaledPhoto>>((worker) => worker.scalePhoto(blob, photo.text || 'photograph', THIN_PX), SILENT_MS)
        .catch(() => null)
      if (!scaled?.ok || scaled.value.data.byteLength >= photo.bytes) continue
      const { data, ...size } = scaled.value
      if (!(await log.replacePicture(photo.id, { ...size, bytes: data.byteLength }, data))) continue
      made += 1
      const old = shown.get(photo.id)
      if (old) URL.revokeObjectURL(old)
      shown.delete(photo.id)
      asked.delete(photo.id)
    }
    return made
  }

  return { pictureUrl, takeIn, thinOut }
}
