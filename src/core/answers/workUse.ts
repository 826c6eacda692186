import { copiesOf, type Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Material, Need, SupplyKey } from '../facts/material.ts';
import type { Step } from '../facts/step.ts';
import type { Settings } from '../facts/workshop.ts';
import { techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import { marginOf } from '../trade/margin.ts';
import { slotOf, usedUpBy } from '../trade/usedUp.ts';
import { BASE_PER_UNIT } from '../trade/technique.ts';
import { number, type FigureOf } from '../units/figure.ts';
import type { PlainFormula } from '../units/formula.ts';
import { formatNumber } from '../units/number.ts';
import { G_PER, ML_PER, MM_PER } from '../units/measure.ts';
import { enoughOf, GRACE } from '../units/packs.ts';

/** What the work of one component uses up of one supply. */
export interface WorkUse {
	componentId: number;
	supply: SupplyKey;
	/** What it is taken from; null while no material stands for the supply. */
	material: Material | null;
	parts: WorkPart[];
	/** How often it is bought, so that it is enough. */
	margin: number;
	/** Units of the supply in one of the material. */
	perUnit: number;
	/** In the material's units, else in the supply's: for all copies, with the margin. */
	quantity: number;
	/** Of that, by steps that are done. */
	done: number;
	/** Some amount is a guess. */
	guessed: boolean;
	/** What was entered by hand, and counts instead; asked about while nobody has said so. */
	byHand: readonly Need[];
}

/** One step's share. */
export interface WorkPart {
	stepId: number;
	/** The step's. */
	name: string;
	guessed: boolean;
	/** m, m² or pieces of one copy. */
	amount: number;
	copies: number;
	/** Units of the supply for one of them. */
	per: number;
}

const SORTS: readonly Readonly<Record<string, number>>[] = [MM_PER, ML_PER, G_PER];

/** Units of a supply in one unit of a material; null where the two count different things. */
export function suppliesPer(supply: string, material: string): number | null {
	if (supply === material) return 1;
	const sort = SORTS.find((s) => supply in s && material in s);
	return sort ? sort[material]! / sort[supply]! : null;
}

/** Whether the work can ask for a material: it is a supply that the handbook knows, counted in what that is counted in. */
export function standsForSupply(
	{ supply, unit }: Pick<Material, 'supply' | 'unit'>,
	trade: Catalogue
): boolean {
	const row = supply === null ? undefined : trade.supply[supply];
	return row !== undefined && suppliesPer(row.unit, unit) !== null;
}

/** What may stand for supplies of a slot, in the order of the handbook and then of the materials. */
function standing(trade: Catalogue, materials: readonly Material[]): Map<string, Material[]> {
	const keys = Object.keys(trade.supply);
	const bySlot = new Map<string, Material[]>();
	const its = materials.filter((m) => standsForSupply(m, trade));
	its.sort((a, b) => keys.indexOf(a.supply!) - keys.indexOf(b.supply!));
	for (const m of its) {
		const slot = slotOf(trade.supply[m.supply!]!, m.supply!);
		bySlot.set(slot, [...(bySlot.get(slot) ?? []), m]);
	}
	return bySlot;
}

/**
 * What the steps of a costume use up, component by component. What is bought or there as it is, is not worked on here beyond its steps:
 * steps alone say it. Of glues a step takes one: what its component says, else the first of the handbook that a material stands for.
 * @returns in the materials' units where one stands for the supply
 */
export function workUses(
	record: Pick<CostumeRecord, 'components' | 'steps' | 'needs'>,
	materials: readonly Material[],
	trade: Catalogue,
	settings: Pick<Settings, 'margins'>
): WorkUse[] {
	const byTechnique = usedUpBy(trade);
	const bySlot = standing(trade, materials);
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const uses = new Map<string, WorkUse>();
	for (const step of record.steps) {
		const component = byId.get(step.componentId);
		if (!component || step.amount <= 0) continue;
		const used = byTechnique.get(step.technique) ?? [];
		for (const slot of new Set(used.map((u) => u.slot))) {
			const key = `${component.id} ${slot}`;
			const its = bySlot.get(slot) ?? [];
			const needs = record.needs.filter(
				(n) => n.componentId === component.id && its.some((m) => m.id === n.materialId)
			);
			const follows = needs.find((n) => n.byWork === true);
			const byHand = follows ? [] : needs;
			const material = its.find((m) => m.id === ((follows ?? needs[0])?.materialId ?? its[0]?.id)) ?? null;
			const supply = material?.supply ?? used.find((u) => u.slot === slot)!.supply;
			const per = used.find((u) => u.supply === supply)?.amount;
			if (per === undefined) continue;
			const use = uses.get(key) ?? begin(component, supply, material, byHand, trade, settings);
			uses.set(key, use);
			add(use, step, copiesOf(component, byId), per, trade);
		}
	}
	return [...uses.values()];
}

function begin(
	component: Component,
	supply: SupplyKey,
	material: Material | null,
	byHand: readonly Need[],
	trade: Catalogue,
	settings: Pick<Settings, 'margins'>
): WorkUse {
	const row = trade.supply[supply]!;
	return {
		componentId: component.id,
		supply,
		material,
		parts: [],
		margin: marginOf(settings, row.family),
		perUnit: material ? suppliesPer(row.unit, material.unit)! : 1,
		quantity: 0,
		done: 0,
		guessed: false,
		byHand
	};
}

function add(use: WorkUse, step: Step, all: number, per: number, trade: Catalogue): void {
	const amount = step.amount / BASE_PER_UNIT[techniqueOf(trade, step.technique).driver];
	const copies = step.perCopy ? all : 1;
	const quantity = (amount * copies * per * use.margin) / use.perUnit;
	use.parts.push({ stepId: step.id, name: step.name, guessed: step.guessed, amount, copies, per });
	use.quantity += quantity;
	if (step.doneAt !== null) use.done += quantity;
	use.guessed ||= step.guessed;
}

/** Its working: step by step, and what is bought besides. */
export function workFigure(
	{ parts, margin, perUnit, supply }: WorkUse,
	title: string,
	unit: string,
	trade: Catalogue
): FigureOf<PlainFormula> {
	const source = trade.supply[supply]?.source ?? '';
	return {
		title: `${title}: how much`,
		formula: 'workUse',
		as: { kind: 'number', unit },
		inputs: [
			...parts.map(({ name, guessed, amount, copies, per }) =>
				number(
					name,
					amount * copies * per,
					`${formatNumber(amount, 2)} × ${formatNumber(per, 2)}${copies === 1 ? '' : ` × ${copies} copies`}${guessed ? '; its amount is a guess' : ''}; ${source}`
				)
			),
			number('times', margin, 'so that it is enough, by its family, Settings'),
			number(`in one ${unit}`, perUnit, 'how it is counted')
		]
	};
}

/**
 * Supplies that work uses up and no material stands for, with as much of each as is enough for what is still to do, in its own units.
 */
export function suppliesWithoutMaterial(
	uses: readonly WorkUse[],
	trade: Catalogue
): { supply: SupplyKey; quantity: number; componentIds: number[] }[] {
	const found = new Map<SupplyKey, { supply: SupplyKey; quantity: number; componentIds: number[] }>();
	for (const u of uses) {
		if (u.material) continue;
		const before = found.get(u.supply) ?? { supply: u.supply, quantity: 0, componentIds: [] };
		before.quantity += u.quantity - u.done;
		before.componentIds.push(u.componentId);
		found.set(u.supply, before);
	}
	return [...found.values()]
		.filter((f) => f.quantity > GRACE)
		.map((f) => ({
			...f,
			quantity: enoughOf(f.quantity, trade.supply[f.supply]!.unit)
		}));
}

/** What was entered by hand of a supply, in the material's units. */
export const handOf = ({ byHand }: Pick<WorkUse, 'byHand'>): number =>
	byHand.reduce((sum, n) => sum + n.quantity, 0);

/** Amounts by hand beside what the work comes to, of which nobody has said which counts. */
export const askedAbout = (uses: readonly WorkUse[]): WorkUse[] =>
	uses.filter((u) => u.byHand.some((n) => n.byWork === null) && Math.abs(handOf(u) - u.quantity) > GRACE);
