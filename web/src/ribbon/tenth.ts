/** To a tenth of a pixel, as it is written into a drawing: `toFixed` takes several times as long. */
export const tenth = (px: number): number => Math.round(px * 10) / 10;
