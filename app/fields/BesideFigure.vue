<script setup lang="ts">
/** Words with a figure at their right where there is room, and below it the whole width again; else it follows them. */
defineSlots<{ default(): unknown; figure(): unknown }>()
</script>

<template>
  <div class="beside">
    <div class="flow">
      <div class="figure-at-side"><slot name="figure" /></div>
      <slot />
    </div>
  </div>
</template>

<style scoped>
.beside {
  container-type: inline-size;
}
.flow {
  display: flex;
  flex-direction: column;
}
.figure-at-side {
  order: 1;
}
@container (min-width: 560px) {
  .flow {
    display: flow-root;
  }
  .figure-at-side {
    float: right;
    width: 300px;
    margin-left: 24px;
  }
  .figure-at-side:empty {
    display: none;
  }
}
</style>
