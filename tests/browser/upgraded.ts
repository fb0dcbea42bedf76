import { createServer, request, type OutgoingHttpHeaders, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'

/** A server in front of ours that can be upgraded: then it says that it is newer, and has pieces of the older one no more. */
export interface Upgradable {
  address: string
  /** From now on it is newer; what matches is gone until the newer page was asked for. */
  upgrade(gone?: RegExp): void
  /** From now on it answers nothing, or answers again. */
  silent(is: boolean): void
  end(): void
}

export async function upgradable(behind: string): Promise<Upgradable> {
  let newer = false
  let gone: RegExp | undefined
  let isSilent = false
  const { hostname, port } = new URL(behind)
  const server: Server = createServer((asked, answer) => {
    if (isSilent) return void asked.socket.destroy()
    const path = asked.url ?? '/'
    if (gone?.test(path)) return void answer.writeHead(404).end()
    const { 'if-none-match': _tag, 'if-modified-since': _since, ...given } = asked.headers
    const headers = { ...given, host: `${hostname}:${port}`, 'accept-encoding': 'identity' }
    const call = request({ hostname, port, path, method: asked.method, headers }, from => {
      const pieces: Buffer[] = []
      from.on('data', (piece: Buffer) => pieces.push(piece))
      from.on('end', () => {
        let body: Buffer = Buffer.concat(pieces)
        const type = from.headers['content-type'] ?? ''
        if (newer && type.includes('html')) {
          body = Buffer.from(body.toString().replace(/buildId:"[^"]+"/, 'buildId:"newer"'))
          gone = undefined
        }
        if (newer && path.includes('latest.json')) body = Buffer.from('{"id":"newer"}')
        if (newer && path === '/sw.js') body = Buffer.concat([body, Buffer.from('\n// newer')])
        const { 'content-length': _length, 'content-security-policy': policy, ...others } = from.headers
        // What a page may run is told by its own text, which is another now.
        const rules =
          type.includes('html') && newer ? { 'x-tall-cask': 'newer' } : { 'content-security-policy': policy }
        answer.writeHead(from.statusCode ?? 500, { ...others, ...rules } as OutgoingHttpHeaders)
        answer.end(body)
      })
    })
    call.on('error', () => answer.destroy())
    asked.pipe(call)
  })
  await new Promise<void>(done => server.listen(0, '127.0.0.1', done))
  const { port: own } = server.address() as AddressInfo
  return {
    address: `http://127.0.0.1:${own}`,
    upgrade(pattern) {
      newer = true
      gone = pattern
    },
    silent(is) {
      isSilent = is
    },
    end: () => void server.close(),
  }
}
