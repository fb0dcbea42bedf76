import type { Problem } from '#core/answers'

/** Thrown by a route and answered as its status with `{ error: [{ path, sentence }] }`. */
export class Refused extends Error {
  constructor(
    readonly status: 400 | 404 | 408 | 413 | 422 | 429 | 503,
    readonly problems: Problem[],
  ) {
    super(problems[0]?.sentence)
  }
}

/** One problem of the whole request. */
export const refused = (status: Refused['status'], sentence: string, path = '') =>
  new Refused(status, [{ path, sentence }])
