/* One pass of exponential smoothing, additive trend and multiplicative season, in plain C: the yardstick. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

static double pass(int n, int m, const double *y, const double *start, double *season) {
  const double alpha = 0.3, beta = 0.1, gamma = 0.2;
  double level = start[0], trend = start[1], sse = 0;
  for (int k = 0; k < m; k++) season[k] = start[2 + k];
  for (int t = 0, k = 0; t < n; t++) {
    double u = level + trend, s = season[k], e = y[t] - u * s;
    if (!(u > 0)) return INFINITY;
    sse += e * e;
    double next = u + alpha * e / s;
    trend = beta * (next - level) + (1 - beta) * trend;
    level = next;
    season[k] = gamma * y[t] / level + (1 - gamma) * s;
    if (!(level > 0 && season[k] > 0)) return INFINITY;
    if (++k == m) k = 0;
  }
  return sse;
}

int main(void) {
  int n, m, passes;
  if (scanf("%d %d %d", &n, &m, &passes) != 3) return 1;
  double *y = malloc(n * sizeof *y), *start = malloc((m + 2) * sizeof *start), *season = malloc(m * sizeof *season);
  for (int i = 0; i < n; i++) if (scanf("%lf", y + i) != 1) return 1;
  for (int i = 0; i < m + 2; i++) if (scanf("%lf", start + i) != 1) return 1;
  struct timespec a, b;
  volatile double sse = 0;
  clock_gettime(CLOCK_MONOTONIC, &a);
  for (int i = 0; i < passes; i++) sse = pass(n, m, y, start, season);
  clock_gettime(CLOCK_MONOTONIC, &b);
  printf("%.3f %.12g\n", ((b.tv_sec - a.tv_sec) * 1e9 + (b.tv_nsec - a.tv_nsec)) / passes, sse);
  return 0;
}
