import type { Fix } from './fix.ts';

/** Where positions come from: this device's own receiver, or the simulated one that walks up the ground. */
export type PositionSource = 'device' | 'simulated';

/** The simulated walker is this much quicker than a person, so that one does not wait for it. */
const HASTE = 8;

/**
 * One position, now.
 * @throws Error in words for the person: not allowed, none now, no fix
 */
export async function currentPosition(source: PositionSource, groundId: string): Promise<Fix> {
  return source === 'device' ? ask() : walked(groundId);
}

const ask = (): Promise<Fix> =>
  new Promise((resolve, reject) => {
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => resolve({ lon: coords.longitude, lat: coords.latitude, accuracy_m: coords.accuracy }),
      (error) =>
        reject(
          new Error(error.code === error.PERMISSION_DENIED ? 'Your position is not allowed here.' : 'No position now.'),
        ),
      { enableHighAccuracy: true, timeout: 15_000, maximumAge: 10_000 },
    );
  });

const walks = new Map<string, { began: number; fixes: readonly (Fix | null)[] }>();

async function walked(groundId: string): Promise<Fix> {
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
