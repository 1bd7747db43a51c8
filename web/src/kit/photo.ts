/** Larger files than this are made smaller before they are sent. */
const LARGE = 1_500_000;
const LONGEST_SIDE = 1_600;

/** A camera's picture, small enough to send; what cannot be drawn is sent as it is. */
export async function small(file: File): Promise<Blob> {
  if (file.size <= LARGE) return file;
  try {
    const bitmap = await createImageBitmap(file);
    const scale = Math.min(1, LONGEST_SIDE / Math.max(bitmap.width, bitmap.height));
    const canvas = new OffscreenCanvas(bitmap.width * scale, bitmap.height * scale);
    canvas.getContext("2d")?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    return await canvas.convertToBlob({ type: "image/jpeg", quality: 0.9 });
  } catch {
    return file;
  }
}
