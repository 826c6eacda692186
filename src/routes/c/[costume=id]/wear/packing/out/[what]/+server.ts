import { error } from '@sveltejs/kit';
import { copyWords, readPlaces } from '$core/answers/packList.ts';
import { goesAs, lineOf } from '$core/answers/packed.ts';
import { PAPER_KEYS } from '$core/engines/pattern/tile.ts';
import type { PrintedTag } from '$core/formats/tagsPdf.ts';
import { pdf } from '$lib/server/attachment.ts';
import { database } from '$lib/server/database.ts';
import { printer } from '$lib/server/prints/printer.ts';
import { loadRecord } from '$lib/server/read/costume.ts';
import { loadLuggage, loadTravel } from '$lib/server/read/travel.ts';
import { loadHandbook, loadMaterials } from '$lib/server/read/workshop.ts';
import type { RequestHandler } from './$types';

const GOES = {
	case: 'in a case',
	worn: 'worn on the way',
	hand: 'carried by hand',
	inside: 'inside another'
};

/** `tags`: one for every copy of a component that travels, with the case that it was laid into on the page: `in=c3.1:2`. */
export const GET: RequestHandler = async ({ params, url }) => {
	if (params.what !== 'tags') error(404, 'There is no such file.');
	const paper = PAPER_KEYS.find((k) => k === (url.searchParams.get('paper') ?? 'a4'));
	if (!paper || paper === 'plotter') error(400, 'Paper is one of a4, a3, letter.');
	const db = await database();
	const record = await loadRecord(db, Number(params.costume));
	if (!record) error(404, 'There is no such costume.');
	const workshop = { materials: await loadMaterials(db), handbook: await loadHandbook(db) };
	const as = url.searchParams.get('as');
	const luggage = await loadLuggage(db, record, workshop, as);
	const { cases } = await loadTravel(db, record.costume.id);
	const caseOf = new Map(readPlaces(url.searchParams.get('in') ?? ''));
	const caseName = (line: string) => cases.find((c) => c.id === caseOf.get(line))?.name;
	if (!luggage.length) error(404, 'There is nothing that travels.');
	const { id, name, eventName } = record.costume;
	const tags = luggage.map((l): PrintedTag => ({
		code: copyWords(l),
		name: l.component.name,
		said: [
			caseName(lineOf(l)) ?? GOES[goesAs(l)],
			l.said.fragile ? 'fragile' : '',
			l.said.upright ? 'this way up' : ''
		]
			.filter(Boolean)
			.join(', '),
		small: [name, eventName].filter(Boolean).join(', '),
		address: `${url.origin}/c/${id}/wear/packing`
	}));
	return pdf(printer.print('tags', tags, paper), 'packing-tags.pdf');
};
