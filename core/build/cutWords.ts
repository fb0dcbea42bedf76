import { INCH_MM, type System } from '../units'

const SIXTEENTHS = 16

/** A length as it is read off a rule where a saw is set: whole millimetres, or feet, inches and sixteenths. */
export function cutWords(metres: number, system: System): string {
  const mm = metres * 1000
  if (system === 'metric') return `${Math.round(mm)} mm`
  const sixteenths = Math.round((mm / INCH_MM) * SIXTEENTHS)
  const [inches, rest] = [Math.floor(sixteenths / SIXTEENTHS), sixteenths % SIXTEENTHS]
  const [feet, left] = [Math.floor(inches / 12), inches % 12]
  const part = rest ? fraction(rest) : ''
  const words = [
    feet ? `${feet} ft` : '',
    left || part || !feet ? `${[left || !part ? left : '', part].filter(String).join(' ')} in` : '',
  ]
  return words.filter(Boolean).join(' ')
}
function fraction(sixteenths: number): string {
  let [top, bottom] = [sixteenths, SIXTEENTHS]
  while (top % 2 === 0) [top, bottom] = [top / 2, bottom / 2]
  return `${top}/${bottom}`
}
