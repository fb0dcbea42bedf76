import { isIP } from 'node:net'

/** Names by which this machine calls itself. */
const LOOPBACK = ['localhost', '127.0.0.1', '::1']
const ANY = ['0.0.0.0', '::', '']

/** The name that a `Host` or an `Origin` holds, without its port. */
export function hostName(host: string): string {
  const bare = host.trim().toLowerCase()
  const bracketed = /^\[([^\]]*)\]/.exec(bare)
  return bracketed ? bracketed[1]! : bare.replace(/:\d+$/, '')
}

/**
 * Whether a request may call this server by a name: by loopback, by what `HOST` or `ALLOWED_HOSTS` say, and, where it
 * listens on every address, by any bare address. Any other name was made to lead here by somebody else.
 */
export function isOurName(host: string | undefined, { HOST = '', ALLOWED_HOSTS = '' }: NodeJS.ProcessEnv): boolean {
  if (!host) return false
  const name = hostName(host)
  const allowed = ALLOWED_HOSTS.split(',').map(hostName).filter(Boolean)
  const everywhere = ANY.includes(HOST)
  return [...LOOPBACK, ...allowed].includes(name) || (everywhere ? isIP(name) > 0 : name === HOST.toLowerCase())
}

/** Whether a changing request comes from a page of this very server, or from no page at all. */
export function isOurOrigin(origin: string | undefined, host: string | undefined): boolean {
  if (origin === undefined) return true
  try {
    return new URL(origin).host === host?.toLowerCase()
  } catch {
    return false
  }
}
