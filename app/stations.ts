/** Where a station of a garment is, in the fit that is open there; without one it opens the fit that was last worked on. */
export const stationAt = (
  garmentId: string,
  fitId: string | null,
  station: 'wearer' | 'size' | 'reshape' | 'match' | 'tissue' | 'paper' | 'fittings',
) => ({
  path: `/garment/${garmentId}/${station}`,
  query: fitId === null ? {} : { fit: fitId },
})
