import { sweepPictures } from '~/data/pictures'
import { openStorage } from '~/data/storage'

/** The storage is opened at once, so that one that does not serve is known before anything is typed. */
export default defineNuxtPlugin(() => {
  void openStorage().then(() => sweepPictures().catch(() => {}))
})
