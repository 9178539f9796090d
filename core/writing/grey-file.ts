import type { GreyPicture } from './draw-writing'

/** A picture as a portable grey map (PGM, “P5”): the plainest form that readers of pictures take. */
export function greyFile({ width, height, dots }: GreyPicture): Uint8Array {
  const head = new TextEncoder().encode(`P5\n${width} ${height}\n255\n`)
  const file = new Uint8Array(head.length + dots.length)
  file.set(head)
  file.set(dots, head.length)
  return file
}
