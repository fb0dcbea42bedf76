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

/** Asks routes of a server at an address as a script does: JSON out, JSON back. */
export const poster = (address: string) => async (path: string, body: unknown) => {
  const answer = await fetch(address + path, {
    method: 'POST',
    body: typeof body === 'string' ? body : JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  })
  return { status: answer.status, json: (await answer.json()) as Record<string, unknown> }
}
