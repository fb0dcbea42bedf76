import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'
import { STRAINER, VENT, withRows, type Row } from './madeUp'

const root = fileURLToPath(new URL('../../', import.meta.url))

/** What the compiler says of the core once some more rows stand in it: the files it names. */
function namedBy(rows: readonly Row[]): string[] {
  const config = ts.readConfigFile(`${root}core/tsconfig.json`, path => readFileSync(path, 'utf8'))
  const { options, fileNames } = ts.parseJsonConfigFileContent(config.config, ts.sys, `${root}core/`)
  const host = ts.createCompilerHost(options)
  const read = host.getSourceFile.bind(host)
  host.getSourceFile = (name, language) => {
    if (!rows.some(({ file }) => name.endsWith(file))) return read(name, language)
    return ts.createSourceFile(name, withRows(name, readFileSync(name, 'utf8'), rows), language)
  }
  const program = ts.createProgram(fileNames, options, host)
  const names = ts.getPreEmitDiagnostics(program).map(({ file: where }) => where?.fileName.slice(root.length) ?? '')
  return [...new Set(names)].sort()
}
const filesOf = (rows: readonly Row[]) => rows.map(({ file }) => file)

describe.each([
  ['part', STRAINER, 4],
  ['node', VENT, 6],
] as const)('a new kind of %s', (_name, rows, most) => {
  it('is one row, and the compiler names every reader in the core that it needs, and no other', () => {
    expect(filesOf(rows).length).toBeLessThanOrEqual(most)
    expect(namedBy(rows.slice(0, 1))).toEqual(filesOf(rows).slice(1).sort())
  }, 120_000)
  it('is wholly there once these have their rows', () => {
    expect(namedBy(rows)).toEqual([])
  }, 120_000)
})
