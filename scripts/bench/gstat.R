# Rscript scripts/benchGstat.R samples.csv: the kriging of `npm run bench` by gstat (Pebesma 2004), for a figure beside it. Prints seconds and the map's mean.
suppressMessages({
  library(sp)
  library(gstat)
})
samples <- read.csv(commandArgs(TRUE)[1])
coordinates(samples) <- ~ x_m + y_m
middles <- (seq_len(200) - 0.5) * 1.5
cells <- expand.grid(x_m = middles, y_m = middles)
coordinates(cells) <- ~ x_m + y_m
model <- vgm(psill = 0.02, model = "Sph", range = 40, nugget = 0.005)
took <- system.time(
  map <- krige(grade ~ 1, samples, cells, model, nmax = 24, debug.level = 0)
)
cat(took[["elapsed"]], mean(map$var1.pred), "\n")
