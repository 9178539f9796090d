/** The simulated curve reader: a reading of a made body, bent by the query; another seed is another reading of the same body. */
export default defineEventHandler((event) => {
  if (!isFetch(event)) return refuseMethod(event)
  const bend = BendSchema.safeParse(getQuery(event))
  if (!bend.success) return refuseRequest(event, 400, 'bend', 'the curve cannot be bent so far: look at its figures.')
  return bendCurve(bend.data)
})
