/*
 * The futures of one colony written plainly in C, one particle after the other: what `npm run bench` compares with.
 * The simulation is the one of core/population: the same streams of uniform numbers, the same decisions, draws by
 * summing up or by the normal curve. Reads the rates as lines of text in the order of `main` and prints milliseconds
 * of the best of three runs and the median number at the end.
 *
 * Build: cc -O2 -o futures futures.c -lm
 */
#include <math.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

#define STEP 0x9e3779b9u
#define ROOMS 8
#define HOPS 16
enum { FIRST = ROOMS, YOUNG_1, YOUNG_2, FEMALES, MALES, STAGES };

static uint32_t mix(uint32_t h) {
  h = (h ^ (h >> 16)) * 0x85ebca6bu;
  h = (h ^ (h >> 13)) * 0xc2b2ae35u;
  return h ^ (h >> 16);
}
static uint32_t stream_at(uint32_t seed, uint32_t week) {
  uint32_t h = 0x2545f491u;
  h = mix(h ^ seed * STEP) + 0x6d2b79f5u;
  return mix(h ^ week * STEP) + 0x6d2b79f5u;
}
static double drawn(uint32_t stream, uint32_t which) { return (mix(stream + which * STEP) + 0.5) / 4294967296.0; }

/* The normal quantile by Wichura (1988), Algorithm AS 241, PPND7; its middle is read from a table, as in the app. */
static double quantile(double p) {
  double q = p - 0.5;
  if (fabs(q) <= 0.425) {
    double r = 0.180625 - q * q;
    return q * (((59.109374720 * r + 159.29113202) * r + 50.434271938) * r + 3.3871327179) /
           (((67.187563600 * r + 78.757757664) * r + 17.895169469) * r + 1.0);
  }
  double r = sqrt(-log(q < 0 ? p : 1 - p)), z;
  if (r <= 5) {
    r -= 1.6;
    z = (((0.17023821103 * r + 1.3067284816) * r + 2.7568153900) * r + 1.4234372777) /
        ((0.12021132975 * r + 0.73700164250) * r + 1.0);
  } else {
    r -= 5;
    z = (((0.017337023763 * r + 0.42868294337) * r + 3.0812263860) * r + 6.6579051150) /
        ((0.012258202635 * r + 0.24197894225) * r + 1.0);
  }
  return q < 0 ? -z : z;
}
#define CELLS 4096
static double table[CELLS + 1];
static double normal(double u) {
  double x = u * CELLS;
  int cell = (int)x;
  if (cell < 24 || cell >= CELLS - 24) return quantile(u);
  return table[cell] + (table[cell + 1] - table[cell]) * (x - cell);
}

static double binomial(double u, double n, double p) {
  if (n <= 0 || p <= 0) return 0;
  if (p >= 1) return n;
  if (p > 0.5) return n - binomial(1 - u, n, 1 - p);
  double mean = n * p, variance = mean * (1 - p);
  if (variance > 12) {
    double z = normal(u);
    double k = floor(mean + sqrt(variance) * z + ((1 - 2 * p) * (z * z - 1)) / 6 + 0.5);
    return k < 0 ? 0 : k > n ? n : k;
  }
  double odds = p / (1 - p), chance = exp(n * log1p(-p)), sum = chance, k = 0;
  while (u > sum && k < n) {
    k++;
    chance *= odds * (n - k + 1) / k;
    sum += chance;
    if (chance < 1e-17 && k > mean) break;
  }
  return k;
}
static double dead(double h) { return fmin(1, h / (1 + h / 2)); }

static double capacity, female_share, first_leave, young_leave, first_hazard, young_hazard, adult_hazard,
    broods, brood_size, come_up_share, holds, recruits_sd, losses_sd, room_sd;

/* Share of new broods in each room, and chance to move on by so many rooms. */
static double start[ROOMS], hop[HOPS];
static int hops;

static double *stage[STAGES], *mood, *luck, *losses, *room, *totals;

