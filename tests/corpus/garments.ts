import { line, measureLength, placeAt, type Point } from '../../core/geometry'
import { edgesFrom, type EdgeSpec, type TruthGarment, type TruthPiece } from './draft'

const SEAM = 10
const HEM = 30

interface Spec {
  name: string
  count: number
  mirrored?: boolean
  start: [number, number]
  edges: EdgeSpec[]
  /** From, to: x, y, x, y. */
  grain: [number, number, number, number]
  /** Edge and part of its length. */
  notches?: [number, number][]
  /** Edge, part of its length, intake, depth straight into the piece, lean along the edge. */
  darts?: [number, number, number, number, number?][]
  lines?: { name: string; at: [number, number, number, number] }[]
}

const at = (x: number, y: number): Point => ({ x, y })

/** A piece from its figures, stretched by a seed so that no two corpora are alike. */
function toPiece(spec: Spec, wide: number, high: number): TruthPiece {
  const w = (n: number) => n * wide
  const h = (n: number) => n * high
  const edges = edgesFrom(
    at(w(spec.start[0]), h(spec.start[1])),
    spec.edges.map((e) => ({
      ...e,
      steps: e.steps.map((s) => s.map((n, i) => (i % 2 === 0 ? w(n) : h(n))) as typeof s),
    })),
  )
  return {
    name: spec.name,
    count: spec.count,
    mirrored: spec.mirrored ?? false,
    edges,
    grain: { from: at(w(spec.grain[0]), h(spec.grain[1])), to: at(w(spec.grain[2]), h(spec.grain[3])) },
    notches: (spec.notches ?? []).map(([edge, part]) => ({ edge, atMm: part * measureLength(edges[edge]!.path) })),
    darts: (spec.darts ?? []).map(([edge, part, intakeMm, depth, lean = 0]) => {
      const atMm = part * measureLength(edges[edge]!.path)
      const { point, tangent } = placeAt(edges[edge]!.path, atMm)
      // The inside of a clockwise outline is to the right of travel.
      const tip = at(point.x - tangent.y * depth + tangent.x * lean, point.y + tangent.x * depth + tangent.y * lean)
      return { edge, atMm, intakeMm, tip }
    }),
    lines: (spec.lines ?? []).map((l) => ({ name: l.name, path: [line(at(w(l.at[0]), h(l.at[1])), at(w(l.at[2]), h(l.at[3])))] })),
  }
}

