import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import ts from 'typescript'
import { beforeAll, describe, expect, it } from 'vitest'

const core = fileURLToPath(new URL('../../core/', import.meta.url))

/** What the compiler says of the core once one more row stands among the kinds: the files it names. */
function namedBy(file: string, row: string, before: string): string[] {
  const config = ts.readConfigFile(`${core}tsconfig.json`, path => readFileSync(path, 'utf8'))
  const { options, fileNames } = ts.parseJsonConfigFileContent(config.config, ts.sys, core)
  const host = ts.createCompilerHost(options)
  const read = host.getSourceFile.bind(host)
  host.getSourceFile = (name, language) => {
    if (!name.endsWith(file)) return read(name, language)
    const text = readFileSync(name, 'utf8')
    if (!text.includes(before)) throw new Error(`${file} has no “${before}” any more`)
    return ts.createSourceFile(name, text.replace(before, row + before), language)
  }
  const program = ts.createProgram(fileNames, options, host)
  const names = ts.getPreEmitDiagnostics(program).map(({ file: where }) => where?.fileName.slice(core.length) ?? '')
  return [...new Set(names)].sort()
}

describe('a new kind', () => {
  let parts: string[]
  let nodes: string[]
  beforeAll(() => {
    const strainer =
      "strainer: row({ name: 'strainer', fields: { boreMm: bore() }, does: 'meshes', passes: 'both ways', " +
      "levels: true, k: 2, bore: 'boreMm' }),\n  "
    parts = namedBy('kinds/parts.ts', strainer, 'valve: row({')
    const vent = "vent: row({ name: 'vent', fields: { boreMm: bore() }, water: 'leaves', ports: inOnly }),\n  "
    nodes = namedBy('kinds/nodes.ts', vent, 'chamber: row({')
  }, 120_000)
  it('of part is one row, and the compiler names every reader in the core that it needs', () => {
    expect(parts).toEqual(['build/takeoff/lines.ts', 'section/symbols.ts'])
  })
  it('of node likewise', () => {
    expect(nodes).toEqual(['build/takeoff/things.ts', 'section/symbols.ts'])
  })
})
