/**
 * What the layers of the public exchange standard of the sewing trade (ASTM D6673) hold: a block for each piece and size, and
 * in it a number for each sort of line. Names are those that every reader of this program understands.
 */
const LAYERS: Record<string, string | null> = {
  '1': 'cut line',
  '2': null, // turn points
  '3': null, // curve points
  '4': 'notch',
  '5': null, // grade reference
  '6': 'fold line',
  '7': 'grain',
  '8': 'inner line',
  '9': null, // stripe
  '10': null, // plaid
  '11': 'cut-out',
  '13': 'drill hole',
  '14': 'seam line',
  '15': null, // annotations, which are words
  '80': 'notch',
  '81': 'notch',
  '82': 'notch',
  '83': 'notch',
  '84': null, // curves that repeat the others for checking
  '85': null,
  '86': null,
  '87': null,
}

/** Layers of the standard that a file has, beside the boundary, before its other ones are taken for additions of its program. */
const LEAST_KNOWN = 2

/**
 * Are the layers of a file those of the standard: a boundary among them, and only its numbers; or also others, where its words name the
 * pieces as the standard does?
 */
export const isExchange = (layers: readonly string[], namesPieces: boolean): boolean => {
  const known = layers.filter((l) => l !== '0' && l in LAYERS)
  const others = layers.filter((l) => l !== '0' && !(l in LAYERS))
  return layers.includes('1') && (others.length === 0 || (namesPieces && known.length > LEAST_KNOWN))
}

/** What a layer of the standard holds; null for what is no line of a piece. */
export const roleOfLayer = (layer: string): string | null => LAYERS[layer] ?? null

/** Is a layer none of the standard's? Then a person may say what it holds. */
export const isOtherLayer = (layer: string): boolean => layer !== '0' && !(layer in LAYERS)

/** What the words in a block of the standard say: “Piece Name: FRONT”, “Size: 38”, “Quantity: 2”. */
export function blockWords(texts: readonly string[]): { piece: string | null; size: string | null; isMetric: boolean | null } {
  const said = (key: RegExp): string | null => texts.map((t) => key.exec(t)?.[1]?.trim()).find((x) => x) ?? null
  const units = said(/^\s*units\s*:\s*(\w+)/i)
  return {
    piece: said(/^\s*piece name\s*:\s*(.+)$/i),
    size: said(/^\s*(?:piece )?size\s*:\s*(\S+)/i),
    isMetric: units === null ? null : /^metric/i.test(units),
  }
}
