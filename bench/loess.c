/*
 * The yardstick of bench/loess.ts in plain, scalar, single-threaded C: the same decomposition, every loess
 * value at every point, windows cut at the ends, tricube tables made once a series. bench/loess.ts compiles
 * and runs it where there is a compiler, so that both are measured on the same machine in the same minute.
 *
 *   cc -O2 -fno-tree-vectorize -o loess loess.c -lm && ./loess
 */
#include <math.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

enum { SEASONS = 12, SEASON_WINDOW = 13, TREND_WINDOW = 21, LOW_PASS_WINDOW = 13, OUTER = 15, REPEATS = 5 };

/* Local regression over n equally spaced points, with a place before and after when `beyond` is 1. */
typedef struct {
  int places, beyond, size;
  int *first;
  double *table;
  double least_spread;
} Geometry;

static double tricube(double distance, double h) {
  if (distance > 0.999 * h) return 0;
  if (distance <= 0.001 * h) return 1;
  double share = distance / h, rest = 1 - share * share * share;
  return rest * rest * rest;
}

static Geometry geometry(int n, int q, int beyond) {
  Geometry g = {n + 2 * beyond, beyond, q < n ? q : n, 0, 0, 0.001 * (n - 1) * 0.001 * (n - 1)};
  g.first = malloc(sizeof(int) * g.places);
  g.table = malloc(sizeof(double) * g.places * g.size);
  for (int i = 0; i < g.places; i++) {
    int place = i + 1 - beyond, start = place - g.size / 2;
    if (start > n - g.size + 1) start = n - g.size + 1;
    if (start < 1) start = 1;
    int left = place - start, right = start + g.size - 1 - place;
    double h = left > right ? left : right;
    if (q > n) h += (q - n) / 2;
    g.first[i] = start - 1;
    for (int k = 0; k < g.size; k++) g.table[i * g.size + k] = tricube(abs(start + k - place), h);
  }
  return g;
}

static void release(Geometry g) {
  free(g.first);
  free(g.table);
}

static void smooth(const Geometry *g, const double *rho, const double *rho_y, double *to) {
  for (int i = 0; i < g->places; i++) {
    const double *w = g->table + i * g->size;
    int start = g->first[i];
    double d = start - i + g->beyond, s0 = 0, s1 = 0, s2 = 0, t0 = 0, t1 = 0;
    for (int k = 0; k < g->size; k++, d += 1) {
      double prior = w[k] * rho[start + k], value = w[k] * rho_y[start + k], moment = prior * d;
      s0 += prior;
      s1 += moment;
      s2 += moment * d;
      t0 += value;
      t1 += value * d;
    }
    double centre = s1 / s0, level = t0 / s0, spread = s2 / s0 - centre * centre;
    to[i] = spread <= g->least_spread ? level : level - centre * (t1 / s0 - centre * level) / spread;
  }
}

static void average(const double *x, int n, int order, double *to) {
  for (int i = 0; i + order <= n; i++) {
    double sum = 0;
    for (int k = 0; k < order; k++) sum += x[i + k];
    to[i] = sum / order;
  }
}

/* Brings the k-th smallest to its place, smaller ones before it. */
static void part(double *a, int n, int k) {
  int left = 0, right = n - 1;
  while (left < right) {
    double pivot = a[(left + right) / 2];
    int i = left, j = right;
    while (i <= j) {
      while (a[i] < pivot) i++;
      while (a[j] > pivot) j--;
      if (i > j) break;
      double swap = a[i];
      a[i++] = a[j];
      a[j--] = swap;
    }
    if (k <= j) right = j;
    else if (k >= i) left = i;
    else break;
  }
}

