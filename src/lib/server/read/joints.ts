import type { JointPurchase } from '$core/facts/jointPurchase.ts';
import type { Executor } from '../db/open.ts';
import { all } from '../db/rows.ts';

type Row = Omit<JointPurchase, 'shares'> & JointPurchase['shares'][number];

/** What these costumes buy together with others. */
export async function loadJoints(db: Executor, costumeIds: readonly number[]): Promise<JointPurchase[]> {
	const rows = await all<Row>(
		db,
		`select j.id, j.packs, j.pack_size, j.pack_price_minor, j.shipping_minor, p.id as purchase_id, p.costume_id, k.name as costume,
			p.packs * p.pack_size as units
		from joint_purchase j join purchase p on p.joint_id = j.id join costume k on k.id = p.costume_id
		where j.id in (select joint_id from purchase where costume_id = any($1))
		order by j.id, k.event_at, k.id, p.id`,
		[costumeIds]
	);
	const joints = new Map<number, JointPurchase>();
	for (const { purchaseId, costumeId, costume, units, ...joint } of rows) {
		const known = joints.get(joint.id) ?? { ...joint, shares: [] };
		joints.set(joint.id, {
			...known,
			shares: [...known.shares, { purchaseId, costumeId, costume, units }]
		});
	}
	return [...joints.values()];
}
