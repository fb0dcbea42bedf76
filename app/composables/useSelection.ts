/** What is picked out in the Section: a node or roof, or a run and one part of it. */
const nodeId = ref<string>()
const runId = ref<string>()
const partIndex = ref(0)

export function useSelection() {
  return {
    nodeId, runId, partIndex,
    pickNode(id: string | undefined) { nodeId.value = id; runId.value = undefined },
    pickRun(id: string | undefined, part = 0) { runId.value = id; nodeId.value = undefined; partIndex.value = part },
  }
}
