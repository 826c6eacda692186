import { sharedComponents, type Shared } from '$core/answers/bookings.ts';
import type { Loan } from '$core/facts/loan.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';

/** A component of another costume. */
export interface OtherComponent {
	id: number;
	code: string;
	name: string;
	costume: string;
	/** That costume is put away. */
	isAway: boolean;
}

/** Components of all other costumes, those at work first, the next event before the others. */
export const loadOtherComponents = (db: Executor, costumeId: number): Promise<OtherComponent[]> =>
	all<OtherComponent>(
		db,
		`select c.id, c.code, c.name, k.name as costume, k.archived_at is not null as is_away
		from component c join costume k on k.id = c.costume_id
		where k.id <> $1 order by k.archived_at is not null, k.event_at, k.id, c.position, c.id`,
		[costumeId]
	);

type LoanRow = Pick<Loan, 'id' | 'costumeId' | 'costume' | 'eventAt' | 'isAway'> & {
	componentId: number;
	code: string;
	name: string;
	ownerId: number;
	owner: string;
	ownerEventAt: number;
	ownerIsAway: boolean;
};

/** What is worn with several costumes, all of them. */
export async function loadShared(db: Executor): Promise<Shared[]> {
	const rows = await all<LoanRow>(
		db,
		`select l.id, b.id as costume_id, b.name as costume, b.event_at, b.archived_at is not null as is_away,
			c.id as component_id, c.code, c.name, o.id as owner_id, o.name as owner, o.event_at as owner_event_at,
			o.archived_at is not null as owner_is_away
		from loan l join costume b on b.id = l.costume_id join component c on c.id = l.component_id
			join costume o on o.id = c.costume_id
		order by l.id`
	);
	return sharedComponents(
		rows.map(({ componentId, code, name, ownerId, owner, ownerEventAt, ownerIsAway, ...loan }) => ({
			...loan,
			component: { id: componentId, code, name },
			owner: { id: ownerId, name: owner, eventAt: ownerEventAt, isAway: ownerIsAway }
		}))
	);
}
