import type { System } from '#core/units'

/** The paper that lies in the printer where a system of units is spoken. */
export const paperSize = (system: System): 'LETTER' | 'A4' => (system === 'us' ? 'LETTER' : 'A4')
