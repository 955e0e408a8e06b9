<script setup lang="ts">
import { computed } from 'vue'
import { recordOf } from '~/kept/record'
import { useKept } from './keptStore'

/** The kept forecasts of the series, and how each did. */
const kept = useKept()
const rows = computed(() => kept.rows.map((row) => ({ row, says: recordOf(row) })))
</script>

<template>
  <section v-if="rows.length > 0 || kept.failure" class="working-part">
    <h3>Kept forecasts</h3>
    <p v-if="kept.failure" class="failure small" role="alert">{{ kept.failure }}</p>
    <ul>
      <li v-for="{ row, says } in rows" :key="row.id">
        <strong dir="auto">{{ row.name }}</strong>
        <span v-if="row.isAgreed" class="agreed small"> agreed</span>
        <span class="muted small about">{{ says.about }}</span>
        <p>
          {{ says.line }}.<template v-if="says.leaning">
            {{ says.leaning.slice(0, 1).toUpperCase() + says.leaning.slice(1) }}.</template
          >
          <strong v-if="says.need" class="need"> A new look: {{ says.need }}. </strong>
        </p>
        <p class="acts">
          <v-btn :aria-pressed="kept.shown.has(row.id)" @click="kept.toggle(row.id)">
            {{ kept.shown.has(row.id) ? 'hide' : 'show' }}
          </v-btn>
          <v-btn :to="`/kept/${row.id}`" color="accent" :aria-label="`open ${row.name}`">
            open
          </v-btn>
          <v-btn :aria-pressed="row.isAgreed" @click="kept.agree(row)">
            {{ row.isAgreed ? 'no longer agreed' : 'agreed' }}
          </v-btn>
        </p>
      </li>
    </ul>
    <NuxtLink to="/kept" class="small">All kept forecasts</NuxtLink>
  </section>
</template>

<style scoped>
ul {
  margin: 0 0 6px;
  padding: 0;
  list-style: none;
}

li {
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
  overflow-wrap: anywhere;
}

.about {
  display: block;
}

.agreed {
  color: var(--accent);
  font-weight: 600;
}

p {
  margin: 2px 0;
  font-size: 12.5px;
}

.need {
  color: var(--forecast-text);
}

.acts {
  display: flex;
  gap: 6px;
  margin-top: 4px;
}

.failure {
  color: var(--danger);
}
</style>
