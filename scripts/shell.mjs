import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'

/** Runs a command in the open; ends this process with its code where it fails and must not. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { stdio: 'inherit', ...options })
  if (result.status !== 0 && !options.mayFail) process.exit(result.status ?? 1)
  return result.status === 0
}

/** Installs the packages where they are missing or older than the lock file. */
export function installPackages() {
  const marker = 'node_modules/.package-lock.json'
  if (
    existsSync(marker) &&
    existsSync('.nuxt/tsconfig.app.json') &&
    statSync(marker).mtimeMs >= statSync('package-lock.json').mtimeMs - 1000
  )
    return
  console.log('Installing packages …')
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'])
}

const SOURCES = ['app', 'core', 'server', 'demo', 'public', 'nuxt.config.ts', 'package-lock.json']

function newest(path) {
  const stat = statSync(path)
  return stat.isDirectory() ? Math.max(0, ...readdirSync(path).map(name => newest(join(path, name)))) : stat.mtimeMs
}

const BUILD = ['npx', ['--no-install', 'nuxt', 'build', '--logLevel', 'silent']]
function isBuilt() {
  const built = '.output/server/index.mjs'
  return existsSync(built) && statSync(built).mtimeMs > Math.max(...SOURCES.filter(existsSync).map(newest))
}

/** Builds the app where its sources are newer than what was built. */
export function buildApp() {
  if (isBuilt()) return
  console.log('Building …')
  run(...BUILD)
}

/** The same beside whatever else is done meanwhile; tells whether it could be built. */
export function buildBeside() {
  if (isBuilt()) return Promise.resolve(true)
  console.log('Building …')
  const build = spawn(...BUILD, { stdio: ['ignore', 'ignore', 'inherit'] })
  return new Promise(done => {
    build.on('error', () => done(false))
    build.on('exit', code => done(code === 0))
  })
}
