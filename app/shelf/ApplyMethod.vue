<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { formatCount, inReadersFigures } from '~/figures/format'
import FilePick from '~/shell/FilePick.vue'
import { useNotices } from '~/shell/noticeStore'
import type { MethodDocument } from '~~/core/method'
import { applied, take, takeBack, type Applied, type Taken } from './applying'
import { useShelf } from './shelfStore'

/** A method from a file, applied to the selected series: what would change is shown first, and can be undone. */
const shelf = useShelf()
const notices = useNotices()
/** Series that are looked through at once. */
const MOST = 500

const open = ref(false)
const method = shallowRef<MethodDocument | null>(null)
const found = shallowRef<readonly Applied[]>([])
const failure = ref('')
const done = ref(0)
const isUnderWay = ref(false)
const wanted = computed(() => shelf.rows.filter(({ id }) => shelf.selected.has(id)).slice(0, MOST))
const changing = computed(() => found.value.filter(({ change }) => change !== null))
const refused = computed(() => found.value.filter((one) => one.refused !== null))
const same = computed(() => found.value.length - changing.value.length - refused.value.length)

async function pick(file: File) {
  open.value = true
  failure.value = ''
  found.value = []
  method.value = null
  await underWay(async () => {
    const { readMethod } = await import('~/shell/methodFile')
    const document = await readMethod(file)
    const all: Applied[] = []
    for (const row of wanted.value) {
      all.push(await applied(row, document))
      done.value = all.length
    }
    method.value = document
    found.value = all
  })
}

async function underWay(act: () => Promise<void>) {
  isUnderWay.value = true
  done.value = 0
  try {
    await act()
  } catch (error) {
    failure.value = (error as Error).message
  } finally {
    isUnderWay.value = false
  }
}

async function apply() {
  const taken: Taken[] = []
  await underWay(async () => {
    for (const one of changing.value) {
      taken.push(await take(one, method.value!))
      done.value = taken.length
    }
    open.value = false
  })
  if (taken.length === 0) return
  notices.show({
    text: `${formatCount(taken.length)} series have the method now.`,
    undo: async () => {
      for (const one of taken) await takeBack(one)
    },
  })
}
</script>

<template>
  <FilePick accept=".json,application/json" @pick="pick">Apply a method</FilePick>
  <v-dialog v-model="open" max-width="760" aria-labelledby="apply-title">
    <h2 id="apply-title" class="serif dialog-title">Apply a method</h2>
    <p v-if="failure" class="failure" role="alert">{{ inReadersFigures(failure) }}</p>
    <p v-if="isUnderWay" class="muted" role="status">
      {{ formatCount(done) }} of {{ formatCount(wanted.length) }} series…
    </p>
    <template v-else-if="method">
      <p>
        {{ changing.length }} would change<template v-if="refused.length > 0"
          >, {{ refused.length }} {{ refused.length === 1 ? 'is' : 'are' }} refused and
          {{ refused.length === 1 ? 'stays as it is' : 'stay as they are' }}</template
        ><template v-if="same > 0"
          >, {{ same }} {{ same === 1 ? 'has' : 'have' }} it already</template
        >.
      </p>
      <div class="list">
        <v-table class="working-table">
          <thead>
            <tr class="head">
              <th scope="col">series</th>
              <th scope="col">now</th>
              <th scope="col">then</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in [...refused, ...changing]" :key="one.row.id">
              <th scope="row">{{ one.row.name.slice(0, 200) }}</th>
              <td v-if="one.refused" colspan="2" class="failure">
                {{ inReadersFigures(one.refused) }}
              </td>
              <template v-else>
                <td>{{ one.change!.from || 'as it is' }}</td>
                <td>{{ one.change!.to || 'as usual' }}</td>
              </template>
            </tr>
          </tbody>
        </v-table>
      </div>
    </template>
    <p class="dialog-acts">
      <v-btn @click="open = false">Cancel</v-btn>
      <v-btn variant="flat" :disabled="isUnderWay || changing.length === 0" @click="apply()">
        Apply to {{ formatCount(changing.length) }}
      </v-btn>
    </p>
  </v-dialog>
</template>

<style scoped>
.list {
  overflow-y: auto;
  max-height: 50vh;
}

td,
th {
  padding: 4px 10px 4px 0 !important;
  overflow-wrap: anywhere;
  vertical-align: top;
}

th {
  min-width: 130px;
}

.failure {
  color: var(--danger);
}
</style>
