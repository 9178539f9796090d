/** Round the body or a limb, or a length along it. */
export type MeasureKind = 'round' | 'length'

export interface BodyMeasure {
  id: string
  name: string
  kind: MeasureKind
  /** Taken on both sides where they differ. */
  sided: boolean
  /** How to take it, one sentence. */
  how: string
  /** Figures outside are asked about, mm. */
  usual: { fromMm: number; toMm: number }
}

const round = (id: string, name: string, from: number, to: number, how: string, sided = false): BodyMeasure => ({
  id,
  name,
  kind: 'round',
  sided,
  how,
  usual: { fromMm: from, toMm: to },
})
const along = (id: string, name: string, from: number, to: number, how: string, sided = false): BodyMeasure => ({
  id,
  name,
  kind: 'length',
  sided,
  how,
  usual: { fromMm: from, toMm: to },
})

/** What is measured on a body, in the order in which it is taken: round the trunk, lengths, arm, leg, hems (craft 4). */
export const BODY_MEASURES: readonly BodyMeasure[] = [
  round('neck', 'Neck', 250, 520, 'Round the base of the neck, where a collar sits, tape on its edge.'),
  round('high-bust', 'High bust', 600, 1500, 'Under the arms and above the fullest part of the bust, level at the back.'),
  round('bust', 'Full bust', 600, 1700, 'Round the fullest part, tape level, breathing easily.'),
  round('waist', 'Waist', 450, 1600, 'Tie an elastic, bend and move: measure where it settles, and leave it on for the lengths.'),
  round('hip', 'Hip', 600, 1800, 'Round the fullest part below the waist, feet together.'),
  along('shoulder', 'Shoulder length', 80, 190, 'From the neck, where a collar would sit, to the corner of the shoulder.', true),
  along('back-neck-to-waist', 'Back neck to waist', 300, 560, 'From the bone at the base of the neck down the spine to the elastic.'),
  along(
    'front-to-waist',
    'Front, shoulder to waist',
    330,
    650,
    'From the shoulder at the neck over the fullest part of the bust to the elastic.',
    true,
  ),
  along(
    'front-slope',
    'Front slope, for a wrap',
    380,
    750,
    'From the shoulder at the neck over the bust to the elastic at the other side, where the edge of a wrap will end.',
  ),
  along(
    'underarm-to-waist',
    'Underarm to waist',
    120,
    320,
    'Straight down the side, from a ruler held under the arm to the elastic.',
    true,
  ),
  round('bicep', 'Bicep', 180, 650, 'Round the fullest part of the upper arm, arm bent, muscle tight.', true),
  along('arm-length', 'Arm length', 450, 800, 'From the corner of the shoulder over the bent elbow to the wrist bone.', true),
  round('thigh', 'Thigh', 350, 1000, 'Round the fullest part of the leg, close to the crotch.', true),
  round('knee', 'Knee', 250, 650, 'Round the knee, leg slightly bent.', true),
  round('heel', 'Round heel and instep', 220, 460, 'Round the heel and over the instep: what a trouser leg must let through.', true),
  along('waist-to-hip', 'Waist to hip', 120, 300, 'Down the side from the elastic to the level of the hip measure.'),
  along('waist-to-knee', 'Waist to knee', 450, 750, 'Down the side from the elastic to the middle of the knee.'),
  along('crotch', 'Crotch length', 450, 1100, 'From the elastic in front, between the legs, to the elastic at the back.'),
  along('waist-to-hem-back', 'Waist to hem, centre back', 200, 1400, 'From the elastic down to where the hem is wanted at centre back.'),
  along('waist-to-hem-side', 'Waist to hem, side', 200, 1400, 'From the elastic down to where the hem is wanted at the side.'),
  along('waist-to-hem-front', 'Waist to hem, centre front', 200, 1400, 'From the elastic down to where the hem is wanted at centre front.'),
  along('back-neck-to-hem', 'Back neck to hem', 350, 1800, 'From the bone at the base of the neck down to where the hem is wanted.'),
]

const byId = new Map(BODY_MEASURES.map((m) => [m.id, m]))

/** A measure of the list by its id, or undefined for one that a person has added. */
export const findMeasure = (id: string): BodyMeasure | undefined => byId.get(id)
