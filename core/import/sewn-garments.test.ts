import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { splitProject, toPathData, writeTradeDxf } from '../formats'
import {
  applyAffine,
  boundsOf,
  cubic,
  cutPath,
  distance,
  line,
  mapPath,
  measureLength,
  nearestPlace,
  placeAt,
  reversePath,
  turnAbout,
  type Cubic,
  type Path,
  type Point,
} from '../geometry'

import { checkGarment, edgePath, shapeOf, type Garment, sideLength } from '../pattern'
import { bringIn, drawingOf, openFile } from './index'

const at = (x: number, y: number): Point => ({ x, y })
const endOf = (path: Path) => path[path.length - 1]!.to

/** A piece as it is drawn: its edges by name, clockwise. */
type Drawn = { name: string; edges: [id: string, path: Path][] }

/** Half a front or a back: centre on the left, and where its waist lies. */
function half(neckMm: number, shoulder: Point, w: number): Record<'neck' | 'shoulder' | 'armhole' | 'side' | 'hem' | 'centre', Path> {
  const [top, tip, under, low] = [at(75, 0), shoulder, at(235 + w, 240), at(225 + w, 600)]
  return {
    neck: [cubic(at(0, neckMm), at(40, neckMm), at(72, neckMm * 0.6), top)],
    shoulder: [line(top, tip)],
    armhole: [cubic(tip, at(tip.x - 14, 120), at(tip.x, 225), under)],
    side: [cubic(under, at(215 + w, 380), at(218 + w, 480), low)],
    hem: [cubic(low, at(150, 614), at(80, 612), at(0, 612))],
    centre: [line(at(0, 612), at(0, neckMm))],
  }
}
/** A path parted at a length. */
const parted = (path: Path, mm: number): [Path, Path] => [cutPath(path, 0, mm), cutPath(path, mm, measureLength(path))]

/** A cap as long as its armholes and some ease, with its sleeve. */
function sleeve(armholes: number, easeMm: number, cuffMm: number): Drawn {
  const wide = 165
  const capAt = (h: number): Path => [
    cubic(at(-wide, h), at(-110, h - 10), at(-80, 0), at(0, 0)),
    cubic(at(0, 0), at(80, 0), at(110, h - 10), at(wide, h)),
  ]
  let [low, high] = [20, 260]
  for (let i = 0; i < 60; i++) {
    const h = (low + high) / 2
    if (measureLength(capAt(h)) < armholes + easeMm) low = h
    else high = h
  }
  const [l, r] = [at(-cuffMm / 2, 560), at(cuffMm / 2, 560)]
  return {
    name: 'Sleeve',
    edges: [
      ['cap', capAt(low)],
      ['right', [line(at(wide, low), r)]],
      ['hem', [line(r, l)]],
      ['left', [line(l, at(-wide, low))]],
    ],
  }
}
const strip = (name: string, long: number, high: number): Drawn => ({
  name,
  edges: [
    ['upper', [line(at(0, 0), at(long, 0))]],
    ['end', [line(at(long, 0), at(long, high))]],
    ['lower', [line(at(long, high), at(0, high))]],
    ['start', [line(at(0, high), at(0, 0))]],
  ],
})
/** Half a skirt: its waist and hip curve on the right. */
function skirt(w: number): Record<'waist' | 'side' | 'hem' | 'centre', Path> {
  return {
    waist: [cubic(at(0, 12), at(60, 12), at(120, 8), at(170 + w, 0))],
    side: [cubic(at(170 + w, 0), at(225 + w, 110), at(236 + w, 190), at(248 + w, 640))],
    hem: [cubic(at(248 + w, 640), at(160, 652), at(80, 654), at(0, 654))],
    centre: [line(at(0, 654), at(0, 12))],
  }
}

/** A line down the middle of a piece, as its grain. */
function grainIn(path: Path): string {
  const { minX, maxX, minY, maxY } = boundsOf(path)
  const [wide, high] = [maxX - minX, maxY - minY]
  if (high < 120) return `M${minX + 0.2 * wide} ${(minY + maxY) / 2}H${minX + 0.8 * wide}`
  return `M${(minX + maxX) / 2} ${minY + 0.35 * high}V${minY + 0.75 * high}`
}

