<script setup lang="ts">
import { formatFigure } from '~/figures/format'
import type { Expression } from '~~/core/column/expression'
import { write } from '~~/core/column/kinds/kinds'

/** A calculation in symbols, and below it in numbers. */
defineProps<{ expression: Expression }>()
</script>

<template>
  <p class="symbols muted">{{ write(expression) }}</p>
  <p class="numbers">{{ write(expression, formatFigure) }}</p>
</template>

<style scoped>
p {
  margin: 0;
  overflow-wrap: anywhere;
}

.symbols {
  margin-top: 8px;
  font-size: 11.5px;
}

.numbers {
  margin-top: 4px;
  font-size: 14px;
  font-variant-numeric: tabular-nums;
}
</style>
