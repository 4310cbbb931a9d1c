import { transfer, type Remote } from 'comlink';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { useThread } from '../../../workers/useThread.ts';
import type { TagWorker } from './tag.worker.ts';

/** Wide enough for a tag at arm's length, small enough for an old phone. */
const LOOKED_AT_PX = 720;
const LOOK_EVERY_MS = 150;

const openThread = (): Worker => new Worker(new URL('./tag.worker.ts', import.meta.url), { type: 'module' });

interface TagCamera {
  readonly video: RefObject<HTMLVideoElement | null>;
  /** Why there is no picture; null while there is, or while the person is asked. */
  readonly problem: string | null;
  /** Reads a picture the person chose. Null: no square code in it. */
  readonly readPicture: (file: Blob) => Promise<string | null>;
}

/** The device's camera, looked at a few times a second until a square code is seen; nothing of it is kept or sent. */
export function useTagCamera(onSeen: (words: string) => void): TagCamera {
  const video = useRef<HTMLVideoElement>(null);
  const worker = useThread<TagWorker>(openThread);
  const [problem, setProblem] = useState<string | null>(null);
  const seen = useRef(onSeen);
  useEffect(() => {
    seen.current = onSeen;
  });
  useEffect(() => {
    const canvas = document.createElement('canvas');
    const over = new AbortController();
    const { signal } = over;
    let stream: MediaStream | null = null;
    const look = async (): Promise<void> => {
      const view = video.current;
      const reader = worker.current;
      if (reader && view && view.videoWidth > 0) {
        const words = await readFrom(reader, canvas, view, view.videoWidth, view.videoHeight);
        if (words !== null && !signal.aborted) seen.current(words);
      }
      if (!signal.aborted) setTimeout(() => void look(), LOOK_EVERY_MS);
    };
    void openCamera().then(
      (opened) => {
        if (signal.aborted || !video.current) return opened.getTracks().forEach((t) => t.stop());
        stream = opened;
        video.current.srcObject = opened;
        void video.current.play().then(look, () => setProblem('The camera gives no picture.'));
      },
      (error: Error) => {
        if (!signal.aborted) setProblem(whyNot(error));
      },
    );
    return () => {
      over.abort();
      stream?.getTracks().forEach((t) => t.stop());
    };
  }, [worker]);
  const readPicture = async (file: Blob): Promise<string | null> => {
    const picture = await createImageBitmap(file);
    const reader = worker.current;
    return reader && readFrom(reader, document.createElement('canvas'), picture, picture.width, picture.height);
  };
  return { video, problem, readPicture };
}

/** The camera that looks away from the person, where there are two. */
async function openCamera(): Promise<MediaStream> {
  // Browsers hand out no camera on a page that is not safe: there the object is missing.
  const devices = navigator.mediaDevices as MediaDevices | undefined;
  if (!devices) throw new DOMException('', 'NotSupportedError');
  return devices.getUserMedia({ video: { facingMode: 'environment' }, audio: false });
}

function whyNot(error: Error): string {
  switch (error.name) {
    case 'NotAllowedError':
      return 'The camera is not allowed here. Allow it in the browser, take a picture below, or type the tag.';
    case 'NotFoundError':
      return 'No camera was found. Choose a picture below, or type the tag.';
    default:
      return 'The camera cannot be used here. Choose a picture below, or type the tag.';
  }
}

async function readFrom(
  reader: Remote<TagWorker>,
  canvas: HTMLCanvasElement,
  from: CanvasImageSource,
  width: number,
  height: number,
): Promise<string | null> {
  const scale = Math.min(1, LOOKED_AT_PX / Math.max(width, height));
  canvas.width = Math.round(width * scale);
  canvas.height = Math.round(height * scale);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return null;
  context.drawImage(from, 0, 0, canvas.width, canvas.height);
  const picture = context.getImageData(0, 0, canvas.width, canvas.height);
  return reader.read(transfer(picture, [picture.data.buffer]));
}
