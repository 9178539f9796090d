import { tooTightWords, type TightZone } from '../size'
import { writeLengths, type Ruler } from '../units'

/** Zones that are smaller than the body, as it stands on the pieces that make them: such a piece is not to be cut yet. */
export const tightCautions = (zones: readonly TightZone[], ruler: Ruler): { text: string; pieceIds: string[] }[] =>
  zones.map(({ name, mm, pieceIds }) => ({ text: `not to be cut yet: ${name} ${writeLengths(tooTightWords(mm), ruler)}`, pieceIds }))
