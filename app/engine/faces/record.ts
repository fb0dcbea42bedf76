import { readRecord, type RecordChoices } from '#core/climate'

let text = ''
/** A rain record: its file is kept, so that a corrected column does not send it again. */
export const record = {
  load(bytes: ArrayBuffer) {
    const head = new Uint8Array(bytes, 0, Math.min(2, bytes.byteLength))
    const wide =
      head[0] === 0xff && head[1] === 0xfe ? 'utf-16le' : head[0] === 0xfe && head[1] === 0xff ? 'utf-16be' : undefined
    try {
      text = new TextDecoder(wide ?? 'utf-8', { fatal: true }).decode(bytes)
    } catch {
      text = new TextDecoder('windows-1252').decode(bytes)
    }
  },
  read: (choices: RecordChoices, tell: (share: number) => void) => readRecord(text, choices, tell),
}
