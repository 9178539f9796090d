import { figureMm, type MeasureSet } from '../body'
import { finishedMm, ZONE_IDS, zonesOf, type Zone, type ZoneId } from '../measure'
import { findPiece, timesRound, type Garment } from '../pattern'
import { lengthToken } from '../units'
import { chooseSize, type ChosenSize, type SizeFigure } from './choose-size'
import { bodyLengths, type LengthRow } from './body-lengths'
import type { School, Sizing } from './schema'
import { easeWanted, type EaseWanted } from './ease-wanted'

/** A printed figure that is further than this from the measured one is reported, mm. */
const PRINTED_OFF_MM = 5

export interface WorksheetRow {
  zone: Zone
  /** null where it was not taken. */
  bodyMm: number | null
  /** Each size as measured on the pieces, smallest first, with its ease on this body. */
  sizes: { sizeId: string; name: string; mm: number; easeMm: number | null; printedMm: number | null }[]
  /** Printed figures that disagree with what was measured. */
  disagree: { sizeName: string; printedMm: number; measuredMm: number }[]
  /** Size by the printed body chart. */
  byChart: ChosenSize | null
  wantedMm: number
  wantedBy: EaseWanted['by']
  /** The ease that the pattern's maker meant here, mm; null where no chart says for which body it is made. */
  designedMm: number | null
  /** What such an ease would make of the design, or why nobody gets into it, in a sentence; null where neither is so. */
  silhouette: string | null
  /** The size to cut in this zone; null without a body figure. */
  chosen: (ChosenSize & { by: 'rule' | 'you' }) | null
  /** Wanted ease less the ease of the chosen printed size: what is missing when positive, mm. */
  remainderMm: number | null
  /** How many edges carry it: the remainder is divided by them. */
  edges: number
}

export interface Worksheet {
  school: School
  /** Why this school, in one sentence. */
  schoolWhy: string
  rows: WorksheetRow[]
  lengths: LengthRow[]
  cup: CupAdvice | null
}

export interface CupAdvice {
  differenceMm: number
  /** The pattern's variant for it, where it has some. */
  cup: string | null
  /** Calls for a change of the bust. */
  change: boolean
  message: string
}

/** From this difference of full and high bust on, the bust is changed (craft 4), mm: 4 in. */
const CUP_CHANGE_MM = 100

/** Which cup variant the body takes, and whether the bust has to be changed besides. */
export function adviseCup(set: MeasureSet | null, cups: Sizing['cups']): CupAdvice | null {
  const full = figureMm(set, 'bust')
  const high = figureMm(set, 'high-bust')
  if (full === undefined || high === undefined) return null
  const differenceMm = full - high
  const cup = cups.find((c) => differenceMm <= c.upToMm) ?? null
  const change = cups.length > 0 ? cup === null : differenceMm >= CUP_CHANGE_MM
  const begin = `Full bust less high bust is ${lengthToken(differenceMm)}`
  const message = cup
    ? `${begin}: take the front for cup ${cup.name}.`
    : change
      ? `${begin}${cups.length > 0 ? `, beyond the largest cup, ${cups[cups.length - 1]!.name}` : ''}: the front needs a fuller bust.`
      : `${begin}: no change of the bust is called for.`
  return { differenceMm, cup: cup?.name ?? null, change, message }
}

/** Sides of a garment that take a remainder: the outer long edges of its pieces, as often as they are cut. */
function edgesOf(garment: Garment, zone: Zone): number {
  const roles = zone.id === 'bicep' ? ['underarm'] : ['side', 'outseam']
  const count = zone.parts.reduce((sum, part) => {
    const piece = findPiece(garment, part.pieceId)!
    // Two side edges that a dart parts are one.
    const seams = new Set(piece.edges.filter((e) => roles.includes(e.role)).map((e) => sideOfGrain(piece, e.id)))
    return sum + seams.size * timesRound(garment, piece)
  }, 0)
  return Math.max(1, zone.limb ? count / 2 : count)
}

/** Edges on one side of a dart and on the other belong to one seam: told apart by what lies between them. */
function sideOfGrain(piece: Garment['pieces'][number], edgeId: string): number {
  const n = piece.edges.length
  let i = piece.edges.findIndex((e) => e.id === edgeId)
  const { role } = piece.edges[i]!
  for (let k = 0; k < n; k++) {
    const before = piece.edges[(i + n - 1) % n]!
    if (before.role !== role && before.role !== 'dart-leg') break
    i = (i + n - 1) % n
  }
  return i
}

function schoolOf(garment: Garment, sizing: Sizing, zones: readonly Zone[]): { school: School; schoolWhy: string } {
  if (sizing.school) return { school: sizing.school, schoolWhy: 'Chosen by you.' }
  if (zones.length > 0 && garment.sizes.length > 1)
    return { school: 'finished', schoolWhy: 'By finished measure, since every size can be measured: it answers what will fit.' }
  return { school: 'high-bust', schoolWhy: 'By high bust, since there are no finished measures of several sizes.' }
}

/** The body figure that a school asks for in a zone: round the bust it may be the high bust. */
const measureFor = (zone: Zone, school: School): string | null =>
  school === 'high-bust' && (zone.id === 'bust' || zone.id === 'high-bust') ? 'high-bust' : zone.measureId

/**
 * The worksheet: zone by zone the body, what each size will measure when sewn, ease now and wanted, the size to cut and
 * why, and what is still missing (craft 4).
 *
 * @param set the wearer's figures; null leaves the body's columns empty
 * @param bought the pattern as bought, whose ease is the design's, where the pieces at hand have been changed
 */
