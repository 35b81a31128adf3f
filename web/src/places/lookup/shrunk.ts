const [LONGEST, QUALITY, MOST] = [1280, 0.75, 700 * 1024];

/** A photo made small enough to be sent from a phone, as JPEG in base64; where and when it was taken is left behind. */
export async function shrunk(file: Blob): Promise<string> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new Error('This is no picture that can be read here; take another.');
  });
  const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const base64 = canvas.toDataURL('image/jpeg', QUALITY).split(',')[1] ?? '';
  if (base64.length * 0.75 > MOST) throw new Error('This photo stays too large to be sent; take one with less in it.');
  return base64;
}
