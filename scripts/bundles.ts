import { createHash } from 'node:crypto'
import { readdir, readFile, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'
import license from 'rollup-plugin-license'

/** What a build makes beside what Nuxt makes: the threads of the server, and what answers without a network. */
const here = (path: string) => fileURLToPath(new URL(`../${path}`, import.meta.url))
const COMMON = { bundle: true, minify: true, format: 'esm', alias: { '#core': here('core') } } as const

/**
 * Lays what the server's threads run beside it, as one file. The built server listens on this machine alone unless HOST
 * says otherwise: its entry sets that before anything else runs.
 */
export async function bundleThread(serverFolder: string): Promise<void> {
  const entry = join(serverFolder, 'index.mjs')
  await writeFile(join(serverFolder, 'host.mjs'), "process.env.HOST ||= process.env.NITRO_HOST || '127.0.0.1'\n")
  await writeFile(entry, `import './host.mjs'\n${await readFile(entry, 'utf8')}`)
  await build({
    ...COMMON,
    entryPoints: [here('server/jobs/thread.ts')],
    outfile: join(serverFolder, 'work.mjs'),
    platform: 'node',
    target: 'node20',
  })
}

/** What is kept on the machine of whoever opens the app. */
const KEPT = /\.(js|css|woff|woff2|ttf|svg|png|webmanifest)$/
/** A file whose name holds what is in it never changes; of any other what is in it says which one it is. */
const NAMED_BY_CONTENT = /^_nuxt\/[^/]+$/

/** Lays `sw.js` among the public files, with a list of all that is kept. */
export async function bundleOffline(publicFolder: string): Promise<void> {
  const files = await readdir(publicFolder, { recursive: true })
  const kept = files.filter(file => KEPT.test(file) && file !== 'sw.js').sort()
  const list = await Promise.all(
    kept.map(async url => ({
      url: `/${url}`,
      revision: NAMED_BY_CONTENT.test(url) ? null : await contentOf(join(publicFolder, url)),
    })),
  )
  // The page for when no server answers; where one does, its answer of today counts, and the rules that come with it.
  const page = { url: '/?kept', revision: String(Date.now()) }
  await build({
    ...COMMON,
    format: 'iife',
    entryPoints: [here('app/offline/serviceWorker.ts')],
    outfile: join(publicFolder, 'sw.js'),
    define: { KEPT_FILES: JSON.stringify([...list, page]), 'process.env.NODE_ENV': '"production"' },
  })
}

const contentOf = async (file: string) =>
  createHash('sha256')
    .update(await readFile(file))
    .digest('hex')
    .slice(0, 20)

/** Writes down what of others is in what the page loads, and under which licence. */
export const licencesOf = (file: string) => license({ thirdParty: { output: { file, encoding: 'utf8' } } })
