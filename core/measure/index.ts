export { widthAt, narrowestPlace } from './width-at'
export { measureGarment, lineLevel, type Measure, type MeasureGroup } from './measure-garment'
export { finishedLength, lengthMissing, type LengthPlace } from './finished-length'
export { compareMeasures, type LedgerRow } from './compare-measures'
