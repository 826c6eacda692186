import { error } from '@sveltejs/kit';
import { TooManyPrints } from './prints/printer.ts';

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

/** A print, as soon as it is written. */
export async function pdf(bytes: Promise<Uint8Array>, name: string): Promise<Response> {
	try {
		return attachment(new Uint8Array(await bytes), 'application/pdf', name);
	} catch (problem) {
		if (problem instanceof TooManyPrints) error(503, problem.message);
		throw problem;
	}
}
