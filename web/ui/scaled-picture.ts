/** px of the longer side, and letters of base64, that a picture of a run keeps. */
const MOST_SIDE = 1280;
const MOST_LETTERS = 900_000;
/** How finely it is stored: the first that is small enough. */
const QUALITIES = [0.82, 0.6, 0.35, 0.15];

/** A picture scaled down, as JPEG in base64. Throws where the file is no picture. */
export async function scaledPicture(file: Blob): Promise<string> {
  // As the camera was held: width and height are those of the upright picture.
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const fraction = Math.min(1, MOST_SIDE / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [Math.round(picture.width * fraction), Math.round(picture.height * fraction)];
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  for (const quality of QUALITIES) {
    const url = canvas.toDataURL('image/jpeg', quality);
    const letters = url.slice(url.indexOf(',') + 1);
    if (letters.length <= MOST_LETTERS) return letters;
  }
  throw new Error('the picture cannot be made small enough');
}
