import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import type { TestProject } from 'vitest/node'

declare module 'vitest' {
  export interface ProvidedContext {
    address: string
  }
}

async function freePort(): Promise<number> {
  return new Promise(resolve => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => resolve(port))
    })
  })
}

/** Starts the built app on a free port of this machine, and hands its address to the tests. */
export default async function setup(project: TestProject) {
  const port = await freePort()
  const address = `http://127.0.0.1:${port}`
  const server = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: { ...process.env, HOST: '127.0.0.1', PORT: String(port), NODE_ENV: 'production' },
    stdio: 'ignore',
  })
  for (let tries = 0; tries < 150; tries++) {
    if (
      await fetch(`${address}/api/health`).then(
        answer => answer.ok,
        () => false,
      )
    )
      break
    await new Promise(done => setTimeout(done, 100))
  }
  project.provide('address', address)
  return () => {
    server.kill('SIGTERM')
  }
}
