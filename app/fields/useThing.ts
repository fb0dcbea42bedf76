import { useSite } from '~/stores/site'
import type { ThingKind } from '#core/site'
import { setField } from '#core/moves'

/**
 * For the notes of one thing: `set('lid')` gives what a field calls with its new value; the refusal comes back to the
 * field.
 */
export function useThing(of: ThingKind, id: () => string = () => '') {
  const store = useSite()
  return (field: string) => (value: unknown) => store.make(setField(of, id(), field, value))
}
