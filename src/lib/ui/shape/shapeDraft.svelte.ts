import {
	follow,
	piecesOf,
	readShapeValue,
	shapeFor,
	givenByMaterial,
	type Followed
} from '$core/answers/shapePieces.ts';
import { checkOpenings } from '$core/answers/goesOn.ts';
import { roundsOf, usualEase, usualMeasure } from '$core/answers/shapeRounds.ts';
import { counts, type Param, type Shaper } from '$core/engines/pattern/shaper.ts';
import { shaperOf } from '$core/engines/shapers/shapers.ts';
import type { MeasureKey } from '$core/facts/bodyMeasure.ts';
import type { Component } from '$core/facts/component.ts';
import type { Material } from '$core/facts/material.ts';
import { fittedOf, type MeasureRecord } from '$core/facts/measureRecord.ts';
import type { ShapeKey, ShapeValue, StoredShape } from '$core/facts/shape.ts';
import { formatLength, type LengthUnit } from '$core/units/measure.ts';
import { formatNumber } from '$core/units/number.ts';
import type { Parsed, Problem } from '$core/units/problem.ts';

interface Around {
	/** What is changed; without one a new shape begins. */
	shape: () => StoredShape | undefined;
	shaperKey: () => ShapeKey;
	component: () => Component;
	components: () => readonly Component[];
	fit: () => MeasureRecord;
	materials: () => readonly Material[];
	unit: () => LengthUnit;
	/** Whether amounts of the component follow its pieces. */
	following: boolean;
	/** What a new shape of the component is cut from as a rule. */
	usual: Material | null;
}

/** A value of the shape as it stands in its field. */
export interface ShapeField {
	key: string;
	param: Param;
	/** The measure that it follows; empty for what is typed. */
	follows: MeasureKey | '';
	text: string;
	read: Parsed<ShapeValue>;
}

/** A shape while it is being typed: what comes of it at once, and what is wrong with it. */
export class ShapeDraft {
	/** What was typed since; what was not comes from the shape, or from the shaper's example. */
	#typed = $state<Record<string, string>>({});
	#chosen = $state<Record<string, string>>({});
	materialId = $state<number | string>('');
	/** What pieces of a role are cut from instead, by the role's name; empty for as the shape. */
	roleMaterials = $state<Record<string, number | string>>({});
	letFollow = $state(true);
	/** The last whole shape stays in sight while something is being typed. */
	#last = $state.raw<Record<string, ShapeValue> | null>(null);
	readonly #around: Around;
	readonly #begun: string;

	constructor(around: Around) {
		this.#around = around;
		const shape = around.shape();
		this.materialId = shape ? (shape.materialId ?? '') : (around.usual?.id ?? '');
		this.roleMaterials = { ...shape?.roles };
		this.letFollow = shape ? around.following : true;
		this.#begun = this.changed;
	}