interface Sewn {
  pieces: Drawn[]
  /** Each seam: edges of both sides, as “piece edge”. */
  seams: string[]
}

/** A jacket with a seam from each shoulder to the hem, in front and at the back, sleeves and a collar. */
function panelled(names: [string, string, string, string], w: number): Sewn {
  const own = (neck: number, tip: Point, low: number) => {
    const h = half(neck, tip, w)
    const [s1, s2] = parted(h.shoulder, measureLength(h.shoulder) * 0.45)
    const [h1, h2] = parted(h.hem, measureLength(h.hem) * 0.52)
    const seam: Path = [
      cubic(endOf(s1), at(112, 120), at(124, 190), at(118, low)),
      cubic(at(118, low), at(112, 400), at(116, 520), h2[0]!.from),
    ]
    const centre: Drawn['edges'] = [
      ['neck', h.neck],
      ['shoulder', s1],
      ['panel', seam],
      ['hem', h2],
      ['centre', h.centre],
    ]
    const side: Drawn['edges'] = [
      ['shoulder', s2],
      ['armhole', h.armhole],
      ['side', h.side],
      ['hem', h1],
      ['panel', reversePath(seam)],
    ]
    return { centre, side, h }
  }
  const front = own(85, at(188, 40), 255)
  const back = own(24, at(188, 36), 300)
  const [cf, sf, sb, cb] = names
  const round = measureLength(front.h.armhole) + measureLength(back.h.armhole)
  const neck = measureLength(front.h.neck) + measureLength(back.h.neck)
  return {
    pieces: [
      { name: cf, edges: front.centre },
      { name: sf, edges: front.side },
      { name: sb, edges: back.side },
      { name: cb, edges: back.centre },
      sleeve(round, 24, 250),
      strip('Collar', neck, 70),
    ],
    seams: [
      `${cf} panel = ${sf} panel`,
      `${cb} panel = ${sb} panel`,
      `${sb} side = ${sf} side`,
      `${cb} shoulder = ${cf} shoulder`,
      `${sb} shoulder = ${sf} shoulder`,
      'Sleeve left = Sleeve right',
      `Sleeve cap = ${sb} armhole + ${sf} armhole`,
      `Collar lower = ${cb} neck + ${cf} neck`,
    ],
  }
}

/** A shirt with a yoke on the fold, a collar on its stand. @param fullMm how much wider its back is at the fold, for a pleat or gathers */
function yoked(w: number, fullMm = 0): Sewn {
  const [front, back] = [half(85, at(188, 40), w), half(24, at(188, 36), w)]
  const [upper, lower] = parted(back.armhole, 90)
  const level = endOf(upper)
  const seam: Path = [line(level, at(0, level.y))]
  const neck = measureLength(front.neck) + measureLength(back.neck)
  return {
    pieces: [
      { name: 'Shirt Front', edges: Object.entries(front) },
      {
        name: 'Back Yoke',
        edges: [
          ['neck', back.neck],
          ['shoulder', back.shoulder],
          ['armhole', upper],
          ['yoke', seam],
          ['fold', [line(at(0, level.y), at(0, 24))]],
        ],
      },
      {
        name: 'Shirt Back',
        edges: [
          ['yoke', [line(at(-fullMm, level.y), level)]],
          ['armhole', lower],
          ['side', back.side],
          ['hem', [...back.hem, ...(fullMm > 0 ? [line(at(0, 612), at(-fullMm, 612))] : [])]],
          ['fold', [line(at(-fullMm, 612), at(-fullMm, level.y))]],
        ],
      },
      sleeve(measureLength(front.armhole) + measureLength(back.armhole), 18, 260),
      strip('Collar stand', neck, 32),
      strip('Collar', neck - 14, 62),
    ],
    seams: [
      'Back Yoke yoke = Shirt Back yoke',
      'Back Yoke shoulder = Shirt Front shoulder',
      'Shirt Back side = Shirt Front side',
      'Sleeve left = Sleeve right',
      'Back Yoke armhole + Shirt Back armhole + Shirt Front armhole = Sleeve cap',
      'Back Yoke neck + Shirt Front neck = Collar stand lower',
      'Collar lower = Collar stand upper',
    ],
  }
}

