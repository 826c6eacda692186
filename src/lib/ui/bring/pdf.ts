import { Failed, problem } from '$core/units/problem.ts';
import type { PDFDocumentProxy } from 'pdfjs-dist';
import workerUrl from 'pdfjs-dist/build/pdf.worker.min.mjs?url';

/** Pages of a PDF as pictures of known scale, rendered here by a kept library, its scripts and links left out. */

const MM_PER_POINT = 25.4 / 72;
/** Fine enough to find the middle of a printed line. */
export const PIXELS_PER_MM = 4;
export const MOST_PAGES = 80;
/** A page larger than this either way is none that was printed, mm. */
const MOST_MM = 5000;

export interface Page {
	number: number;
	/** mm */
	width: number;
	height: number;
	blob: Blob;
}

async function opened(bytes: Uint8Array): Promise<PDFDocumentProxy> {
	const { getDocument, GlobalWorkerOptions } = await import('pdfjs-dist');
	GlobalWorkerOptions.workerSrc = workerUrl;
	try {
		return await getDocument({
			data: bytes,
			isEvalSupported: false,
			enableXfa: false,
			disableFontFace: true,
			stopAtErrors: false
		}).promise;
	} catch (error) {
		throw new Failed(problem((error as Error).name === 'PasswordException' ? 'pdfLocked' : 'pdfDamaged'));
	}
}

/**
 * @param progress told the share of the pages that is done
 * @throws Failed when it cannot be read
 */
export async function pagesOf(
	bytes: Uint8Array,
	progress: (share: number) => void,
	signal: AbortSignal
): Promise<Page[]> {
	const pdf = await opened(bytes);
	try {
		if (pdf.numPages > MOST_PAGES) throw new Failed(problem('pdfTooMany'));
		const pages: Page[] = [];
		for (let number = 1; number <= pdf.numPages; number++) {
			if (signal.aborted) return [];
			const page = await pdf.getPage(number);
			const its = page.getViewport({ scale: 1 });
			const [width, height] = [its.width * MM_PER_POINT, its.height * MM_PER_POINT];
			if (Math.max(width, height) > MOST_MM) throw new Failed(problem('pdfPageTooLarge'));
			const viewport = page.getViewport({ scale: MM_PER_POINT * PIXELS_PER_MM });
			const canvas = document.createElement('canvas');
			canvas.width = Math.ceil(viewport.width);
			canvas.height = Math.ceil(viewport.height);
			await page.render({ canvas, viewport, background: '#fff' }).promise;
			const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done));
			if (!blob) throw new Failed(problem('pdfDamaged'));
			pages.push({ number, width, height, blob });
			page.cleanup();
			progress(number / pdf.numPages);
		}
		return pages;
	} catch (error) {
		throw error instanceof Failed ? error : new Failed(problem('pdfDamaged'));
	} finally {
		await pdf.destroy();
	}
}
