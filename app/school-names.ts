import type { School } from '~~/core/size'

/** What each way of choosing the size is called. */
export const SCHOOL_NAMES: Record<School, string> = {
  finished: 'by finished measure',
  'high-bust': 'by high bust',
  'full-bust': 'by full bust, from the chart',
}
