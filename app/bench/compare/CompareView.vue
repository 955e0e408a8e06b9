<script setup lang="ts">
import { computed } from 'vue'
import { formatDecimals, formatFigure, formatPeriodCode } from '~/figures/format'
import { smallPath } from '~/shelf/smallPath'
import { seasonLabel } from '~~/core/calendar/labels'
import { seasonOrder } from '~~/core/calendar/tableYear'
import { traitsOf, wayOf } from '~~/core/decompose/ways'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import { useBench } from '../benchStore'
import { useView } from '../viewStore'
import {
  boundsOf,
  comparableComponents,
  differencesOf,
  indexShare,
  leftoverSpread,
  type Compared,
} from './comparison'
import { MOST_PINS, usePins } from './pinStore'

const WIDTH = 280
const PARTS = [
  { key: 'trendCycle', title: 'Trend-cycle', height: 84, withSales: true },
  { key: 'season', title: 'What the season adds', height: 70, withSales: false },
  { key: 'irregular', title: 'What is left over', height: 56, withSales: false },
] as const

const bench = useBench()
const view = useView()
const pins = usePins()

const methods = computed<readonly Compared[]>(() => {
  const pinned = pins.pins.map(({ id, document, result }) => ({ pin: id, document, result }))
  if (pins.isPinned || !bench.result) return pinned
  const present = { pin: null, document: bench.method, result: bench.result }
  return [...pinned.slice(-(MOST_PINS - 1)), present]
})
const results = computed(() => methods.value.map(({ result }) => result))
const parts = computed(() => results.value.map(comparableComponents))
const differences = computed(() => differencesOf(results.value))

/** Every component of every method on one scale. */
const charts = computed(() =>
  PARTS.map((part) => {
    const lists = parts.value.flatMap((own) =>
      part.withSales ? [own[part.key], own.sales] : [own[part.key]],
    )
    const bounds = { ...boundsOf(lists), columns: true }
    const zero = bounds.low < 0 && bounds.high > 0 ? bounds.high / (bounds.high - bounds.low) : null
    return {
      ...part,
      bounds,
      zero: zero === null ? null : zero * (part.height - 4) + 2,
      paths: parts.value.map((own) => smallPath(own[part.key], WIDTH, part.height, bounds)),
      sales: part.withSales
        ? parts.value.map((own) => smallPath(own.sales, WIDTH, part.height, bounds))
        : null,
    }
  }),
)

const amount = (value: Value) =>
  value === null ? '–' : formatDecimals(value / view.scale.divisor, view.scale.decimals)
const share = (value: Value) =>
  value === null ? '–' : `${value < 0 ? '−' : '+'}${formatDecimals(Math.abs(value) * 100, 1)}%`
const figure = (value: Value, decimals: number) =>
  value === null ? '–' : formatDecimals(value, decimals)

const strengthOf = ({ strength }: Result) => strength.withoutDistrusted ?? strength
const FIGURES: readonly {
  name: string
  of: (result: Result) => string
  best?: 'low' | 'high'
  value: (result: Result) => Value
}[] = [
  {
    name: 'leftover, standard deviation',
    value: leftoverSpread,
    of: (result) => amount(leftoverSpread(result)),
    best: 'low',
  },
  {
    name: 'its autocorrelation at lag 1',
    value: ({ leftover }) => leftover.autocorrelation?.[0] ?? null,
    of: ({ leftover }) => figure(leftover.autocorrelation?.[0] ?? null, 2),
  },
  {
    name: 'strength of season',
    value: (result) => strengthOf(result).season,
    of: (result) => figure(strengthOf(result).season, 3),
    best: 'high',
  },
  {
    name: 'strength of trend',
    value: (result) => strengthOf(result).trend,
    of: (result) => figure(strengthOf(result).trend, 3),
    best: 'high',
  },
  {
    name: 'R² of the trend, deseasonalized',
    value: ({ trendFit }) => trendFit.r2,
    of: ({ trendFit }) => figure(trendFit.r2, 3),
    best: 'high',
  },
  {
    name: 'forecast, all periods together',
    value: () => null,
    of: ({ forecast }) => amount(forecast.forecast.reduce((sum, value) => sum + value, 0)),
  },
]