const COAT: Spec[] = [
  {
    name: 'Coat Front',
    count: 2,
    mirrored: true,
    start: [60, 0],
    edges: [
      { allowance: SEAM, steps: [[175, 38]] },
      { allowance: SEAM, steps: [[160, 90, 168, 190, 240, 215]] },
      { allowance: SEAM, steps: [[228, 330, 236, 480, 262, 620]] },
      { allowance: HEM, steps: [[180, 640, 90, 646, -40, 646]] },
      { allowance: SEAM, steps: [[-40, 120]] },
      { allowance: SEAM, steps: [[0, 108, 52, 70, 60, 0]] },
    ],
    grain: [80, 180, 80, 480],
    notches: [
      [1, 0.55],
      [2, 0.5],
      [4, 0.4],
    ],
    darts: [[2, 0.12, 26, 105, 10]],
    lines: [{ name: 'Lengthen or shorten here', at: [-34, 330, 224, 330] }],
  },
  {
    name: 'Coat Back',
    count: 1,
    start: [0, 18],
    edges: [
      { allowance: SEAM, steps: [[30, 18, 58, 14, 66, 0]] },
      { allowance: SEAM, steps: [[182, 44]] },
      { allowance: SEAM, steps: [[170, 100, 176, 190, 232, 218]] },
      { allowance: SEAM, steps: [[222, 330, 230, 480, 254, 622]] },
      { allowance: HEM, steps: [[170, 640, 80, 644, 0, 644]] },
      { allowance: SEAM, fold: true, steps: [[0, 18]] },
    ],
    grain: [110, 160, 110, 460],
    notches: [
      [2, 0.5],
      [3, 0.5],
    ],
    lines: [{ name: 'Lengthen or shorten here', at: [4, 330, 218, 330] }],
  },
  {
    name: 'Sleeve',
    count: 2,
    mirrored: true,
    start: [0, 140],
    edges: [
      {
        allowance: SEAM,
        steps: [
          [40, 120, 90, 0, 170, 0],
          [250, 0, 300, 110, 340, 140],
        ],
      },
      { allowance: SEAM, steps: [[320, 260, 300, 420, 292, 560]] },
      { allowance: HEM, steps: [[48, 560]] },
      { allowance: SEAM, steps: [[40, 420, 20, 260, 0, 140]] },
    ],
    grain: [170, 120, 170, 480],
    notches: [
      [0, 0.3],
      [0, 0.52],
      [0, 0.72],
    ],
  },
  {
    name: 'Upper Collar',
    count: 1,
    start: [0, 20],
    edges: [
      { allowance: 6, steps: [[80, 20, 150, 12, 230, -20]] },
      { allowance: 6, steps: [[222, 70]] },
      { allowance: 6, steps: [[150, 92, 70, 96, 0, 96]] },
      { allowance: 6, fold: true, steps: [[0, 20]] },
    ],
    grain: [60, 32, 60, 88],
    notches: [[2, 0.6]],
  },
  {
    name: 'Front Facing',
    count: 2,
    mirrored: true,
    start: [30, 0],
    edges: [
      { allowance: SEAM, steps: [[84, 16]] },
      { allowance: 0, steps: [[70, 120, 50, 240, 48, 640]] },
      { allowance: HEM, steps: [[-40, 640]] },
      { allowance: SEAM, steps: [[-40, 120]] },
      { allowance: SEAM, steps: [[0, 108, 24, 70, 30, 0]] },
    ],
    grain: [4, 200, 4, 520],
  },
  {
    name: 'Patch Pocket',
    count: 2,
    start: [0, 0],
    edges: [
      { allowance: 25, steps: [[160, 0]] },
      {
        allowance: SEAM,
        steps: [
          [160, 150],
          [160, 172, 152, 180, 130, 180],
          [30, 180],
          [8, 180, 0, 172, 0, 150],
          [0, 0],
        ],
      },
    ],
    grain: [80, 30, 80, 150],
  },
]

const SKIRT: Spec[] = [
  {
    name: 'Skirt Front',
    count: 1,
    start: [0, 10],
    edges: [
      { allowance: SEAM, steps: [[60, 12, 120, 8, 178, 0]] },
      {
        allowance: SEAM,
        steps: [
          [205, 80, 232, 160, 238, 210],
          [262, 600],
        ],
      },
      { allowance: HEM, steps: [[180, 618, 90, 622, 0, 622]] },
      { allowance: SEAM, fold: true, steps: [[0, 10]] },
    ],
    grain: [60, 220, 60, 520],
    notches: [[1, 0.34]],
    darts: [[0, 0.58, 20, 95]],
  },
  {
    name: 'Skirt Back',
    count: 2,
    mirrored: true,
    start: [0, 0],
    edges: [
      { allowance: SEAM, steps: [[60, 4, 130, 14, 196, 12]] },
      { allowance: 20, steps: [[196, 620]] },
      { allowance: HEM, steps: [[120, 620, 20, 614, -76, 596]] },
      {
        allowance: SEAM,
        steps: [
          [-46, 206],
          [-40, 150, -24, 70, 0, 0],
        ],
      },
    ],
    grain: [110, 200, 110, 520],
    notches: [
      [1, 0.3],
      [1, 0.34],
      [3, 0.62],
    ],
    darts: [
      [0, 0.33, 22, 110],
      [0, 0.68, 18, 125],
    ],
  },
  {
    name: 'Waistband',
    count: 1,
    start: [0, 0],
    edges: [
      { allowance: SEAM, steps: [[388, 0]] },
      { allowance: SEAM, steps: [[388, 76]] },
      { allowance: SEAM, steps: [[0, 76]] },
      { allowance: SEAM, fold: true, steps: [[0, 0]] },
    ],
    grain: [120, 38, 300, 38],
    notches: [[0, 0.46]],
  },
  {
    name: 'Pocket Bag',
    count: 4,
    mirrored: true,
    start: [0, 0],
    edges: [
      { allowance: SEAM, steps: [[120, 0]] },
      {
        allowance: SEAM,
        steps: [
          [128, 70, 150, 120, 156, 190],
          [156, 240, 96, 262, 40, 250],
          [10, 244, 0, 220, 0, 190],
        ],
      },
      { allowance: SEAM, steps: [[0, 0]] },
    ],
    grain: [70, 50, 70, 200],
  },
]

