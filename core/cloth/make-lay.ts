import { diceOf } from '../dice'
import { measureArea, type Path, type Point } from '../geometry'
import { findPiece, type Garment } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { lengthToken } from '../units'
import { boughtMm, usableMm, type Cloth } from './cloth'
import { flatItems, foldedItems, type LayItem, type LayWay, type Wanted } from './lay-items'
import { pack } from './pack'
import { searchOrders, shuffled } from './search'
import { BETWEEN_MM, heightOf, onStripesOf, parcelsOf, rowsOf, type OnStripes, type Stretch } from './parcels'

/** Height of the rows in which orders are tried, and in which the best is laid out, mm. */
const COARSE_MM = 8
const FINE_MM = 2
/** Orders that are tried where nobody stops the search. */
const ROUNDS = 4000
/** Orders that are tried at first: more found no shorter lay of the demo garments, and the same number gives the same lay everywhere. */
export const USUAL_ROUNDS = 300

/** A piece where it lies on the cloth. */
export interface LaidOnCloth {
  id: string
  pieceId: string
  name: string
  words: string
  onFold: boolean
  /** On one layer, beyond the part that is folded. */
  isSingle: boolean
  isTurned: boolean
  isOver: boolean
  /** In its own place: moved by `xMm` along the cloth and `yMm` across it. */
  cutLine: Path
  seamLine: Path
  notches: Point[]
  polygon: Point[]
  xMm: number
  yMm: number
  /** Where it was laid by the search: on stripes that lead its seams together. */
  laidAt: Point
}

export interface Lay {
  cloth: Cloth
  /** Room across the cloth, as it lies: half of it where it is folded, mm. */
  acrossMm: number
  laid: LaidOnCloth[]
  lengthMm: number
  /** Where the folded part ends and the cloth is opened, mm; null where all of it lies alike. */
  openedAtMm: number | null
  /** How much of the cloth is used, 0 to 1. */
  used: number
  /** Seams whose stripes do not meet, by name. */
  unmatched: string[]
  /** The orders in which the pieces were laid, of the cloth as it lies and of its opened part: with them the same lay is made again without a search. */
  orders: number[][]
}

/** What has to be bought for a lay, mm. */
export const lengthToBuy = (lay: Lay): number => boughtMm(lay.cloth, lay.lengthMm)

export interface SearchOptions {
  seed?: number
  rounds?: number
  goOn?: (round: number, bestMm: number) => boolean
  /** One thrown order by the seed and no search: what others are measured against. */
  isThrown?: boolean
  /** The orders of a lay of the same pieces that was found before: nothing is searched. */
  orders?: readonly (readonly number[])[]
}

const areaOf = (way: LayWay) => Math.abs(measureArea(way.cutLine))
const longOf = (way: LayWay) => Math.max(...way.polygon.map((p) => p.x))

/** Orders to begin with: by area, by length, by width, each the largest first; what lies on the fold before what does not. */
function goodOrders(items: readonly LayItem[]): number[][] {
  const all = items.map((_, i) => i)
  return [areaOf, longOf, (way: LayWay) => way.widthMm].flatMap((by) => {
    const sorted = [...all].sort((a, b) => by(items[b]!.ways[0]!) - by(items[a]!.ways[0]!))
    return [sorted, [...sorted].sort((a, b) => Number(items[b]!.onFold) - Number(items[a]!.onFold))]
  })
}

/** The best orders that a search in coarse rows finds, and the good ones to begin with: what fits only just has no row where they are coarse. */
function bestOrders(
  items: readonly LayItem[],
  acrossMm: number,
  { repeatMm }: Cloth,
  on: OnStripes,
  options: SearchOptions,
): (readonly number[])[] {
  const found = searchOrders({
    parcels: parcelsOf(items, acrossMm, heightOf(COARSE_MM, on), on),
    rowCount: rowsOf(acrossMm, heightOf(COARSE_MM, on)),
    repeatMm,
    begin: goodOrders(items),
    seed: options.seed ?? 1,
    rounds: options.rounds ?? ROUNDS,
    ...(options.goOn ? { goOn: options.goOn } : {}),
  })
  const good = goodOrders(items)
  return [...found, ...good]
}

interface LaidPart {
  laid: LaidOnCloth[]
  lengthMm: number
  unmatched: string[]
  order: number[]
}

/** The order is one of so many items. */
const isOrderOf = (order: readonly number[] | undefined, count: number): order is readonly number[] =>
  order?.length === count && new Set(order).size === count && order.every((i) => i < count)