/** The methods whose figure is the best of the row. */
function isBest({ best, value, of }: (typeof FIGURES)[number], result: Result): boolean {
  const ranked = results.value
    .filter((one) => value(one) !== null)
    .sort((a, b) => (best === 'low' ? 1 : -1) * (value(a)! - value(b)!))
  // What reads the same is as good; where all do, none stands out.
  const isTop = (one: Result) => of(one) === of(ranked[0]!)
  return best !== undefined && ranked.length > 1 && isTop(result) && !ranked.every(isTop)
}

function title({ result }: Compared): string {
  const { decompose } = result.method
  const { calendar } = bench.series!
  const name = traitsOf(decompose).seasonMayChange
    ? `${wayOf(decompose.by).says(calendar).text}, ${decompose.model}`
    : decompose.model
  return name[0]!.toUpperCase() + name.slice(1)
}

/** The seasons of which any method has an index. */
const seasons = computed(() =>
  results.value.some((result) => result.seasons.length > 0)
    ? seasonOrder(bench.series!.calendar)
    : [],
)
function readingOf(result: Result, season: number): string {
  const row = result.seasons[season - 1]
  return row ? `index ${formatFigure(row.index)}: ${row.reading}` : 'no season taken out'
}
const ends = computed(() => {
  const { series, columns } = results.value[0]!
  const label = (code: string) => formatPeriodCode(code, series.frequency, series.seasons)
  return [label(columns.period[0]!), label(columns.period.at(-1)!)]
})
/** Columns that one season's indices differ by, largest less smallest. */
const apart = (season: number) => {
  const all = results.value
    .map((result) => indexShare(result, season))
    .filter((one) => one !== null)
  return all.length < 2 ? '' : `${formatDecimals((Math.max(...all) - Math.min(...all)) * 100, 1)}`
}

function use(one: Compared) {
  pins.comparing = false
  void bench.change(one.document)
}
</script>

