import { END_FAMILIES, END_FAMILY_IDS, endFamily, isInch, type End, type EndFamilyId, type Sex } from '../catalog'

type Read<Value> = { ok: true; value: Value } | { ok: false; path: string; why: string }

/** What families are called besides: threads by their standards’ letters, pipes by what they are of. */
const CALLED: Record<string, EndFamilyId> = {
  npt: 'tapered',
  'tapered-pipe-thread': 'tapered',
  bsp: 'parallel',
  bspp: 'parallel',
  g: 'parallel',
  'parallel-pipe-thread': 'parallel',
  buttress: 'buttress-6',
  'coarse-buttress': 'buttress-6',
  'coarse-buttress-thread': 'buttress-6',
  s60x6: 'buttress-6',
  's60-6': 'buttress-6',
  's100-8': 'buttress-8',
  s100x8: 'buttress-8',
  camlock: 'cam',
  'cam-and-groove': 'cam',
  bung: 'bung-fine',
  'bung-thread-fine': 'bung-fine',
  'bung-thread-coarse': 'bung-coarse',
  solvent: 'solvent-metric',
  'push-fit': 'push-fit',
  pushfit: 'push-fit',
  pe: 'compression',
  hose: 'barb',
  'hose-barb': 'barb',
  ght: 'hose-thread',
  'rubber-sleeve': 'sleeve',
  'plain-rubber-sleeve': 'sleeve',
}
const slug = (words: string): string =>
  words
    .trim()
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '')

function readFamily(said: unknown): EndFamilyId | undefined {
  if (typeof said !== 'string') return undefined
  const word = slug(said)
  const named = END_FAMILY_IDS.find(id => id === word || slug(END_FAMILIES[id].name) === word)
  return named ?? CALLED[word]
}

const FRACTIONS: Record<string, string> = { '0.25': '1/4', '0.5': '1/2', '0.75': '3/4' }
/** A size as it is called, of what people write: 2, "2 in", 2", "1.5", "1-1/2", "60 mm", "60x6". */
function readSize(family: EndFamilyId, said: unknown): string | undefined {
  if (typeof said !== 'string' && typeof said !== 'number') return undefined
  const plain = String(said)
    .trim()
    .toLowerCase()
    .replaceAll(/["″”]|\b(?:in|inch|inches|mm)\b/g, '')
    .replace(/[x×].*$/, '')
    .replaceAll(/(\d)\s*-\s*(\d)/g, '$1 $2')
    .trim()
  const decimal = /^(\d*)\.(\d+)$/.exec(plain)
  const fraction = decimal && FRACTIONS[`0.${decimal[2]!.replace(/0+$/, '')}`]
  const size = fraction ? `${decimal[1] && decimal[1] !== '0' ? `${decimal[1]} ` : ''}${fraction}` : plain
  return endFamily(family).sizes.find(each => each.size === size)?.size
}

const SEX: Record<string, Sex> = {
  male: 'male',
  m: 'male',
  outside: 'male',
  external: 'male',
  spigot: 'male',
  plug: 'male',
  female: 'female',
  f: 'female',
  inside: 'female',
  internal: 'female',
  socket: 'female',
  coupler: 'female',
}

/** Reads one end as programs and people write it: `{ family, size, sex }`. */
export function readEnd(json: unknown): Read<End> {
  if (typeof json !== 'object' || json === null)
    return { ok: false, path: '', why: 'must be an end: { family, size, sex }' }
  const { family: of, size: told, sex: side } = json as Record<string, unknown>
  const family = readFamily(of)
  if (!family) return { ok: false, path: 'family', why: `must be one of ${END_FAMILY_IDS.join(', ')}` }
  const size = readSize(family, told)
  if (size === undefined) {
    const sizes = endFamily(family).sizes.map(each => each.size)
    return {
      ok: false,
      path: 'size',
      why: `of ${family} must be one of ${sizes.join(', ')} (${isInch(family) ? 'in' : 'mm'})`,
    }
  }
  const sex = typeof side === 'string' ? SEX[side.trim().toLowerCase()] : undefined
  if (!sex) return { ok: false, path: 'sex', why: 'must be male or female' }
  return { ok: true, value: { family, size, sex } }
}
