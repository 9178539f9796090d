import { loadWriting } from '~/data/acts'
import { sweepCards } from '~/data/cards'
import { sweepPictures } from '~/data/pictures'
import { openStorage } from '~/data/storage'
import { sayFault } from '~/messages'

/** Nobody waits for what is swept out: it is not done while the page is being drawn, ms. */
const SWEPT_AFTER_MS = 3000

/** The storage is opened at once, before the page is fetched, so that one that does not serve is known before anything is typed. */
export default defineNuxtPlugin({
  order: -50,
  setup() {
    const sweep = () => {
      void sweepPictures().catch(() => {})
      void sweepCards().catch(() => {})
    }
    void openStorage().then(
      () =>
        // While one reads the page: the first thing that is written does not wait for it.
        onNuxtReady(() => {
          void loadWriting().catch(() => {})
          setTimeout(sweep, SWEPT_AFTER_MS)
        }),
      () => sayFault('A part of Tidal Seam did not arrive: the connection was lost. Reload the page when it is back.'),
    )
  },
})
