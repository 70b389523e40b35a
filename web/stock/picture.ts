/** Long enough to tell two capes apart, small enough to be sent from a phone at the bench. */
const LONGEST_SIDE = 1100;
const QUALITIES = [0.82, 0.65, 0.45];
/** What the room takes, as base64. */
const MOST_SIGNS = 480_000;

/** Width and height of a picture that is to fit within the longest side; never larger than it is. */
export function fitted(width: number, height: number, longest = LONGEST_SIDE): { width: number; height: number } {
  const by = Math.min(1, longest / Math.max(width, height));
  return { width: Math.max(1, Math.round(width * by)), height: Math.max(1, Math.round(height * by)) };
}

/** A picture made small enough to keep, as base64 of a JPEG; undefined where the file is no picture. */
export async function shrunk(file: Blob): Promise<string | undefined> {
  const bitmap = await createImageBitmap(file).catch(() => undefined);
  if (!bitmap) return undefined;
  const size = fitted(bitmap.width, bitmap.height);
  const canvas = Object.assign(document.createElement("canvas"), size);
  canvas.getContext("2d")?.drawImage(bitmap, 0, 0, size.width, size.height);
  bitmap.close();
  for (const quality of QUALITIES) {
    const base64 = canvas.toDataURL("image/jpeg", quality).split(",")[1] ?? "";
    if (base64.length <= MOST_SIGNS) return base64;
  }
  return undefined;
}
