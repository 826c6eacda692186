import type { Component } from '$core/facts/component.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';

/** What other costumes are broken down into, archived ones included. */
export interface Breakdown {
	id: number;
	name: string;
	components: Pick<Component, 'id' | 'parentId' | 'code' | 'name' | 'position'>[];
}

export async function otherBreakdowns(db: Executor, costumeId: number): Promise<Breakdown[]> {
	const rows = await all<Breakdown['components'][number] & { costumeId: number; costume: string }>(
		db,
		`select c.id, c.parent_id, c.code, c.name, c.position, k.id as costume_id, k.name as costume
		from component c join costume k on k.id = c.costume_id where k.id <> $1
		order by k.event_at desc, k.id, c.position, c.id`,
		[costumeId]
	);
	const found = new Map<number, Breakdown>();
	for (const { costumeId: id, costume: name, ...component } of rows) {
		if (!found.has(id)) found.set(id, { id, name, components: [] });
		found.get(id)!.components.push(component);
	}
	return [...found.values()];
}
