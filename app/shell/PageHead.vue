<script setup lang="ts">
import HelpMenu from './HelpMenu.vue'
import { useTheme } from '~/theme/themeStore'

const theme = useTheme()
</script>

<template>
  <header class="head">
    <NuxtLink to="/" class="brand serif">Elvant</NuxtLink>
    <div class="middle"><slot /></div>
    <nav class="actions" aria-label="Actions">
      <slot name="actions" />
      <HelpMenu />
      <v-btn :aria-label="theme.isDark ? 'Light page' : 'Dark page'" @click="theme.toggle()">
        {{ theme.isDark ? 'Light' : 'Dark' }}
      </v-btn>
    </nav>
  </header>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 4px 12px;
  min-height: 52px;
  padding: 4px 16px 4px 20px;
  box-sizing: border-box;
  border-bottom: 1px solid var(--rule);
}

.brand {
  flex: 0 0 calc(var(--path-width) - 8px);
  font-size: 21px;
  font-weight: 600;
  text-decoration: none;
}

.middle {
  flex: 1;
  min-width: min(100%, 200px);
}

.middle:empty {
  min-width: 0;
}

.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  padding: 4px 0;
}
</style>