/** A waistcoat with a panel under each arm, between front and back. */
function sidePanelled(w: number): Sewn {
  const [front, back] = [half(85, at(188, 40), w), half(24, at(188, 36), w)]
  const side = measureLength(front.side)
  const top: Path = [cubic(at(0, 0), at(30, 34), at(80 + w, 34), at(110 + w, 0))]
  const right = endOf(top)
  return {
    pieces: [
      { name: 'Front', edges: Object.entries(front) },
      {
        name: 'Side panel',
        edges: [
          ['armhole', top],
          ['to front', [line(right, at(right.x, side))]],
          ['hem', [line(at(right.x, side), at(0, side))]],
          ['to back', [line(at(0, side), at(0, 0))]],
        ],
      },
      { name: 'Back', edges: Object.entries(back) },
    ],
    seams: ['Back shoulder = Front shoulder', 'Front side = Side panel to front', 'Back side = Side panel to back'],
  }
}

/** A skirt with yokes and a waistband. */
function hipYoked(w: number): Sewn {
  const own = (by: number) => {
    const s = skirt(w + by)
    const [top, rest] = parted(s.side, 130 + by)
    const seam: Path = [cubic(endOf(top), at(150, endOf(top).y + 8), at(60, endOf(top).y + 14), at(0, endOf(top).y + 14))]
    const low = endOf(seam)
    return {
      yoke: [
        ['waist', s.waist],
        ['side', top],
        ['yoke', seam],
        ['centre', [line(low, at(0, 12))]],
      ] as Drawn['edges'],
      skirt: [
        ['yoke', reversePath(seam)],
        ['side', rest],
        ['hem', s.hem],
        ['centre', [line(at(0, 654), low)]],
      ] as Drawn['edges'],
      waist: measureLength(s.waist),
    }
  }
  const [front, back] = [own(0), own(0.4)]
  return {
    pieces: [
      { name: 'Front Skirt Yoke', edges: front.yoke },
      { name: 'Skirt Front', edges: front.skirt },
      { name: 'Back Skirt Yoke', edges: back.yoke },
      { name: 'Skirt Back', edges: back.skirt },
      strip('Waistband', front.waist + back.waist, 70),
    ],
    seams: [
      'Front Skirt Yoke yoke = Skirt Front yoke',
      'Back Skirt Yoke yoke = Skirt Back yoke',
      'Back Skirt Yoke side = Front Skirt Yoke side',
      'Skirt Back side = Skirt Front side',
      'Back Skirt Yoke waist + Front Skirt Yoke waist = Waistband lower',
    ],
  }
}

/** A bodice and a skirt. */
function dress(w: number): Sewn {
  const [front, back] = [half(85, at(188, 40), w), half(24, at(188, 36), w)]
  const below = (own: Record<string, Path>): Drawn['edges'] => {
    const long = measureLength(own.hem!)
    const waist: Path = [line(at(0, 0), at(long, 0))]
    const side: Path = [cubic(at(long, 0), at(long + 50, 120), at(long + 60, 220), at(long + 80, 640))]
    return [
      ['waist', waist],
      ['side', side],
      ['hem', [line(endOf(side), at(0, 640))]],
      ['centre', [line(at(0, 640), at(0, 0))]],
    ]
  }
  return {
    pieces: [
      { name: 'Bodice Front', edges: Object.entries(front) },
      { name: 'Bodice Back', edges: Object.entries(back) },
      { name: 'Skirt Front', edges: below(front) },
      { name: 'Skirt Back', edges: below(back) },
    ],
    seams: [
      'Bodice Back shoulder = Bodice Front shoulder',
      'Bodice Back side = Bodice Front side',
      'Skirt Back side = Skirt Front side',
      'Bodice Front hem = Skirt Front waist',
      'Bodice Back hem = Skirt Back waist',
    ],
  }
}