export function makeWorksheet(garment: Garment, sizing: Sizing, set: MeasureSet | null, bought: Garment = garment): Worksheet {
  const zones = zonesOf(garment, sizing)
  const { school, schoolWhy } = schoolOf(garment, sizing, zones)
  const rows = zones.map((zone): WorksheetRow => {
    const body = zone.measureId ? (figureMm(set, zone.measureId) ?? null) : null
    const measured: SizeFigure[] = garment.sizes.map((s) => ({
      sizeId: s.id,
      name: s.name,
      mm: finishedMm(garment, zone, s.id, sizing.shiftsMm[zone.id]),
    }))
    const chart: SizeFigure[] = garment.sizes.flatMap((s) => {
      const mm = sizing.bodyChart[s.id]?.[measureFor(zone, school) ?? zone.id]
      return mm === undefined ? [] : [{ sizeId: s.id, name: s.name, mm }]
    })
    const chartBody = figureMm(set, measureFor(zone, school) ?? '') ?? null
    const byChart = chart.length > 0 && chartBody !== null ? chooseSize(chart, chartBody, 0, sizing.fit, sizing.fabric) : null
    const wanted = easeWanted(bought, zone, sizing, set)
    const wantedMm = wanted.mm
    const byRule =
      body === null ? null : school === 'finished' || !byChart ? chooseSize(measured, body, wantedMm, sizing.fit, sizing.fabric) : byChart
    const chosen = chosenSize(byRule, sizing.chosen[zone.id], measured, body)
    const easeNow = (sizeId: string) => (body === null ? null : measured.find((m) => m.sizeId === sizeId)!.mm - body)
    return {
      zone,
      bodyMm: body,
      sizes: measured.map((m) => ({
        ...m,
        easeMm: easeNow(m.sizeId),
        printedMm: sizing.printed[m.sizeId]?.[zone.id] ?? null,
      })),
      disagree: measured.flatMap((m) => {
        const printedMm = sizing.printed[m.sizeId]?.[zone.id]
        return printedMm !== undefined && Math.abs(printedMm - m.mm) > PRINTED_OFF_MM
          ? [{ sizeName: m.name, printedMm, measuredMm: m.mm }]
          : []
      }),
      byChart,
      wantedMm,
      wantedBy: wanted.by,
      designedMm: wanted.designedMm,
      silhouette: null,
      chosen,
      remainderMm: chosen === null || body === null ? null : wantedMm - easeNow(chosen.sizeId)!,
      edges: edgesOf(garment, zone),
    }
  })
  return {
    school,
    schoolWhy,
    rows: rows.map((r) => ({ ...r, silhouette: tooClose(r, sizing.fabric) ?? silhouetteOf(r, rows) })),
    lengths: bodyLengths(garment, set, sizing.wantedMm),
    cup: adviseCup(set, sizing.cups),
  }
}

/** Less than the body itself in a cloth that does not stretch: nobody gets into it. */
function tooClose({ zone, wantedMm }: WorksheetRow, fabric: Sizing['fabric']): string | null {
  if (wantedMm >= 0 || fabric === 'stretch') return null
  return `The ${zone.name} is wanted ${lengthToken(-wantedMm)} smaller than the body, and this cloth does not stretch: ask for more ease, or choose a cloth that does.`
}

/** Another shape than the design's is said from this difference on, mm round the body: what one sees in the mirror. */
const SHAPE_MM = 100

/** What the wanted ease of a zone makes of the design beside the bust's: taken in or let out by more than the design has it. */
function silhouetteOf(row: WorksheetRow, rows: readonly WorksheetRow[]): string | null {
  const bust = rows.find((r) => r.zone.id === 'bust')
  if (row.designedMm === null || row === bust || row.zone.limb) return null
  const besideBust = bust?.designedMm == null ? 0 : bust.wantedMm - bust.designedMm
  const mm = row.wantedMm - row.designedMm - besideBust
  if (Math.abs(mm) < SHAPE_MM) return null
  return `This takes the ${row.zone.name} ${mm < 0 ? 'in' : 'out'} by ${lengthToken(Math.abs(mm))} more than the design has it${bust ? ', beside the bust' : ''}: another silhouette. If that is not meant, choose “as designed”; if it is, a dart or a tie gives it more kindly than the side seams.`
}

function chosenSize(
  byRule: ChosenSize | null,
  byYou: string | undefined,
  measured: readonly SizeFigure[],
  bodyMm: number | null,
): WorksheetRow['chosen'] {
  const own = measured.find((m) => m.sizeId === byYou)
  if (own && bodyMm !== null)
    return { sizeId: own.sizeId, beyond: 0, easeMm: own.mm - bodyMm, rule: 'gives-enough', why: 'Chosen by you.', by: 'you' }
  return byRule ? { ...byRule, by: 'rule' } : null
}

const isFound = (id: string): id is ZoneId => (ZONE_IDS as readonly string[]).includes(id)

/** The size chosen in each zone that has one; a zone of one's own is measured, and chooses nothing. */
export function chosenSizes(worksheet: Worksheet): Partial<Record<ZoneId, ChosenSize>> {
  return Object.fromEntries(worksheet.rows.flatMap((r) => (r.chosen && isFound(r.zone.id) ? [[r.zone.id, r.chosen]] : [])))
}
