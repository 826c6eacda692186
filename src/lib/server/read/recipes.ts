import type { Swatch } from '$core/facts/swatch.ts';
import type { Recipe } from '$core/trade/recipe.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';

/** A recipe as it was before one of its changes. */
export interface EarlierRecipe {
	changeId: number;
	key: string;
	until: LocalMinutes;
	content: Recipe;
}

const MOST = 100;

/** The newest first; what was taken back at once and is as it is now is among them. */
export const earlierRecipes = (db: Executor): Promise<EarlierRecipe[]> =>
	all(
		db,
		`select c.id as change_id, c.before ->> 'key' as key, a.at as until, c.before -> 'content' as content
		from change c join action a on a.id = c.action_id
		where c.table_name = 'handbook_row' and c.before ->> 'table_name' = 'recipe' and c.after is not null
			and c.before -> 'content' is distinct from c.after -> 'content'
		order by c.id desc limit $1`,
		[MOST]
	);

/** How paints looked wet and dry, whatever they were painted for. */
export const driedSwatches = (db: Executor): Promise<Pick<Swatch, 'materialId' | 'wet' | 'dry'>[]> =>
	all(
		db,
		'select material_id, wet, dry from swatch where material_id is not null and wet is not null and dry is not null order by id'
	);

/** Swatches of other costumes, the newest first. */
export const swatchesElsewhere = (
	db: Executor,
	costumeId: number
): Promise<(Swatch & { costumeName: string })[]> =>
	all(
		db,
		`select s.id, s.costume_id, s.recipe, s.recipe_version, s.layers, s.surface, s.material_id, s.made_on, s.coats_to_cover,
			s.wet, s.dry, s.verdict, s.note, s.version, k.name as costume_name
		from swatch s join costume k on k.id = s.costume_id
		where s.costume_id <> $1 and not exists (
			select from swatch own where own.costume_id = $1 and own.recipe = s.recipe and own.layers = s.layers
				and own.made_on = s.made_on and own.note = s.note
		)
		order by s.made_on desc, s.id desc limit $2`,
		[costumeId, MOST]
	);
