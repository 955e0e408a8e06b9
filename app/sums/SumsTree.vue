<script setup lang="ts">
import { formatChange, formatFigure } from '~/figures/format'
import MiddleCut from '~/shell/MiddleCut.vue'
import { AGREEMENT_NAMES } from '~~/core/addingUp/tried'
import { sum } from '~~/core/statistics/average'
import { useSums } from './sumsStore'

/** The total, its groups and series: what each is forecast by itself, what its members come to, and what both are made. */
const sums = useSums()

function linkOf(at: number): string | undefined {
  const { members, series } = sums.nodes[at]!
  return members.length > 0 ? undefined : `/study/${sums.added!.studies[series[0]!]!.studyId}`
}

/** What is looked at keeps its period. */
function open(at: number) {
  sums.place = at
}

function figures(at: number) {
  const { own, agreed } = sums.nodes[at]!
  const [before, made] = [sums.before(at), sum(agreed[sums.by])]
  return {
    before: before === null ? '–' : formatFigure(before),
    own: formatFigure(sum(own)),
    members: formatFigure(sum(sums.membersOf(at))),
    made: formatFigure(made),
    change: before === null || before <= 0 ? '–' : formatChange(100 * (made / before - 1)),
  }
}
</script>

<template>
  <v-table class="working-table tree">
    <thead>
      <tr class="head">
        <th scope="col">name</th>
        <th scope="col">method</th>
        <th scope="col" class="number">last {{ sums.added!.ahead.length }}</th>
        <th scope="col" class="number">by itself</th>
        <th scope="col" class="number">its members</th>
        <th scope="col" class="number">{{ AGREEMENT_NAMES[sums.by] }}</th>
        <th scope="col" class="number">on last {{ sums.added!.ahead.length }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="at in sums.inSight" :key="at" :class="{ chosen: at === sums.place }">
        <th scope="row" class="name">
          <span class="line" :style="{ paddingLeft: `${16 * sums.nodes[at]!.level}px` }">
            <v-btn
              v-if="sums.nodes[at]!.members.length > 0 && sums.nodes[at]!.level > 0"
              variant="plain"
              class="fold"
              :aria-expanded="!sums.folded.has(at)"
              :aria-label="`Members of ${sums.nodes[at]!.name.slice(0, 200)}`"
              @click="sums.fold(at)"
            >
              {{ sums.folded.has(at) ? '+' : '−' }}
            </v-btn>
            <span v-else class="fold" />
            <v-btn
              variant="plain"
              class="open"
              :class="{ sum: sums.nodes[at]!.members.length > 0 }"
              :aria-pressed="at === sums.place"
              @click="open(at)"
            >
              <MiddleCut :text="sums.nodes[at]!.name" />
            </v-btn>
            <NuxtLink v-if="linkOf(at)" :to="linkOf(at)" class="small bench">open</NuxtLink>
            <span v-else class="muted small bench">{{ sums.nodes[at]!.series.length }}</span>
          </span>
        </th>
        <td class="muted method">{{ sums.nodes[at]!.method }}</td>
        <td class="number">{{ figures(at).before }}</td>
        <td class="number">{{ figures(at).own }}</td>
        <td class="number">
          {{ sums.nodes[at]!.members.length > 0 ? figures(at).members : '' }}
        </td>
        <td class="number made">{{ figures(at).made }}</td>
        <td class="number">{{ figures(at).change }}</td>
      </tr>
    </tbody>
  </v-table>
</template>

<style scoped>
.tree :deep(table) {
  min-width: 680px;
}

.name {
  max-width: 260px;
}

.line {
  display: flex;
  gap: 4px;
  align-items: baseline;
}

.fold {
  flex: none;
  width: 16px;
  min-width: 16px;
  padding: 0;
  text-align: center;
}

.open {
  overflow: hidden;
  flex: 0 1 auto;
  min-width: 0;
  padding: 0;
  color: inherit;
  font: inherit;
  text-align: left;
}

.open.sum {
  font-weight: 600;
}

.bench {
  flex: none;
  margin-left: 4px;
}

.method {
  max-width: 200px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.made {
  color: var(--forecast-text);
  font-weight: 600;
}

.chosen {
  background: var(--band);
}

tbody tr {
  border-top: 1px solid var(--rule);
}
</style>
