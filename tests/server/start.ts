import { spawn, type ChildProcess } from 'node:child_process'

/** Starts the built app on a port of this machine, and waits until it answers. */
export async function startServer(port: number): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: { ...process.env, HOST: '', PORT: String(port) },
    stdio: 'ignore',
  })
  const answers = () =>
    fetch(`http://127.0.0.1:${port}/api/health`).then(
      answer => answer.ok,
      () => false,
    )
  for (let tries = 0; tries < 150 && !(await answers()); tries++) await new Promise(done => setTimeout(done, 100))
  return server
}
