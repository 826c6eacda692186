import { skinFor } from '../core/answers/panelShape.ts';
import { panelsFlat } from '../core/engines/panels/panels.ts';
import { reliefs } from '../core/engines/panels/relief.ts';
import { shapesOf } from '../core/answers/stand.ts';
import { type Measured, standOf } from '../core/engines/stand/form.ts';
import { good } from '../core/units/problem.ts';
import { answer } from './answer.ts';

/** Panels laid flat, off the page; with `seek` also what could be done to the panel that is pulled most. */
answer<'panels'>(({ measures, sections, plan, side, values, limit, seek }, { progress }) => {
	const measured: Measured = (key, its) => measures[`${key} ${its}`] ?? null;
	const skin = skinFor(standOf(measured, shapesOf({ sections })), plan, side, values);
	const done = panelsFlat(skin, plan, limit);
	if (!done.ok) return done;
	const { pieces, laid, strains, seams, seamLength, panelOf, mesh, flattened } = done.value;
	const strainOf = new Array<number>(mesh.surface.faces.length).fill(0);
	for (const flat of flattened.flats)
		flat.strains().each.forEach((s, i) => (strainOf[flat.patch.faces[i]!] = s));
	const worst = strains.reduce((w, s, i) => (s.max > strains[w]!.max ? i : w), 0);
	const proposed =
		seek && strains[worst]!.max > limit ? reliefs(skin, plan, panelOf[worst]!, limit, progress) : null;
	return good({
		pieces,
		laid,
		strains,
		seams,
		seamLength,
		panelOf,
		vertices: mesh.surface.vertices.map((p) => [...p] as [number, number, number]),
		faces: mesh.surface.faces.map((f) => [...f] as [number, number, number]),
		strainOf,
		rims: flattened.flats.flatMap(({ patch }) =>
			patch.borders.map((border) => [...border, border[0]!].map((p) => patch.vertices[p]!))
		),
		proposed,
		worst
	});
});
