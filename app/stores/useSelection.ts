import type { Site } from '#core/site'
import type { Finding } from '#core/review'

/**
 * What is picked out, in the Section, the index, a finding or by Find: a node or roof, a run and one part of it, or a
 * subject of a step that is no thing of the site. It is one choice, shown lit wherever it stands.
 */
const nodeId = ref<string>()
const runId = ref<string>()
const partId = ref<string>()
const topicId = ref<string>()

export function useSelection() {
  const selection = {
    nodeId,
    runId,
    partId,
    topicId,
    pickNode(id: string | undefined) {
      nodeId.value = id
      runId.value = undefined
      topicId.value = undefined
    },
    pickRun(id: string | undefined, part?: string) {
      runId.value = id
      nodeId.value = undefined
      topicId.value = undefined
      partId.value = part
    },
    /** What a finding is about, as it stands in the Section: a use by its tap. */
    pickSubject(site: Site, { kind, id }: Finding['subject']) {
      const node = kind === 'use' ? site.uses.find(use => use.id === id)?.at : id
      if (kind === 'run') selection.pickRun(id)
      else selection.pickNode(node)
    },
    pickTopic(id: string) {
      topicId.value = id
      nodeId.value = undefined
      runId.value = undefined
    },
  }
  return selection
}