/** One stretch of cloth with some items on it, as short as was found. */
function layPart(stretch: Stretch, cloth: Cloth, options: SearchOptions, known?: readonly number[]): Result<LaidPart> {
  const { items, acrossMm } = stretch
  if (items.length === 0) return ok({ laid: [], lengthMm: 0, unmatched: [], order: [] })
  const tooWide = items.find((i) =>
    i.ways.every((w) => w.widthMm + (i.onFold ? BETWEEN_MM / 2 : BETWEEN_MM) > rowsOf(acrossMm, FINE_MM) * FINE_MM),
  )
  if (tooWide)
    return refuse(
      'too-wide-for-cloth',
      tooWide.name,
      `it is ${lengthToken(Math.min(...tooWide.ways.map((w) => w.widthMm)))} wide across its grain, and the cloth has room for ${lengthToken(acrossMm)}.`,
      acrossMm < usableMm(cloth) ? 'Lay the cloth flat, or take a wider one.' : 'Take a wider cloth, or cut the piece in two with a seam.',
    )
  const on = onStripesOf(stretch, cloth)
  const rowMm = heightOf(FINE_MM, on)
  const parcels = parcelsOf(items, acrossMm, rowMm, on)
  const all = items.map((_, i) => i)
  const thrown = options.isThrown ? shuffled(all, diceOf(options.seed ?? 1)) : null
  const own = isOrderOf(known, items.length) ? known : thrown
  // What is no shorter than the best so far is not packed to its end.
  let packed: (NonNullable<ReturnType<typeof pack>> & { order: readonly number[] }) | null = null
  for (const order of own ? [own] : bestOrders(items, acrossMm, cloth, on, options)) {
    const tried = pack(parcels, order, rowsOf(acrossMm, rowMm), cloth.repeatMm, packed?.lengthMm)
    if (tried && (packed === null || tried.lengthMm < packed.lengthMm)) packed = { ...tried, order }
  }
  if (!packed)
    return refuse('no-place', 'cloth', 'the pieces find no place on it.', 'Take a wider cloth, or stripes that lie closer together.')
  const laid = packed.placed.map(({ way, row, xMm }, i): LaidOnCloth => {
    const { id, pieceId, name, words, onFold, ways } = items[i]!
    const { isTurned, isOver, cutLine, seamLine, notches, polygon } = ways[way]!
    const yMm = row * rowMm - parcels[i]![way]!.lowMm
    return {
      id,
      pieceId,
      name,
      words,
      onFold,
      isSingle: false,
      isTurned,
      isOver,
      cutLine,
      seamLine,
      notches,
      polygon,
      xMm,
      yMm,
      laidAt: { x: xMm, y: yMm },
    }
  })
  return ok({ laid, lengthMm: packed.lengthMm, unmatched: on.unmatched, order: [...packed.order] })
}

/** The cloth that a lay needs with its pieces where they are now, mm: after one was moved by hand. */
export const lengthOfLaid = (laid: readonly LaidOnCloth[]): number =>
  Math.max(0, ...laid.map((l) => l.xMm + Math.max(...l.polygon.map((p) => p.x)) + BETWEEN_MM / 2))

/**
 * Lays pieces on a cloth, on their grain, so that as little of it is needed as a search finds. Flat cloth takes every layer by itself,
 * pairs turned over and folds opened; on folded cloth folds lie on the fold and pairs are cut at once, and what remains is laid on
 * opened cloth behind them. Pieces are turned end for end only where the cloth has no way of its own, and no stripes.
 *
 * @param wanted pieces with how often each is cut from this cloth
 * @param options seed and rounds of the search, and whether to go on; the same seed and rounds give the same lay
 * Refuses: a piece that is wider than the cloth.
 */
export function makeLay(
  garment: Garment,
  sizeId: string,
  wanted: readonly Wanted[],
  cloth: Cloth,
  options: SearchOptions = {},
): Result<Lay> {
  const across = usableMm(cloth)
  const isOneWay = cloth.isOneWay || cloth.repeatMm > 0
  const cut = wanted.filter((w) => w.count > 0)
  const finish = (acrossMm: number, part: LaidPart, opened: LaidPart | null): Lay => {
    // The opened part begins on a stripe of its own.
    const beginsAt = cloth.repeatMm > 0 ? Math.ceil(part.lengthMm / cloth.repeatMm) * cloth.repeatMm : part.lengthMm
    const laid = [
      ...part.laid,
      ...(opened?.laid ?? []).map((l) => ({
        ...l,
        xMm: l.xMm + beginsAt,
        laidAt: { ...l.laidAt, x: l.laidAt.x + beginsAt },
        isSingle: true,
      })),
    ]
    const lengthMm = opened && opened.laid.length > 0 ? beginsAt + opened.lengthMm : part.lengthMm
    const layers = (l: LaidOnCloth) => (cloth.isFolded && !l.isSingle ? 2 : 1)
    const area = laid.reduce((sum, l) => sum + Math.abs(measureArea(l.cutLine)) * layers(l), 0)
    return {
      cloth,
      acrossMm,
      laid,
      lengthMm,
      openedAtMm: opened && opened.laid.length > 0 && part.laid.length > 0 ? beginsAt : null,
      used: lengthMm > 0 ? area / (lengthMm * across) : 0,
      unmatched: [...part.unmatched, ...(opened?.unmatched ?? [])],
      orders: [part.order, opened?.order ?? []],
    }
  }
  const stretchOf = (own: Garment, items: readonly LayItem[], acrossMm: number, firstStripeMm: number): Stretch => ({
    garment: own,
    asBought: garment,
    sizeId,
    items,
    acrossMm,
    firstStripeMm,
  })
  if (!cloth.isFolded) {
    const flat = flatItems(garment, sizeId, cut, isOneWay)
    const part = layPart(stretchOf(flat.garment, flat.items, across, 0), cloth, options, options.orders?.[0])
    return part.ok ? ok(finish(across, part.value, null)) : part
  }
  const { items, single } = foldedItems(sizeId, cut, isOneWay)
  // A stripe lies on the fold: both layers have their stripes on each other.
  const part = layPart(stretchOf(garment, items, across / 2, 0), cloth, options, options.orders?.[0])
  if (!part.ok) return part
  const flat = flatItems(garment, sizeId, single, isOneWay)
  const fewer = { ...options, rounds: Math.min(options.rounds ?? ROUNDS, 200) }
  const opened = layPart(stretchOf(flat.garment, flat.items, across, across / 2), cloth, fewer, options.orders?.[1])
  return opened.ok ? ok(finish(across / 2, part.value, opened.value)) : opened
}

/** The pieces of a garment with how often each is cut, as one says it for a cloth; pieces that are gone are left out. */
export const wantedOf = (garment: Garment, counts: Readonly<Record<string, number>>): Wanted[] =>
  Object.entries(counts).flatMap(([pieceId, count]) => {
    const piece = findPiece(garment, pieceId)
    return piece && count > 0 ? [{ piece, count }] : []
  })
