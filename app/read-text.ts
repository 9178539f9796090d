import { sayFault } from '~/messages'

/** The text of a chosen file; null where the disk no longer gives it, which is said. */
export async function readText(file: File): Promise<string | null> {
  const text = await file.text().catch(() => null)
  if (text === null) sayFault(`${file.name} cannot be read from the disk: it was moved or changed meanwhile. Choose it again.`)
  return text
}
