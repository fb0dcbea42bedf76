/** Lets the browser do what else there is to do, a keystroke or a frame, before the work goes on. */
export const nextTask = (): Promise<void> => new Promise(done => setTimeout(done))
