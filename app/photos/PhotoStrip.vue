<script setup lang="ts">
import { usePhotos } from './usePhotos'
import FilePick from '~/fields/FilePick.vue'
import type { StoredPhoto } from '~/db/database'

/**
 * The photos of one thing, small, beside what is known of it; a press opens one as large as it is kept. Where they are
 * only `shown`, none is added there.
 */
const props = defineProps<{ subject: string; label: string; shown?: boolean }>()
const { photos, problem, last, add, drop, putBack } = usePhotos()
const own = computed(() => photos.value.filter(({ subject }) => subject === props.subject))
/** Addresses of the shown pictures, let go of with them. */
const urls = shallowRef(new Map<string, string>())
watch(
  own,
  now => {
    const kept = new Map(now.map(({ id, picture }) => [id, urls.value.get(id) ?? URL.createObjectURL(picture)]))
    for (const [id, url] of urls.value) if (!kept.has(id)) URL.revokeObjectURL(url)
    urls.value = kept
  },
  { immediate: true },
)
onBeforeUnmount(() => urls.value.forEach(url => URL.revokeObjectURL(url)))
const when = ({ takenAt }: StoredPhoto) => new Date(takenAt).toLocaleDateString('sv')
const kB = (of: StoredPhoto[]) => Math.max(1, Math.round(of.reduce((sum, { picture }) => sum + picture.size, 0) / 1024))
</script>

<template>
  <div class="photos" :data-photos="subject">
    <figure v-for="photo in own" :key="photo.id">
      <a :href="urls.get(photo.id)" target="_blank" rel="noopener">
        <img :src="urls.get(photo.id)" :alt="`${label}, photo of ${when(photo)}`" />
      </a>
      <figcaption class="small">
        {{ when(photo) }}
        <button type="button" class="plain" :aria-label="`Take the photo of ${when(photo)} out`" @click="drop(photo)">
          take out
        </button>
      </figcaption>
    </figure>
    <p v-if="!shown || last?.subject === subject || problem" class="small">
      <FilePick v-if="!shown" accept="image/*" multiple @files="files => add(subject, files)">Keep a photo</FilePick>
      <span v-if="own.length && !shown" class="soft">
        {{ own.length === 1 ? 'one' : own.length }} in this browser, {{ kB(own) }} kB</span
      >
      <button v-if="last?.subject === subject" type="button" class="plain" @click="putBack">Put it back</button>
      <span v-if="problem" role="alert" class="wrong"> {{ problem }}</span>
    </p>
  </div>
</template>

<style scoped>
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: end;
}
figure {
  margin: 0;
}
img {
  display: block;
  height: 84px;
  border: 1px solid var(--hair);
  border-radius: 3px;
}
.wrong {
  color: var(--rust);
}
</style>