	get shaper(): Shaper {
		return shaperOf(this.#around.shaperKey());
	}
	length = (mm: number): string => `${mm < 0 ? '−' : ''}${formatLength(Math.abs(mm), this.#around.unit())}`;

	get #wearers() {
		return fittedOf(this.#around.fit());
	}
	get #for() {
		return {
			component: this.#around.component(),
			components: this.#around.components(),
			wearers: this.#wearers
		};
	}
	/** What a measure that is followed comes to; null where nobody has taken it. */
	followed(measure: MeasureKey | ''): Followed | null {
		return measure ? follow(measure, this.#for) : null;
	}

	/** A new shape follows the wearer at once, where the measure is known. */
	#before(key: string, param: Param): ShapeValue {
		const shape = this.#around.shape();
		const kept = shape?.values[key];
		if (kept !== undefined) return kept;
		const { thicknessMm } = this.#around.component();
		if (!shape && key === 'thickness' && thicknessMm !== null)
			return Math.min(param.most ?? Infinity, Math.max(param.least ?? 0, thicknessMm));
		const measure = usualMeasure(key, param, this.#around.component());
		const followed = shape ? null : this.followed(measure ?? '');
		if (measure && followed)
			return { follows: measure, plus: usualEase(followed.mm, measure, param, this.#around.component()) };
		return param.value;
	}
	#written(param: Param, value: ShapeValue): string {
		if (typeof value !== 'number') return this.length(value.plus);
		if (param.choices) return String(value);
		return param.unit === 'mm' ? this.length(value) : formatNumber(value, 3);
	}
	readonly params: ShapeField[] = $derived.by(() =>
		Object.entries(this.shaper.params).map(([key, param]) => {
			const value = this.#before(key, param);
			const follows = (this.#chosen[key] ?? (typeof value === 'number' ? '' : value.follows)) as
				MeasureKey | '';
			const text = this.#typed[key] ?? this.#written(param, value);
			return {
				key,
				param,
				follows,
				text,
				read: readShapeValue(param, text, follows || null, this.#around.unit())
			};
		})
	);
	/** What counts with what is chosen; the rest keeps its values, out of sight. */
	readonly counting: ShapeField[] = $derived.by(() =>
		this.params.filter((p) => counts(p.param, this.values))
	);
	readonly resting: ShapeField[] = $derived.by(() =>
		this.params.filter((p) => !counts(p.param, this.values))
	);
	/** Values at which examples of a middle size stand, though a measure says them: as soon as somebody takes it, or since. */
	readonly #onExample = $derived.by(() =>
		this.counting.flatMap((field) => {
			const { key, param, follows, read } = field;
			const measure = usualMeasure(key, param, this.#around.component());
			return measure && !follows && read.ok && read.value === param.value ? [{ field, measure }] : [];
		})
	);
	/** Measures that the shape wants and that nobody has taken: its examples stand there. */
	readonly examples: MeasureKey[] = $derived(
		this.#onExample.flatMap(({ measure }) => (this.followed(measure) ? [] : [measure]))
	);
	/** Measures taken since, of a shape that was drawn before. */
	readonly measured: MeasureKey[] = $derived.by(() =>
		this.#around.shape()
			? this.#onExample.flatMap(({ measure }) => (this.followed(measure) ? [measure] : []))
			: []
	);
	/** What stands at an example follows the measures that were taken since, with the usual ease. */
	followMeasured(): void {
		for (const { field, measure } of this.#onExample) {
			const followed = this.followed(measure);
			if (!followed) continue;
			this.#chosen[field.key] = measure;
			this.#typed[field.key] = this.length(
				usualEase(followed.mm, measure, field.param, this.#around.component())
			);
		}
	}
	type(key: string, text: string): void {
		this.#typed[key] = text;
	}
	/** A value follows a measure, with nothing added; or is typed, beginning with what it was. */
	choose({ key, param, follows }: ShapeField, measure: string): void {
		const was = this.followed(follows);
		this.#chosen[key] = measure;
		this.#typed[key] = this.length(measure ? 0 : (was?.mm ?? param.value));
	}

	readonly values = $derived.by(
		() =>
			Object.fromEntries(this.params.flatMap((p) => (p.read.ok ? [[p.key, p.read.value]] : []))) as Record<
				string,
				ShapeValue
			>
	);
	get #cutFrom() {
		const shape = this.#around.shape();
		const id = Number(this.materialId);
		const chosen = Object.entries(this.roleMaterials).filter(([, m]) => Number(m) > 0);
		return {
			materialId: id || null,
			roles: Object.fromEntries(chosen.map(([role, m]) => [role, Number(m)])),
			layers: shape && id === shape.materialId ? shape.layers : 1
		};
	}
	get layers(): number {
		return this.#cutFrom.layers;
	}
	get material(): Material | undefined {
		return this.#around.materials().find((m) => m.id === Number(this.materialId));
	}
	/** What the material says instead of what is typed: thickness, width that can be laid, stretch. */
	given(key: string): number | null {
		return givenByMaterial(this.#cutFrom, this.#around.materials())[key] ?? null;
	}
	get #fitFor() {
		return { ...this.#for, materials: this.#around.materials() };
	}
	#sourceOf(values: Record<string, ShapeValue>) {
		const shape = this.#around.shape();
		return {
			shaper: this.#around.shaperKey(),
			values,
			works: shape?.works ?? [],
			drawn: shape?.drawn ?? null,
			panels: shape?.panels ?? null,
			...this.#cutFrom
		};
	}
	readonly #done = $derived.by(() => shapeFor(this.#sourceOf(this.values), this.#fitFor));
	/** What is wrong, with the field that it is of first in its path. */
	readonly problem: Problem | null = $derived.by(() => {
		const unread = this.#around.shape()?.drawn ? undefined : this.params.find((p) => !p.read.ok);
		if (unread && !unread.read.ok) return { ...unread.read.problem, path: [unread.key] };
		return this.#done.ok ? null : this.#done.problem;
	});
	get problemAt(): string | null {
		const at = this.problem?.path[0];
		return typeof at === 'string' ? at : null;
	}

	/** What is whole is what stays in sight. */
	settle(): void {
		if (!this.problem) this.#last = this.values;
	}
	readonly shown = $derived.by(() => {
		const whole = this.problem
			? this.#last && shapeFor(this.#sourceOf(this.#last), this.#fitFor)
			: this.#done;
		return whole?.ok ? whole.value : null;
	});
	/** Where it closes round the body: whether that goes on, and how it sits. */
	readonly rounds = $derived.by(() => {
		const shape = this.#around.shape();
		const source = this.#sourceOf(this.problem ? (this.#last ?? {}) : this.values);
		if (shape?.drawn || !this.shown) return [];
		const { components } = this.#for;
		return checkOpenings(roundsOf(source, this.#fitFor), components, this.#wearers);
	});
	/** Roles of its pieces, each of which may be cut from a material of its own. */
	readonly roles: string[] = $derived([...new Set(this.shown?.pieces.flatMap((p) => p.role ?? []))]);
	/** Numbered among the other shapes of the component. */
	readonly pieces = $derived.by(() => {
		const shape = this.#around.shape();
		const own = this.#sourceOf(this.problem ? (this.#last ?? {}) : this.values);
		const all = this.#around.fit().shapes.filter((s) => s.componentId === this.#around.component().id);
		const shapes = shape ? all.map((s) => (s.id === shape.id ? own : s)) : [...all, own];
		return piecesOf(shapes, this.#fitFor).find((p) => p.shape === own)?.pieces ?? [];
	});

	/** Everything that would be kept, to tell whether there is something to keep. */
	get changed(): string {
		return JSON.stringify([this.values, this.materialId, this.roleMaterials, this.letFollow]);
	}
	get isChanged(): boolean {
		return this.changed !== this.#begun;
	}
}
