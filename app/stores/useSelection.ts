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
/** How often something was picked: what is picked again is shown again, wherever the drawing has been moved since. */
const picks = ref(0)

export function useSelection() {
  const selection = {
    nodeId,
    runId,
    partId,
    topicId,
    picks,
    pickNode(id: string | undefined) {
      nodeId.value = id
      runId.value = undefined
      topicId.value = undefined
      picks.value++
    },
    pickRun(id: string | undefined, part?: string) {
      runId.value = id
      nodeId.value = undefined
      topicId.value = undefined
      partId.value = part
      picks.value++
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
