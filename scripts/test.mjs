// Installs what is missing (packages, Chromium, ChromeDriver), then runs everything: lint, types, core, server,
// browser.
import { readFileSync, existsSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildBeside, installPackages, run } from './shell.mjs'

const DEBIAN = ['chromium', 'chromium-driver']
const BINARIES = ['/usr/bin/chromium', '/usr/bin/chromedriver']

function installBrowser() {
  if (BINARIES.every(existsSync)) return
  const asRoot = process.getuid?.() === 0
  const install = `apt-get update && apt-get install -y --no-install-recommends ${DEBIAN.join(' ')}`
  if (asRoot) {
    console.log('Installing Chromium and ChromeDriver …')
    run('sh', ['-c', `${install} >/dev/null`], {
      mayFail: true,
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    })
  }
  if (!BINARIES.every(existsSync)) {
    console.error(
      `The browser tests need Debian's Chromium and ChromeDriver. Install them with:\n  sudo sh -c '${install}'`,
    )
    process.exit(1)
  }
}

installPackages()
installBrowser()
let passed = 0
/** What failed, by name: told again at the very end, where it is found. */
const failures = []
const step = (name, ok) => (ok ? passed++ : failures.push(name))

const folder = mkdtempSync(join(tmpdir(), 'tall-cask-test-'))
function tests(name, config, ...only) {
  const file = join(folder, `${name}.json`)
  const reporters = ['--reporter=default', '--reporter=json', `--outputFile.json=${file}`]
  run('npx', ['--no-install', 'vitest', 'run', '--config', config, ...reporters, ...only], { mayFail: true })
  if (!existsSync(file)) return void failures.push(`the suite “${name}” as a whole`)
  const report = JSON.parse(readFileSync(file, 'utf8'))
  passed += report.numPassedTests
  for (const { name: path, status, message, assertionResults } of report.testResults) {
    const those = assertionResults.filter(test => test.status === 'failed')
    for (const { fullName, failureMessages } of those) failures.push(`${path}: ${fullName}\n${failureMessages[0]}`)
    if (status === 'failed' && !those.length) failures.push(`${path}: ${message}`)
  }
}

// What needs no built app runs while it is built.
const building = buildBeside()
const quick = process.argv.includes('--quick')
if (!quick) {
  step('lint', run('npm', ['run', 'lint'], { mayFail: true }))
  for (const part of ['core', 'tests', 'server', 'app']) {
    step(`types of the ${part}`, run('npm', ['run', `types:${part}`], { mayFail: true }))
  }
}
tests('core', 'vitest.config.ts', 'core', 'demo', 'app', 'tests/compiler', 'tests/kinds')
if (!(await building)) {
  console.error('The app could not be built.')
  process.exit(1)
}
tests('server', 'vitest.config.ts', 'tests/server')
tests('browser', 'tests/browser/vitest.config.ts', '--project', 'use')
for (const each of failures) console.error(`\nFailed: ${each}`)
console.log(`\n${passed} passed, ${failures.length} failed`)
process.exit(failures.length ? 1 : 0)