const OVERALL: Spec[] = [
  {
    name: 'Front Leg',
    count: 2,
    mirrored: true,
    start: [40, 0],
    edges: [
      { allowance: SEAM, steps: [[226, 8]] },
      {
        allowance: SEAM,
        steps: [
          [248, 90, 262, 160, 262, 250],
          [262, 480, 238, 700, 232, 960],
        ],
      },
      { allowance: HEM, steps: [[50, 960]] },
      { allowance: SEAM, steps: [[46, 700, 10, 420, -18, 262]] },
      { allowance: SEAM, steps: [[24, 250, 36, 200, 40, 0]] },
    ],
    grain: [140, 200, 140, 800],
    notches: [
      [1, 0.55],
      [3, 0.45],
    ],
    lines: [{ name: 'Lengthen or shorten here', at: [44, 700, 240, 700] }],
  },
  {
    name: 'Back Leg',
    count: 2,
    mirrored: true,
    start: [0, 0],
    edges: [
      { allowance: SEAM, steps: [[210, -30]] },
      { allowance: SEAM, steps: [[222, 120, 240, 230, 310, 262]] },
      { allowance: SEAM, steps: [[260, 420, 214, 700, 206, 960]] },
      { allowance: HEM, steps: [[0, 960]] },
      {
        allowance: SEAM,
        steps: [
          [-8, 700, -34, 480, -34, 250],
          [-34, 160, -20, 90, 0, 0],
        ],
      },
    ],
    grain: [100, 200, 100, 800],
    notches: [
      [2, 0.45],
      [4, 0.5],
      [4, 0.52],
    ],
    darts: [[0, 0.45, 24, 120]],
  },
  {
    name: 'Bib',
    count: 2,
    start: [0, 0],
    edges: [
      { allowance: 25, steps: [[104, 0]] },
      { allowance: SEAM, steps: [[112, 110, 140, 200, 196, 250]] },
      { allowance: SEAM, steps: [[130, 262, 60, 266, 0, 266]] },
      { allowance: SEAM, fold: true, steps: [[0, 0]] },
    ],
    grain: [52, 50, 52, 210],
    notches: [[1, 0.5]],
  },
  {
    name: 'Strap',
    count: 2,
    start: [0, 0],
    edges: [
      { allowance: SEAM, steps: [[86, 0]] },
      { allowance: SEAM, steps: [[86, 620]] },
      {
        allowance: SEAM,
        steps: [
          [43, 660],
          [0, 620],
        ],
      },
      { allowance: SEAM, steps: [[0, 0]] },
    ],
    grain: [43, 140, 43, 480],
  },
  {
    name: 'Back Yoke',
    count: 2,
    start: [0, 0],
    edges: [
      { allowance: SEAM, steps: [[70, 4, 140, 10, 206, 30]] },
      { allowance: SEAM, steps: [[198, 120]] },
      { allowance: SEAM, steps: [[130, 136, 60, 140, 0, 140]] },
      { allowance: SEAM, fold: true, steps: [[0, 0]] },
    ],
    grain: [90, 30, 90, 116],
    notches: [[2, 0.5]],
  },
  {
    name: 'Hip Pocket',
    count: 2,
    start: [0, 0],
    edges: [
      { allowance: 25, steps: [[150, 0]] },
      { allowance: SEAM, steps: [[144, 150]] },
      {
        allowance: SEAM,
        steps: [
          [75, 186],
          [6, 150],
        ],
      },
      { allowance: SEAM, steps: [[0, 0]] },
    ],
    grain: [75, 30, 75, 150],
  },
]

/** Figures between 0 and 1 that a seed gives again and again alike. */
export function chances(seed: number): () => number {
  let state = (seed * 2654435761) >>> 0 || 1
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** Three invented garments, each piece stretched a little by the seed. */
export function corpusGarments(seed: number): TruthGarment[] {
  const chance = chances(seed)
  const stretched = (specs: Spec[]) => specs.map((s) => toPiece(s, 0.92 + chance() * 0.2, 0.92 + chance() * 0.2))
  return [
    { name: 'Harbour Coat', pieces: stretched(COAT) },
    { name: 'Shingle Skirt', pieces: stretched(SKIRT) },
    { name: 'Dockside Overall', pieces: stretched(OVERALL) },
  ]
}