static void decompose(const double *y, int n, double *t, double *s, double *r, double *w) {
  int years = n / SEASONS, longer = n + 2 * SEASONS;
  Geometry of_season = geometry(years, SEASON_WINDOW, 1);
  Geometry of_trend = geometry(n, TREND_WINDOW, 0);
  Geometry of_level = geometry(n, LOW_PASS_WINDOW, 0);
  double *c = malloc(sizeof(double) * longer), *a = malloc(sizeof(double) * longer);
  double *b = malloc(sizeof(double) * longer), *x = malloc(sizeof(double) * n);
  double *ones = malloc(sizeof(double) * n), *size = malloc(sizeof(double) * n);
  double *own = malloc(sizeof(double) * (3 * years + 2)), *own_y = own + years, *fitted = own + 2 * years;
  for (int i = 0; i < n; i++) {
    t[i] = 0;
    w[i] = ones[i] = 1;
  }
  for (int run = 0;; run++) {
    for (int season = 0; season < SEASONS; season++) {
      for (int j = 0, i = season; j < years; j++, i += SEASONS) {
        own[j] = w[i];
        own_y[j] = w[i] * (y[i] - t[i]);
      }
      smooth(&of_season, own, own_y, fitted);
      for (int j = 0; j < years + 2; j++) c[season + j * SEASONS] = fitted[j];
    }
    average(c, longer, SEASONS, a);
    average(a, longer - SEASONS + 1, SEASONS, b);
    average(b, n + 2, 3, a);
    smooth(&of_level, ones, a, b);
    for (int i = 0; i < n; i++) {
      s[i] = c[i + SEASONS] - b[i];
      x[i] = w[i] * (y[i] - s[i]);
    }
    smooth(&of_trend, w, x, t);
    for (int i = 0; i < n; i++) size[i] = fabs(r[i] = y[i] - t[i] - s[i]);
    if (run == OUTER) break;
    part(size, n, n / 2);
    double below = size[0];
    for (int i = 1; i < n / 2; i++) if (size[i] > below) below = size[i];
    double h = 6 * (n % 2 ? size[n / 2] : (below + size[n / 2]) / 2);
    for (int i = 0; i < n; i++) {
      double share = fabs(r[i]) / h, rest = 1 - share * share;
      w[i] = share > 0.999 ? 0 : share <= 0.001 ? 1 : rest * rest;
    }
  }
  release(of_season);
  release(of_trend);
  release(of_level);
  free(c), free(a), free(b), free(x), free(ones), free(size), free(own);
}

static uint32_t state;

static long next(void) {
  state = state * 1664525u + 1013904223u;
  return state >> 16;
}

static void yardstick(int i, int n, double *y) {
  state = (uint32_t)((uint64_t)(i + 1) * 2654435761u);
  for (int k = 0; k < 4; k++) next();
  long level = 100000 + 2 * next(), slope = next() % 401 - 100, pattern[SEASONS], drift[SEASONS];
  for (int k = 0; k < SEASONS; k++) {
    pattern[k] = next() % 40001 - 20000;
    drift[k] = next() % 2001 - 1000;
  }
  for (int t = 0; t < n; t++) {
    level += slope + next() % 1001 - 500;
    long noise = -131070;
    for (int k = 0; k < 4; k++) noise += next();
    long v = level + pattern[t % SEASONS] + drift[t % SEASONS] * (t / SEASONS) + noise / 16;
    if (next() % 40 == 0) v += next() % 60001 - 30000;
    y[t] = v / 100.0;
  }
}

static double microseconds(void) {
  struct timespec now;
  clock_gettime(CLOCK_MONOTONIC, &now);
  return now.tv_sec * 1e6 + now.tv_nsec / 1e3;
}

/* Prints for both sets: microseconds a series, and the checksum of the trend. */
int main(void) {
  int sets[2][2] = {{2000, 120}, {500, 480}};
  for (int set = 0; set < 2; set++) {
    int count = sets[set][0], n = sets[set][1];
    double *y = malloc(sizeof(double) * 5 * n), total = 0, checksum = 0;
    for (int i = 0; i < count; i++) {
      double best = INFINITY;
      yardstick(i, n, y);
      for (int repeat = 0; repeat < REPEATS; repeat++) {
        double started = microseconds();
        decompose(y, n, y + n, y + 2 * n, y + 3 * n, y + 4 * n);
        best = fmin(best, microseconds() - started);
      }
      total += best;
      for (int t = 0; t < n; t++) checksum += (1 + (i + t) % 5) * y[n + t];
    }
    printf("%.3f %.12g\n", total / count, checksum);
    free(y);
  }
  return 0;
}
