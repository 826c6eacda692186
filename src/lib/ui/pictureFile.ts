const MOST_MB = 20;

/** Why a file cannot be taken as a picture, said before it is sent; nothing where it may be one. */
export function whyNotPicture({ name, type, size }: Pick<File, 'name' | 'type' | 'size'>): string {
	if (size > MOST_MB * 1048576)
		return `The picture has ${Math.round(size / 1048576)} MB; at most ${MOST_MB} MB. Save it smaller first.`;
	return /hei[cf]$/i.test(type) || /\.hei[cf]$/i.test(name)
		? 'HEIC pictures cannot be read here. Set the camera to JPEG, or save the picture as JPEG.'
		: '';
}
