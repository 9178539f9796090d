import { ok, refuse, type Result } from '~~/core/result'

/** As long as the longer side of a kept photograph is, pixels: folds and pins are seen well, and a hundred of them are 20 MB. */
const LONGEST_PX = 1600
/** Larger files are no photographs of a phone or a camera, bytes. */
const LARGEST_FILE = 60_000_000
const QUALITY = { seen: 0.82, measured: 0.94 }

/** A photograph as it is kept. */
export interface ScaledPhoto {
  type: 'image/jpeg'
  widthPx: number
  heightPx: number
  data: Uint8Array<ArrayBuffer>
}

/** What a picture of so many pixels is scaled to: never up. */
export function scaledSize(width: number, height: number, longest = LONGEST_PX): { width: number; height: number } {
  const part = Math.min(1, longest / Math.max(width, height))
  return { width: Math.max(1, Math.round(width * part)), height: Math.max(1, Math.round(height * part)) }
}

/**
 * Scales a photograph down and turns it upright, in a worker. It is drawn anew, so that nothing of what the camera wrote into the file
 * stays in it: neither the place nor the day nor the camera.
 * @param longest its longer side, pixels
 * @param use whether it is only looked at, or measured too
 */
export async function scalePhoto(
  file: Blob,
  name: string,
  longest = LONGEST_PX,
  use: keyof typeof QUALITY = 'seen',
): Promise<Result<ScaledPhoto>> {
  if (file.size > LARGEST_FILE) return refuse('photo-too-large', name, 'it is larger than 60 MB.', 'Save it smaller, then choose it again.')
  let picture: ImageBitmap
  try {
    picture = await createImageBitmap(file, { imageOrientation: 'from-image' })
  } catch {
    return refuse('no-photo', name, 'this browser cannot read it as a picture.', 'Save it as JPEG or PNG, then choose it again.')
  }
  const { width, height } = scaledSize(picture.width, picture.height, longest)
  const canvas = new OffscreenCanvas(width, height)
  const pen = canvas.getContext('2d')
  if (!pen) return refuse('no-photo', name, 'this browser cannot draw it anew.', 'Try again in another browser.')
  // What lets light through is on white paper.
  pen.fillStyle = '#fff'
  pen.fillRect(0, 0, width, height)
  pen.imageSmoothingQuality = 'high'
  pen.drawImage(picture, 0, 0, width, height)
  picture.close()
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY[use] })
  return ok({ type: 'image/jpeg', widthPx: width, heightPx: height, data: new Uint8Array(await blob.arrayBuffer()) })
}
