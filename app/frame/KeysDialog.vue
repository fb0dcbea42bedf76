<script setup lang="ts">
const shown = defineModel<boolean>({ required: true })
const KEYS: [string, string][] = [
  ['1 – 9', 'to the steps, in their order'],
  ['[  ]', 'walk the picked run, part by part, and over joints'],
  ['Alt ← →', 'at Reach: move the part in hand along its line; + fits one behind it, Del takes it out'],
  ['S', 'open the sums'],
  ['/', 'find anything'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['↑ ↓', 'raise or lower what is picked in the Section, 5 cm a press'],
  ['+  −  0', 'make the Section wider, closer, or show the whole of it'],
  ['← →', 'read the days in the Year'],
  ['Esc', 'give back what a field had'],
  ['?', 'this list'],
]
</script>

<template>
  <el-dialog v-model="shown" title="Keys" width="min(480px, 94vw)" append-to-body>
    <dl>
      <template v-for="[key, what] in KEYS" :key="key"
        ><dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ what }}</dd></template
      >
    </dl>
    <p class="soft small">Not while you type in a field.</p>
  </el-dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 16px;
  margin: 0 0 12px;
}
dd {
  margin: 0;
}
</style>
