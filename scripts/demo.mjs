// Installs what is missing, builds, starts with the demo sites, prints the address.
import { spawn } from 'node:child_process'
import { buildApp, installPackages } from './shell.mjs'

installPackages()
buildApp()
const host = process.env.HOST ?? '127.0.0.1'
const port = process.env.PORT ?? '3000'
const server = spawn(process.execPath, ['.output/server/index.mjs'], {
  env: { ...process.env, HOST: host, PORT: port },
  stdio: ['ignore', 'ignore', 'inherit'],
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('exit', code => process.exit(code ?? 0))

const address = `http://${host}:${port}`
for (let tries = 0; tries < 100; tries++) {
  const up = await fetch(`${address}/api/health`).then(
    answer => answer.ok,
    () => false,
  )
  if (up) {
    console.log(`\nTall Cask is at ${address}\nThe Yard has three made-up sites. Ctrl C stops it.`)
    break
  }
  await new Promise(done => setTimeout(done, 100))
}
