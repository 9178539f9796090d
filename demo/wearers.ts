import type { Figure, MeasureSet, Wearer } from '../core/body'

type Given = Record<string, number | [number, number]>

const setOf = (takenOn: string, note: string, given: Given): MeasureSet => ({
  id: takenOn,
  takenOn,
  note,
  figures: Object.fromEntries(
    Object.entries(given).map(([id, mm]): [string, Figure] => [id, typeof mm === 'number' ? { mm } : { leftMm: mm[0], rightMm: mm[1] }]),
  ),
})

const COOK: Given = {
  neck: 366,
  'high-bust': 902,
  bust: 948,
  waist: 900,
  hip: 1050,
  shoulder: [121, 119],
  'back-neck-to-waist': 398,
  'front-to-waist': 424,
  'underarm-to-waist': 196,
  bicep: [312, 318],
  'arm-length': 578,
  thigh: [612, 615],
  knee: 392,
  heel: 318,
  'waist-to-hip': 205,
  'waist-to-knee': 584,
}

/** The village stage company: three wearers by their roles, figures made up. */
export const DEMO_WEARERS: Wearer[] = [
  {
    id: 'cook',
    name: 'the Cook',
    ownMeasures: [{ id: 'forearm', name: 'Forearm', kind: 'round' }],
    sets: [
      setOf('2025-09-14', 'Before the winter play.', { ...COOK, bust: 936, waist: 872, hip: 1030, forearm: 262 }),
      setOf('2026-04-02', '', { ...COOK, waist: 886, hip: 1042 }),
      setOf('2026-10-19', 'For the harbour scene; takes three sizes.', { ...COOK, forearm: 266 }),
    ],
  },
  {
    id: 'lamplighter',
    name: 'the Lamplighter',
    ownMeasures: [],
    sets: [
      setOf('2026-10-20', 'Beyond the largest size.', {
        neck: 428,
        'high-bust': 1052,
        bust: 1090,
        waist: 1000,
        hip: 1150,
        shoulder: 138,
        'back-neck-to-waist': 452,
        'front-to-waist': 470,
        'underarm-to-waist': 214,
        bicep: [392, 398],
        thigh: 648,
        knee: 436,
        heel: 342,
        'waist-to-hip': 214,
        'waist-to-knee': 618,
      }),
    ],
  },
  {
    id: 'bather',
    name: 'the Bather',
    ownMeasures: [],
    sets: [
      setOf('2026-10-21', 'Between two sizes.', {
        neck: 344,
        'high-bust': 842,
        bust: 884,
        waist: 712,
        hip: 958,
        shoulder: 116,
        'back-neck-to-waist': 388,
        'front-to-waist': 410,
        'underarm-to-waist': 188,
        bicep: 276,
        thigh: 556,
        knee: 362,
        heel: 305,
        'waist-to-hip': 198,
        'waist-to-knee': 560,
        'waist-to-hem-back': 652,
        'waist-to-hem-side': 660,
        'waist-to-hem-front': 652,
      }),
    ],
  },
]
