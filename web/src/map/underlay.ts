import { fromBlob } from 'geotiff';
import { createStore, del, get, set } from 'idb-keyval';
import { projectionOf, readWorldFile, Unusable, type Extent } from './worldFile.ts';

/** A person's own picture under the map. It stays on this device. */
export type Underlay =
  | {
      readonly kind: 'picture';
      readonly name: string;
      readonly picture: Blob;
      readonly extent: Extent;
      readonly projection: 'EPSG:4326' | 'EPSG:3857';
    }
  | { readonly kind: 'tiles'; readonly address: string };

const store = createStore('riffle-underlays', 'underlays');
export const keepUnderlay = (groundId: string, underlay: Underlay): Promise<void> => set(groundId, underlay, store);
export const findUnderlay = (groundId: string): Promise<Underlay | undefined> => get<Underlay>(groundId, store);
export const dropUnderlay = (groundId: string): Promise<void> => del(groundId, store);

/** Larger pictures are made smaller: a phone cannot hold them. */
const MOST_PX = 4096;

/**
 * Reads what a person chose: one GeoTIFF, or a picture with its world file.
 * Longitude and latitude (EPSG:4326) and web Mercator (EPSG:3857) are understood; others are refused by name.
 * @throws Unusable with what to do
 */
export async function readUnderlay(files: readonly File[]): Promise<Underlay> {
  const tiff = files.find((f) => /\.tiff?$/i.test(f.name));
  if (tiff) return readGeoTiff(tiff);
  const world = files.find((f) => /\.(pgw|jgw|wld|pngw|jpgw|gfw|tfw)$/i.test(f.name));
  const picture = files.find((f) => f.type.startsWith('image/'));
  if (!picture) throw new Unusable('Choose a GeoTIFF, or a picture together with its world file (.pgw, .jgw, .wld).');
  if (!world)
    throw new Unusable('A picture needs its world file beside it, which says where it lies. Choose both at once.');
  return readWithWorldFile(picture, await world.text());
}

async function readWithWorldFile(picture: File, text: string): Promise<Underlay> {
  const { px, py, x, y } = readWorldFile(text);
  const bitmap = await createImageBitmap(picture).catch(() => {
    throw new Unusable('This picture cannot be read. Save it as PNG or JPEG.');
  });
  const west = x - px / 2;
  const north = y - py / 2;
  const extent: Extent = [west, north + py * bitmap.height, west + px * bitmap.width, north];
  return {
    kind: 'picture',
    name: picture.name,
    picture: await drawn(bitmap),
    extent,
    projection: projectionOf(extent),
  };
}

async function drawn(bitmap: ImageBitmap): Promise<Blob> {
  const scale = Math.min(1, MOST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(bitmap.width * scale)),
    Math.max(1, Math.round(bitmap.height * scale)),
  );
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return canvas.convertToBlob({ type: 'image/webp', quality: 0.85 });
}

async function readGeoTiff(file: File): Promise<Underlay> {
  try {
    const image = await (await fromBlob(file)).getImage();
    const keys = image.getGeoKeys() as { ProjectedCSTypeGeoKey?: number; GeographicTypeGeoKey?: number } | null;
    const code = keys?.ProjectedCSTypeGeoKey ?? keys?.GeographicTypeGeoKey;
    if (code !== 4326 && code !== 3857)
      throw new Unusable(
        `This GeoTIFF lies in ${code === undefined ? 'no named' : `EPSG:${code}`} coordinates. Save it in EPSG:4326 or EPSG:3857 and try again.`,
      );
    const box = image.getBoundingBox();
    const scale = Math.min(1, MOST_PX / Math.max(image.getWidth(), image.getHeight()));
    const width = Math.max(1, Math.round(image.getWidth() * scale));
    const height = Math.max(1, Math.round(image.getHeight() * scale));
    const rgb = await image.readRGB({ width, height, interleave: true });
    const pixels = new ImageData(width, height);
    for (let i = 0; i < width * height; i++) {
      pixels.data[4 * i] = Number(rgb[3 * i]);
      pixels.data[4 * i + 1] = Number(rgb[3 * i + 1]);
      pixels.data[4 * i + 2] = Number(rgb[3 * i + 2]);
      pixels.data[4 * i + 3] = 255;
    }
    return {
      kind: 'picture',
      name: file.name,
      picture: await drawn(await createImageBitmap(pixels)),
      extent: [box[0] ?? 0, box[1] ?? 0, box[2] ?? 0, box[3] ?? 0],
      projection: `EPSG:${code}`,
    };
  } catch (error) {
    throw error instanceof Unusable
      ? error
      : new Unusable(
          'This GeoTIFF cannot be read: it is damaged, or packed in a way Riffle does not know. Save it uncompressed, or with LZW or Deflate.',
        );
  }
}

/** An address with {z}, {x} and {y} in it. */
export const tileProblem = (address: string): string | null =>
  /^https?:\/\//.test(address) && ['{z}', '{x}', '{y}'].every((p) => address.includes(p))
    ? null
    : 'An address begins with https:// and holds {z}, {x} and {y}.';
