import type { DrawnShape } from '../formats'

/** A size that a line or its group is called by: “size 12”, “Size M”; null where it has none. */
export function sizeCalled(shape: Pick<DrawnShape, 'name' | 'groups'>): string | null {
  for (const name of [shape.name, ...[...shape.groups].reverse()]) {
    const found = /\bsize[\s_:-]*([a-z0-9./]{1,8})\b/i.exec(name)
    if (found) return found[1]!
  }
  return null
}
