import { unzipSync, zipSync, type Zippable } from 'fflate'
import { refuse, ok, type Result } from '../result'
import type { Contents } from './project'
import { readProjectFile, writeProjectFile } from './project-file'

/** The project file inside a backup. */
const PROJECT = 'wardrobe.json'
const FOLDER = 'pictures/'
const ENDINGS: Record<string, string> = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' }

/** Pictures of photographs, by the photograph's id. */
export type Pictures = ReadonlyMap<string, Uint8Array>

/** A picture is scaled down when it comes in: none is larger than this, bytes. */
export const LARGEST_PICTURE = 20_000_000
/** A project file of five hundred garments in eight sizes, bytes. */
const LARGEST_PROJECT = 400_000_000
/** All that a backup may unpack to, bytes: what a page can hold beside what it shows. */
const LARGEST_BACKUP = 1_000_000_000

const nameOf = (photo: { id: string; type: string }) => `${FOLDER}${encodeURIComponent(photo.id)}.${ENDINGS[photo.type]}`

/** Writes everything as one file: a zip of the project file and the pictures of its photographs, those that are there. */
export function writeBackup(contents: Contents, pictures: Pictures, savedAt: Date): Uint8Array<ArrayBuffer> {
  const files: Zippable = { [PROJECT]: [new TextEncoder().encode(writeProjectFile(contents, savedAt)), { level: 6 }] }
  // A photograph is packed already.
  for (const photo of contents.photos) if (pictures.has(photo.id)) files[nameOf(photo)] = [pictures.get(photo.id)!, { level: 0 }]
  return new Uint8Array(zipSync(files))
}

/** Do these bytes begin as a zip does? */
const isZip = (bytes: Uint8Array) => bytes[0] === 0x50 && bytes[1] === 0x4b

/** The pictures that a browser shows begin so; anything else is no picture, whatever it is called. */
export function pictureType(bytes: Uint8Array): 'image/jpeg' | 'image/png' | 'image/webp' | null {
  const starts = (at: number, ...signs: number[]) => signs.every((s, i) => bytes[at + i] === s)
  if (starts(0, 0xff, 0xd8, 0xff)) return 'image/jpeg'
  if (starts(0, 0x89, 0x50, 0x4e, 0x47)) return 'image/png'
  return starts(0, 0x52, 0x49, 0x46, 0x46) && starts(8, 0x57, 0x45, 0x42, 0x50) ? 'image/webp' : null
}

/**
 * Reads a backup: the zip, or a project file of any version by itself, which has no pictures. It is read whole or not at all; a
 * picture that is none is refused, one that is missing is left out.
 */
export function readBackup(bytes: Uint8Array): Result<{ file: Contents; pictures: Pictures }> {
  const again = 'Try another copy of it; nothing was changed here.'
  if (!isZip(bytes)) {
    const read = readProjectFile(new TextDecoder().decode(bytes))
    return read.ok ? ok({ file: read.value, pictures: new Map() }) : read
  }
  let unpacked = 0
  let files: Record<string, Uint8Array>
  try {
    files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (name !== PROJECT && !name.startsWith(FOLDER)) return false
        unpacked += originalSize
        // What is too large by itself is said with what is too large together.
        if (originalSize > (name === PROJECT ? LARGEST_PROJECT : LARGEST_PICTURE)) unpacked = Infinity
        return unpacked <= LARGEST_BACKUP
      },
    })
  } catch {
    return refuse('file-unreadable', 'backup', 'the file is not whole, or is packed in a way that is not known here.', again)
  }
  if (unpacked > LARGEST_BACKUP)
    return refuse('file-too-large', 'backup', 'it unpacks to more than a page can hold.', 'Part it: back up fewer garments at once.')
  const project = files[PROJECT]
  if (!project) return refuse('file-other', 'backup', 'this zip holds no wardrobe of Tidal Seam.', 'Choose a backup that was saved here.')
  const read = readProjectFile(new TextDecoder().decode(project))
  if (!read.ok) return read
  const pictures = new Map<string, Uint8Array>()
  for (const photo of read.value.photos) {
    const picture = files[nameOf(photo)]
    if (!picture) continue
    if (pictureType(picture) !== photo.type)
      return refuse('file-wrong', nameOf(photo), 'it is not a picture of the kind that it says.', again)
    pictures.set(photo.id, picture)
  }
  return ok({ file: read.value, pictures })
}
