import 'fake-indexeddb/auto'
import { loadDb } from './db'

// As in the page, where nothing is asked of the storage before it is there.
await loadDb()
