import { loadWriting } from '~/data/acts'
import { sweepPictures } from '~/data/pictures'
import { openStorage } from '~/data/storage'

/** The storage is opened at once, so that one that does not serve is known before anything is typed. */
export default defineNuxtPlugin(() => {
  void openStorage().then(() =>
    // While one reads the page: the first thing that is written does not wait for it.
    onNuxtReady(() => {
      void loadWriting().catch(() => {})
      void sweepPictures().catch(() => {})
    }),
  )
})
