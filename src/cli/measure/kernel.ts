/**
 * The kernels that come with the command, in C, so that a compiler makes the best of the processor: a triad over arrays
 * that no cache holds, and a product of square matrices. `kernel triad THREADS` prints bytes a second, counted as three
 * arrays of which one is written (McCalpin 1995); `kernel product fp32|fp64 THREADS` prints FLOP a second.
 */
export const KERNEL = String.raw`
#include <pthread.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

static double now(void) {
  struct timespec t;
  clock_gettime(CLOCK_MONOTONIC, &t);
  return t.tv_sec + t.tv_nsec * 1e-9;
}

static int threads;
static pthread_barrier_t gate;
static const double SECONDS = 1.0;

/* ---- triad: a = b + s * c, each thread over arrays of its own ---- */
enum { LONG = 8 * 1024 * 1024 };
static void *triad(void *out) {
  double *a = malloc(sizeof(double) * LONG), *b = malloc(sizeof(double) * LONG), *c = malloc(sizeof(double) * LONG);
  if (!a || !b || !c) exit(3);
  for (long i = 0; i < LONG; i++) a[i] = 0, b[i] = 1 + i % 7, c[i] = 2;
  pthread_barrier_wait(&gate);
  double start = now(), bytes = 0;
  for (double s = 1; now() - start < SECONDS; s += 1) {
    for (long i = 0; i < LONG; i++) a[i] = b[i] + s * c[i];
    bytes += 3.0 * sizeof(double) * LONG;
  }
  *(double *)out = bytes / (now() - start) + (a[LONG / 3] < 0);
  free(a), free(b), free(c);
  return 0;
}

/* ---- product: blocks that stay in the caches, six rows by two vectors in registers ---- */
#ifdef __AVX512F__
#define WIDTH 64
#else
#define WIDTH 32
#endif
enum { SIDE = 768, ROWS = 6, DEEP = 256 };
#define PRODUCT(NAME, TYPE)                                                                                            \
  typedef TYPE NAME##_v __attribute__((vector_size(WIDTH), aligned(WIDTH)));                                           \
  static void *NAME(void *out) {                                                                                       \
    enum { LANES = WIDTH / sizeof(TYPE), COLUMNS = 2 * LANES };                                                        \
    TYPE *a = aligned_alloc(64, sizeof(TYPE) * SIDE * SIDE), *b = aligned_alloc(64, sizeof(TYPE) * SIDE * SIDE),       \
         *c = aligned_alloc(64, sizeof(TYPE) * SIDE * SIDE), *p = aligned_alloc(64, sizeof(TYPE) * DEEP * COLUMNS);    \
    if (!a || !b || !c || !p) exit(3);                                                                                 \
    for (long i = 0; i < SIDE * SIDE; i++) a[i] = 1 + i % 3, b[i] = 1 + i % 5, c[i] = 0;                               \
    pthread_barrier_wait(&gate);                                                                                       \
    double start = now(), flop = 0;                                                                                    \
    while (now() - start < SECONDS) {                                                                                  \
      for (int k0 = 0; k0 < SIDE; k0 += DEEP)                                                                          \
        for (int j = 0; j < SIDE; j += COLUMNS) {                                                                      \
          for (int k = 0; k < DEEP; k++)                                                                               \
            memcpy(p + k * COLUMNS, b + (long)(k0 + k) * SIDE + j, sizeof(TYPE) * COLUMNS);                            \
          for (int i = 0; i < SIDE; i += ROWS) {                                                                       \
            NAME##_v s[ROWS][2] = {{{0}}};                                                                             \
            for (int k = 0; k < DEEP; k++) {                                                                           \
              NAME##_v b0 = *(NAME##_v *)(p + k * COLUMNS), b1 = *(NAME##_v *)(p + k * COLUMNS + LANES);               \
              _Pragma("GCC unroll 6") for (int r = 0; r < ROWS; r++) {                                                 \
                TYPE x = a[(long)(i + r) * SIDE + k0 + k];                                                             \
                s[r][0] += x * b0, s[r][1] += x * b1;                                                                  \
              }                                                                                                        \
            }                                                                                                          \
            for (int r = 0; r < ROWS; r++)                                                                             \
              for (int h = 0; h < 2; h++) *(NAME##_v *)(c + (long)(i + r) * SIDE + j + h * LANES) += s[r][h];          \
          }                                                                                                            \
        }                                                                                                              \
      flop += 2.0 * SIDE * SIDE * SIDE;                                                                                \
    }                                                                                                                  \
    *(double *)out = flop / (now() - start) + (c[SIDE / 2] < 0);                                                       \
    free(a), free(b), free(c), free(p);                                                                                \
    return 0;                                                                                                          \
  }
PRODUCT(fp32, float)
PRODUCT(fp64, double)

int main(int count, char **words) {
  if (count < 3) return 2;
  int product = !strcmp(words[1], "product");
  void *(*work)(void *) = !product ? triad : !strcmp(words[2], "fp32") ? fp32 : fp64;
  threads = atoi(words[product ? 3 : 2]);
  if (threads < 1 || threads > 1024) return 2;
  pthread_barrier_init(&gate, 0, threads);
  pthread_t ids[1024];
  double rates[1024], all = 0;
  for (int i = 0; i < threads; i++)
    if (pthread_create(&ids[i], 0, work, &rates[i])) return 3;
  for (int i = 0; i < threads; i++) pthread_join(ids[i], 0), all += rates[i];
  printf("%.6g\n", all);
  return 0;
}
`;
