import { error } from '@sveltejs/kit';
import { tagWords, inLedgerOrder } from '$core/facts/component.ts';
import { patternDxf } from '$core/formats/patternDxf.ts';
import { cutFrom } from '$core/facts/shape.ts';
import { patternSvg } from '$core/formats/patternSvg.ts';
import type { PrintedTag } from '$core/formats/tagsPdf.ts';
import { fittedOf } from '$core/facts/measureRecord.ts';
import { piecesOf } from '$core/answers/shapePieces.ts';
import { PAPER_KEYS } from '$core/engines/pattern/tile.ts';
import { attachment, pdf } from '$lib/server/attachment.ts';
import { database } from '$lib/server/database.ts';
import { printer } from '$lib/server/prints/printer.ts';
import { loadRecord } from '$lib/server/read/costume.ts';
import { loadMeasure } from '$lib/server/read/measure.ts';
import { loadMaterials } from '$lib/server/read/workshop.ts';
import type { RequestHandler } from './$types';

/**
 * Prints of pieces: `pdf`, `svg` and `dxf` at 1:1, `tags`, `chart`. Of `?shape=1&shape=2`, of `?piece=1.0` (the first
 * piece of shape 1), or of the whole costume.
 */
export const GET: RequestHandler = async ({ params, url }) => {
	const db = await database();
	const record = await loadRecord(db, Number(params.costume));
	if (!record) error(404, 'There is no such costume.');
	const [fit, materials] = await Promise.all([loadMeasure(db, record.costume.id), loadMaterials(db)]);
	const shapes = new Set(url.searchParams.getAll('shape'));
	const pieces = new Set(url.searchParams.getAll('piece'));
	const all = shapes.size + pieces.size === 0;
	const wearers = fittedOf(fit);
	const groups = inLedgerOrder(record.components).map(({ item: component }) => ({
		component,
		pieces: piecesOf(
			fit.shapes.filter((s) => s.componentId === component.id),
			{ component, components: record.components, wearers, materials }
		).flatMap(({ shape, pieces: its }) =>
			its.flatMap((numbered, i) =>
				all || shapes.has(String(shape.id)) || pieces.has(`${shape.id}.${i}`)
					? [{ numbered, shape, number: i + 1 }]
					: []
			)
		)
	}));
	const chosen = groups.flatMap((g) => g.pieces.map((p) => p.numbered));
	if (chosen.length === 0) error(404, 'There are no pieces to print.');
	const paper = PAPER_KEYS.find((k) => k === (url.searchParams.get('paper') ?? 'a4'));
	if (!paper) error(400, `Paper is one of ${PAPER_KEYS.join(', ')}.`);
	const title = record.costume.name;
	// A plotter prints no tags: they are for the printer on the desk.
	const desk = paper === 'plotter' ? 'a4' : paper;
	if (params.what === 'pdf')
		return pdf(printer.print('pattern', chosen, paper, `${title}: pattern`), 'pattern.pdf');
	if (params.what === 'svg')
		return attachment(patternSvg(chosen, `${title}: pattern`), 'image/svg+xml', 'pattern.svg');
	if (params.what === 'dxf') return attachment(patternDxf(chosen), 'image/vnd.dxf', 'pattern.dxf');
	if (params.what === 'tags') {
		const tags = groups.flatMap(({ component, pieces: its }) =>
			its.map(({ numbered, shape, number }): PrintedTag => ({
				code: numbered.code,
				name: `${component.name}: ${numbered.piece.name}`,
				said: [`cut ${numbered.count}`, tagWords(component), numbered.piece.mirrored ? 'half mirrored' : '']
					.filter(Boolean)
					.join(', '),
				small: materials.find((m) => m.id === cutFrom(shape, numbered.piece).materialId)?.name ?? '',
				address: `${url.origin}/c/${record.costume.id}/pattern/${shape.id}/${number}`
			}))
		);
		return pdf(printer.print('tags', tags, desk), 'tags.pdf');
	}
	if (params.what === 'chart') {
		const charts = groups
			.filter((g) => g.pieces.length)
			.map((g) => ({
				title: `${g.component.code} ${g.component.name}`,
				pieces: g.pieces.map((p) => p.numbered)
			}));
		return pdf(printer.print('chart', charts, desk, `${title}: placement`), 'placement.pdf');
	}
	error(404, 'There is no such file.');
};
