/** Large enough to see a cut by, small enough for a poor signal, px at the longer side. */
const LONGEST = 1_600;
const QUALITIES = [0.8, 0.6, 0.4];
/** What the server takes, bytes. */
const LARGEST = 1024 * 1024;

/** How large a picture is drawn, so that its longer side is at most {@link LONGEST}. */
export function drawnSize(width: number, height: number): { width: number; height: number } {
  const share = Math.min(1, LONGEST / Math.max(width, height));
  return { width: Math.max(1, Math.round(width * share)), height: Math.max(1, Math.round(height * share)) };
}

/** A photograph as a JPEG in base 64, drawn anew: what the camera wrote into it, such as where it was, stays on the phone. */
export async function asJpeg(file: Blob): Promise<string> {
  const picture = await createImageBitmap(file);
  const canvas = document.createElement('canvas');
  Object.assign(canvas, drawnSize(picture.width, picture.height));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  for (const quality of QUALITIES) {
    const jpeg = await new Promise<Blob | null>((take) => {
      canvas.toBlob(take, 'image/jpeg', quality);
    });
    if (jpeg && jpeg.size <= LARGEST) return base64(new Uint8Array(await jpeg.arrayBuffer()));
  }
  throw new Error('This picture cannot be made small enough. Take it anew.');
}

const CHUNK = 32_768;

export function base64(bytes: Uint8Array): string {
  let text = '';
  for (let from = 0; from < bytes.length; from += CHUNK) {
    text += String.fromCharCode(...bytes.subarray(from, from + CHUNK));
  }
  return btoa(text);
}
