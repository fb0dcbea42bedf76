const MOST = 6

/** The first few of many sentences, and how many more there are: nobody reads a thousand. */
export const fewOf = (sentences: readonly string[]): string[] =>
  sentences.length > MOST
    ? [...sentences.slice(0, MOST), `… and ${sentences.length - MOST} more lines like these.`]
    : [...sentences]
