import type { CostumeRecord } from '../facts/costume.ts';
import { isSameEvent, type EventRule } from '../facts/travel.ts';
import type { Material } from '../facts/material.ts';
import type { Feature, Worn } from '../facts/wear.ts';
import { coatProductOf, type Catalogue } from '../trade/catalogue.ts';
import { fastenerOf } from '../trade/fastener.ts';
import type { KitUse } from '../trade/kitUse.ts';

/** Something of the emergency kit. */
export interface KitItem {
	key: string;
	name: string;
	use: KitUse;
	/** The components that ask for it; none for all of them. */
	componentIds: number[];
	/** The material that it is, where one is known. */
	materialId: number | null;
	/** What of the costume asks for it. */
	because: string;
	/** What of it an event may forbid. */
	feature: Feature | null;
}

const always = (use: KitUse, name: string, because: string, feature: Feature | null = null): KitItem => ({
	key: use,
	name,
	use,
	componentIds: [],
	materialId: null,
	because,
	feature
});
/** For any costume: common practice. */
const ALWAYS: readonly KitItem[] = [
	always('tape', 'strong cloth tape', 'all of it'),
	always('pins', 'safety pins', 'all of it'),
	always('scissors', 'small scissors', 'all of it', 'blade'),
	always('plasters', 'plasters and water', 'the wearer')
];

const SEWN: readonly string[] = ['sewMachine', 'sewStretch', 'sewHand', 'bind', 'baste'];

/** What mends a costume at its event, from what it is made of: its glues, threads, closures, cells and paints; the same each once. */
export function emergencyKit(
	record: Pick<CostumeRecord, 'components' | 'steps' | 'needs' | 'coats'>,
	{ joins, wearings }: Worn,
	materials: readonly Material[],
	trade: Catalogue
): KitItem[] {
	const codeOf = (id: number) => record.components.find((c) => c.id === id)?.code ?? '';
	const found = new Map<string, KitItem>();
	const add = (
		use: KitUse,
		name: string,
		componentId: number,
		{ key = use, materialId = null }: { key?: string; materialId?: number | null } = {}
	) => {
		const none: KitItem = { key, name, use, componentIds: [], materialId, because: '', feature: null };
		const item = found.get(key) ?? none;
		if (!item.componentIds.includes(componentId)) item.componentIds.push(componentId);
		found.set(key, item);
	};
	for (const need of record.needs) {
		const material = materials.find((m) => m.id === need.materialId);
		if (material?.family === 'glue')
			add('glue', material.name, need.componentId, { key: `glue ${material.name}`, materialId: material.id });
	}
	for (const step of record.steps) {
		if (SEWN.includes(step.technique)) add('thread', 'needle and thread', step.componentId);
		if (step.technique === 'wire') add('cells', 'spare cells', step.componentId);
	}
	for (const { componentId, circuit } of wearings) if (circuit) add('cells', 'spare cells', componentId);
	for (const join of joins) {
		const { name } = fastenerOf(trade.fastener, join.fastener);
		if (join.fastener !== 'pin' && join.fastener !== 'glue')
			add(`spare ${join.fastener}`, `spare ${name}`, join.componentId);
	}
	for (const coat of record.coats) {
		const material = materials.find((m) => m.id === coat.materialId);
		const product = coatProductOf(trade, coat.product);
		if (product.does === 'colour' || material?.family === 'paint')
			add('paint', `touch-up: ${material?.name ?? product.name}`, coat.componentId, {
				key: `paint ${coat.product} ${coat.materialId}`,
				materialId: coat.materialId
			});
	}
	for (const { id, kind } of record.components) if (kind === 'wig') add('wig', 'wig pins and comb', id);
	return [
		...[...found.values()].map((item) => ({
			...item,
			because: item.componentIds.map(codeOf).sort().join(', ')
		})),
		...ALWAYS
	];
}

/** The rule of an event that forbids something of the kit. */
export const forbids = (
	{ feature }: Pick<KitItem, 'feature'>,
	rules: readonly EventRule[]
): EventRule | undefined => rules.find((r) => feature !== null && r.kind === feature);

/** The rules of one event, in the order in which they were written down. */
export const rulesOf = (eventName: string, rules: readonly EventRule[]): EventRule[] =>
	rules.filter((r) => isSameEvent(r.eventName, eventName)).sort((a, b) => a.id - b.id);
