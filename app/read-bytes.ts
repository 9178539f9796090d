import { sayFault } from '~/messages'

/** What is in a chosen file; null where the disk no longer gives it, which is said. */
export async function readBytes(file: File): Promise<Uint8Array<ArrayBuffer> | null> {
  const buffer = await file.arrayBuffer().catch(() => null)
  if (buffer === null) sayFault(`${file.name} cannot be read from the disk: it was moved or changed meanwhile. Choose it again.`)
  return buffer && new Uint8Array(buffer)
}
