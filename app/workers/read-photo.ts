import {
  joinPhotographs,
  readPhotograph,
  type Corners,
  type JoinedPhotographs,
  type Known,
  type PhotographProgress,
  type Pixels,
  type PointedMark,
  type ReadPhotograph,
} from '~~/core/photograph'
import { refuse, type Result } from '~~/core/result'

/** Pictures that were read last, by id: a corner that is dragged reads the same one again. */
const last = new Map<string, Pixels>()
const MOST_KEPT = 3

async function pixelsOf(id: string, picture: Blob): Promise<Pixels | null> {
  const there = last.get(id)
  if (there) return there
  const bitmap = await createImageBitmap(picture).catch(() => null)
  const pen = bitmap && new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d', { willReadFrequently: true })
  if (!bitmap || !pen) return null
  pen.drawImage(bitmap, 0, 0)
  const { width, height, data } = pen.getImageData(0, 0, bitmap.width, bitmap.height)
  bitmap.close()
  const pixels = { width, height, data }
  last.set(id, pixels)
  if (last.size > MOST_KEPT) last.delete([...last.keys()][0]!)
  return pixels
}

/** Reads the pieces in a kept photograph (see readPhotograph), in a worker. */
export async function readPhoto(
  id: string,
  picture: Blob,
  known: Known,
  pointed: Corners | null,
  progress?: PhotographProgress,
): Promise<Result<ReadPhotograph>> {
  const pixels = await pixelsOf(id, picture)
  if (!pixels)
    return refuse('no-photo', 'photograph', 'its picture can no longer be read.', 'Take it out, and take the photograph in again.')
  return readPhotograph(pixels, known, pointed, progress)
}

/** What several photographs show together (see joinPhotographs), in a worker. */
export const joinPhotos = (reads: readonly ReadPhotograph[], marks: readonly PointedMark[]): Result<JoinedPhotographs> =>
  joinPhotographs(reads, marks)
