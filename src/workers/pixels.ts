import { Failed, problem } from '../core/units/problem.ts';
import type { Pixels } from '../core/engines/plane/rectify.ts';

/** The pixels of a stored picture, decoded off the page. */
export async function pixelsOf(picture: Blob) {
	const bitmap = await createImageBitmap(picture).catch((error: unknown) => {
		if (error instanceof RangeError) throw error;
		throw new Failed(problem('pictureDamaged'));
	});
	const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
	const context = canvas.getContext('2d', { willReadFrequently: true })!;
	context.drawImage(bitmap, 0, 0);
	bitmap.close();
	return context.getImageData(0, 0, canvas.width, canvas.height);
}

/** Pixels as a stored picture, so that a page can show them. */
export async function pictureOf({ data, width, height }: Pixels, type = 'image/png'): Promise<Blob> {
	const canvas = new OffscreenCanvas(width, height);
	canvas.getContext('2d')!.putImageData(new ImageData(data as never, width, height), 0, 0);
	return canvas.convertToBlob({ type, quality: 0.9 });
}
