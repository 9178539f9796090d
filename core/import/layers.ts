import type { Drawing, DrawnShape } from '../formats'
import { hasPartWord } from './part-words'
import { calledLine } from './sized'

/** What a layer of a file may hold, as a person says it; “nothing” is left out. */
export const LAYER_ROLES = ['cut line', 'seam line', 'grain', 'notch', 'fold line', 'drill hole', 'inner line', 'nothing'] as const
export type LayerRole = (typeof LAYER_ROLES)[number]

export interface Layer {
  name: string
  /** How many lines are drawn on it. */
  lines: number
  /** What its name says that it holds; null where it says nothing, and each line is told by how it looks. */
  readAs: LayerRole | null
  /** No reader knows what it holds, and it counts only where somebody says so. */
  isApart: boolean
}

/** Layers of one file beyond this are the names of single things. */
const MOST_LAYERS = 24

/** Names that a program gives to groups by itself. */
const GIVEN =
  /^(?:g|id|path|group|use|svg|clip|page|slide|container|object|rect|line|polyline|polygon|shape|text|surface|figure)[\s_.-]*\d*$|^\d+$|^$/i

/** Names that programs give to layers by themselves say nothing of what another file has on one: “Layer 1”, “Drawing”. */
export const isLayerOfAnyFile = (name: string): boolean =>
  /^(?:layers?|drawing|default|background)?[\s_.-]*(?:copy)?[\s_.-]*\d{0,2}$/i.test(name)

/** The layer that a line is drawn on: the name of the innermost group that has one. */
const layerOf = ({ groups }: DrawnShape): string => groups[groups.length - 1] ?? ''

/** What a layer's name says that it holds, where every reader of this program takes it so. */
function roleCalled(name: string): LayerRole | null {
  const line = calledLine({ name, groups: [] })
  if (line) return line
  const plain = name.toLowerCase().trim()
  if (/\bgrain/.test(plain)) return 'grain'
  return LAYER_ROLES.find((role) => role === plain) ?? null
}

/**
 * The layers of a drawing, those first that nobody knows the meaning of, then those with most lines. Groups that are called by a part
 * of a garment are pieces; so are those of a file that has a name for every single thing, and it has no layers.
 */
export function layersOf({ shapes, apart }: Drawing): Layer[] {
  const layers = new Map<string, Layer>()
  const count = (list: readonly DrawnShape[], isApart: boolean) => {
    for (const s of list) {
      const name = layerOf(s)
      if (!isApart && (GIVEN.test(name) || (hasPartWord(name) && !roleCalled(name)))) continue
      const there = layers.get(name)
      if (there) there.lines += 1
      else layers.set(name, { name, lines: 1, readAs: roleCalled(name), isApart })
    }
  }
  count(apart, true)
  const unknown = layers.size
  count(shapes, false)
  const all = [...layers.values()]
  const known = all.slice(unknown)
  return [...all.slice(0, unknown).slice(0, MOST_LAYERS), ...(known.length > MOST_LAYERS ? [] : known.sort((a, b) => b.lines - a.lines))]
}

/** The drawing as a person says that its layers are to be read: by the name of each. */
export function withLayersSaid(drawing: Drawing, said: Readonly<Record<string, LayerRole>>): Drawing {
  const taken = drawing.apart.filter((s) => Object.hasOwn(said, layerOf(s)))
  const shapes = [...drawing.shapes, ...taken].flatMap((s): DrawnShape[] => {
    const role = Object.hasOwn(said, layerOf(s)) ? said[layerOf(s)]! : null
    if (role === null) return [s]
    return role === 'nothing' ? [] : [{ ...s, name: role, groups: [...s.groups.slice(0, -1), role] }]
  })
  return { ...drawing, shapes, apart: drawing.apart.filter((s) => !taken.includes(s)) }
}
