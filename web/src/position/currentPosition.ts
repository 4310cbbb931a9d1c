import type { PositionFix } from '@riffle/core';

/** Where positions come from: this device's own receiver, or the simulated one that walks up the ground. */
export type PositionSource = 'device' | 'simulated';

/** The person or the browser does not let Riffle know the position. */
export class PositionDenied extends Error {
  constructor() {
    super('Your position is not allowed here.');
  }
}

/** The simulated walker is this much quicker than a person, so that one does not wait for it. */
const HASTE = 8;

/**
 * One position, now, or one known so long ago at most.
 * @throws Error in words for the person: not allowed, none now, no fix
 */
export async function currentPosition(
  source: PositionSource,
  groundId: string,
  { oldest_ms = 0 }: { readonly oldest_ms?: number } = {},
): Promise<PositionFix> {
  return source === 'device' ? ask(oldest_ms) : walked(groundId);
}

const ask = (oldest_ms: number): Promise<PositionFix> =>
  new Promise((resolve, reject) => {
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => resolve({ lon: coords.longitude, lat: coords.latitude, accuracy_m: coords.accuracy }),
      (error) => reject(error.code === error.PERMISSION_DENIED ? new PositionDenied() : new Error('No position now.')),
      { enableHighAccuracy: true, timeout: 15_000, maximumAge: oldest_ms },
    );
  });

const walks = new Map<string, { began: number; fixes: readonly (PositionFix | null)[] }>();

async function walked(groundId: string): Promise<PositionFix> {
  let walk = walks.get(groundId);
  if (!walk) {
    const response = await fetch(`/api/v1/devices/gps.nmea?ground=${groundId}`);
    if (!response.ok) throw new Error('The simulated receiver has no line to walk here.');
    const { fixesOf } = await import('./nmea.ts');
    walk = { began: Date.now(), fixes: fixesOf(await response.text()) };
    walks.set(groundId, walk);
  }
  const fix = walk.fixes[Math.min(walk.fixes.length - 1, Math.floor(((Date.now() - walk.began) / 1000) * HASTE))];
  if (!fix) throw new Error('No position now.');
  return fix;
}
