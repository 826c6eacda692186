/**
 * A file that is saved, never shown: what a drawing or a document holds is not run here.
 * @param name with its ending
 */
export const attachment = (body: BodyInit, type: string, name: string): Response =>
	new Response(body, {
		headers: {
			'content-type': type,
			'content-disposition': `attachment; filename="${name}"`,
			'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'"
		}
	});
