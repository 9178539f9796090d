import { readBytes } from '~/read-bytes'

/** The text of a chosen file; null where the disk no longer gives it, which is said. */
export async function readText(file: File): Promise<string | null> {
  const bytes = await readBytes(file)
  return bytes && new TextDecoder().decode(bytes)
}
