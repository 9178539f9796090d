// How things are referred to that have no id of their own: the only place where these words are made and read.

/** What parts a piece from a thing of it in a reference; an id of a piece cannot contain it. */
const OF_PIECE = ' '
/** A dart or notch of a garment, by its piece: `front side-dart`. */
export const refOf = (pieceId: string, id: string): string => `${pieceId}${OF_PIECE}${id}`
/** The piece of such a reference. */
export const pieceOfRef = (ref: string): string => ref.split(OF_PIECE)[0]!
/** An id by which a piece can be referred to. */
export const isPieceId = (id: string): boolean => !id.includes(OF_PIECE)

/** Parts of one edge that a dart parted carry its id before this sign. */
const PART = '>'
/** The part of an edge beyond a dart that parts it. */
export const partOfEdge = (edgeId: string, dartId: string): string => `${edgeId}${PART}${dartId}`
/** The edge that a part came from; an edge that was never parted is its own. */
export const edgeFamily = (edgeId: string): string => edgeId.split(PART)[0]!

/** A leg of a dart that was put in. */
export const legOf = (dartId: string, which: 'first' | 'second'): string => `${dartId}/${which}`

/** What mirrors a thing on the other half of a piece that was opened out. */
const OTHER = '~other'
export const otherHalf = (id: string): string => `${id}${OTHER}`
/** What a thing on either half was called before its piece was opened out. */
export const beforeOpening = (id: string): string => id.replaceAll(OTHER, '')
/** Is it the mirrored one, on the other half of what was opened out? */
export const isOtherHalf = (id: string): boolean => beforeOpening(id) !== id

/** A size beyond another one, by so many steps up or down: `one+2`, `one-1`. */
export const sizeBeyond = (sizeId: string, steps: number): string =>
  steps === 0 ? sizeId : `${sizeId}${steps > 0 ? '+' : '-'}${Math.abs(steps)}`