static void live(int size, int weeks, uint32_t seed) {
  for (int i = 0; i < size; i++) {
    uint32_t s = mix(stream_at(seed, 0) + i * STEP);
    double began[STAGES] = {0};
    began[YOUNG_1] = began[YOUNG_2] = began[FEMALES] = 40;
    began[MALES] = 35;
    for (int k = 0; k < STAGES; k++) stage[k][i] = began[k];
    mood[i] = 0.2 * normal(drawn(s, 0));
    luck[i] = recruits_sd * normal(drawn(s, 1));
    losses[i] = losses_sd * normal(drawn(s, 2));
    room[i] = room_sd * normal(drawn(s, 3));
  }
  double keep = exp(-1.0 / 20), mood_sd = 0.2 * sqrt(1 - keep * keep);
  for (int week = 1; week <= weeks; week++) {
    uint32_t key = stream_at(seed, week);
    for (int i = 0; i < size; i++) {
      uint32_t s = mix(key + i * STEP);
      double first = stage[FIRST][i], y1 = stage[YOUNG_1][i], y2 = stage[YOUNG_2][i], females = stage[FEMALES][i], males = stage[MALES][i];
      double turn = drawn(s, 0), drift = normal(drawn(s, 1));
      double swing = turn < 0.06 ? 0.5 * drift + (turn < 0.01 ? -1.2 : 0) : mood_sd * drift;
      mood[i] = mood[i] * keep + 0.012 + swing;
      double half = exp(0.5 * mood[i]);
      double crowding = fmin(-0.3, holds - luck[i]) * (y1 + y2 + females + males) / (capacity * exp(room[i]));
      double come_up = come_up_share * half * exp(luck[i] + crowding);
      double loss = exp(losses[i]) / (half * half);
      double carried = 0, hatched = 0;
      for (int k = 0; k < ROOMS; k++) carried += stage[k][i];
      double taken = males > 0 ? binomial(drawn(s, 4), fmax(0, females - carried), broods * half) : 0;

      males -= binomial(drawn(s, 12), males, dead(adult_hazard * loss));
      females -= binomial(drawn(s, 11), females, dead(adult_hazard * loss));
      y2 -= binomial(drawn(s, 9), y2, dead(young_hazard * loss));
      double mature = binomial(drawn(s, 10), y2, young_leave), daughters = binomial(drawn(s, 13), mature, female_share);
      y1 -= binomial(drawn(s, 7), y1, dead(young_hazard * loss));
      double larger = binomial(drawn(s, 8), y1, young_leave);
      first -= binomial(drawn(s, 5), first, dead(first_hazard * loss));
      double grown = binomial(drawn(s, 6), first, first_leave);
      for (int k = ROOMS - 1; k >= 0; k--) {
        double there = stage[k][i], left = 1;
        for (int by = 1; by < hops && there > 0; by++) {
          double gone = binomial(drawn(s, 28 + k * HOPS + by), there, fmin(1, hop[by] / left));
          left -= hop[by];
          there -= gone;
          if (k + by < ROOMS) stage[k + by][i] += gone;
          else hatched += gone;
        }
        stage[k][i] = there;
      }
      double came_up = 0;
      if (hatched > 0) {
        double eggs = fmax(0, round(brood_size * (hatched + 0.35 * sqrt(hatched) * normal(drawn(s, 2)))));
        came_up = binomial(drawn(s, 3), eggs, come_up);
      }
      for (int k = 0; k < ROOMS && taken > 0; k++) {
        double rest = 1;
        for (int j = 0; j < k; j++) rest -= start[j];
        double here = binomial(drawn(s, 200 + k), taken, rest > 0 ? fmin(1, start[k] / rest) : 0);
        stage[k][i] += here;
        taken -= here;
      }
      stage[FIRST][i] = first - grown + came_up;
      stage[YOUNG_1][i] = y1 - larger + grown;
      stage[YOUNG_2][i] = y2 - mature + larger;
      stage[FEMALES][i] = females + daughters;
      stage[MALES][i] = males + mature - daughters;

      double blow = drawn(s, 14);
      if (blow < 0.003)
        for (int k = 0; k < STAGES; k++)
          stage[k][i] = binomial(drawn(s, 15 + k), stage[k][i], 1 - 0.6 * blow / 0.003);
      totals[i] = stage[YOUNG_1][i] + stage[YOUNG_2][i] + stage[FEMALES][i] + stage[MALES][i];
    }
  }
}

static int rising(const void *a, const void *b) {
  double x = *(const double *)a, y = *(const double *)b;
  return (x > y) - (x < y);
}
static double now(void) {
  struct timespec t;
  clock_gettime(CLOCK_MONOTONIC, &t);
  return t.tv_sec * 1e3 + t.tv_nsec / 1e6;
}

int main(void) {
  double *asked[] = {&capacity,     &female_share, &first_leave, &young_leave,   &first_hazard,
                     &young_hazard, &adult_hazard, &broods,      &brood_size,    &come_up_share,
                     &holds,        &recruits_sd,  &losses_sd,   &room_sd};
  int size, weeks;
  if (scanf("%d %d", &size, &weeks) != 2) return 1;
  for (size_t k = 0; k < sizeof asked / sizeof *asked; k++)
    if (scanf("%lf", asked[k]) != 1) return 1;
  int rooms;
  if (scanf("%d", &rooms) != 1 || rooms != ROOMS) return 1;
  for (int k = 0; k < ROOMS; k++)
    if (scanf("%lf", &start[k]) != 1) return 1;
  if (scanf("%d", &hops) != 1 || hops > HOPS) return 1;
  for (int k = 0; k < hops; k++)
    if (scanf("%lf", &hop[k]) != 1) return 1;
  for (int k = 1; k < CELLS; k++) table[k] = quantile((double)k / CELLS);
  for (int k = 0; k < STAGES; k++) stage[k] = malloc(size * sizeof(double));
  double **rows[] = {&mood, &luck, &losses, &room, &totals};
  for (int k = 0; k < 5; k++) *rows[k] = malloc(size * sizeof(double));
  double best = INFINITY;
  for (uint32_t run = 0; run < 3; run++) {
    double began = now();
    live(size, weeks, run);
    best = fmin(best, now() - began);
  }
  qsort(totals, size, sizeof(double), rising);
  printf("{\"ms\": %.1f, \"median\": %.1f}\n", best, totals[size / 2]);
  return 0;
}
