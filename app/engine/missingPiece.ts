import { ref } from 'vue'

/** Counts the pieces of this page that did not come: files of threads, and notes that are loaded when they are opened. */
export const missingPieces = ref(0)

/** A thread whose own file may be gone from the server; what was asked of it is then never answered. */
export function watched(worker: Worker): Worker {
  // An error within a thread has its words; a file that did not come has none.
  worker.addEventListener('error', event => {
    if (!event.message) missingPieces.value++
  })
  return worker
}
