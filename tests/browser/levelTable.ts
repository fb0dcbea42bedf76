/** A table of so many levels of a tank, an hour apart from a moment on. */
export const levelTable = (lines: number, beginMs: number): string =>
  'at,kind,subject,value,unit\n' +
  Array.from({ length: lines }, (_, at) => {
    const moment = new Date(beginMs + at * 3_600_000).toISOString().slice(0, 16)
    return `${moment},level,tank-1,${(at % 60) / 100},m`
  }).join('\n')
