/** The pixels of a stored picture, decoded off the page. */
export async function pixelsOf(picture: Blob) {
	const bitmap = await createImageBitmap(picture);
	const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
	const context = canvas.getContext('2d', { willReadFrequently: true })!;
	context.drawImage(bitmap, 0, 0);
	bitmap.close();
	return context.getImageData(0, 0, canvas.width, canvas.height);
}
