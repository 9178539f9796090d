export { narrowestPlace } from './narrowest-place'
export { widthAt } from './width-at'
export { levelOfCorner, lineLevel } from './levels'
export { findZones, isNarrowest, ZONE_FACTS, ZONE_IDS, type FoundZone, type Zone, type ZoneId, type ZonePart } from './find-zones'
export { newZone, ownZones, OwnZoneSchema, type OwnZone } from './own-zones'
export { zoneLevel } from './zone-level'
export { zoneWidth } from './zone-width'
export { zoneLine } from './zone-line'
export { finishedMeasures, finishedMm, NO_ZONING, zoneOn, zonesOf, type Zoning } from './finished-measures'
export { pointOnChain, sideChains, type SideChain } from './side-chains'
export { zonesOnChain } from './zones-on-chain'
export { measureGarment, type Measure, type MeasureGroup } from './measure-garment'
export { finishedLength, lengthMissing, type LengthPlace } from './finished-length'
export { compareMeasures, type LedgerRow } from './compare-measures'
export { onwardThroughDarts, type Onward } from './onward-through-darts'
export { bustWidth } from './bust-width'
export {
  apexesOf,
  APEX_BELOW_MM,
  apexOfFront,
  bustShare,
  edgesOppose,
  frontKind,
  frontsOf,
  sidePlace,
  type FrontKind,
  type Panels,
} from './find-front'
