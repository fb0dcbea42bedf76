import { moveOf } from '#core/site'

/** For the notes of one node: `set('lid')` gives what a field calls with its new value; the refusal comes back to the field. */
export function useNodeFields(id: () => string) {
  const open = useSite()
  return (...path: (string | number)[]) => (value: unknown) => open.make(moveOf('change', { path: ['nodes', open.site!.nodes.findIndex(node => node.id === id()), ...path], value }))
}
