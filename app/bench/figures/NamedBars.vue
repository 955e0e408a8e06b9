<script setup lang="ts">
/** One bar: how high it is, from 0 to 100, what stands under it, and what it says. */
export interface NamedBar {
  readonly name: string
  readonly height: number
  readonly words: string
}

/** Bars beside each other, each with its name under it and its figure in words. */
defineProps<{
  bars: readonly NamedBar[]
  label: string
  /** The component of the series whose colour they have. */
  of: 'irregular' | 'deseasonalized'
}>()
</script>

<template>
  <ol class="bars" :class="of" :aria-label="label">
    <li v-for="bar in bars" :key="bar.name" :data-tip="bar.words">
      <span class="bar" :style="{ height: `${bar.height}%` }" />
      <span class="name muted">{{ bar.name }}</span>
      <span class="visually-hidden">{{ bar.words }}</span>
    </li>
  </ol>
</template>

<style scoped>
.bars {
  display: flex;
  gap: 2px;
  height: 52px;
  margin: 2px 0 0;
  padding: 0;
  list-style: none;
}

li {
  position: relative;
  display: flex;
  flex: 1;
  flex-direction: column;
  justify-content: flex-end;
  min-width: 0;
  padding-bottom: 13px;
}

.bar {
  background: var(--irregular);
  opacity: 0.8;
}

.deseasonalized .bar {
  background: var(--deseasonalized);
}

.name {
  position: absolute;
  right: 0;
  bottom: 0;
  left: 0;
  overflow: hidden;
  font-size: 11px;
  line-height: 13px;
  text-align: center;
}
</style>
