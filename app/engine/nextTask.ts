/** Lets the browser do what else there is to do, a keystroke or a frame, before the work goes on. */
export const nextTask = (): Promise<void> => new Promise(done => setTimeout(done))

/** A page that is not looked at draws no frames, and goes on all the same after so long. */
const UNSEEN_MS = 100
/** Lets the browser draw what has changed before the work goes on: laying out is work too. */
export const nextFrame = (): Promise<void> =>
  new Promise(done => {
    const unseen = setTimeout(done, UNSEEN_MS)
    requestAnimationFrame(() => {
      clearTimeout(unseen)
      setTimeout(done)
    })
  })
