/* The window of a box, 60 pitches by 40 waters by 200 draws, one section, five sizes of gold: the same sums as core/src/set/boxSweep.ts, for a figure
   beside it in `npm run bench`. cc -O2, one thread. Prints seconds and a sum that keeps the work from being left out. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

enum { DRAWS = 200, PITCHES = 60, WATERS = 40, SIZES = 5 };
static const double G = 9.80665, RHO = 999.7, RATIO = 2650 / 999.7, WALL = 0.01;

static double unit(void) { return (rand() + 0.5) / (RAND_MAX + 1.0); }
static double logNormal(double median, double sd) {
  return median * exp(sd * sqrt(-2 * log(unit())) * cos(2 * M_PI * unit()));
}
static double speedRatio(double x) { return 6.5 * 2.5 * x / sqrt(6.5 * 6.5 + 6.25 * pow(x, 5.0 / 3)); }
static double hidden(double d, double about, double shields, double rho) {
  double of = d / about;
  return shields * (rho - RHO) * G * about * pow(of, 0.67 / (1 + exp(1.5 - of)));
}

int main(void) {
  static double rough[DRAWS], median[DRAWS], carried[DRAWS], stoneShear[DRAWS], rolls[DRAWS], head[DRAWS], wet[DRAWS];
  static double alone[DRAWS][SIZES], crowding[DRAWS][SIZES], perShear[DRAWS][SIZES];
  static double S[PITCHES][DRAWS], root[PITCHES][DRAWS], p15[PITCHES][DRAWS], p16[PITCHES][DRAWS], th[PITCHES][DRAWS],
      sf[PITCHES][DRAWS], qc[PITCHES][DRAWS];
  const double size[SIZES] = {1e-4, 2e-4, 5e-4, 1e-3, 2e-3}, share[SIZES] = {0.1, 0.25, 0.3, 0.2, 0.15};
  const double stone = 0.0127, width = 0.254, length = 0.9144, shelter = 0.012, crew = 5.25e-5;
  const double knocking = 0.1 * pow(stone / shelter, 2), repose = tan(35 * M_PI / 180);
  srand(1849);
  struct timespec a, b;
  clock_gettime(CLOCK_MONOTONIC, &a);
  for (int d = 0; d < DRAWS; d++) {
    double shields = logNormal(0.036, 0.2), scale = logNormal(1, 0.5);
    rough[d] = logNormal(0.0075, 0.25);
    median[d] = fmin(0.6 * stone, stone * logNormal(0.25, 0.3));
    carried[d] = logNormal(1.8, 0.45) * pow(logNormal(6, 0.4), 0.2) / 1.3;
    stoneShear[d] = hidden(stone, median[d], shields, 2650);
    rolls[d] = logNormal(0.61, 0.15);
    head[d] = (unit() - 0.5) * 0.01 / length;
    wet[d] = (unit() - 0.5) * 0.004;
    for (int k = 0; k < SIZES; k++) {
      alone[d][k] = scale * 160 * size[k];
      crowding[d][k] = 2.4 + 2 * unit();
      perShear[d][k] = 1 / hidden(size[k], shelter, shields, 17500);
    }
  }
  for (int i = 0; i < PITCHES; i++)
    for (int d = 0; d < DRAWS; d++) {
      double s = fmax(0.001, 0.005 + 0.002 * i + head[d]);
      S[i][d] = s;
      root[i][d] = sqrt(s);
      p15[i][d] = pow(s, 1.5);
      p16[i][d] = pow(s, 1.6);
      th[i][d] = 0.047 * (1 - s / repose) / sqrt(1 + s * s);
      sf[i][d] = sqrt(fmax(0.05, (1 - s / 0.35) / sqrt(1 + s * s)));
      qc[i][d] = 0.065 * pow(RATIO - 1, 1.67) * sqrt(G) * pow(median[d], 1.5) * pow(s, -1.12);
    }
  double sum = 0;
  for (int j = 0; j < WATERS; j++) {
    double depth[DRAWS], radius[DRAWS], speed[DRAWS], rolling[DRAWS];
    for (int d = 0; d < DRAWS; d++) {
      double h = fmax(0.001, 0.004 + 0.001 * j + wet[d]), R = h;
      for (int n = 0; n < 5; n++) {
        double v = speedRatio(R / rough[d]) * sqrt(G * R), walls = 2 * h * WALL * v * sqrt(WALL * v);
        double deep = 6.25 * pow(R / rough[d], 5.0 / 3), p = 1.5 - 5.0 / 6 * deep / (42.25 + deep);
        R -= (width * (R - h) + walls) / (width + 1.5 * walls * p / R);
      }
      depth[d] = h;
      radius[d] = R;
      speed[d] = speedRatio(R / rough[d]) * sqrt(G * R);
      double r = fmin(1, h / stone), tall = 1;
      if (r < 1) {
        double al = acos(1 - 2 * r), seg = al - sin(al) * cos(al);
        tall = (RATIO - r * r * (3 - 2 * r)) / ((RATIO - 1) * seg / M_PI * (1 - 2 * pow(sin(al), 3) / (3 * seg)));
      }
      rolling[d] = rolls[d] * pow(fmin(1, stone * (width + 2 * h) / (width * h)), -0.27) * sqrt(G * stone * (RATIO - 1) * tall);
    }
    for (int i = 0; i < PITCHES; i++)
      for (int d = 0; d < DRAWS; d++) {
        double U = speed[d] * root[i][d], q = U * depth[d], shear = RHO * G * radius[d] * S[i][d];
        if (shear < stoneShear[d] || U < rolling[d] * sf[i][d]) continue;
        double theta = radius[d] * S[i][d] / ((RATIO - 1) * median[d]);
        double solid = 4 / (RATIO - 1) * q * p16[i][d] * fmax(0, 1 - th[i][d] / theta) +
                       3.1 * pow(RATIO - 1, -1.5) * fmax(0, q - qc[i][d]) * p15[i][d];
        double x = carried[d] * solid * width, y = 0.075 * q * width / 0.65, lo = fmin(x, y), hi = fmax(x, y);
        double capacity = lo > 0 ? lo / sqrt(sqrt(1 + pow(lo / hi, 4))) : 0;
        double pace = fmin(crew, 0.6 * capacity), load = capacity > 0 ? pace / capacity : 0;
        double moving = 0.65 * fmin(pace, capacity), thin = log(q * width / (moving + q * width));
        double packing = 1 + load * load * load * load, held = 0;
        for (int k = 0; k < SIZES; k++) {
          double ratio = shear * perShear[d][k];
          double e = length * 0.5 / ((1 + ratio * ratio * ratio) * packing * (1 + knocking * load) * q);
          held += share[k] * (1 - exp(-e * alone[d][k] * exp(crowding[d][k] * thin)));
        }
        sum += pace * held;
      }
  }
  clock_gettime(CLOCK_MONOTONIC, &b);
  printf("%.6f %g\n", (double)(b.tv_sec - a.tv_sec) + 1e-9 * (double)(b.tv_nsec - a.tv_nsec), sum);
  return 0;
}
