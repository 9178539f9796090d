import { cubic, line, mapPath, type Path, type Point } from '../../core/geometry'
import type { Scene } from './make-photograph'

/** Made pieces and the scenes that they are photographed in: for tests, the demo and the pictures of the README. */

const at = (x: number, y: number): Point => ({ x, y })

/** A bodice front of 630 mm beside a sheet at 0, 0, with its grain drawn on it. */
export const FRONT: Path = [
  line(at(323, 42), at(421, 12)),
  line(at(421, 12), at(522, 61)),
  cubic(at(522, 61), at(502, 131), at(532, 191), at(603, 217)),
  line(at(603, 217), at(622, 623)),
  cubic(at(622, 623), at(542, 637), at(422, 642), at(323, 642)),
  line(at(323, 642), at(323, 122)),
  cubic(at(323, 122), at(329, 96), at(330, 66), at(323, 42)),
]
export const FRONT_GRAIN: Path = [line(at(452, 202), at(452, 563))]

/** A collar with a curved edge, aslant. */
export const COLLAR: Path = [
  line(at(60, 380), at(250, 352)),
  cubic(at(250, 352), at(262, 382), at(262, 410), at(250, 436)),
  cubic(at(250, 436), at(190, 424), at(120, 434), at(72, 458)),
  line(at(72, 458), at(60, 380)),
]

/** A trouser leg longer than one photograph shows, marked for joining. */
export const LEG: Path = [
  cubic(at(330, 30), at(420, 12), at(520, 14), at(600, 34)),
  cubic(at(600, 34), at(612, 190), at(640, 250), at(690, 290)),
  cubic(at(690, 290), at(640, 560), at(612, 800), at(600, 1020)),
  line(at(600, 1020), at(360, 1020)),
  cubic(at(360, 1020), at(352, 700), at(300, 380), at(330, 30)),
]

/** A photograph of 1,100 mm across, taken leaning over the table, on boards, with a shadow. */
export const SCENE: Scene = {
  widthPx: 1100,
  heightPx: 825,
  camera: { at: at(375, 480), heightMm: 1500, leansX: 8, leansY: -5, turned: 4, widthMm: 1150 },
  lens: { k1: 0.03, k2: 0 },
  floor: { kind: 'boards', colour: [120, 84, 56] },
  sheet: { widthMm: 210, heightMm: 297 },
  pieces: [{ path: FRONT, colour: [214, 190, 150], lines: [FRONT_GRAIN] }],
  light: { from: at(0, -300), fall: 0.25, shadow: { at: at(700, 600), radiusMm: 180, dark: 0.35, soft: 1 } },
  noise: 3,
  blurPx: 0.8,
  seed: 5,
  dotsPerMm: 1.5,
}

/** Paper cut along a flexible curve, from the waist in front, by the inseam, to the waist at the back. */
export const CROTCH_CURVE: Path = [
  cubic(at(400, 60), at(396, 170), at(406, 296), at(474, 326)),
  cubic(at(474, 326), at(560, 364), at(640, 230), at(632, 18)),
]
const CROTCH: Path = [
  ...CROTCH_CURVE,
  line(at(632, 18), at(700, 20)),
  line(at(700, 20), at(690, 420)),
  line(at(690, 420), at(330, 420)),
  line(at(330, 420), at(330, 62)),
  line(at(330, 62), at(400, 60)),
]
export const CROTCH_SCENE: Scene = {
  ...SCENE,
  pieces: [{ path: CROTCH, colour: [226, 216, 190] }],
  camera: { ...SCENE.camera, at: at(360, 220), leansX: 5, turned: -6 },
  seed: 41,
}

/** As they are saved for the demo: smaller than a phone saves them. */
export const SAVED = { widthPx: 2000, heightPx: 1500, dotsPerMm: 2.5, noise: 2, blurPx: 1 }

const PAPER = [226, 216, 190] as const
const over = (camera: Partial<Scene['camera']>) => ({ ...SCENE.camera, leansX: 4, leansY: 3, ...camera })
/** The second photograph of the leg lies so beside its sheet, which was moved meanwhile. */
export const LEG_MOVED: Point = at(-40, -600)
/** The leg in two photographs. */
export const LEG_SCENES: [upper: Scene, lower: Scene] = [
  { ...SCENE, pieces: [{ path: LEG, colour: PAPER }], camera: over({ at: at(380, 380) }), seed: 31 },
  {
    ...SCENE,
    pieces: [{ path: mapPath(LEG, (p) => at(p.x + LEG_MOVED.x, p.y + LEG_MOVED.y)), colour: PAPER }],
    camera: over({ at: at(360, 260), turned: -3 }),
    seed: 32,
  },
]
/** Places on the leg that both show: for marks. */
export const LEG_MARKS: Point[] = [at(420, 480), at(560, 520), at(470, 650)]
