import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'
import { ACIDITY, MADE_UP, PROBE, STRAINER, VENT, withRows, type Row } from './madeUp'

const root = fileURLToPath(new URL('../../', import.meta.url))

/** What the compiler says of the core once some more rows stand in it: the files it names. */
function namedBy(rows: readonly Row[]): string[] {
  const config = ts.readConfigFile(`${root}core/tsconfig.json`, path => readFileSync(path, 'utf8'))
  const { options, fileNames } = ts.parseJsonConfigFileContent(config.config, ts.sys, `${root}core/`)
  const shipped = fileNames.filter(name => !name.endsWith('.test.ts'))
  const host = ts.createCompilerHost(options)
  const read = host.getSourceFile.bind(host)
  host.getSourceFile = (name, language) => {
    if (!rows.some(({ file }) => name.endsWith(file))) return read(name, language)
    return ts.createSourceFile(name, withRows(name, readFileSync(name, 'utf8'), rows), language)
  }
  const program = ts.createProgram(shipped, options, host)
  const names = ts.getPreEmitDiagnostics(program).map(({ file: where }) => where?.fileName.slice(root.length) ?? '')
  return [...new Set(names)].sort()
}
const KINDS = { part: STRAINER, node: VENT, reading: ACIDITY, device: PROBE }
const filesOf = (rows: readonly Row[]) => rows.map(({ file }) => file)

describe('a new kind', () => {
  it('is a row in few files: of a part in four, of a node in six, of a reading or a device in one of the core', () => {
    const counts = Object.entries(KINDS).map(([name, rows]) => [name, new Set(filesOf(rows)).size] as const)
    for (const [name, most] of Object.entries({ part: 4, node: 6, reading: 1, device: 1 }))
      expect(Object.fromEntries(counts)[name], name).toBeLessThanOrEqual(most)
  })
  it('has its own row first: then the compiler names every reader in the core that needs one, and no other', () => {
    const own = Object.values(KINDS).map(([first]) => first!)
    const readers = MADE_UP.filter(row => !own.includes(row))
    expect(namedBy(own)).toEqual([...new Set(filesOf(readers))].sort())
  }, 120_000)
  it('is wholly there once these have their rows', () => {
    expect(namedBy(MADE_UP)).toEqual([])
  }, 120_000)
})
