export {
  boughtMm,
  CLOTH_MM,
  ClothSchema,
  MOST_REPEAT_MM,
  MOST_SHRUNK,
  USE_NAMES,
  usableMm,
  USES,
  usualCloth,
  type Cloth,
  type Use,
} from './cloth'
export { BETWEEN_MM } from './parcels'
export { lengthOfLaid, lengthToBuy, makeLay, wantedOf, type LaidOnCloth, type Lay, type SearchOptions, USUAL_ROUNDS } from './make-lay'
export { shuffled } from './search'
export type { Wanted } from './lay-items'
export { biasEdges, cardNotes, cuttingCards, MOST_LAYERS, usualCounts, type BiasEdge, type Counts, type CuttingCard } from './cutting-card'
export { layFaults, movedBy, turnedRound, type LayFault } from './check-lay'
export { meetingsOf, type Meeting } from './meetings'
export { roomiestPoint } from './roomiest-point'
export { layWords } from './lay-words'
export { biasCut, type BiasCut } from './bias-cut'