/** A dress whose skirt is gathered into its bodice, and whose sleeves into armhole and cuff. */
function gathered(w: number): Sewn {
  const { pieces, seams } = dress(w)
  const wider = (path: Path): Path => mapPath(path, ({ x, y }) => at(x * 1.8, y))
  const [front, back] = [half(85, at(188, 40), w), half(24, at(188, 36), w)]
  return {
    pieces: [
      ...pieces.map(({ name, edges }) => ({
        name,
        edges: name.startsWith('Skirt') ? edges.map(([id, path]): Drawn['edges'][number] => [id, wider(path)]) : edges,
      })),
      sleeve(measureLength(front.armhole) + measureLength(back.armhole), 110 + w, 300),
      strip('Cuff', 190, 60),
    ],
    seams: [...seams, 'Sleeve left = Sleeve right', 'Bodice Back armhole + Bodice Front armhole = Sleeve cap', 'Cuff upper = Sleeve hem'],
  }
}

/** A sleeve whose cap has a corner at its top, and a cuff as wide as it. */
function peakedCap(w: number): Sewn {
  const [front, back] = [half(85, at(188, 40), w), half(24, at(188, 36), w)]
  const round = measureLength(front.armhole) + measureLength(back.armhole)
  const { edges } = sleeve(round, 20, 260)
  const [cap, ...rest] = edges
  const [left, right] = cap![1]
  const peak: Path = [
    { ...(left as Cubic), c2: at(-60, 20) },
    { ...(right as Cubic), c1: at(60, 20) },
  ]
  return {
    pieces: [
      { name: 'Front', edges: Object.entries(front) },
      { name: 'Back', edges: Object.entries(back) },
      { name: 'Sleeve', edges: [['cap left', [peak[0]!]], ['cap right', [peak[1]!]], ...rest] },
      strip('Cuff', 258, 80),
    ],
    seams: [
      'Back shoulder = Front shoulder',
      'Back side = Front side',
      'Sleeve left = Sleeve right',
      'Back armhole + Front armhole = Sleeve cap left + Sleeve cap right',
      'Cuff upper = Sleeve hem',
    ],
  }
}

/** A blouse whose sleeves reach to its neckline. */
function raglan(w: number): Sewn {
  const body = (deep: number, tip: Point): Drawn['edges'] => {
    const under = at(235 + w, 250)
    const side: Path = [line(under, at(228 + w, 600))]
    const hem = endOf(side)
    return [
      ['neck', [cubic(at(0, deep), at(30, deep), at(tip.x - 4, deep * 0.8), tip)]],
      ['raglan', [cubic(tip, at(tip.x + 20, 90), at(150, 215), under)]],
      ['side', side],
      ['hem', [line(hem, at(0, 612))]],
      ['centre', [line(at(0, 612), at(0, deep))]],
    ]
  }
  const [front, back] = [body(95, at(66, 40)), body(30, at(60, 12))]
  const pathOf = (edges: Drawn['edges'], id: string) => edges.find((e) => e[0] === id)![1]
  const turned = (path: Path, x: number, isMirrored: boolean): Path => mapPath(path, (p) => at(isMirrored ? x - p.x : x + p.x, p.y))
  // The sleeve’s lines are those of back and front, turned over, with the top between them.
  const backLine = turned(pathOf(back, 'raglan'), 0, true)
  const [top, low] = [backLine[0]!.from, endOf(backLine)]
  const frontLine = mapPath(pathOf(front, 'raglan'), (p) => at(p.x - 66 + top.x + 50, p.y - 40 + top.y + 6))
  const right = endOf(frontLine)
  const [l, r] = [at(top.x - 95, 620), at(top.x + 145, 620)]
  return {
    pieces: [
      { name: 'Front', edges: front },
      { name: 'Back', edges: back },
      {
        name: 'Sleeve',
        edges: [
          ['neck', [line(top, frontLine[0]!.from)]],
          ['to front', frontLine],
          ['right', [line(right, r)]],
          ['hem', [line(r, l)]],
          ['left', [line(l, low)]],
          ['to back', reversePath(backLine)],
        ],
      },
    ],
    seams: ['Back side = Front side', 'Back raglan = Sleeve to back', 'Front raglan = Sleeve to front', 'Sleeve left = Sleeve right'],
  }
}

/** Where a piece lies in the file, in rows. */
const place = (i: number): Point => at(900 + (i % 10) * 1600, 900 + Math.floor(i / 10) * 1600)

