export * from './schema'
export {
  findZones,
  finishedMm,
  zoneLevel,
  zoneLine,
  zoneWidth,
  ZONE_IDS,
  type FoundZone,
  type Zone,
  type ZoneId,
  type ZonePart,
} from './find-zones'
export { newZone, ownZones } from './own-zones'
export { pointOnChain, sideChains, zonesOnChain, type SideChain } from './side-chains'
export { wantedEase } from './wanted-ease'
export { chooseSize, takesSmaller, type ChosenSize, type SizeFigure } from './choose-size'
export { bodyLengths, type LengthRow } from './body-lengths'
export { adviseCup, chosenSizes, makeWorksheet, type CupAdvice, type Worksheet, type WorksheetRow } from './worksheet'
export { listToTrace, sizeWords, type TraceRow } from './list-to-trace'
export { checkChart, type ChartFlaw } from './check-chart'
export { readChart, writeChart } from './chart-csv'
export { openCups } from './open-cups'
