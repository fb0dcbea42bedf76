// What is to be green before a commit: types and lint of everything, by all processors, and the core's tests of what
// was changed since the last commit (`npm run check -- main~3` for what was changed since then).
import { spawn } from 'node:child_process'

const [since = 'HEAD'] = process.argv.slice(2)
const began = performance.now()

/** Runs a command and gives back what it said, where it fails. */
const quietly = (name, command, ...args) =>
  new Promise(done => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'] })
    const said = []
    child.stdout.on('data', text => said.push(text))
    child.stderr.on('data', text => said.push(text))
    child.on('close', code => {
      if (code) console.error(`${name}:\n${Buffer.concat(said)}`)
      done(code === 0)
    })
  })
const npm = script => quietly(script, 'npm', 'run', '-s', script)

const core = npm('types:core')
const pages = core.then(() => npm('types:app'))
const others = npm('lint').then(async linted => {
  await core
  return [linted, await npm('types:tests'), await npm('types:server')]
})
const sound = [await core, await pages, ...(await others)]
const tests = ['--no-install', 'vitest', 'run', 'core', 'demo', `--changed=${since}`, '--passWithNoTests']
sound.push(await quietly('tests', 'npx', ...tests))
console.log(`${sound.every(Boolean) ? 'All well' : 'Not well'}, ${Math.round((performance.now() - began) / 1000)} s`)
process.exit(sound.every(Boolean) ? 0 : 1)