/** A garment as a file, its pieces beside each other, brought in with nobody asked. */
async function fromFile(pieces: readonly Drawn[], turnDeg = 0) {
  const groups = pieces.map(({ name, edges }, i) => {
    const moved = edges.flatMap(([, path]) => [...path])
    return `<g id="${name}" transform="translate(${place(i).x} ${place(i).y}) rotate(${turnDeg})"><path fill="none" stroke="black" d="${toPathData(moved, true)}"/><path id="grain" fill="none" stroke="black" d="${grainIn(moved)}"/></g>`
  })
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="18000mm" height="20000mm" viewBox="0 0 18000 20000">${groups.join('')}</svg>`
  const kept = await openFile(new TextEncoder().encode(svg))
  const drawing = kept.ok ? drawingOf(kept.value) : kept
  const brought = drawing.ok ? bringIn(drawing.value) : drawing
  if (!brought.ok) throw new Error(brought.problem.message)
  return brought.value
}

/** The seams of a garment that came in, in the names of what was drawn. */
async function broughtIn({ pieces }: Sewn, turnDeg = 0): Promise<string[]> {
  const back = turnAbout(at(0, 0), (-turnDeg * Math.PI) / 180)
  /** A point of a piece that came in, where it was drawn. */
  const asDrawn = (i: number, p: Point) => applyAffine(back, at(p.x - place(i).x, p.y - place(i).y))
  const { garment, leftOut } = await fromFile(pieces, turnDeg)
  expect(leftOut).toEqual([])
  const called = (pieceId: string, edgeId: string) => {
    const piece = garment.pieces.find((p) => p.id === pieceId)!
    const i = pieces.findIndex((p) => p.name.toLowerCase() === piece.name.toLowerCase())
    const path = edgePath(shapeOf(piece, garment.baseSizeId), edgeId)
    const { point } = placeAt(path, measureLength(path) / 2)
    const own = asDrawn(i, point)
    const [id] = pieces[i]!.edges.reduce((a, b) => (nearestPlace(b[1], own).distanceMm < nearestPlace(a[1], own).distanceMm ? b : a))
    return `${pieces[i]!.name} ${id}`
  }
  const seams = garment.seams.map(({ sides }) =>
    sides
      .map((run) => [...new Set(run.map((r) => called(r.pieceId, r.edgeId)))].sort().join(' + '))
      .sort()
      .join(' = '),
  )
  // The grain of every piece that has an upper and a lower end runs down it.
  for (const piece of garment.pieces.filter((p) => p.kind !== 'band' && p.kind !== 'other')) {
    const { grain } = shapeOf(piece, garment.baseSizeId)
    const [from, to] = [asDrawn(0, grain.from), asDrawn(0, grain.to)]
    expect(to.y, `${piece.name} turned by ${turnDeg}`).toBeGreaterThan(from.y)
  }
  // Both sides are walked from the same end: the shoulders from the neck, wherever the pieces lie.
  for (const { name, sides } of garment.seams.filter((s) => s.name.startsWith('shoulder'))) {
    const ends = sides.map((run) => {
      const { pieceId, edgeId, reversed } = run[0]!
      const path = edgePath(
        shapeOf(
          garment.pieces.find((p) => p.id === pieceId)!,
          garment.baseSizeId,
        ),
        edgeId,
      )
      const i = pieces.findIndex((p) => p.name.toLowerCase() === garment.pieces.find((x) => x.id === pieceId)!.name.toLowerCase())
      const start = reversed ? endOf(path) : path[0]!.from
      return distance(asDrawn(i, start), at(75, 0))
    })
    expect(Math.abs(ends[0]! - ends[1]!), name).toBeLessThan(4)
  }
  return seams.sort()
}

const NAMES: [string, string, string, string][] = [
  ['Centre Front', 'Side Front', 'Side Back', 'Centre Back'],
  ['Center front panel', 'Front side panel', 'Back side panel', 'Center back panel'],
  ['Middle Front', 'Side Panel Front', 'Side Panel Back', 'Middle Back'],
]

describe('the seams of a stranger’s garment', () => {
  it.each([0, 14, 37])('are found over panels, where collar and cap are sewn to several pieces (wider by %d mm)', async (w) => {
    for (const names of NAMES) {
      const sewn = panelled(names, w)
      expect(await broughtIn(sewn)).toEqual(sewn.seams.map(inOrder).sort())
    }
  })
  it.each([
    ['a yoke and a collar on its stand', yoked],
    ['a back that is pleated into its yoke', (w: number) => yoked(w, 38)],
    ['a back that is gathered into its yoke', (w: number) => yoked(w, 90)],
    ['hip yokes and a waistband', hipYoked],
    ['a bodice and a skirt', dress],
    ['a panel at the side', sidePanelled],
    ['gathers at waist, cap and cuff', gathered],
    ['a cap with a corner at its top, and a cuff', peakedCap],
    ['sleeves that reach to the neckline', raglan],
  ] as const)('are found with %s', async (_, draft) => {
    for (const w of [0, 11, 29]) {
      const sewn = draft(w)
      expect(await broughtIn(sewn), `wider by ${w}`).toEqual(sewn.seams.map(inOrder).sort())
    }
  })
})

it('gathers are meant to be as they were drawn', async () => {
  const { garment } = await fromFile(gathered(11).pieces)
  const off = garment.seams.map((seam) => {
    const surplusMm = sideLength(garment, seam, 0, garment.baseSizeId) - sideLength(garment, seam, 1, garment.baseSizeId)
    return { name: seam.name, surplusMm, ...seam.wantedEase }
  })
  const gathers = off.filter((s) => Math.abs(s.surplusMm) > 90)
  expect(gathers.map((s) => s.name).sort()).toEqual(['armhole seam', 'cuff seam', 'waist seam', 'waist seam 2'])
  for (const { name, surplusMm, minMm, maxMm } of gathers) {
    expect(surplusMm, name).toBeGreaterThan(minMm)
    expect(surplusMm, name).toBeLessThan(maxMm)
  }
})

describe('pieces that lie turned, or on their heads, to save paper', () => {
  it.each([90, 180, 270, 30, -150])('are named and sewn as if they stood upright: by %d degrees', async (turnDeg) => {
    for (const sewn of [panelled(NAMES[0]!, 7), yoked(5), hipYoked(9), dress(3), sidePanelled(4), gathered(6), peakedCap(8)])
      // Of a band that lies turned nothing says which edge is the lower one.
      expect((await broughtIn(sewn, turnDeg)).map(eitherEdge).sort()).toEqual(sewn.seams.map(inOrder).map(eitherEdge).sort())
  })
  const eitherEdge = (seam: string) => inOrder(seam.replace(/lower|upper|to front|to back/g, 'edge'))
})

describe('garments that went out as DXF, which carries no seams', () => {
  const { projects } = demoWardrobe(new Date('2026-05-01'))
  const kept = projects.map((p) => splitProject(p).row)
  it.each([...new Map(kept.map((row) => [row.name, row.garment]))])('come back with those that they had: %s', async (name, garment) => {
    const opened = await openFile(new TextEncoder().encode(writeTradeDxf(garment, [garment.baseSizeId], name)))
    const drawing = opened.ok ? drawingOf(opened.value) : opened
    const brought = drawing.ok ? bringIn(drawing.value) : drawing
    if (!brought.ok) throw new Error(brought.problem.message)
    const back = brought.value.garment
    const lengths = (own: Garment) =>
      own.seams
        .map((seam) => [0, 1].map((side) => Math.round(sideLength(own, seam, side as 0 | 1, own.baseSizeId))).sort((a, b) => a - b))
        .sort((a, b) => a[0]! - b[0]! || a[1]! - b[1]!)
    expect(lengths(back)).toEqual(lengths(garment))
    expect(checkGarment(back)).toBeNull()
  })
})

describe('a file of very many pieces', () => {
  it('comes in whole, with as many seams as there was time for', async () => {
    const pieces = Array.from({ length: 30 }, (_, k) =>
      dress(k).pieces.map((p) => ({ ...p, name: `${p.name}, for wearer ${k + 1}` })),
    ).flat()
    const { garment, leftOut } = await fromFile(pieces)
    expect(leftOut).toEqual([])
    expect(garment.pieces).toHaveLength(120)
    expect(garment.seams.length).toBeGreaterThan(60)
    expect(checkGarment(garment)).toBeNull()
  })
})

const inOrder = (seam: string): string =>
  seam
    .split(' = ')
    .map((side) => side.split(' + ').sort().join(' + '))
    .sort()
    .join(' = ')