<template>
  <section class="compare" aria-label="Methods side by side">
    <header>
      <h2 class="serif">Methods side by side</h2>
      <span class="actions">
        <v-btn color="accent" @click="pins.compareModels()">
          additive, multiplicative and robust loess
        </v-btn>
        <v-btn @click="pins.clear()">unpin all</v-btn>
        <v-btn variant="flat" @click="pins.comparing = false"> Back to the Bench </v-btn>
      </span>
    </header>
    <p v-for="one in pins.refused" :key="one.name" class="refused" role="alert">
      <strong>{{ one.name }}</strong> is refused: {{ one.because }}
    </p>
    <p v-if="methods.length === 0" class="muted" role="status">
      {{
        pins.refused.length > 0 ? 'Nothing is left to compare.' : 'Calculating the three models…'
      }}
    </p>
    <div v-else class="scroll">
      <table :style="{ minWidth: `${170 + methods.length * 200}px` }">
        <colgroup>
          <col style="width: 170px" />
          <col v-for="(one, i) in methods" :key="i" />
        </colgroup>
        <thead>
          <tr>
            <th scope="col" class="muted small">all in {{ view.scale.unit }}, on equal scales</th>
            <th v-for="(one, i) in methods" :key="i" scope="col" class="method">
              <span class="name">{{ title(one) }}</span>
              <span class="small">
                <span v-if="one.pin === null" class="muted">on the Bench, not pinned</span>
                <template v-else>
                  <v-btn color="accent" class="small" @click="use(one)"> use this method </v-btn>
                  <v-btn class="small" @click="pins.remove(one.pin)"> unpin </v-btn>
                </template>
              </span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="chart in charts" :key="chart.key">
            <th scope="row">
              {{ chart.title }}
              <span class="muted range"
                >{{ amount(chart.bounds.low) }} to {{ amount(chart.bounds.high) }}</span
              >
            </th>
            <td v-for="(path, i) in chart.paths" :key="i" class="chart">
              <svg
                :viewBox="`0 0 ${WIDTH} ${chart.height}`"
                preserveAspectRatio="none"
                :height="chart.height"
                role="img"
                :aria-label="`${chart.title}, ${title(methods[i]!)}`"
              >
                <line
                  v-if="chart.zero !== null"
                  x1="0"
                  :x2="WIDTH"
                  :y1="chart.zero"
                  :y2="chart.zero"
                  class="zero"
                />
                <path v-if="chart.sales" :d="chart.sales[i]" class="sales" />
                <path :d="path" :class="chart.key" />
              </svg>
            </td>
          </tr>
          <tr class="ends">
            <th />
            <td v-for="(one, i) in methods" :key="i" class="muted">
              <span>{{ ends[0] }}</span> <span>{{ ends[1] }}</span>
            </td>
          </tr>
        </tbody>
        <tbody class="figures-body">
          <tr v-for="line in FIGURES" :key="line.name">
            <th scope="row">{{ line.name }}</th>
            <td v-for="(result, i) in results" :key="i" :class="{ best: isBest(line, result) }">
              {{ line.of(result) }}
            </td>
          </tr>
        </tbody>
        <tbody v-if="seasons.length > 0" class="figures-body">
          <tr>
            <th scope="rowgroup" class="group">
              Indices
              <span class="muted range">share of the level; points apart</span>
            </th>
            <td v-for="(one, i) in methods" :key="i" class="muted small">
              {{ traitsOf(one.result.method.decompose).seasonMayChange ? 'of the last year' : '' }}
            </td>
          </tr>
          <tr v-for="season in seasons" :key="season">
            <th scope="row">
              {{ seasonLabel(season, bench.series!.calendar) }}
              <span class="muted apart">{{ apart(season) }}</span>
            </th>
            <td v-for="(result, i) in results" :key="i" :title="readingOf(result, season)">
              {{ share(indexShare(result, season)) }}
            </td>
          </tr>
        </tbody>
        <tbody v-if="differences.length > 0" class="figures-body words">
          <tr>
            <th scope="rowgroup" class="group">Where they differ</th>
            <td v-for="(one, i) in methods" :key="i" />
          </tr>
          <tr v-for="line in differences" :key="line.what">
            <th scope="row">{{ line.what }}</th>
            <td v-for="(word, i) in line.words" :key="i">{{ word ?? '–' }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="methods.length === 1" class="muted">
        One method alone: change it on the Bench, or compare the three models.
      </p>
    </div>
  </section>
</template>

<style scoped>
.compare {
  padding: 12px 20px 24px;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px 16px;
}

h2 {
  font-size: 18px;
}

.actions {
  display: flex;
  align-items: center;
  gap: 6px;
}

.refused {
  margin: 8px 0 0;
  padding: 6px 10px;
  border-left: 3px solid var(--danger);
  background: var(--band);
}

.scroll {
  overflow-x: auto;
}

table {
  width: 100%;
  margin-top: 10px;
  border-collapse: collapse;
  font-size: 12px;
  table-layout: fixed;
}

th {
  padding: 3px 12px 3px 0;
  font-weight: 400;
  text-align: left;
  vertical-align: top;
}

.method {
  padding: 0 12px 6px;
}

.name {
  display: block;
  font-family: var(--serif);
  font-size: 15px;
  font-weight: 600;
}

td {
  padding: 3px 12px;
  border-left: 1px solid var(--rule);
}

.chart {
  padding-top: 6px;
  padding-bottom: 6px;
  border-top: 1px solid var(--rule);
}

tbody th .range {
  display: block;
  font-size: 11px;
}

svg {
  display: block;
  width: 100%;
}

path {
  fill: none;
  vector-effect: non-scaling-stroke;
}

.zero {
  stroke: var(--rule-strong);
  vector-effect: non-scaling-stroke;
}

.sales {
  stroke: var(--original);
  stroke-width: 0.8;
  opacity: 0.35;
}

.trendCycle {
  stroke: var(--trend-cycle);
  stroke-width: 2.2;
}

.season {
  stroke: var(--season);
  stroke-width: 1.3;
}

.irregular {
  stroke: var(--irregular);
  stroke-width: 1.3;
}

.ends td {
  display: table-cell;
  padding-top: 0;
  font-size: 11px;
}

.ends td span:last-child {
  float: right;
}

.figures-body {
  border-top: 1px solid var(--rule-strong);
}

.figures-body td {
  font-variant-numeric: tabular-nums;
}

.words td {
  overflow-wrap: anywhere;
}

.best {
  font-weight: 700;
}

.group {
  font-weight: 600;
}

.apart {
  float: right;
  font-variant-numeric: tabular-nums;
}
</style>
