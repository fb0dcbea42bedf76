// Prints every sentence that the product can say, room by room, with its file and line, for whoever reads them over:
// `npm run words`, or `npm run words -- app/steps/store` for what one place says.
import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { parse as parseComponent } from 'vue/compiler-sfc'
import ts from 'typescript'

const ROOMS = ['app', 'core', 'server']
const GAP = '…'

/** What reads like something said to a person: two words at least, and not a list of names or a path. */
const isSaid = text =>
  /\p{L}{2,}[\s,’'-]+\p{L}/u.test(text) && !/^[\w./#~-]+$/.test(text) && !/[{};]\s*$|=>|\bvar\(|^[a-z-]+:/.test(text)
const tidy = text => text.replace(/\s+/g, ' ').trim()

function* filesOf(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) yield* filesOf(path)
    else if (/\.(ts|vue)$/.test(entry.name) && !/\.(test|d)\.ts$/.test(entry.name)) yield path
  }
}

/** Sentences of a program's text: strings and templates, what is filled in shown as a gap. */
export function* saidInScript(text, path, firstLine = 0) {
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true)
  const lineOf = node => source.getLineAndCharacterOfPosition(node.getStart(source)).line + 1 + firstLine
  function* walk(node) {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) return
    if (ts.isStringLiteralLike(node)) yield { line: lineOf(node), text: tidy(node.text) }
    else if (ts.isTemplateExpression(node)) {
      const parts = [node.head.text, ...node.templateSpans.map(({ literal }) => GAP + literal.text)]
      yield { line: lineOf(node), text: tidy(parts.join('')) }
      for (const { expression } of node.templateSpans) yield* walk(expression)
      return
    }
    // A sentence that is put together over several lines is one sentence.
    if (ts.isBinaryExpression(node) && node.operatorToken.kind === ts.SyntaxKind.PlusToken) {
      const sides = [...walk(node.left), ...walk(node.right)]
      if (sides.length) yield { line: sides[0].line, text: tidy(sides.map(side => side.text).join(' ')) }
      return
    }
    const inner = []
    ts.forEachChild(node, child => void inner.push(...walk(child)))
    yield* inner
  }
  for (const said of walk(source)) if (isSaid(said.text)) yield said
}

const [ELEMENT, TEXT, FILLED] = [1, 2, 5]
/** Sentences of a component's picture: the words of each element, what is filled in shown as a gap. */
export function* saidInTemplate(node) {
  const { children = [] } = node
  const words = tidy(
    children.map(({ type, content }) => (type === TEXT ? content : type === FILLED ? GAP : ' ')).join(''),
  )
  if (isSaid(words)) yield { line: node.loc.start.line, text: words }
  for (const prop of node.props ?? [])
    if (
      prop.value?.content &&
      isSaid(prop.value.content) &&
      ['title', 'aria-label', 'label', 'placeholder', 'summary'].includes(prop.name)
    )
      yield { line: prop.loc.start.line, text: tidy(prop.value.content) }
  for (const child of children) if (child.type === ELEMENT) yield* saidInTemplate(child)
}

/** All that a file can say, in the order of its lines. */
export function saidIn(path) {
  const text = readFileSync(path, 'utf8')
  if (path.endsWith('.ts')) return [...saidInScript(text, path)]
  const { descriptor } = parseComponent(text)
  const { template, scriptSetup } = descriptor
  return [
    ...(scriptSetup ? saidInScript(scriptSetup.content, path, scriptSetup.loc.start.line - 1) : []),
    ...(template ? saidInTemplate(template.ast) : []),
  ].sort((one, other) => one.line - other.line)
}

if (import.meta.filename === process.argv[1] || process.argv[1]?.endsWith('words.mjs')) {
  const wanted = process.argv.slice(2)
  let count = 0
  for (const path of (wanted.length ? wanted : ROOMS).flatMap(room => [...filesOf(room)])) {
    const said = saidIn(path)
    if (!said.length) continue
    console.log(`\n${path}`)
    for (const { line, text } of said) console.log(`${String(line).padStart(5)}  ${text}`)
    count += said.length
  }
  console.log(`\n${count} sentences`)
}
