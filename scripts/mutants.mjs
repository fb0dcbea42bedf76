// Changes the core in a hundred places, one at a time, and counts how many of these changes its own tests notice:
// `npm run mutants`, or `npm run mutants -- 20 7` for twenty places by seed 7. The tests of its own room are asked first,
// and all others of the core only of what lives on after them.
import { spawnSync } from 'node:child_process'
import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'

const [count = 100, seed = 1] = process.argv.slice(2).map(Number)
const SWAPS = {
  [ts.SyntaxKind.PlusToken]: '-',
  [ts.SyntaxKind.MinusToken]: '+',
  [ts.SyntaxKind.AsteriskToken]: '/',
  [ts.SyntaxKind.SlashToken]: '*',
  [ts.SyntaxKind.LessThanToken]: '<=',
  [ts.SyntaxKind.LessThanEqualsToken]: '<',
  [ts.SyntaxKind.GreaterThanToken]: '>=',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '>',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
  [ts.SyntaxKind.TrueKeyword]: 'false',
  [ts.SyntaxKind.FalseKeyword]: 'true',
}

/** Numbers by a seed, from 0 to 1 (mulberry32). */
function dice(from) {
  let state = from >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32
  }
}

function* filesOf(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) yield* filesOf(path)
    else if (/\.ts$/.test(entry.name) && !/(\.test|\.d|\/index)\.ts$/.test(path)) yield path
  }
}

/** Every place of a file where something may be changed, and to what. Types and what is said are left alone. */
function placesOf(path) {
  const text = readFileSync(path, 'utf8')
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true)
  const places = []
  const change = (node, to) => places.push({ path, from: node.getStart(source), to: node.getEnd(), text: to })
  const walk = node => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isTaggedTemplateExpression(node)) return
    if (ts.isNumericLiteral(node)) change(node, node.text === '0' ? '1' : `(${node.text} * 1.1)`)
    else if (SWAPS[node.kind] && (!ts.isBinaryExpression(node.parent) || node === node.parent.operatorToken))
      change(node, SWAPS[node.kind])
    ts.forEachChild(node, walk)
  }
  walk(source)
  return places
}

/** What goes over everything, and takes its time: asked last. */
const SLOW = '**/questions.test.ts'
/** Whether all tests of some folders pass; what never ends is noticed too. */
function passes(...args) {
  const always = ['--no-install', 'vitest', 'run', '--bail=1', '--project=core', '--exclude=tests/**']
  return spawnSync('npx', [...always, ...args], { stdio: 'ignore', timeout: 600_000 }).status === 0
}

const places = [...filesOf('core')].sort().flatMap(placesOf)
const next = dice(seed)
let killed = 0
const survivors = []
for (let at = 0; at < count; at++) {
  const { path, from, to, text } = places[Math.floor(next() * places.length)]
  const before = readFileSync(path, 'utf8')
  const line = before.slice(0, from).split('\n').length
  const told = `${path}:${line}  ${before.slice(from, to)} → ${text}`
  try {
    writeFileSync(path, before.slice(0, from) + text + before.slice(to))
    const room = path.split('/').slice(0, 2).join('/')
    const lives = passes(room, `--exclude=${SLOW}`) && passes('core', 'demo')
    if (lives) survivors.push(told)
    else killed++
    console.log(`${lives ? 'lives ' : 'killed'}  ${told}`)
  } finally {
    writeFileSync(path, before)
  }
}
console.log(`\n${killed} of ${count} were noticed (seed ${seed}).${survivors.length ? ' These live:' : ''}`)
for (const each of survivors) console.log(`  ${each}`)
