import type { EdgeRole } from './schema'

/** What each role is called on a piece. */
export const ROLE_NAMES: Record<EdgeRole, string> = {
  neck: 'neckline',
  shoulder: 'shoulder',
  armhole: 'armhole',
  side: 'side seam',
  waist: 'waist',
  hem: 'hem',
  'centre-front': 'centre front',
  'centre-back': 'centre back',
  cap: 'cap',
  underarm: 'underarm seam',
  inseam: 'inseam',
  outseam: 'outseam',
  crotch: 'crotch',
  'leg-opening': 'leg opening',
  band: 'band edge',
  'band-end': 'band end',
  panel: 'panel seam',
  'dart-leg': 'dart leg',
  pleat: 'pleat mouth',
  other: 'edge',
}
